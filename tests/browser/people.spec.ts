import { expect } from '@playwright/test'
import { TOTP } from 'otpauth'
import { base, live, openView, signIn, test } from './desk.ts'

test('a colleague is invited, chooses a password, signs in with a second factor, and is switched off', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ada')
  await openView(page, `${base()}/people`)
  await page.getByLabel('Name').fill('Sol Vane')
  await page.getByLabel('E-mail').fill('sol@merrowsound.example')
  await page.getByRole('button', { name: 'Invite this person' }).click()
  const link = (await page.getByTestId('password-link').textContent())!

  const other = await (await browser.newContext()).newPage()
  await other.goto(link)
  await live(other)
  await expect(other.getByRole('heading', { name: 'Welcome, Sol Vane' })).toBeVisible()
  const choose = async (password: string) => {
    await other.getByLabel('Password', { exact: true }).fill(password)
    await other.getByLabel('The same again').fill(password)
    await other.getByRole('button', { name: 'Keep it and sign in' }).click()
  }
  await choose('solvane2026')
  await expect(other.getByRole('alert')).toContainText('tried first')
  await choose('osprey kettle vault')
  await expect(other.getByRole('heading', { name: /Packages/ })).toBeVisible()

  await openView(other, `${base()}/account`)
  await other.getByLabel('Your password').fill('osprey kettle vault')
  await other.getByRole('button', { name: 'Set it up' }).click()
  const device = new TOTP({ secret: (await other.getByTestId('factor-key').textContent())! })
  await expect(other.getByRole('img', { name: 'Square code of the second factor' })).toBeVisible()
  await other.getByLabel('The code it shows').fill(device.generate())
  await other.getByRole('button', { name: 'Use it from now on' }).click()
  await expect(other.getByText('From now on a code is asked for')).toBeVisible()

  await other.getByRole('button', { name: 'Signed in as Sol Vane' }).click()
  await other.getByRole('menuitem', { name: 'Sign out' }).click()
  await live(other)
  await other.getByLabel('E-mail').fill('sol@merrowsound.example')
  await other.getByLabel('Password').fill('osprey kettle vault')
  await other.getByRole('button', { name: 'Sign in' }).click()
  await other.getByLabel('Code').fill('000000')
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('alert')).toContainText('wrong or too old')
  await other.getByLabel('Code').fill(device.generate())
  await other.getByRole('button', { name: 'Sign in' }).click()
  await expect(other.getByRole('heading', { name: /Packages/ })).toBeVisible()

  await page.getByRole('button', { name: 'More for Sol Vane' }).click()
  await page.getByRole('menuitem', { name: 'Switch off' }).click()
  await expect(page.getByText(/switched off/)).toBeVisible()
  await other.goto(`${base()}/packages`)
  await expect(other.getByRole('button', { name: 'Sign in' })).toBeVisible()

  await openView(page, `${base()}/trail`)
  for (const act of ['switched a person off', 'set up a second factor', 'invited a person'])
    await expect(page.getByText(act).first()).toBeVisible()
})

test('a processor sees who is here, and neither the trail nor what is an administrator’s', async ({
  page,
}) => {
  await signIn(page)
  await openView(page, `${base()}/people`)
  await expect(page.getByText('An administrator invites people')).toBeVisible()
  const refused = await page.request.post(`${base()}/people.data`, {
    data: { act: 'role', id: 'anybody', role: 'lead' },
  })
  expect(refused.status()).toBe(403)
  await page.goto(`${base()}/trail`)
  await expect(page.getByText('A lead or an administrator looks into the trail.')).toBeVisible()
})
