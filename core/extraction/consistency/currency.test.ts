import { pageOf } from '../../testing/page-of.ts'
import type { Page } from '../../model/page.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { inOneCurrency } from './currency.ts'
import { parseMoney } from '../parsers/money.ts'

const amounts = (page: Page, ...raws: string[]) =>
  new Map(
    raws.map((raw): [string, Candidate[]] => [
      raw,
      [
        {
          field: raw,
          value: parseMoney(raw)!.value,
          raw,
          words: [{ text: raw, confidence: 0.9, box: [0.1, 0.1, 0.2, 0.12] }],
          page,
          repaired: false,
          score: 1,
        },
      ],
    ]),
  )
const currencies = (found: Map<string, Candidate[]>) =>
  [...found.values()].map(([c]) => (c.value as { currency: string }).currency)
const picture = pageOf([], { source: 'ocr' })

test('one pound among euros on a picture is a euro, and asked about', () => {
  const found = amounts(picture, '€1,870.00', '£6,500.00', '€25,613.20')
  inOneCurrency(found)
  expect(currencies(found)).toEqual(['EUR', 'EUR', 'EUR'])
  expect(found.get('£6,500.00')![0]).toMatchObject({ partial: true, repaired: true })
})

test('a text layer and a currency in letters are believed', () => {
  const [text, letters] = [
    amounts(pageOf([]), '€1,870.00', '£6,500.00', '€2.00'),
    amounts(picture, '€1,870.00', 'GBP 6,500.00', '€2.00'),
  ]
  for (const found of [text, letters]) {
    inOneCurrency(found)
    expect(currencies(found)).toEqual(['EUR', 'GBP', 'EUR'])
  }
})

test('one euro among three pounds says that they were euros read weakly', () => {
  const found = amounts(picture, '€48,691.20', '£60,691.20', '£12,000.00', '£2,860.00')
  inOneCurrency(found)
  expect(currencies(found)).toEqual(['EUR', 'EUR', 'EUR', 'EUR'])
  expect([...found.values()].flat().map((c) => c.partial ?? false)).toEqual([false, true, true, true])
  // Sums bear out figures and no currency.
  expect([...found.values()].flat().map((c) => c.unsettled ?? false)).toEqual([false, true, true, true])
})

test('pounds beside amounts without a sign may be euros whose sign was lost: they are asked about', () => {
  const found = amounts(picture, '£6,500.00', '25,613.20')
  inOneCurrency(found)
  expect(currencies(found)).toEqual(['GBP', 'EUR'])
  expect(found.get('£6,500.00')![0].partial).toBe(true)
})

test('a paper all in pounds is in pounds', () => {
  const found = amounts(picture, '£6,500.00', '£25,613.20')
  inOneCurrency(found)
  expect([...found.values()].flat().some((c) => c.partial)).toBe(false)
})
