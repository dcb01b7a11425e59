import { expect, type Page } from '@playwright/test'
import { base, demoPackage, openView, signIn, test } from './desk.ts'

const program = (page: Page) =>
  page.request.get(`${base()}/programs/working-boat-loan/file`).then(
    (r) =>
      r.json() as Promise<{
        requirements: { id: string; ways: { needs: { fresh?: { days: number } }[] }[] }[]
      }>,
  )

test('a waiver waits, the reviewer agrees to it, and the requirement is waived', async ({
  page,
  browser,
}) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/checklist`)
  const item = page.getByRole('listitem').filter({ hasText: 'Proof of address' })
  await item.getByRole('button', { name: 'Waive' }).click()
  await page.getByLabel('Reason for waiving').fill('seen at the counter')
  await page.keyboard.press('Enter')
  await expect(item).toContainText('it counts once a second person agrees')
  await openView(page, `${demoPackage()}/hand-over`)
  await expect(page.getByRole('button', { name: 'Give it to a second person' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Agree' })).toHaveCount(0)

  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'maud')
  await openView(other, `${base()}/packages?state=to_sign`)
  await expect(other.getByText('1 decision to agree to').first()).toBeVisible()
  await openView(other, `${demoPackage()}/hand-over`)
  await other.getByRole('button', { name: 'Agree' }).click()
  await expect(other.getByText('counts', { exact: true })).toBeVisible()
  await openView(page, `${demoPackage()}/checklist`)
  await expect(item).toContainText('waived')
  await other.keyboard.press('u')
  await expect(other.getByText('Agreed to waiving address proof').first()).toBeVisible()
  await other.context().close()
  await page.keyboard.press('u')
  await expect(item).not.toContainText('seen at the counter')
})

test('a program is changed in sentences, tried before it is stored, and taken knowingly', async ({
  page,
}) => {
  await signIn(page, 'ruben')
  await openView(page, `${base()}/programs/working-boat-loan`)
  await page.getByLabel(/While you write/).selectOption({
    label: (
      await page
        .getByLabel(/While you write/)
        .locator('option')
        .allTextContents()
    ).find((t) => t.includes('004817'))!,
  })
  const row = page.getByRole('listitem').filter({ hasText: 'at most 12 months ago' })
  await row.getByRole('button', { name: 'Survey', exact: true }).click()
  const count = page.getByRole('spinbutton', { name: 'count' })
  await count.fill('0')
  await count.fill('1')
  await expect(page.getByText(/at most 1 months allowed|Survey.* satisfied/).first()).toBeVisible()
  await page.getByRole('button', { name: 'What would this change?' }).click()
  await expect(page.getByRole('heading', { name: /^It would change/ })).toBeVisible()
  await page.getByLabel('Paper', { exact: true }).selectOption('vessel_registration')
  await page.getByRole('checkbox', { name: 'waiving a requirement' }).uncheck()
  await expect(page.getByRole('button', { name: 'Store it' })).toBeDisabled()
  await expect(page.getByRole('alert')).toContainText('has no place for a signature')
  await page.getByRole('button', { name: 'No longer: signed' }).click()
  await page.getByLabel('Paper', { exact: true }).selectOption('survey_report')
  await page.getByLabel('Ask more of it').selectOption('fresh')
  await page.getByRole('button', { name: 'Store it' }).click()
  await expect(page.getByText('Stored as version 2.')).toBeVisible()
  expect(
    (await program(page)).requirements.find((r) => r.id === 'survey')!.ways[0].needs[0].fresh,
  ).toMatchObject({ days: 1 })

  await openView(page, `${demoPackage()}/checklist`)
  await expect(page.getByText('The program has a version 2.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'A newer version of the program' })).toContainText(
    'Survey: out of date',
  )
  await page.getByRole('button', { name: 'Move to version 2' }).click()
  await expect(page.getByText(/version 2, judged on/)).toBeVisible()

  await openView(page, `${base()}/programs/working-boat-loan`)
  await page.getByRole('listitem').filter({ hasText: 'starter set' }).getByRole('button').click()
  await expect(page.getByText('version 3', { exact: true })).toBeVisible()
  await openView(page, `${demoPackage()}/checklist`)
  await page.getByRole('button', { name: 'Move to version 3' }).click()
  await expect(page.getByText(/version 3, judged on/)).toBeVisible()
})

test('what a colleague stores meanwhile takes nothing away of what is written, and is not overwritten unseen', async ({
  page,
}) => {
  await signIn(page, 'ruben')
  await openView(page, `${base()}/programs/trader-account`)
  const name = page.getByLabel('Name of the program')
  const title = await name.inputValue()
  await name.fill('Mine, half written')
  const body = (await (await page.request.get(`${base()}/programs/trader-account/file`)).json()) as object
  const stored = await page.request.post(`${base()}/programs/trader-account.data`, {
    headers: { Origin: base() },
    data: { act: 'save', program: { ...body, title: 'Theirs' }, basis: 1 },
  })
  expect(stored.status()).toBe(200)
  await page.getByRole('button', { name: 'Store it' }).click()
  await expect(page.getByRole('alert', { name: 'Stored meanwhile' })).toContainText('stored version 2')
  await expect(page.getByText('begun from version 1')).toBeVisible()
  await expect(name).toHaveValue('Mine, half written')
  await page.getByRole('button', { name: 'Drop mine, show version 2' }).click()
  await expect(name).toHaveValue('Theirs')
  await name.fill(title)
  await page.getByRole('button', { name: 'Store it' }).click()
  await expect(page.getByText('Stored as version 3.')).toBeVisible()
})

test('a program that cannot be used is refused with the place; a processor changes none', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/programs`)
  const file = (change: object) => ({
    name: 'p.json',
    mimeType: 'application/json',
    buffer: Buffer.from(
      JSON.stringify({
        id: 'odd',
        title: 'Odd',
        persons: { applicant: 'loan_application.applicant_name' },
        facts: [],
        checks: [],
        requirements: [],
        ...change,
      }),
    ),
  })
  await page.getByLabel('A program’s file').setInputFiles(
    file({
      requirements: [
        { id: 'x', title: 'Quote', ways: [{ needs: [{ type: 'purchase_quote', until: 'good_till' }] }] },
      ],
    }),
  )
  await expect(page.getByRole('alert')).toContainText(
    'In its requirement “Quote”: “Purchase quote” has no value “good_till”',
  )
  await page.getByLabel('A program’s file').setInputFiles(file({ checks: [{ kind: 'guess' }] }))
  await expect(page.getByRole('alert')).toContainText('This is no program')
  await page.getByLabel('A program’s file').setInputFiles(file({ title: 'Berth alone' }))
  await expect(page).toHaveURL(/programs\/odd/)
  await expect(page.getByLabel('Name of the program')).toHaveValue('Berth alone')

  const other = await (await browser.newContext()).newPage()
  await signIn(other)
  await openView(other, `${base()}/programs/working-boat-loan`)
  await expect(other.getByRole('button', { name: 'Store it' })).toHaveCount(0)
  const refused = await other.request.post(`${base()}/programs/working-boat-loan.data`, {
    data: { act: 'back', version: 1, basis: 1 },
  })
  expect(refused.status()).toBe(403)
  await other.context().close()
})

