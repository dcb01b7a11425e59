import type { Page, Word } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { squeeze } from '../text/index.ts'
import type { Evidence } from './page-evidence.ts'
import { meets } from './carried-balance.ts'
import { linkScore, type PageFeatures, shareOf } from './page-links.ts'
import { areApart } from './stated-period.ts'

/**
 * What is known of two pages that lie behind one another, in the order in which the model of links takes it. The
 * type of a page is the one that most speaks for it alone.
 */
export const LINK_FEATURES = [
  'rules',
  'words_in_place',
  'words',
  'words_shared',
  'next_opens',
  'page_opens',
  'page_number',
  'page_of',
  'next_number',
  'next_of',
  'number_step',
  'same_file',
  'same_type',
  'next_first_over_further',
  'next_heading',
  'next_any_heading',
  'next_evidence',
  'next_goes_on_as_type',
  'asked_again',
  'next_asked',
  'page_asked',
  'page_is_last',
  'page_type_pages',
  'next_type_pages',
  'next_prose',
  'page_prose',
  'head_shared',
  'foot_shared',
  'letters_apart',
  'margins_apart',
  'page_length',
  'next_length',
  'head_in_place',
  'head_kept',
  'balance_runs_on',
  'periods',
] as const

/** Cells of a page, across and down, within which a word stands in the same place. */
const CELLS = 50
/** Shorter words stand anywhere. */
const LETTERS = 3
/** Down to here a page has its head, as a share of its height. */
const HEAD = 0.4
/** A page has no number. */
const UNNUMBERED = -1
const NO_STEP = -9

/** What two neighbouring pages say of whether the second goes on with the paper of the first. */
export function linkFeatures(
  page: PageFeatures,
  next: PageFeatures,
  evidence: readonly [page: Evidence, next: Evidence],
  types: readonly DocumentType[],
): Float32Array {
  const [here, there] = evidence.map((e) => e.scores.indexOf(Math.max(...e.scores)))
  const [a, b] = evidence
  const asked = b.asked[there] ?? new Set<string>()
  const before = a.asked[there] ?? new Set<string>()
  const { share, count } = inPlace(page.page, next.page)
  const [number, other] = [page.numbering, next.numbering]
  return Float32Array.from([
    linkScore(page, next),
    share,
    count,
    shareOf(page.all, next.all) || 0,
    next.opens,
    page.opens,
    number?.page ?? UNNUMBERED,
    number?.of ?? UNNUMBERED,
    other?.page ?? UNNUMBERED,
    other?.of ?? UNNUMBERED,
    number && other ? other.page - number.page : NO_STEP,
    page.page.file === next.page.file ? 1 : 0,
    here === there ? 1 : 0,
    (b.scores[there] ?? 0) - (b.further[there] ?? 0),
    b.titles[there] ?? 0,
    Math.max(0, ...b.titles),
    b.scores[there] ?? 0,
    b.further[here] ?? 0,
    [...asked].filter((field) => before.has(field)).length,
    asked.size,
    before.size,
    a.lasts[here] ? 1 : 0,
    types[here]?.pages.max ?? 1,
    types[there]?.pages.max ?? 1,
    next.prose ? 1 : 0,
    page.prose ? 1 : 0,
    shareOf(page.head, next.head) || 0,
    shareOf(page.foot, next.foot) || 0,
    Math.abs(page.letters - next.letters),
    Math.min(100, Math.abs(page.margin - next.margin)),
    page.page.words.length,
    next.page.words.length,
    inPlace(page.page, next.page, HEAD).share,
    inPlace(next.page, page.page, HEAD).share,
    meets(page.carried, next.carried.from) || meets(page.carried, next.carried.opening) ? 1 : 0,
    page.period && next.period ? (areApart(page.period, next.period) ? -1 : 1) : 0,
  ])
}

const placed = new WeakMap<readonly Word[], ReadonlySet<string>>()
const cellOf = (text: string, x: number, y: number): string => `${text} ${x} ${y}`

/** The words of a page with their cells. */
function placesOf(page: Page): ReadonlySet<string> {
  const known = placed.get(page.words)
  if (known) return known
  const places = new Set(
    page.words.map((w) =>
      cellOf(squeeze(w.text), Math.round(w.box[0] * CELLS), Math.round(w.box[1] * CELLS)),
    ),
  )
  placed.set(page.words, places)
  return places
}

/**
 * The share of a page's printed words that stand in the same place on the one before: next month's statement
 * has all its captions where this month's has them, a page that goes on has those of the running head.
 * @param down how far down the page words count
 */
function inPlace(page: Page, next: Page, down = 1): { share: number; count: number } {
  const places = placesOf(page)
  let [count, common] = [0, 0]
  for (const { text, box } of next.words) {
    if (box[1] > down || /\d/.test(text) || text.length < LETTERS) continue
    count++
    const word = squeeze(text)
    const [x, y] = [Math.round(box[0] * CELLS), Math.round(box[1] * CELLS)]
    const stands = [-1, 0, 1].some((dx) => [-1, 0, 1].some((dy) => places.has(cellOf(word, x + dx, y + dy))))
    if (stands) common++
  }
  return { share: common / Math.max(1, count), count }
}
