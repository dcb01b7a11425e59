import type { Box } from '../../model/geometry.ts'
import { linesOf } from '../../layout/lines.ts'
import { pageOf } from '../../testing/page-of.ts'
import { leadsInto } from './continuation-lines.ts'

/** Words at their places, in thousandths of the page: left, top, right, bottom. */
const page = (...words: [text: string, left: number, top: number, right: number, bottom: number][]) =>
  pageOf([], {
    words: words.map(([text, ...box]) => ({
      text,
      confidence: 0.9,
      box: box.map((v) => v / 1000) as unknown as Box,
    })),
    source: 'ocr',
  })
const leads = (of: ReturnType<typeof page>) => {
  const [above, line, below] = linesOf(of)
  return leadsInto(line, above, below, of)
}

const upper: Parameters<typeof page>[0][] = [
  ['02/02/2026', 80, 300, 140, 310],
  ['-10.00', 700, 300, 740, 310],
  ['90.00', 880, 300, 920, 310],
]
test('a line of words leads into the row that it stands nearer to', () => {
  expect(
    leads(
      page(
        ...upper,
        ['Direct', 190, 325, 230, 335],
        ['03/02/2026', 80, 338, 140, 348],
        ['-12.00', 700, 338, 740, 348],
      ),
    ),
  ).toBe(true)
  expect(
    leads(
      page(
        ...upper,
        ['Tidal', 190, 312, 230, 322],
        ['03/02/2026', 80, 338, 140, 348],
        ['-12.00', 700, 338, 740, 348],
      ),
    ),
  ).toBe(false)
})
test('and into one whose own words sit beneath its figures, though the row above is as near', () => {
  const row = (words: number): Parameters<typeof page>[0][] => [
    ['03/02/2026', 80, 319, 140, 329],
    ['Power', 190, words, 230, words + 10],
    ['-12.00', 700, 319, 740, 329],
  ]
  expect(leads(page(...upper, ['Direct', 190, 311, 230, 321], ...row(323)))).toBe(true)
  expect(leads(page(...upper, ['Direct', 190, 310, 230, 320], ...row(319)))).toBe(false)
})
test('without a row of figures below it leads nowhere', () =>
  expect(leads(page(...upper, ['Tidal', 190, 312, 230, 322], ['Power', 190, 325, 230, 335]))).toBe(false))
