import { expect, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../../demo/desk.ts'

export const base = (): string => process.env.BASE_URL!
export const demoPackage = (): string => `${base()}/packages/${process.env.TEST_PACKAGE}`

export async function signIn(page: Page, name = 'thea'): Promise<void> {
  await page.goto(`${base()}/sign-in`)
  await live(page)
  await page.getByLabel('E-mail').fill(`${name}@merrowsound.example`)
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: /Packages/ })).toBeVisible()
}

/** Waits until the page's scripts run: it is shown by the server before. */
export const live = (page: Page): Promise<void> =>
  page.locator('html[data-live]').waitFor({ state: 'attached' })

/** Opens a view and waits until its keys work. */
export async function openView(page: Page, address: string): Promise<void> {
  await page.goto(address)
  await live(page)
}

/** The number beside a view's name. */
export const noteOf = async (page: Page, view: string): Promise<string> =>
  (await page.getByRole('link', { name: new RegExp(`^${view}`) }).textContent())!.replace(view, '').trim()
