import fc from 'fast-check'
import { moneyForms } from '../../../demo/story.ts'
import { pageOf } from '../../testing/page-of.ts'
import { parseMoney, readMoney } from './money.ts'
import { localeOfLender } from '../../locale/index.ts'
import { euroLender } from '../../testing/lender.ts'
import type { Word } from '../../model/index.ts'

const EURO = localeOfLender(euroLender)
const parsed = (text: string, weak = false) => parseMoney(text, EURO, weak)
const amountsIn = (words: Word[]) => readMoney(words, EURO)

test.each([
  ['EUR 48,750.00', '48750.00'],
  ['€48.750,00', '48750.00'],
  ['48 750,00 €', '48750.00'],
  ['1,234', '1234.00'],
  ['24.10-', '-24.10'],
  ['(24.10)', '-24.10'],
  ['24.10 DR', '-24.10'],
  ['24.10 CR', '24.10'],
  ['−5.00', '-5.00'],
  ['-EUR 113.93', '-113.93'],
  ['€-133,00', '-133.00'],
  ["1'234.50", '1234.50'],
  ['0.05', '0.05'],
])('%s is %s', (text, amount) => expect(parsed(text)?.value.amount).toBe(amount))

test.each(['', 'EUR', 'Page 2', '14/03/2026', '12.34.56', 'SIS', 'IE29 AIBK', '12,3,456.00'])(
  '%s is no amount',
  (text) => expect(parsed(text)).toBeNull(),
)
test.each([
  ['.950,00', '950.00'],
  ['093.45', '93.45'],
])('%s begins amid an amount: what is left is %s, and said to be mended', (text, amount) =>
  expect(parsed(text)).toMatchObject({ value: { amount }, repaired: true }),
)
test.each([
  ['37,63.2,40', '37632.40'],
  ['31,0,28,40', '31028.40'],
])('%s on a picture has a mark too many, and is said to be mended', (text, amount) => {
  expect(amountsIn(pageOf([text], { confidence: 0.9 }).words)).toMatchObject([
    { value: { amount }, repaired: true },
  ])
  expect(amountsIn(pageOf([text]).words)).toEqual([])
})
test('an E behind an amount is the euro that the reader of hands does not know', () =>
  expect(parsed('32 112,40 E')).toMatchObject({
    value: { amount: '32112.40', currency: 'EUR' },
    repaired: false,
  }))
test('on a picture a letter among figures is one of them; a text layer spells what it says', () =>
  expect([parsed('2,140.5S', true)?.value.amount, parsed('2,140.5S')]).toEqual(['2140.55', null]))

describe('in any currency', () => {
  const [dollar, rupee, franc, dirham] = [
    ['USD', 'US'],
    ['INR', 'IN'],
    ['CHF', 'CH'],
    ['AED', 'AE'],
  ].map(([currency, country]) => localeOfLender({ ...euroLender, currency, country }))
  test.each([
    ['$48,750.00', dollar, 'USD', '48750.00'],
    ['($1,250.00)', dollar, 'USD', '-1250.00'],
    ['-$24.10', dollar, 'USD', '-24.10'],
    ['$24.10-', dollar, 'USD', '-24.10'],
    ['$1,234.56 CR', dollar, 'USD', '1234.56'],
    ['US$ 1,234.56', rupee, 'USD', '1234.56'],
    ['C$1,234.56', dollar, 'CAD', '1234.56'],
    ['A$99', dollar, 'AUD', '99.00'],
    ['$1,250.00 CAD', dollar, 'CAD', '1250.00'],
    ['$1,250.00', EURO, 'USD', '1250.00'],
    ['₹1,23,456.00', rupee, 'INR', '123456.00'],
    ['Rs. 1,250/-', rupee, 'INR', '1250.00'],
    ['1’234.50 CHF', franc, 'CHF', '1234.50'],
    ["Fr. 1'234.50", franc, 'CHF', '1234.50'],
    ['AED 5,000.00', dirham, 'AED', '5000.00'],
    ['1 234,56-', EURO, 'EUR', '-1234.56'],
    ['1 234,56 zł', EURO, 'PLN', '1234.56'],
    ['2,500.00 dollars', dollar, 'USD', '2500.00'],
    ['KWD 1,250.500', dollar, 'KWD', '1250.500'],
    ['¥12,500', dollar, 'JPY', '12500.00'],
  ])('%s', (text, locale, currency, amount) =>
    expect(parseMoney(text, locale)?.value).toEqual({ currency, amount }),
  )
  test('a sign is none of the figures, weak or not', () =>
    expect([false, true].map((weak) => parseMoney('$48,750.00', dollar, weak)?.value.amount)).toEqual([
      '48750.00',
      '48750.00',
    ]))
})

test('the currency is kept', () =>
  expect(parsed('£12.00')?.value).toEqual({ amount: '12.00', currency: 'GBP' }))
test('a mended amount says so and fits less', () => {
  const [clean, mended] = [parsed('2,140.55')!, parsed('2,14O.55', true)!]
  expect(mended.repaired).toBe(true)
  expect(mended.plausibility).toBeLessThan(clean.plausibility)
})

const read = (text: string) =>
  amountsIn(pageOf([text]).words).map((r) => (r.value as { amount: string }).amount)
test('amounts side by side stay apart', () => expect(read('104.96 1,723.85')).toEqual(['104.96', '1723.85']))
test('thousands parted by spaces are joined', () => expect(read('48 750,00 €')).toEqual(['48750.00']))
test('a rate is no amount', () => expect(read('VAT 20 % 5,942.90')).toEqual(['5942.90']))
test("a cheque's number is no amount", () => expect(read('000412 -EUR 113.93')).toEqual(['-113.93']))

test('every way of writing an amount is read back', () => {
  for (const write of Object.values(moneyForms))
    fc.assert(
      fc.property(
        fc.integer({ min: -99_999_999, max: 99_999_999 }),
        (cents) =>
          parsed(write(cents))?.value.amount === (cents / 100).toFixed(2).replace(/^-0\.00$/, '0.00'),
      ),
    )
})
test('a word before an amount lends it no figures', () => expect(parsed('is 403,73 €')).toBeNull())
test('a currency sign that a weak reader took for a letter is none of the figures', () => {
  expect(amountsIn(pageOf(['f40 000,00 €'], { confidence: 0.6 }).words)).toMatchObject([
    { value: { amount: '40000.00', currency: 'EUR' }, repaired: true },
  ])
  expect(amountsIn(pageOf(['f40 000,00 €']).words)).not.toMatchObject([{ value: { amount: '40000.00' } }])
})
test.each([
  ['€60,69/.20', '60691.20'],
  ['€/2,000.00', '12000.00'],
])('%s by a hasty hand is %s', (text, amount) => {
  expect(amountsIn(pageOf([text], { confidence: 0.7 }).words)).toMatchObject([
    { value: { amount }, repaired: true },
  ])
  expect(amountsIn(pageOf([text]).words)).not.toMatchObject([{ value: { amount } }])
})
test('a full stop behind an amount ends its sentence', () =>
  expect(amountsIn(pageOf(['€ 845.00.']).words)).toMatchObject([{ value: { amount: '845.00' } }]))
