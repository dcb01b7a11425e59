import { pageOf } from '../../testing/page-of.ts'
import { linesOf } from '../../layout/lines.ts'
import { joinSplitRows } from './split-rows.ts'

/** Lines at their places down the page, in thousandths of it, each so high. */
const page = (...lines: [down: number, high: number, line: string][]) => {
  const words = lines.flatMap(([down, high, line]) =>
    pageOf([line], { at: [0.08, 0.19, 0.6, 0.8] }).words.map((w) => ({
      ...w,
      box: [w.box[0], down / 1000, w.box[2], (down + high) / 1000] as typeof w.box,
    })),
  )
  return pageOf([], { words, source: 'ocr' })
}
const texts = (...lines: Parameters<typeof page>) =>
  joinSplitRows(linesOf(page(...lines))).map((l) => l.segments.map((s) => s.text).join(' | '))

test('amounts set to the middle of two lines of words belong to the day over them', () => {
  expect(
    texts(
      [338, 15, '01/02/2026 | Direct debit'],
      [350, 9, ' |  | -70.81 | 3,498.52'],
      [362, 9, ' | Isles Water'],
    ),
  ).toEqual(['01/02/2026 | Direct debit | -70.81 | 3,498.52', 'Isles Water'])
})
test('what stands clear beneath is a row of its own', () =>
  expect(texts([338, 9, '01/02/2026 | Direct debit'], [350, 9, ' |  | -70.81 | 3,498.52'])).toHaveLength(2))
test('a row that has its amounts takes no others', () =>
  expect(
    texts([338, 15, '01/02/2026 | Rent | -12.00 | 3,569.33'], [350, 9, ' |  | -70.81 | 3,498.52']),
  ).toHaveLength(2))
test('one amount alone may be any sum', () =>
  expect(texts([338, 15, '01/02/2026 | Direct debit'], [350, 9, ' |  |  | 3,498.52'])).toHaveLength(2))
test('words over amounts without a day are no row', () =>
  expect(texts([338, 15, 'Balance | carried over'], [350, 9, ' |  | -70.81 | 3,498.52'])).toHaveLength(2))
describe('the first words with one amount, and the day and the other words with the balance', () => {
  /** Two lines as they come off the page, the second so much lower, in thousandths of the page. */
  const rows = (first: string, lower: number) =>
    joinSplitRows(
      [
        [first, 339, 356],
        ['20/01/2026 | Isles Water |  | 3,966.54', 339 + lower, 356],
      ].map(([line, top, bottom]) => ({
        ...linesOf(page([Number(top), Number(bottom) - Number(top), String(line)]))[0],
        box: [0.08, Number(top) / 1000, 0.9, Number(bottom) / 1000] as const as never,
      })),
    ).map((l) => l.text)
  test('are one row', () =>
    expect(rows(' | Direct debit | 103.31', 5)).toEqual([
      '20/01/2026 Direct debit Isles Water 103.31 3,966.54',
    ]))
  test('are two where each has a day, or an amount in the same column', () => {
    expect(rows('19/01/2026 | Direct debit | 103.31', 5)).toHaveLength(2)
    expect(rows(' | Direct debit |  | 103.31', 5)).toHaveLength(2)
  })
})
