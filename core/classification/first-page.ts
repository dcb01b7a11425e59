import { isProse, type Line, linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { fold } from '../text/index.ts'

/** Letters so much larger than the usual are a heading or a letterhead. */
const LARGE = 1.22
/** The head of a page, where papers say who and what they are. */
const HEAD = 0.3

/** "2 What you need", "Section 3: Work and income", "C. Particulars" at the top of a page. */
const FURTHER_PART =
  /^(?:(?:section|part|partie|seccion|teil)\s+)?(?:[2-9]|[b-h](?=[.):]))[.):]?\s+(?!of\b)\p{L}{3}/u
/** Numbers alone begin addresses too, in letters like all others; but "2 What you need" goes on in small ones. */
const SPOKEN_PART =
  /^\d[.):]?\s+\p{Lu}\p{Ll}+(?:\s\p{L}+)*?\s(?!(?:d[aeu]|de[ls]|las?|les?|los|el|et|y)\b)\p{Ll}{2,}/u
const NAMED_PART = /^(?:section|part|partie|seccion|teil)\s/
const GOES_ON = -0.6

/**
 * How tall the letters of a line reach, as a share of the page: a line of few words has letters that rise and
 * fall as a long one has, whose median word has none.
 */
const reachOf = (line: Line): number => {
  const tall = line.words.map((w) => w.box[3] - w.box[1]).sort((a, b) => a - b)
  // Of three words one with a descender is no measure of the line.
  return tall[Math.floor((tall.length - 1) * 0.8)]
}

/** How tall the lines of a page usually reach. */
function usualReach(lines: readonly Line[]): number {
  const reaches = lines.map(reachOf).sort((a, b) => a - b)
  return reaches[reaches.length >> 1] ?? 0
}

/** How much taller a line's letters reach than those of the page usually do, as a ratio. */
export const tallness = (line: Line, lines: readonly Line[]): number =>
  reachOf(line) / Math.max(1e-6, usualReach(lines))

/**
 * How much a page looks like the first of a document rather than one further on, -1 to 1: it opens with large
 * letters or short lines; what goes on begins with sentences, or with rows, in letters like all others.
 */
export function firstPageLikelihood(page: Page): number {
  const lines = linesOf(page)
  if (lines.length === 0) return 0
  const usual = usualReach(lines)
  const head = lines.filter((l) => l.box[1] < HEAD && l.words.some((w) => /\p{L}{3}/u.test(w.text)))
  // Nothing begins with its second part.
  if (
    head.length > 0 &&
    FURTHER_PART.test(fold(head[0].text)) &&
    (NAMED_PART.test(fold(head[0].text)) ||
      SPOKEN_PART.test(head[0].text) ||
      reachOf(head[0]) > usual * LARGE)
  )
    return GOES_ON
  // What comes behind sentences heads a part of the paper, not the paper.
  const sentences = head.findIndex(isProse)
  if (
    (sentences < 0 ? head : head.slice(0, sentences)).some(
      (l) => reachOf(l) > usual * LARGE && l.words.length <= 9,
    )
  )
    return 1
  // A running head of one small line is no opening.
  const body = lines.filter((l) => l.box[1] > 0.055 && l.words.some((w) => /\p{L}{2}/u.test(w.text)))
  const first = body.slice(0, 4)
  const prose = first.filter(isProse).length
  return prose >= 3 || (prose > 0 && prose === first.length) ? -1 : prose === 2 ? -0.6 : 0
}
