import {
  bareNumberOf,
  isProse,
  linesOf,
  type PageNumber,
  pageNumberOf,
  typicalHeight,
} from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { editDistance, fold, squeeze } from '../text/index.ts'
import { carriedBalances, meets, type Carried } from './carried-balance.ts'
import { areApart, statedPeriod, type StatedPeriod } from './stated-period.ts'
import { firstPageLikelihood, tallness } from './first-page.ts'

/** What of a page is compared with its neighbour's. */
export interface PageFeatures {
  numbering: PageNumber | null
  /** A number alone in the foot or the head: a page number, where its neighbours' follow one another. */
  bare: number | null
  /** How much it looks like the first page of a document, -1 to 1. */
  opens: number
  /** Has sentences on it. */
  prose: boolean
  /** Height of its letters in points, and how far left its lines begin, in hundredths of the width. */
  letters: number
  margin: number
  /** The number in a small line at the very top: of the report or the case that the page is of. */
  running: string | null
  /** Numbers or letters of the headings of its parts, the first and the last. */
  sections: { first: Section; last: Section } | null
  /** Words in the head and foot, digits dropped. */
  head: Set<string>
  foot: Set<string>
  /** Long numbers and codes: accounts, policies, cases. */
  codes: Set<string>
  /** What stands together with figures in it, without its spaces: codes printed in groups. */
  grouped: string[]
  /** The figures of long numbers alone, days left out. */
  numbers: string[]
  /** The balances that its rows begin and end with. */
  carried: Carried
  /** The days that it is about, from and to, where its head says them. */
  period: StatedPeriod | null
  /** All words, to know a copy of the page by. */
  all: Set<string>
  page: Page
}

/** "Section 4", "3.1", "B." at the head of a part. */
interface Section {
  style: 'word' | 'number' | 'letter'
  at: number
}

/** A day in figures is no number of anything. */
const DAY = /^\W?(?:\d{1,2}[/.-]\d{1,2}[/.-]\d{2,4}|\d{4}-\d{2}-\d{2})\W?$/

/** Rows whose balance goes on to the cent are those of one account. */
const RUNS_ON = 4
const OPENS = 0.2
/** One paper is about one stretch of days: what says another in its head is the next month's. */
const OTHER_MONTH = 7
/** The same days of the same account in both heads: one statement, whose head runs over its pages. */
const SAME_MONTH = 4

/** Two pages with this share of their words in common are one page twice. */
const COPY = 0.85
const COPIED = -6

export function pageFeatures(page: Page): PageFeatures {
  const head = new Set<string>()
  const foot = new Set<string>()
  const codes = new Set<string>()
  const all = new Set<string>()
  const grouped: string[] = []
  const numbers: string[] = []
  for (const line of linesOf(page)) {
    const into = line.box[1] < 0.12 ? head : line.box[3] > 0.92 ? foot : null
    for (const { words, text } of line.segments) {
      if (words.length > 1 && /\d{3}/.test(text)) grouped.push(squeeze(text))
      const figures = words
        .filter((w) => !DAY.test(w.text))
        .map((w) => w.text.replace(/\D/g, ''))
        .join('')
      if (figures.length >= FIGURES) numbers.push(figures)
    }
    for (const word of line.words) {
      const text = squeeze(word.text)
      if (text) all.add(text)
      if (into && /^[a-z]{3,}$/.test(text)) into.add(text)
      if (text.length >= 6 && /\d{3}/.test(text) && !DAY.test(word.text) && !/[.,]\d{2}$/.test(word.text))
        codes.add(text)
    }
  }
  return {
    numbering: pageNumberOf(page),
    bare: bareNumberOf(page),
    opens: firstPageLikelihood(page),
    prose: linesOf(page).some(isProse),
    letters: typicalHeight(page),
    margin: marginOf(page),
    running: runningCode(page),
    sections: sectionsOn(page),
    head,
    foot,
    codes,
    grouped,
    numbers,
    carried: carriedBalances(page),
    period: statedPeriod(page),
    all,
    page,
  }
}

