import { expect } from '@playwright/test'
import nodemailer from 'nodemailer'
import { base, openView, signIn, test } from './desk.ts'
import { payslip, pdfOf } from '../support/papers.ts'

test('a key is made and shown once; what comes by it stands under arrivals, and a link of its report opens a value', async ({
  page,
}) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/integrations`)
  await page.getByPlaceholder('what it is called').fill('Branch system')
  await page.getByRole('button', { name: 'Make a key' }).click()
  const key = (await page.getByTestId('key').textContent())!
  const as = { Authorization: `Bearer ${key}` }
  const made = await page.request.post(`${base()}/api/v1/packages`, {
    headers: as,
    multipart: {
      program: 'working-boat-loan',
      asOf: '2026-04-10',
      reference: 'Branch 7 / 0042',
      files: {
        name: 'slip.pdf',
        mimeType: 'application/pdf',
        buffer: Buffer.from(await pdfOf(payslip('February', '27', '2,042.42'))),
      },
    },
  })
  const { id, caseNumber } = (await made.json()) as { id: string; caseNumber: string }
  await openView(page, `${base()}/arrivals`)
  const row = page.getByRole('listitem').filter({ hasText: 'Branch 7 / 0042' })
  await expect(row).toContainText(caseNumber)
  await expect(row).toContainText('Branch system')
  await page.getByRole('searchbox').fill('no such papers')
  await expect(page.getByText('Nothing that came fits this.')).toBeVisible()

  const wait = await page.request.get(`${base()}/api/v1/packages/${id}?wait=60`, { headers: as })
  expect(((await wait.json()) as { state: string }).state).toBe('open')
  const report = (await (
    await page.request.get(`${base()}/api/v1/packages/${id}/report`, { headers: as })
  ).json()) as { documents: { fields: { name: string; link: string }[] }[] }
  await openView(page, report.documents[0].fields.find((f) => f.name === 'net_pay')!.link)
  await expect(page.getByRole('button', { name: 'EUR 2,042.42' })).toBeVisible()

  await openView(page, `${base()}/integrations`)
  await page.getByRole('button', { name: 'Take the key of Branch system away' }).click()
  await expect(page.getByText('the next call with it is refused')).toBeVisible()
  expect((await page.request.get(`${base()}/api/v1/packages`, { headers: as })).status()).toBe(401)
})

test('a mail is read beside its papers, and what is nothing for the desk is set aside', async ({ page }) => {
  const door = nodemailer.createTransport(process.env.TEST_MAIL)
  const post = (subject: string, mail: object) =>
    door.sendMail({
      from: 'Wenna Trask <wenna@trask.example>',
      to: 'papers@merrowsound.example',
      subject,
      ...mail,
    })
  await post('First of all', { html: '<p>Good <b>morning</b><script>alert(1)</script></p>' })
  await signIn(page, 'ada')
  await openView(page, `${base()}/arrivals`)
  await page.getByLabel('Program of Mail for papers@merrowsound.example').selectOption('working-boat-loan')
  await expect(page.getByText('Stored.')).toBeVisible()

  await page.getByRole('link', { name: 'First of all' }).click()
  await expect(page.getByText('There are no papers in it.')).toBeVisible()
  await expect(page.frameLocator('iframe').getByText('morning')).toBeVisible()
  await page.getByLabel('Why it is set aside').fill('only a greeting')
  await page.getByRole('button', { name: 'Set aside' }).click()
  await expect(page.getByText('only a greeting')).toBeVisible()

  await post('My payslip', {
    text: 'Here it is.',
    attachments: [
      { filename: 'slip.pdf', content: Buffer.from(await pdfOf(payslip('March', '27', '2,043.43'))) },
    ],
  })
  await openView(page, `${base()}/arrivals`)
  await page.getByRole('link', { name: 'My payslip' }).click()
  await expect(page.getByText('Here it is.')).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: 'slip.pdf' }).locator('img')).toBeVisible()
  await page.getByRole('link', { name: /^MSM-|^CASE-/ }).click()
  await page.waitForURL(/\/packages\//)
  await openView(page, `${page.url().replace(/\/packages\/([^/]+).*/, '/packages/$1')}/files`)
  await expect(page.getByRole('region', { name: 'Letters' })).toContainText('My payslip')
  await page.getByLabel('Choose slip.pdf').check()
  await page.getByLabel(/belongs to case/).fill('MSM-26-004817')
  await page.getByRole('button', { name: 'Move there' }).click()
  await expect(page.getByText('filed to MSM-26-004817')).toBeVisible()
  await page.getByRole('button', { name: 'Move back' }).click()
  await expect(page.getByText('filed to MSM-26-004817')).toBeHidden()
})

test('a device gets buttons and a key, and papers by it stand under arrivals', async ({ page }) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/arrivals/devices/new`)
  await page.getByLabel('What it is called').fill('Quay scanner')
  await page.getByLabel('It says').fill('Proof of income')
  await page.getByLabel('Expected paper').selectOption('payslip')
  await page.getByRole('button', { name: 'Make the device' }).click()
  const key = (await page.getByTestId('key').textContent())!
  await page.getByRole('link', { name: 'Set it up further' }).click()
  await expect(page.getByLabel('It says')).toHaveValue('Proof of income')
  const as = { Authorization: `Bearer ${key}` }
  const device = (await (await page.request.get(`${base()}/api/v1/device`, { headers: as })).json()) as {
    buttons: { id: string }[]
  }
  const made = await page.request.post(`${base()}/api/v1/arrivals`, {
    headers: as,
    multipart: {
      button: device.buttons[0].id,
      files: {
        name: 'scan.pdf',
        mimeType: 'application/pdf',
        buffer: Buffer.from(await pdfOf(payslip('April', '29', '2,044.44'))),
      },
    },
  })
  expect(made.status()).toBe(202)
  await openView(page, `${base()}/arrivals`)
  await expect(page.getByRole('listitem').filter({ hasText: 'Proof of income' })).toContainText(
    'Quay scanner',
  )
})

test('a notice is written, tried on past packages, and switched on', async ({ page }) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/notices`)
  await page.getByRole('button', { name: 'A new notice' }).click()
  await page.getByLabel('What it is called').fill('Payslips')
  await page.getByLabel('Which paper').selectOption('payslip')
  await page.getByLabel('tell the lead').check()
  await page.getByRole('button', { name: 'Store' }).click()
  const row = page.getByRole('listitem').filter({ hasText: 'Payslips' }).first()
  await expect(row).toContainText('When a payslip comes, tell the lead.')
  await expect(row.getByRole('button', { name: 'Switch on' })).toBeDisabled()
  await row.getByRole('button', { name: 'Try' }).click()
  await expect(row.getByRole('status')).toContainText('it tells')
  await row.getByRole('button', { name: 'Switch on' }).click()
  await expect(row.getByRole('button', { name: 'Switch off' })).toBeVisible()
  await row.getByRole('button', { name: 'Switch off' }).click()
  await expect(row.getByRole('button', { name: 'Switch on' })).toBeVisible()
})
