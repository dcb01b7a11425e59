import { pageOf } from '../../testing/page-of.ts'
import { linesWithoutNoise } from './specks.ts'

const lines = (rows: string[], source: 'ocr' | 'text' = 'ocr', sure = 0.7) =>
  linesWithoutNoise(pageOf(rows, { source, confidence: sure })).map((l) =>
    l.segments.map((s) => s.text).join(' | '),
  )

test('marks, and a dash before the first cell, are no part of a row on a picture', () => {
  expect(lines(['* | 11.03.2026 | Ferry Office | 82,80', '- | 12.03.2026 | Chandlery ; | 131,36'])).toEqual([
    '11.03.2026 | Ferry Office | 82,80',
    '12.03.2026 | Chandlery | 131,36',
  ])
})
test('signs and what firms are called by stay', () =>
  expect(lines(['11.03.2026 | Fathom & Daughters | - 82,80 | (131,36)'])).toEqual([
    '11.03.2026 | Fathom & Daughters | - 82,80 | (131,36)',
  ]))
test('a weak letter alone is a speck, a sure one is not', () => {
  expect(lines(['Cheque | i | 26.18'])).toEqual(['Cheque | 26.18'])
  expect(lines(['Cheque | i | 26.18'], 'ocr', 0.95)).toEqual(['Cheque | i | 26.18'])
  expect(lines(['Cheque | à | 26.18'], 'ocr', 0.95)).toEqual(['Cheque | 26.18'])
})
test('a line of specks alone is none', () => expect(lines(['“ ;', 'Cheque'])).toEqual(['Cheque']))
test('a text layer has no specks', () => expect(lines(['* | Cheque'], 'text')).toEqual(['* | Cheque']))
test.each([
  ['108/02/2026,', '08/02/2026,'],
  ['|10/02/2026', '10/02/2026'],
  ['"82.92', '82.92'],
  ['3.059,13}', '3.059,13'],
  ['157,00)', '157,00'],
  ['(157,00)', '(157,00)'],
  ['°52.20-', '52.20-'],
  ['“Bakery', 'Bakery'],
  ['Transfer_to', 'Transfer to'],
  ['Cafe.', 'Cafe'],
  ['-08/01/2026', '08/01/2026'],
  ['2026-01-18-', '2026-01-18'],
  ['-08.40', '-08.40'],
  ['Co.', 'Co.'],
])('%s stands in a cell as %s', (read, cell) => expect(lines([`Cheque ${read}`])).toEqual([`Cheque ${cell}`]))
const sureOf = (pages: Parameters<typeof linesWithoutNoise>[0]) =>
  linesWithoutNoise(pages).map((l) => l.words.map((w) => [w.text, w.confidence]))
test('what is hardly read behind a row’s own words is a stain, yet might be their end: they are no longer sure', () => {
  const page = pageOf(['07/02/2026 Cheque | cre | 86,74'], { source: 'ocr', confidence: 0.9 })
  const stained = {
    ...page,
    words: page.words.map((w) => (w.text === 'cre' ? { ...w, confidence: 0.25 } : w)),
  }
  expect(sureOf(stained)).toEqual([
    [
      ['07/02/2026', 0.9],
      ['Cheque', 0.6],
      ['86,74', 0.9],
    ],
  ])
})
test('so with a line that is nothing but a stain', () => {
  const page = pageOf(['07/02/2026 Cheque | 86,74', 'Pee'], { source: 'ocr', confidence: 0.9 })
  const stained = {
    ...page,
    words: page.words.map((w) => (w.text === 'Pee' ? { ...w, confidence: 0.1 } : w)),
  }
  expect(sureOf(stained)).toEqual([
    [
      ['07/02/2026', 0.9],
      ['Cheque', 0.6],
      ['86,74', 0.9],
    ],
  ])
})
