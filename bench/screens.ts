import { chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../demo/chromium.ts'
import { DEMO_PASSWORD } from '../demo/desk.ts'
import { merrowSoundDesk } from '../demo/lenders/merrow-sound/desk.ts'

/** How evenly a view is drawn while somebody rolls through it. */
export interface Frames {
  view: string
  frames: number
  /** Frames a second on the whole. */
  perSecond: number
  /** Share of frames that came late by more than half of their time: what an eye sees as a stutter. */
  late: number
  slowestMs: number
}

export interface Screens {
  /** From the moment a file is chosen until the picture of its first page is seen. */
  firstPictureMs: number
  /** Until the whole package is read and cut. */
  wholeMs: number
  frames: Frames[]
}

/** A screen is drawn anew sixty times a second. */
const FRAME_MS = 1000 / 60
const ROLLED_MS = 4000
/** So long the pictures of 500 pages are drawn in full behind the reading. */
const SETTLING_MS = 40_000
/** A hand that rolls briskly turns the wheel by so much at a time, and so often: three screens a second. */
const STEP = 120
const STEP_MS = 40
const PATIENCE = 180_000

/**
 * Brings a large package to the real interface as a person would, in a browser, and rolls through its views.
 * @param url where the application answers, with the demo's people and nothing else
 * @param path a PDF of several hundred pages
 */
export async function measureScreens(url: string, path: string): Promise<Screens> {
  const browser = await chromium.launch(CHROMIUM)
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await signIn(page, url)
    await page.goto(`${url}/packages/new`)
    await live(page)
    const started = Date.now()
    await page.getByLabel('Files of the package').setInputFiles(path)
    await page.waitForFunction(
      () =>
        Array.from(document.images).some(
          (image) => image.src.includes('/pages/') && image.complete && image.naturalWidth > 0,
        ),
      null,
      { timeout: PATIENCE },
    )
    const firstPictureMs = Date.now() - started
    await page.getByText('read', { exact: true }).first().waitFor({ timeout: PATIENCE })
    const wholeMs = Date.now() - started
    const home = new URL(page.url()).pathname.split('/').slice(0, 3).join('/')
    await page.goto(`${url}${home}/papers`)
    await page.getByRole('heading', { name: /documents$/ }).waitFor({ timeout: PATIENCE })
    await live(page)
    // What is still drawn and judged behind the reading would be measured along.
    await page.waitForTimeout(SETTLING_MS)
    const frames = [
      await rolled(page, 'papers', 'main', { down: STEP, along: 0 }),
      await rolled(page, 'strip', 'section[aria-label="Pages of the package"]', { down: 0, along: STEP }),
    ]
    await page.goto(`${url}${home}/overview`)
    await live(page)
    return {
      firstPictureMs,
      wholeMs,
      frames: [...frames, await rolled(page, 'overview', 'main', { down: STEP, along: 0 })],
    }
  } finally {
    await browser.close()
  }
}

export async function signIn(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/sign-in`)
  await live(page)
  await page.getByLabel('E-mail').fill(merrowSoundDesk.people[0].email)
  await page.getByLabel('Password').fill(DEMO_PASSWORD)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: /Packages/ }).waitFor()
}

export const live = (page: Page): Promise<void> =>
  page.locator('html[data-live]').waitFor({ state: 'attached' })

/** As text: what compiles this file would name functions by means that the page does not have. */
const NOTE_FRAMES =
  'if (!window.drawn) requestAnimationFrame(function note(now) { window.drawn.push(now); requestAnimationFrame(note) }); window.drawn = []'

/** Rolls through what lies under `place`, and notes when each frame was drawn. */
export async function rolled(
  page: Page,
  view: string,
  place: string,
  step: { down: number; along: number },
): Promise<Frames> {
  const box = (await page.locator(place).first().boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + Math.min(box.height / 2, 300))
  await page.evaluate(NOTE_FRAMES)
  for (const until = Date.now() + ROLLED_MS; Date.now() < until;) {
    await page.mouse.wheel(step.along, step.down)
    await page.waitForTimeout(STEP_MS)
  }
  const times = await page.evaluate<number[]>('window.drawn')
  const steps = times.slice(1).map((time, i) => time - times[i])
  return {
    view,
    frames: steps.length,
    perSecond: (1000 * steps.length) / (times.at(-1)! - times[0]),
    late: steps.filter((ms) => ms > FRAME_MS * 1.5).length / steps.length,
    slowestMs: Math.max(...steps),
  }
}