/** Log-odds that `next` goes on with the document of `page`, from numbering, looks and shared codes. */
export function linkScore(page: PageFeatures, next: PageFeatures): number {
  // A document does not say all of a page twice: the second is a copy, and begins anew.
  if (
    next.all.size >= 12 &&
    shareOf(page.all, next.all) >= COPY &&
    !(page.numbering && next.numbering && next.numbering.page > page.numbering.page)
  )
    return COPIED
  let score = 0
  const [a, b] = [page.numbering, next.numbering]
  if (b) {
    if (b.page === 1) score -= b.of === 1 || b.of === null ? 4 : 6
    else if (
      a &&
      a.page + 1 === b.page &&
      (a.of === b.of || (isPicture(page, next) && (a.of ?? b.of) === (b.of ?? a.of)))
    )
      score += 7
    else if (a && a.of === b.of && b.page > a.page) score += 3
    // A first page without a number before one that is numbered is the same paper's only if it looks like it.
    else if (!a && b.page === 2) score += b.of === null || oneMake(page, next) ? 3.5 : 0.8
    else if (a) score -= 3
    else score += 1
  } else if (a?.of) {
    if (a.page === a.of) score -= 3.5
    // On a scan the next page's number is lost more easily than the page itself.
    else score += page.page.source === 'text' ? 0.5 : 1.8
  } else if (page.bare !== null && next.bare === page.bare + 1) score += 3.5
  else if (next.bare === 1) score -= 1.5
  else if (next.bare !== null && page.bare !== null) score -= 1.5
  // A report goes on where its own number stands over sentences: what looks like a heading there heads a part of it.
  const goesOn =
    next.running !== null &&
    next.prose &&
    b?.page !== 1 &&
    (next.running === page.running || page.all.has(next.running))
  if (goesOn) score += 2.5
  const opens = goesOn ? Math.min(0, next.opens) : next.opens
  // The next month's statement begins with this one's balance as well, but says so itself and looks like a beginning.
  if (
    b?.page !== 1 &&
    (meets(page.carried, next.carried.from) ||
      ((next.opens < OPENS || page.carried.carriesOn) && meets(page.carried, next.carried.opening)))
  )
    score += RUNS_ON
  if (page.period && next.period && areApart(page.period, next.period)) score -= OTHER_MONTH
  if (follows(page.sections?.last, next.sections?.first)) score += 1.5
  // Sentences go on with sentences; behind a page of figures they are likelier another paper's.
  score -= opens * (opens > 0 ? 0.3 : page.prose ? 3 : 0.8)
  // A small head whose words the page before has too is a running head.
  if (
    next.opens <= 0 &&
    next.head.size > 0 &&
    next.head.size <= 8 &&
    [...next.head].every((word) => page.all.has(word))
  )
    score += 0.8
  // Sentences that go on in the same letters from the same margin are the same hand's.
  if (next.opens < 0 && page.prose) score += sameLook(page, next) ? 1 : -1
  score += likeness(page.head, next.head, 1.8) + likeness(page.foot, next.foot, 1.5)
  let shared = 0
  for (const code of next.codes)
    if (page.codes.has(code) || (code.length >= LONG_CODE && isAmong(code, page))) shared++
  if (shared === 0 && sharesNumber(page, next)) shared++
  score += Math.min(1.6, shared * 0.8)
  if (
    shared > 0 &&
    page.period &&
    next.period &&
    page.period.start === next.period.start &&
    page.period.end === next.period.end
  )
    score += SAME_MONTH
  if (Math.abs(page.page.width - next.page.width) > 8 || Math.abs(page.page.height - next.page.height) > 8)
    score -= 1.2
  if (page.page.source !== next.page.source) score -= 1.2
  if (page.page.file !== next.page.file) score -= 4
  return score
}

const isPicture = (a: PageFeatures, b: PageFeatures): boolean =>
  a.page.source !== 'text' && b.page.source !== 'text'

/** A code as long as this is known again in groups. */
const LONG_CODE = 15
const isAmong = (code: string, { grouped }: PageFeatures): boolean =>
  grouped.some((run) => run.includes(code))

