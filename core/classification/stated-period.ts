import { linesOf } from '../layout/index.ts'
import { type Page, localeOf } from '../model/index.ts'
import { periodOf } from '../extraction/index.ts'

/** The first and the last day of what a page is about, and how far down it says so, as a share of its height. */
export interface StatedPeriod {
  start: string
  end: string
  at: number
}

/**
 * A head ends here, as a share of the height: further down are rows and sentences, which are about other days
 * too.
 */
const HEAD = 0.4
/** Papers of one make say it at one height, give or take a line that only one of them has. */
const ALIKE = 0.08

/**
 * The period that the head of a page states in days ("1 March 2026 to 31 March 2026"); null where none or
 * several stand there.
 */
export function statedPeriod(page: Page): StatedPeriod | null {
  const stated = linesOf(page).flatMap((line, index) =>
    (line.box[1] > HEAD ? [] : line.segments).flatMap((segment): StatedPeriod[] => {
      // A month alone may be that of a payment.
      const period =
        segment.words.length > 2 ? periodOf(segment, linesOf(page)[index + 1], localeOf(page)) : null
      return period && period.words.length > 2
        ? [{ start: period.start, end: period.end, at: line.box[1] }]
        : []
    }),
  )
  return stated.length === 1 ? stated[0] : null
}

/** Whether two pages of one make are about days that do not meet. */
export const areApart = (a: StatedPeriod, b: StatedPeriod): boolean =>
  Math.abs(a.at - b.at) < ALIKE && (a.end < b.start || b.end < a.start)
