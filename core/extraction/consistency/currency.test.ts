import { pageOf } from '../../testing/page-of.ts'
import type { Page } from '../../model/page.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { inOneCurrency } from './currency.ts'
import { parseMoney } from '../parsers/money.ts'
import { internLocale, localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'

const EURO = localeOfLender(euroLender)

const amounts = (page: Page, ...raws: string[]) =>
  new Map(
    raws.map((raw): [string, Candidate[]] => [
      raw,
      [
        {
          field: raw,
          value: parseMoney(raw, EURO)!.value,
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
  inOneCurrency(found, EURO)
  expect(currencies(found)).toEqual(['EUR', 'EUR', 'EUR'])
  expect(found.get('£6,500.00')![0]).toMatchObject({ partial: true, repaired: true })
})

test('a text layer and a currency in letters are believed', () => {
  const [text, letters] = [
    amounts(pageOf([]), '€1,870.00', '£6,500.00', '€2.00'),
    amounts(picture, '€1,870.00', 'GBP 6,500.00', '€2.00'),
  ]
  for (const found of [text, letters]) {
    inOneCurrency(found, EURO)
    expect(currencies(found)).toEqual(['EUR', 'GBP', 'EUR'])
  }
})

test('one euro among three pounds says that they were euros read weakly', () => {
  const found = amounts(picture, '€48,691.20', '£60,691.20', '£12,000.00', '£2,860.00')
  inOneCurrency(found, EURO)
  expect(currencies(found)).toEqual(['EUR', 'EUR', 'EUR', 'EUR'])
  expect([...found.values()].flat().map((c) => c.partial ?? false)).toEqual([false, true, true, true])
  // Sums bear out figures and no currency.
  expect([...found.values()].flat().map((c) => c.unsettled ?? false)).toEqual([false, true, true, true])
})

test('where weak signs alone say what a paper is in, all of its amounts are asked about', () => {
  const found = amounts(picture, '£6,500.00', '25,613.20')
  inOneCurrency(found, internLocale({ ...EURO, currency: 'GBP', currencyOpen: true }))
  expect([...found.values()].flat().map((c) => c.unsettled)).toEqual([true, true])
})

test('a paper in pounds is in pounds', () => {
  const found = amounts(picture, '£6,500.00', '£25,613.20')
  inOneCurrency(found, internLocale({ ...EURO, currency: 'GBP' }))
  expect([...found.values()].flat().some((c) => c.partial)).toBe(false)
})

test('a word that several currencies share is asked about, on a text layer too', () => {
  const found = amounts(pageOf([]), '12.00 francs', '€2.00')
  inOneCurrency(found, EURO)
  expect([...found.values()].flat().map((c) => c.unsettled ?? false)).toEqual([true, false])
})
