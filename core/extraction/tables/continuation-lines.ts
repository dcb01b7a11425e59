import { levelOf, type Line } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'

/**
 * Whether a line of words belongs to the row below rather than to the one above: figures are often set to the
 * middle of two lines of words. It stands nearer to it, or that row's own words sit beneath its figures, as
 * second lines do.
 */
export function leadsInto(line: Line, above: Line | null, below: Line | undefined, page: Page): boolean {
  if (!below || !/\d[.,]\d{2}(?!\d)/.test(below.text)) return false
  const here = levelOf(line, page)
  const down = levelOf(below, page) - here
  const high = line.box[3] - line.box[1]
  if (!above) return down < high * 1.2
  return down < (here - levelOf(above, page)) * 0.8 || (down < high && sinks(below, line, page) > high * SUNK)
}

/** In heights of a line: words this far beneath the figures of their row are its second line. */
const SUNK = 0.25

/** How far the words of a row that stand under a line of words are lower than its figures. */
function sinks(row: Line, over: Line, page: Page): number {
  const words = row.words.filter(
    (w) => /\p{L}{3}/u.test(w.text) && w.box[0] < over.box[2] && w.box[2] > over.box[0],
  )
  const figures = row.words.filter((w) => /\d[.,]\d{2}/.test(w.text))
  return words.length > 0 && figures.length > 0
    ? levelOf({ words }, page) - levelOf({ words: figures }, page)
    : 0
}
