import { linesOf, typicalHeight } from './lines.ts'
import type { Page, Word } from '../model/page.ts'
import { pageOf } from '../testing/page-of.ts'

test('words of one height make a line, gaps part it into segments', () => {
  const [line] = linesOf(pageOf(['Net pay | EUR 2,140.55 | 31/01/2026']))
  expect(line.segments.map((s) => s.text)).toEqual(['Net pay', 'EUR 2,140.55', '31/01/2026'])
})
test('lines come top to bottom, words left to right, however the page lists them', () => {
  const page = pageOf(['first line', 'second line'])
  const shuffled = { ...page, words: [...page.words].reverse() }
  expect(linesOf(shuffled).map((l) => l.text)).toEqual(['first line', 'second line'])
})
test('a slightly lower word still belongs to its line', () => {
  const page = pageOf(['Total due'])
  const words = page.words.map((w, i) =>
    i === 1 ? { ...w, box: [w.box[0], w.box[1] + 0.004, w.box[2], w.box[3] + 0.004] as typeof w.box } : w,
  )
  expect(linesOf({ ...page, words })).toHaveLength(1)
})
test('a page without words has no lines and a usual letter height', () => {
  expect(linesOf(pageOf([]))).toEqual([])
  expect(typicalHeight(pageOf([]))).toBe(10)
})
test('a speck beside a line does not pull it away from its label', () => {
  const page = pageOf(['Average take-home pay | €2,200.00'])
  const [speck, tall] = [
    { text: '7', confidence: 0.53, box: [0.9, 0.045, 0.92, 0.0455] },
    { text: '€2', confidence: 0.91, box: [0.33, 0.041, 0.36, 0.066] },
  ] as Page['words']
  const line = linesOf({ ...page, words: [speck, tall, ...page.words] }).find((l) =>
    l.text.startsWith('Average'),
  )!
  expect(line.text).toBe('Average take-home pay €2 €2,200.00')
})
test('on a scan a speck alone is no line: it would part the lines around it', () => {
  const page = pageOf(['98 Old Quay', '', 'Tarnwick SK8 3HN'], { source: 'ocr' })
  const words: Page['words'] = [
    ...page.words,
    { text: '>', confidence: 0.41, box: [0.3, 0.075, 0.33, 0.0755] },
  ]
  expect(linesOf({ ...page, words }).map((l) => l.text)).toEqual(['98 Old Quay', 'Tarnwick SK8 3HN'])
  expect(linesOf({ ...page, source: 'text', words: [...words] })).toHaveLength(3)
})
test('figures set to the middle of two lines of words do not draw these into one line', () => {
  const at = (text: string, left: number, top: number): Word => ({
    text,
    box: [left, top, left + text.length * 0.01, top + 0.012],
    confidence: 1,
  })
  const page = pageOf([], {
    words: [
      at('Direct', 0.2, 0.1),
      at('debit', 0.27, 0.1),
      at('Pilots', 0.2, 0.112),
      at('Guild', 0.27, 0.112),
      at('123.70', 0.6, 0.106),
      at('2,856.22', 0.8, 0.106),
    ],
  })
  expect(
    linesOf(page).map((l) =>
      l.words
        .filter((w) => /^\p{L}/u.test(w.text))
        .map((w) => w.text)
        .join(' '),
    ),
  ).toEqual(['Direct debit', 'Pilots Guild'])
})

describe('a value that fills its cell ends where the next column begins', () => {
  const at = (text: string, left: number, row: number): Word => ({
    text,
    box: [left, 0.1 + row * 0.02, left + text.length * 0.01, 0.114 + row * 0.02],
    confidence: 1,
  })
  const segments = (words: Word[]) => linesOf(pageOf([], { words }))[0].segments.map((s) => s.text)
  const close = [at('+44', 0.2, 0), at('1611', 0.234, 0), at('173', 0.278, 0), at('Email', 0.318, 0)]
  test('where lines around begin there', () =>
    expect(segments([...close, at('Born', 0.318, 1), at('Sex', 0.318, 2)])).toEqual([
      '+44 1611 173',
      'Email',
    ]))
  test('where one does, and the gap is far wider than a space', () => {
    const wider = [...close.slice(0, 3), at('Email', 0.32, 0)]
    expect(segments([...wider, at('address', 0.32, 1)])).toEqual(['+44 1611 173', 'Email'])
    expect(segments([...wider, at('address', 0.5, 1)])).toEqual(['+44 1611 173 Email'])
  })
  test('not where the gap is a space like the others', () =>
    expect(
      segments([...close.slice(0, 3), at('Email', 0.312, 0), at('Born', 0.312, 1), at('Sex', 0.312, 2)]),
    ).toEqual(['+44 1611 173 Email']))
  test('figures under figures are one number', () =>
    expect(
      segments([
        at('Total', 0.2, 0),
        at('price', 0.254, 0),
        at('58', 0.318, 0),
        at('115', 0.349, 0),
        at('48', 0.349, 1),
        at('9', 0.349, 2),
      ]),
    ).toEqual(['Total price 58 115']))
})

test('a stamp across lines is in none of them', () => {
  const page = pageOf(['Firm | Estervoe Oyster Company', 'Place | Tarnvoe'])
  const stamp = {
    text: 'COPY',
    confidence: 1,
    box: [0.35, 0.045, 0.55, 0.09] as [number, number, number, number],
  }
  const lines = linesOf({ ...page, words: [...page.words, stamp] })
  expect(lines.map((l) => l.text)).toEqual(['Firm Estervoe Oyster Company', 'Place Tarnvoe'])
})
