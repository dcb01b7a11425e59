import { expect, test as plain, type Page } from '@playwright/test'
import { DEMO_PASSWORD } from '../../demo/desk.ts'

export const base = (): string => process.env.BASE_URL!
export const demoPackage = (): string => `${base()}/packages/${process.env.TEST_PACKAGE}`

/** A test whose pages break no rule that the server sends with them: what a browser refuses is silently missing. */
export const test = plain.extend({
  page: async ({ page }, lend) => {
    const refused: string[] = []
    page.on('console', (line) => {
      if (line.text().includes('Content Security Policy')) refused.push(line.text())
    })
    await lend(page)
    expect(refused).toEqual([])
  },
})

/** Signs in with an address and a password. */
export async function signInAs(page: Page, email: string, password: string): Promise<void> {
  await page.goto(`${base()}/sign-in`)
  await live(page)
  await page.getByLabel('E-mail').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: /Packages/ })).toBeVisible()
}

/** Signs in as somebody of the demo's first desk. */
export const signIn = (page: Page, name = 'thea'): Promise<void> =>
  signInAs(page, `${name}@merrowsound.example`, DEMO_PASSWORD)

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
