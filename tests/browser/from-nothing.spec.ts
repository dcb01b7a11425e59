import { execFileSync } from 'node:child_process'
import { expect, type Page } from '@playwright/test'
import { pdfOf } from '../support/papers.ts'
import { base, openView, signInAs, test, live } from './desk.ts'

/** A lender that nothing ships for: pounds, kitchens on credit. Its papers are its own. */
const application = (name: string, born: string): string[] => [
  'Kitchen credit application',
  'Brindle & Oake Credit',
  `Full name | ${name}`,
  `Date of birth | ${born}`,
  'Home address | 4 Tanner Row, Ludford LF4 9QT',
  'Amount wanted | £6,450.00',
  'Showroom | Oake Kitchens Ltd',
]
const bill = (holder: string, day: string): string[] => [
  'Your electricity bill',
  'Wyre Valley Power Ltd',
  `Account holder | ${holder}`,
  `Bill date | ${day}`,
  'Supply address | 4 Tanner Row, Ludford LF4 9QT',
  'Amount due | £84.17',
]
const pdf = async (name: string, lines: string[]) => ({
  name,
  mimeType: 'application/pdf',
  buffer: Buffer.from(await pdfOf(lines)),
})

/** Writes a type from a dropped sample: its heading, and the values that it says. */
async function typeFrom(
  page: Page,
  sample: Awaited<ReturnType<typeof pdf>>,
  values: string[],
  title: string,
) {
  await openView(page, `${base()}/types/new`)
  await page.getByLabel('A sample of this type').setInputFiles(sample)
  await page.getByRole('button', { name: /is a heading of it/ }).click({ timeout: 30_000 })
  for (const value of values) {
    await page.getByRole('button', { name: `Make ${value} a value` }).click()
    await expect(page.getByRole('button', { name: `${value} is a value now` })).toBeDisabled()
  }
  await expect(page.getByText('It is known as this type')).toBeVisible()
  await page.getByRole('button', { name: 'Make this type' }).click()
  await expect(page.getByRole('heading', { name: title, exact: true })).toBeVisible()
}