test('a table is marked on the page: the lines move, the rows follow, the rest of the pages too', async ({
  page,
}) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/values`)
  const choice = page.getByLabel('Document', { exact: true })
  await choice.selectOption({
    label: (await choice.locator('option').allTextContents()).find((t) => t.startsWith('Bank statement'))!,
  })
  await page.getByRole('link', { name: 'mark it on the page' }).click()
  const heading = page.getByRole('heading', { name: /^Transactions \d+ rows? on/ })
  await expect(heading).toBeVisible()
  const rows = async () => Number(/Transactions (\d+)/.exec((await heading.textContent())!)![1])
  await expect.poll(rows).toBeGreaterThan(5)
  const all = await rows()
  const line = page.getByRole('slider', { name: 'Above the first row' })
  await line.focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowDown')
  await expect.poll(rows).toBeLessThan(all)
  // Each press of the key reads the rows anew: what counts is where they come to rest.
  const resting = async () => {
    const now = await rows()
    await page.waitForTimeout(700)
    return now === (await rows())
  }
  await expect.poll(resting).toBe(true)
  const fewer = await rows()
  await page.getByRole('button', { name: 'Row 1 is no row' }).click()
  await expect.poll(rows).toBe(fewer - 1)
  await page.getByLabel('description of row 2', { exact: true }).fill('Put right by hand')
  await page.getByLabel('amount of row 2', { exact: true }).fill('much')
  await expect(page.getByRole('alert')).toContainText('1 cell cannot be read')
  await page.getByLabel('amount of row 2', { exact: true }).fill('-12.50')
  await page.getByRole('button', { name: 'Take these rows' }).click()
  await expect(page).toHaveURL(/\/values/)
  await expect(page.getByText(new RegExp(`^${fewer - 1} rows`))).toBeVisible()
  await expect(page.getByText('Put right by hand')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByText(new RegExp(`^${all} rows`))).toBeVisible()
})
