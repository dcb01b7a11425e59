import { expect } from '@playwright/test'
import { base, demoPackage, openView, signIn, test } from './desk.ts'
import { pdfOf } from '../support/papers.ts'

test('a question is answered with its place, or not at all', async ({ page }) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/papers`)
  await page.keyboard.press('q')
  await page.getByLabel('Ask', { exact: true }).getByRole('textbox').fill('What is the hull number?')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /Hull number, .* page \d+/ }).first()).toBeVisible()
  await page.getByLabel('Ask', { exact: true }).getByRole('textbox').fill('Who painted the wheelhouse?')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Not in these papers')).toBeVisible()
})

test('a paper of no known type says what it says, and is made a type by picking', async ({ page }) => {
  await signIn(page, 'ruben')
  await openView(page, `${base()}/packages/new`)
  await page.getByLabel('Files of the package').setInputFiles([
    {
      name: 'slip.pdf',
      mimeType: 'application/pdf',
      buffer: Buffer.from(
        await pdfOf([
          'Brackwater Fish Auction',
          'Landing no | LS-2214',
          'Landed on | 14/03/2026',
          'Handed to the skipper | EUR 812.40',
        ]),
      ),
    },
  ])
  await expect(page).toHaveURL(/\/files/)
  const id = /packages\/([0-9a-f-]{36})/.exec(page.url())![1]
  await expect(page.getByText('read', { exact: true })).toBeVisible({ timeout: 30_000 })
  await expect
    .poll(
      async () => {
        await page.goto(`${base()}/packages/${id}/says?page=1`)
        return page.getByLabel('Pick Landing no').count()
      },
      { timeout: 30_000 },
    )
    .toBe(1)
  await page.getByLabel('Pick Landing no').check()
  await page.getByLabel('Pick Handed to the skipper').check()
  await page.getByPlaceholder('its name').fill('Auction slip')
  await page.getByRole('button', { name: 'with 2 values' }).click()
  await expect(page).toHaveURL(/\/values/)
  await expect(page.getByRole('button', { name: 'LS-2214' })).toBeVisible()
  await openView(page, `${base()}/types/auction_slip`)
  await expect(page.getByRole('heading', { name: 'Auction slip' })).toBeVisible()
  await page.getByRole('button', { name: 'Handed to the skipper', exact: true }).click()
  await page.getByLabel('What asking for Handed to the skipper costs').fill('0')
  await expect(page.getByText('always asked')).toBeVisible()
  await page.getByRole('button', { name: 'Store as the next version' }).click()
  await expect(page.getByText('Stored as version 2.')).toBeVisible()
  const file = await page.request.get(`${base()}/types/auction_slip/file`)
  expect(((await file.json()) as { fields: { costs: object }[] }).fields.map((f) => f.costs)).toEqual([
    { slip: 16, question: 1 },
    { slip: 16, question: 0 },
  ])
})

test('a register is taken in again from a file, which needs its columns', async ({ page }) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/registers`)
  await page.getByLabel('Entries of Vessels').setInputFiles({
    name: 'boats.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('hull_number,name\nSKR-1,Nobody’s Boat\n'),
  })
  await expect(page.getByText('1 entry taken in.')).toBeVisible()
  await page
    .getByLabel('Entries of Vessels')
    .setInputFiles({ name: 'boats.csv', mimeType: 'text/csv', buffer: Buffer.from('hull\nSKR-1\n') })
  await expect(page.getByRole('alert')).toContainText('A column “hull_number” is needed')
})

test('a processor sees types and registers, and cannot change them', async ({ page }) => {
  await signIn(page)
  await openView(page, `${base()}/types/payslip`)
  await expect(page.getByText('A lead or an administrator changes types.')).toBeVisible()
  const refused = await page.request.post(`${base()}/registers.data`, {
    data: { id: 'vessels', csv: 'name\nx' },
  })
  expect(refused.status()).toBe(403)
})

test('an administrator says how papers are written: a country brings its ways, and each may be another', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/lender`)
  await expect(page.getByLabel('Currency of amounts that say none')).toHaveValue('EUR')
  await page.getByLabel('Country').selectOption('US')
  await expect(page.getByLabel('Currency of amounts that say none')).toHaveValue('USD')
  await expect(page.getByLabel('month, day, year')).toBeChecked()
  // What most papers here are stays as it was for whoever reads them next.
  await page.getByLabel('Country').selectOption('')
  await page.getByLabel('Currency of amounts that say none').selectOption('EUR')
  await page.getByLabel('day, month, year').check()
  await page.getByRole('button', { name: 'Store' }).click()
  await expect(page.getByText('Papers that come from now on are read so')).toBeVisible()

  const other = await (await browser.newContext()).newPage()
  await signIn(other)
  await openView(other, `${base()}/lender`)
  await expect(other.getByText('An administrator changes this.')).toBeVisible()
  const refused = await other.request.post(`${base()}/lender.data`, {
    data: { country: null, currency: 'USD', languages: ['en'] },
  })
  expect(refused.status()).toBe(403)
})
