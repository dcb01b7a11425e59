import { expect } from '@playwright/test'
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
