import { linesOf } from '../layout/lines.ts'
import { pageOf } from '../testing/page-of.ts'
import { withDecimalPoints } from './decimal-points.ts'

const at = [0.08, 0.22, 0.6, 0.8]
const rows = [
  '02/02/2026 | Fuel Quay | 104.96 | 723.85',
  '03/02/2026 | Savings | 166.70 | 557.15',
  '04/02/2026 | Chandlery | 110.10 | 447.05',
]
const lines = (...more: string[]) =>
  withDecimalPoints(linesOf(pageOf([...rows, ...more], { at, source: 'ocr', confidence: 0.9 }))).slice(
    rows.length,
  )
const texts = (...more: string[]) => lines(...more).map((l) => l.segments.map((s) => s.text).join(' | '))

test('figures that end where amounts end are cents, and weakly read', () => {
  expect(texts('05/02/2026 | Ferry Office | 120.29 | 132676')).toEqual([
    '05/02/2026 | Ferry Office | 120.29 | 1326.76',
  ])
  expect(lines('05/02/2026 | Ferry Office | 120.29 | 132676')[0].words.at(-1)!.confidence).toBeLessThan(0.7)
})
test('a sign stays with its amount', () =>
  expect(texts('05/02/2026 | Ferry Office | -12029 | 132676')[0]).toBe(
    '05/02/2026 | Ferry Office | -120.29 | 1326.76',
  ))
test('a number elsewhere, a word, and a figure or two are none', () => {
  expect(texts('05/02/2026 | 000412 | 120.29 | 326.76')).toEqual(['05/02/2026 | 000412 | 120.29 | 326.76'])
  expect(texts('05/02/2026 | Cheque | 12 | 326.76')).toEqual(['05/02/2026 | Cheque | 12 | 326.76'])
})
test('two amounts make no column', () =>
  expect(
    withDecimalPoints(
      linesOf(
        pageOf([...rows.slice(0, 2), '05/02/2026 | Ferry Office | 120.29 | 132676'], {
          at,
          source: 'ocr',
          confidence: 0.9,
        }),
      ),
    )[2].text,
  ).toContain('132676'))
