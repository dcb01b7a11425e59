import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../core/testing/lender.ts'
import { pageOf } from '../../core/testing/page-of.ts'
import type { Page } from '../../core/model/page.ts'
import { segmentPages } from '../../core/classification/segment.ts'
import { extractDocument } from '../../core/extraction/fields/extract.ts'
import type { Row, Value } from '../../core/model/value.ts'
import { typeById } from '../../core/program/document-type.ts'

/** EUR unless said otherwise. */
export const money = (amount: string, currency = 'EUR') => ({ amount, currency })

/**
 * Tests that a paper, written down in lines, is known as one of its type, is read as these values and as
 * nothing else, and that a fair scan of it says nothing wrong unasked. A page ends with a line of `---`,
 * columns are parted by `|`. A field that is not named must come out empty.
 */
export function reads(
  what: string,
  type: string,
  paper: string,
  expected: Record<string, Value | Row[]>,
): void {
  const pages = (as: Partial<Page> & { confidence?: number } = {}) =>
    paper
      .trim()
      .split(/^ *---$/m)
      .map((lines, i) =>
        pageOf(footed(lines.trim().split('\n').map(columns)), { number: i + 1, filePage: i + 1, ...as }),
      )
  const read = (as: Partial<Page> & { confidence?: number }) =>
    extractDocument(pages(as), typeById(starterTypes, type), euroLender).fields
  test(`${what}, known as ${type}`, () =>
    expect(segmentPages(pages(), starterTypes).map((p) => [p.type, p.pages.length])).toEqual([
      [type, pages().length],
    ]))
  test(what, () =>
    expect(
      Object.fromEntries(
        read({})
          .filter((f) => f.value !== null)
          .map((f) => [f.name, f.value]),
      ),
    ).toEqual(expected),
  )
  test(`${what}, scanned`, () => {
    const unasked = read({ source: 'ocr', confidence: 0.93 }).filter(
      (f) => f.value !== null && !f.needsReview,
    )
    expect(Object.fromEntries(unasked.map((f) => [f.name, f.value]))).toEqual(
      Object.fromEntries(unasked.map((f) => [f.name, expected[f.name]])),
    )
    expect(unasked.length).toBeGreaterThan(Object.keys(expected).length / 3)
  })
}

const columns = (line: string): string =>
  line
    .split('|')
    .map((cell) => cell.trim())
    .join(' | ')

const FOOT = 44
/** The number of a page stands at its foot. */
const footed = (lines: readonly string[]): string[] =>
  lines.flatMap((line, i) =>
    /^Page \d of \d$/.test(line)
      ? [...Array.from({ length: Math.max(0, FOOT - i) }, () => ''), line]
      : [line],
  )
