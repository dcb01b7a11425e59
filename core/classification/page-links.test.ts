import { pageOf } from '../testing/page-of.ts'
import type { Page } from '../model/page.ts'
import { linkScore, pageFeatures, sameLook, shareOf } from './page-links.ts'

const foot = (lines: readonly string[], text: string): string[] => [
  ...lines,
  ...Array.from({ length: Math.max(0, 44 - lines.length) }, () => ''),
  text,
]
const page = (number: number, lines: readonly string[], more: Partial<Page> = {}): Page =>
  pageOf(lines, { number, filePage: number, ...more })
const score = (a: readonly string[], b: readonly string[], more: Partial<Page> = {}): number =>
  linkScore(pageFeatures(page(1, a)), pageFeatures(page(2, b, more)))

const survey = [
  'Halyard Marine Surveyors',
  'Report HMS-2026-031',
  'The hull was hammer tested and found sound along the garboard.',
  'The deck is dry but for two soft spots by the winch.',
]
const further = [
  'The engine started at first turn and ran without smoke.',
  'Belts and hoses are near the end of their life.',
]
const bill = ['Skerrow Tidal Power', 'Electricity bill', 'Amount due | EUR 84.37']

test('page 2 of 3 goes on behind page 1 of 3, and hardly behind page 1 of 2', () => {
  const next = score(foot(survey, 'Page 1 of 3'), foot(further, 'Page 2 of 3'))
  expect(next).toBeGreaterThan(5)
  expect(score(foot(survey, 'Page 1 of 2'), foot(further, 'Page 2 of 3'))).toBeLessThan(next - 5)
})
test('a total that could not be read on a picture parts no pages', () => {
  const scanned = (first: string) =>
    linkScore(
      pageFeatures(page(1, foot(survey, first), { source: 'ocr' })),
      pageFeatures(page(2, foot(further, 'Page 2 of 2'), { source: 'ocr' })),
    )
  expect(scanned('Page 1 of à')).toBeCloseTo(scanned('Page 1 of 2'))
})
test('page 1 begins, whatever stands before it', () =>
  expect(score(foot(survey, 'Page 1 of 1'), foot(bill, 'Page 1 of 2'))).toBeLessThan(-4))
test('behind the last page another document begins', () =>
  expect(score(foot(survey, 'Page 2 of 2'), bill)).toBeLessThan(score(foot(survey, 'Page 1 of 2'), bill)))
test('a page said twice is a copy, and begins anew', () => {
  const long = [
    ...survey,
    ...further,
    'Valuation EUR 62,000.00',
    'Recommendations: renew the anodes and free the seacock.',
  ]
  expect(score(long, long)).toBe(-6)
})
test('the number of an account on both pages speaks for one document', () => {
  const row = 'Card payment | 12.00 | 88.00'
  const same = score(
    ['Lantern Bank', 'IBAN IE17LNTN96368290352107', row],
    ['IBAN IE17LNTN96368290352107', row, row],
  )
  expect(same).toBeGreaterThan(
    score(['Lantern Bank', 'IBAN IE17LNTN96368290352107', row], ['IBAN IE59ISSB16992260637960', row, row]),
  )
})
test('paper of another size, a scan behind print, and another file speak against it', () => {
  const plain = score(survey, further)
  expect(score(survey, further, { width: 420 })).toBeLessThan(plain - 1)
  expect(score(survey, further, { source: 'ocr' })).toBeLessThan(plain - 1)
  expect(score(survey, further, { file: 'b.pdf' })).toBeLessThan(plain - 3)
})
test('a balance that runs on to the cent speaks for one statement', () => {
  const first = ['Lantern Bank', '19 Jan | Rent | 128.62 | 1,386.27', '20 Jan | Fuel | 50.00 | 1,336.27']
  const goesOn = [
    'Date | What | Out | Balance',
    '21 Jan | Card | 36.27 | 1,300.00',
    '22 Jan | Ferry | 10.00 | 1,290.00',
  ]
  const another = [
    'Date | What | Out | Balance',
    '21 Jan | Card | 36.27 | 1,500.00',
    '22 Jan | Ferry | 10.00 | 1,490.00',
  ]
  expect(score(first, goesOn) - score(first, another)).toBeCloseTo(4, 0)
})
test('letters of one size from one margin are one hand', () => {
  const [a, b, c] = [
    pageFeatures(page(1, survey)),
    pageFeatures(page(2, further)),
    pageFeatures(
      page(3, further, {
        words: page(3, further).words.map((w) => ({
          ...w,
          box: [w.box[0] + 0.1, w.box[1], w.box[2] + 0.1, w.box[3]],
        })),
      }),
    ),
  ]
  expect([sameLook(a, b), sameLook(a, c)]).toEqual([true, false])
})
test('a share is of all words of both', () => {
  expect(shareOf(new Set(['a', 'b']), new Set(['b', 'c']))).toBeCloseTo(1 / 3)
  expect(shareOf(new Set(['a']), new Set(['a']))).toBe(1)
})

test('an account printed in groups on one page is the one printed without them on the next', () => {
  const row = 'Card payment | 12.00 | 88.00'
  const grouped = ['Lantern Bank', 'IE17 LNTN 9636 8290 3521 07', row]
  expect(score(grouped, ['IBAN IE17LNTN96368290352107', row, row])).toBeGreaterThan(
    score(grouped, ['IBAN IE59ISSB16992260637960', row, row]),
  )
})
test('of a long account a figure misread on a scan makes no other', () => {
  const pair = (iban: string, source: 'ocr' | 'text') =>
    linkScore(
      pageFeatures(page(1, ['IBAN IE17LNTN96368290352107', 'Fuel | 1.00'], { source })),
      pageFeatures(page(2, [`IBAN ${iban}`, 'Ferry | 2.00'], { source })),
    )
  expect(pair('TE17LNTN96368290352107', 'ocr')).toBeGreaterThan(pair('IE59ISSB16992260637960', 'ocr'))
  expect(pair('TE17LNTN96368290352107', 'text')).toBe(pair('IE59ISSB16992260637960', 'text'))
})
test('no two sheets lie alike on the glass: on scans the margin says less', () => {
  const shifted = {
    ...page(3, further, { source: 'ocr' }),
    words: page(3, further).words.map((w) => ({
      ...w,
      box: [w.box[0] + 0.04, w.box[1], w.box[2] + 0.04, w.box[3]] as typeof w.box,
    })),
  }
  expect(sameLook(pageFeatures(page(1, survey, { source: 'ocr' })), pageFeatures(shifted))).toBe(true)
  expect(sameLook(pageFeatures(page(1, survey)), pageFeatures({ ...shifted, source: 'text' }))).toBe(false)
})
test('one period and one account in both heads are one statement’s', () => {
  const head = (period: string) => ['Lantern Bank', 'Account IE17LNTN96368290352107', `Covering | ${period}`]
  const february = head('1 February 2026 to 28 February 2026')
  expect(score(february, february.concat('Fees of the month'))).toBeGreaterThan(
    score(february, head('1 March 2026 to 31 March 2026').concat('Fees of the month')) + 8,
  )
})