/** Figures of an account as they stand together: so many, and of them so many may be misread on a scan. */
const [FIGURES, MISREAD] = [12, 2]

/**
 * Whether two scanned pages have a long number in common but for a figure or two: the same account, in groups
 * or not.
 */
const sharesNumber = (a: PageFeatures, b: PageFeatures): boolean =>
  isPicture(a, b) &&
  b.numbers.some((n) =>
    a.numbers.some((m) => Math.abs(m.length - n.length) <= MISREAD && editDistance(m, n, MISREAD) <= MISREAD),
  )

/** Next in the same style, or still the same part. A bare number is none: addresses and days begin with one. */
const follows = (last: Section | undefined, first: Section | undefined): boolean =>
  last !== undefined &&
  first !== undefined &&
  last.style === first.style &&
  first.at > 1 &&
  (first.at === last.at + 1 || (first.style !== 'letter' && first.at === last.at))

const SECTION: readonly [style: Section['style'], form: RegExp][] = [
  ['word', /^(?:section|part|partie|seccion|teil)\s+(\d{1,2})\b/],
  ['number', /^(\d{1,2})(?:\.\d{1,2}\.?|[.):])\s+\p{L}{3}/u],
  ['letter', /^([a-h])[.)]\s+\p{L}{3}/u],
]

function sectionsOn(page: Page): PageFeatures['sections'] {
  const found = linesOf(page).flatMap(({ segments: [first] }): Section[] => {
    const text = fold(first.text)
    for (const [style, form] of SECTION) {
      const hit = form.exec(text)
      if (hit) return [{ style, at: style === 'letter' ? hit[1].charCodeAt(0) - 96 : Number(hit[1]) }]
    }
    return []
  })
  return found.length > 0 ? { first: found[0], last: found.at(-1)! } : null
}

/** The code in the first line of a page, where that is small print of a few words. */
function runningCode(page: Page): string | null {
  const lines = linesOf(page)
  const [top] = lines
  if (!top || top.box[1] > 0.09 || top.words.length > 9 || tallness(top, lines) > 1.2) return null
  const code = top.words.find(
    (w) => (w.text.match(/\d/g) ?? []).length >= 4 && !DAY.test(w.text) && !/[.,]\d{2}$/.test(w.text),
  )
  return code ? squeeze(code.text) : null
}

/** How far left more than one line of a page begins, to a hundredth of its width. */
function marginOf(page: Page): number {
  const counts = new Map<number, number>()
  for (const line of linesOf(page)) {
    const at = Math.round(line.box[0] * 100)
    counts.set(at, (counts.get(at) ?? 0) + 1)
  }
  return Math.min(...[...counts.entries()].filter(([, lines]) => lines > 1).map(([at]) => at), 100)
}

/** Of one make: letters and margins, or words in the head, in common. */
const oneMake = (a: PageFeatures, b: PageFeatures): boolean =>
  sameLook(a, b) || (a.head.size > 0 && shareOf(a.head, b.head) > 0.3)

/**
 * How far letters (as a logarithm) and margins (in hundredths of the width) may differ. No two sheets lie
 * alike on the glass of a scanner.
 */
const SAME_HAND = { text: { letters: 0.14, margin: 1 }, picture: { letters: 0.2, margin: 6 } }

/** Letters of one size and lines that begin alike: one maker's hand. */
export function sameLook(a: PageFeatures, b: PageFeatures): boolean {
  const within = SAME_HAND[a.page.source === 'text' && b.page.source === 'text' ? 'text' : 'picture']
  return (
    Math.abs(Math.log(a.letters / b.letters)) < within.letters &&
    Math.abs(a.margin - b.margin) <= within.margin
  )
}

function likeness(a: Set<string>, b: Set<string>, weight: number): number {
  if (a.size === 0 || b.size === 0) return 0
  return (shareOf(a, b) - 0.25) * weight
}

/** Words of two sets that both have, of all. Source: Jaccard, 1901. */
export function shareOf(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  let common = 0
  for (const word of a) if (b.has(word)) common++
  return common / (a.size + b.size - common)
}
