import { expect, type Page } from '@playwright/test'
import axe from 'axe-core'
import sharp from 'sharp'
import { base, openView, signIn, test } from './desk.ts'
import { photographs } from '../../demo/scan.ts'
import { Dice } from '../../demo/dice.ts'
import { identityCard, payslip, pdfOf } from '../support/papers.ts'
import type { Letter } from '../../standins/post-office.ts'

/** What is wrong with a page by the rules of WCAG 2.2 A and AA. */
async function faultsOf(page: Page): Promise<string[]> {
  // A script of the test's own is none of the page's: it comes past the rules that the page is served with.
  await page.evaluate(axe.source)
  return page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as {
        axe: { run: (o: object) => Promise<{ violations: { id: string; nodes: { html: string }[] }[] }> }
      }
    ).axe.run({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'] })
    return violations.map((v) => `${v.id}: ${v.nodes[0].html.slice(0, 120)}`)
  })
}

const card = () => pdfOf(identityCard())

const letters = async () => (await (await fetch(process.env.TEST_LETTERS!)).json()) as Letter[]

test('what lacks is asked for, answered on a phone with a question, a paper and a reason, and somebody looks', async ({
  page,
  browser,
}) => {
  test.setTimeout(150_000)
  await signIn(page)
  const slips = await pdfOf(
    payslip('January', '30', '3,901.10'),
    payslip('February', '28', '3,901.10').map((line) => line.replace('140380-2211', '140380-7755')),
  )
  await openView(page, `${base()}/packages/new`)
  await page.getByLabel('Judged on').fill('2026-04-10')
  await page
    .getByLabel('Files of the package')
    .setInputFiles([{ name: 'slips.pdf', mimeType: 'application/pdf', buffer: Buffer.from(slips) }])
  await expect(page).toHaveURL(/\/files/)
  const id = /packages\/([0-9a-f-]{36})/.exec(page.url())![1]
  await openView(page, `${base()}/packages/${id}/request`)
  await expect(page.getByRole('heading', { name: /^Request/ })).toBeVisible({ timeout: 60_000 })

  // Only three things are asked for: a question, a paper, and one more that the applicant will not have.
  const boxes = page.getByRole('checkbox', { name: /^Ask for/ })
  const keep = ['National number', 'Photo identity', 'Proof of address']
  const names = await boxes.evaluateAll((all) => all.map((b) => b.getAttribute('aria-label') ?? ''))
  for (const name of names)
    if (!keep.some((k) => name.includes(k))) await page.getByLabel(name, { exact: true }).uncheck()
  await page.getByLabel('To', { exact: true }).fill('phone@varnham.example')
  await expect(page.getByRole('heading', { name: /3 of/ })).toBeVisible()
  expect(await faultsOf(page)).toEqual([])
  await page.getByRole('button', { name: 'Send it to phone@varnham.example' }).click()
  await expect(page.getByText('The request is on its way.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Waits for the applicant, 0 of 3 done' })).toBeVisible()

  const mine = async () => (await letters()).find((l) => l.to.includes('phone@varnham.example'))
  await expect.poll(async () => (await mine())?.text ?? '', { timeout: 20_000 }).toContain('/r/')
  const link = /https?:\S+\/r\/\S+/.exec((await mine())!.text)![0].replace('localhost', '127.0.0.1')

  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB' })
  const hand = await phone.newPage()
  await openView(hand, link)
  expect(await faultsOf(hand)).toEqual([])
  for (const language of ['fr', 'es', 'en']) {
    await openView(hand, `${link}?language=${language}`)
    expect(await faultsOf(hand)).toEqual([])
  }
  expect(await hand.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)

  // A question.
  await hand.getByRole('radio', { name: '140380-2211' }).check()
  await hand.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(hand.getByText('You answered: 140380-2211')).toBeVisible()

  // A blurred picture is shown before it is sent; a sharp one goes.
  const item = hand.getByRole('listitem').filter({ hasText: 'Photo identity' })
  const [sharpOne] = await photographs(await card(), new Dice(3))
  const blurred = await sharp(sharpOne).blur(6).jpeg().toBuffer()
  const files = item.getByLabel('Choose files')
  await files.setInputFiles({ name: 'blurred.jpg', mimeType: 'image/jpeg', buffer: blurred })
  await expect(hand.getByRole('dialog')).toContainText('This picture is blurred.')
  await hand.getByRole('button', { name: 'Take another one' }).click()
  await expect(hand.getByRole('dialog')).toBeHidden()
  await files.setInputFiles({
    name: 'card.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from(await card()),
  })
  await expect(hand.getByText('This is: Identity card. That is what we asked for.').first()).toBeVisible({
    timeout: 60_000,
  })

  // What is not there.
  const address = hand.getByRole('listitem').filter({ hasText: 'Proof of address' })
  await address.getByRole('button', { name: 'I do not have this' }).click()
  await address.getByLabel(/Why not/).fill('I live on the boat.')
  await address.getByRole('button', { name: 'Send', exact: true }).click()
  await expect(hand.getByRole('heading', { name: 'Thank you, that is all' })).toBeVisible({ timeout: 30_000 })

  // The desk sees it, and what the applicant said is asked of a person.
  await openView(page, `${base()}/tasks`)
  expect(await faultsOf(page)).toEqual([])
  await page.getByRole('link', { name: 'The applicant has answered; look at what came.' }).first().click()
  await expect(page.getByText('The applicant says: “140380-2211”')).toBeVisible()
  await openView(page, `${base()}/packages/${id}/checklist`)
  await expect(page.getByText('I live on the boat.')).toBeVisible()
  await phone.close()
})