test('an empty organisation is set up by its first administrator, and a package is read and judged', async ({
  page,
  browser,
}) => {
  test.setTimeout(180_000)
  page.setDefaultTimeout(20_000)
  const said = execFileSync(
    process.execPath,
    [
      '--import',
      'tsx',
      'cli/organisation.ts',
      ...['--name', 'Brindle & Oake Credit', '--letters', 'BOC'],
      ...['--administrator', 'mabel@brindleoake.example', '--person', 'Mabel Thwaite'],
    ],
    { encoding: 'utf8' },
  )
  await signInAs(page, 'mabel@brindleoake.example', /with (\S+)$/.exec(said.trim())![1])
  await expect(page.getByRole('heading', { name: 'Nothing is set up at this desk yet' })).toBeVisible()

  await page.getByRole('link', { name: 'Say how its papers are written' }).click()
  await page.getByLabel('Country').selectOption('GB')
  await expect(page.getByLabel('Currency of amounts that say none')).toHaveValue('GBP')
  await page.getByRole('button', { name: 'Store' }).click()
  await expect(page.getByText('Papers that come from now on are read so')).toBeVisible()

  await openView(page, `${base()}/programs/new`)
  await expect(page.getByText('no document type yet that a program could ask for')).toBeVisible()
  await typeFrom(
    page,
    await pdf('application.pdf', application('Edith Marlow', '14/03/1979')),
    ['Full name', 'Date of birth', 'Home address', 'Amount wanted'],
    'Kitchen credit application',
  )
  // What it reads from the sample stands beside it: the day in figures as a day, the amount in pounds.
  await expect(page.getByRole('region', { name: 'Values' })).toContainText('GBP 6,450.00')
  await expect(page.getByRole('region', { name: 'Values' })).toContainText('14 March 1979')
  await typeFrom(
    page,
    await pdf('bill.pdf', bill('Edith Marlow', '02/11/2026')),
    ['Account holder', 'Bill date', 'Supply address', 'Amount due'],
    'Your electricity bill',
  )

  await openView(page, `${base()}/programs/new`)
  await page.getByLabel('Name of the program').fill('Kitchen credit')
  for (const [name, paper, more] of [
    ['Application', 'kitchen_credit_application', null],
    ['Proof of address', 'your_electricity_bill', 'fresh'],
  ] as const) {
    await page.getByRole('button', { name: 'Requirement' }).click()
    const row = page.getByRole('region', { name: 'What is asked for' }).locator(':scope > ul > li').last()
    await row.getByLabel('Name', { exact: true }).fill(name)
    await row.getByLabel('Paper', { exact: true }).selectOption(paper)
    await row.getByLabel('Whose').selectOption('applicant')
    if (more) {
      await row.getByLabel('Ask more of it').selectOption(more)
      await row.getByLabel('count').fill('60')
    }
    await row.getByRole('button', { name: 'Close' }).click()
  }
  for (const [name, kind, fields] of [
    ['Applicant', 'name', ['kitchen_credit_application.full_name', 'your_electricity_bill.account_holder']],
    ['Date of birth', 'date', ['kitchen_credit_application.date_of_birth']],
    [
      'Address',
      'address',
      ['kitchen_credit_application.home_address', 'your_electricity_bill.supply_address'],
    ],
  ] as const) {
    await page.getByRole('button', { name: 'Fact' }).click()
    const row = page
      .getByRole('region', { name: 'What must be one and the same' })
      .locator(':scope > ul > li')
      .last()
    await row.getByLabel('Name', { exact: true }).fill(name)
    await row.getByLabel('Compared as').selectOption(kind)
    for (const field of fields) await row.getByLabel('Compare with another value').selectOption(field)
    await row.getByRole('button', { name: 'Close' }).click()
  }
  await page.getByRole('button', { name: 'Store it' }).click()
  await expect(page).toHaveURL(/programs\/kitchen-credit$/)

  await openView(page, `${base()}/registers/new`)
  await page.getByLabel('What it is called').fill('Customers')
  await page.getByLabel('File of entries').setInputFiles({
    name: 'customers.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Customer no;Applicant;Date of birth;Address\n88121;Edith Marlow;14/03/1979;"4 Tanner Row, Ludford LF4 9QT"\n',
    ),
  })
  await expect(page.getByLabel('What applicant says')).toHaveValue('applicant')
  await expect(page.getByLabel('What date of birth says')).toHaveValue('date_of_birth')
  await expect(page.getByLabel('What customer no says')).toHaveValue('')
  await expect(page.getByLabel('applicant finds an entry by likeness')).toBeChecked()
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('1 entry taken in.')).toBeVisible()

  await openView(page, `${base()}/people`)
  await page.getByLabel('Name', { exact: true }).fill('Arlo Finch')
  await page.getByLabel('E-mail').fill('arlo@brindleoake.example')
  await page.getByRole('button', { name: 'Invite this person' }).click()
  const link = await page.getByTestId('password-link').textContent()
  await expect(page.getByLabel('Role of Arlo Finch')).toHaveValue('processor')

  const other = await (await browser.newContext()).newPage()
  await other.goto(link!)
  await live(other)
  await other.getByLabel('Password', { exact: true }).fill('osprey kettle vault')
  await other.getByLabel('The same again').fill('osprey kettle vault')
  await other.getByRole('button', { name: 'Keep it and sign in' }).click()
  await expect(other.getByRole('heading', { name: /Packages/ })).toBeVisible()
  await openView(other, `${base()}/packages/new`)
  await other.getByLabel('Judged on').fill('2026-11-30')
  await other
    .getByLabel('Files of the package')
    .setInputFiles([
      await pdf('form.pdf', application('Edith Marlow', '14/04/1979')),
      await pdf('power.pdf', bill('E. Marlow', '05/07/2026')),
    ])
  await expect(other).toHaveURL(/\/files/)
  const id = /packages\/([0-9a-f-]{36})/.exec(other.url())![1]
  await expect
    .poll(
      async () => {
        await openView(other, `${base()}/packages/${id}/checklist`)
        return other.getByRole('listitem').filter({ hasText: 'Proof of address' }).count()
      },
      { timeout: 45_000 },
    )
    .toBeGreaterThan(0)
  await expect(other.getByRole('listitem').filter({ hasText: 'Application' })).toContainText('there')
  await expect(other.getByRole('listitem').filter({ hasText: 'Proof of address' })).toContainText(
    'out of date',
  )
  await openView(other, `${base()}/packages/${id}/facts`)
  const row = (name: string) => other.getByRole('row').filter({ hasText: name })
  await expect(row('Address')).toContainText('confirmed')
  await expect(row('Date of birth')).toContainText('≠')
  // Nobody else's desk has any of it.
  await openView(other, `${base()}/packages`)
  await expect(other.getByText('BOC-26-')).toHaveCount(2)
  await expect(other.getByText('MSM-26-')).toHaveCount(0)
  await other.context().close()
})
