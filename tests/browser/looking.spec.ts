import { expect } from '@playwright/test'
import { base, demoPackage, openView, signIn, test } from './desk.ts'

test('all pages as tiles: keys go from one to the next, Enter goes to its papers', async ({ page }) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/overview`)
  const tiles = page.locator('main').getByRole('button', { name: /^Page \d+/ })
  await expect(tiles.first()).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(
    page.locator('main').getByRole('button', { name: /^Page/ }).and(page.locator('[aria-current=page]')),
  ).not.toHaveAccessibleName(/^Page 1$/)
  const before = await tiles.count()
  await page.keyboard.press('-')
  await page.keyboard.press('-')
  await expect.poll(() => tiles.count()).toBeGreaterThanOrEqual(before)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/papers\?page=\d+/)
})

test('two pages side by side, with what differs marked', async ({ page }) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/compare?page=1&with=2`)
  await expect(page.getByRole('heading', { name: /Page 1 beside page 2/ })).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: /Page 1 beside page 3/ })).toBeVisible()
  await page.keyboard.press('s')
  await expect(page.getByRole('heading', { name: /Page 3 beside page 1/ })).toBeVisible()
  await page.goto(`${demoPackage()}/compare?page=1&with=999`)
  await expect(page.getByText('one of these is not there')).toBeVisible()
})

test('a page is turned by a key, read that way, and turned back', async ({ page }) => {
  await signIn(page)
  await openView(page, `${demoPackage()}/papers?page=1`)
  const picture = page.getByRole('complementary', { name: 'Loupe' }).getByRole('img', { name: 'Page 1' })
  await expect(picture).toHaveAttribute('src', /up=0/)
  await page.keyboard.press('r')
  await expect(picture).toHaveAttribute('src', /up=90/, { timeout: 20_000 })
  await page.keyboard.press('u')
  await expect(picture).toHaveAttribute('src', /up=0/, { timeout: 20_000 })
})

test('a rule is written, tried with its hits one by one, switched on by a lead, and taken away', async ({
  page,
}) => {
  await signIn(page, 'ruben')
  await openView(page, `${base()}/rules/new`)
  await page.getByLabel('Its name').fill('Own letterhead')
  await page.getByRole('textbox', { name: 'Words 1' }).fill('Merrow Sound Mutual')
  await page.getByLabel('Tried on').selectOption(process.env.TEST_PACKAGE!)
  await expect(page.getByText(/applies to \d+ pages?/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep the rule' }).click()
  await expect(page).toHaveURL(/\/rules$/)
  await expect(page.getByText('Where “Merrow Sound Mutual” stands, a new document starts.')).toBeVisible()
  await page.getByRole('button', { name: 'Switch on' }).click()
  await expect(page.getByText('The rule is on.')).toBeVisible()
  const exported = await page.request.get(`${base()}/knowledge/file`)
  expect(await exported.json()).toMatchObject({ formatVersion: 1, rules: [{ name: 'Own letterhead' }] })
  page.once('dialog', (dialog) => void dialog.accept())
  await page.getByRole('button', { name: 'Take away' }).click()
  await expect(page.getByText('The rule is gone.')).toBeVisible()
})

test('a processor writes rules and cannot switch them on; lessons are made by a lead', async ({ page }) => {
  await signIn(page)
  await openView(page, `${base()}/rules`)
  await expect(page.getByRole('button', { name: /Switch/ })).toHaveCount(0)
  await openView(page, `${base()}/learning`)
  await expect(page.getByRole('button', { name: /Make a lesson/ })).toHaveCount(0)
  const refused = await page.request.post(`${base()}/learning.data`, { data: { act: 'use', id: null } })
  expect(refused.status()).toBe(403)
  expect((await page.request.get(`${base()}/knowledge/file`)).status()).toBe(403)
})
