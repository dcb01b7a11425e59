import { localeOfLender } from '../locale/index.ts'
import { euroLender } from './lender.ts'
import type { Page, Word } from '../model/page.ts'

/**
 * A page from plain lines, for tests and examples. Columns are parted by ` | `: `'Net pay | EUR 2,140.55'`
 * prints two segments. Each line is 0.02 of the page high; an empty line leaves its place free.
 */
export function pageOf(
  lines: readonly string[],
  more: Partial<Page> & { at?: readonly number[]; confidence?: number } = {},
): Page {
  const { at = [0.08, 0.4, 0.62, 0.8], confidence = 1, ...rest } = more
  const words: Word[] = lines.flatMap((line, row) => {
    const top = 0.05 + row * 0.02
    return line.split(' | ').flatMap((segment, column) => {
      let left = at[column] ?? 0.9
      return segment
        .split(' ')
        .filter(Boolean)
        .map((text): Word => {
          const right = left + text.length * 0.0085
          const word: Word = { text, confidence, box: [left, top, right, top + 0.014] }
          left = right + 0.005
          return word
        })
    })
  })
  return {
    number: 1,
    file: 'a.pdf',
    filePage: 1,
    width: 595,
    height: 842,
    rotation: 0,
    source: 'text',
    blank: false,
    separator: false,
    words,
    skew: 0,
    ink: null,
    qualityProblem: null,
    locale: localeOfLender(euroLender),
    ...rest,
  }
}
