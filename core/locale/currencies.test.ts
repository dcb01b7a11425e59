import { currencySign, isCurrency, isCurrencySign, minorDigits, usualCurrency } from './currencies.ts'

test.each<[text: string, side: 'ahead' | 'behind', own: string, currency: string | null]>([
  ['$48,750.00', 'ahead', 'USD', 'USD'],
  ['$48,750.00', 'ahead', 'CAD', 'CAD'],
  ['$48,750.00', 'ahead', 'EUR', 'USD'],
  ['C$ 12', 'ahead', 'USD', 'CAD'],
  ['CHF 12', 'ahead', 'EUR', 'CHF'],
  ['Fr. 12', 'ahead', 'CHF', 'CHF'],
  ['12 kr', 'behind', 'SEK', 'SEK'],
  ['12 zł', 'behind', 'EUR', 'PLN'],
  ['12 dollars', 'behind', 'USD', 'USD'],
  ['12 euros', 'behind', 'USD', 'EUR'],
  ['د.إ 12', 'ahead', 'AED', 'AED'],
  ['R 12', 'ahead', 'ZAR', 'ZAR'],
  ['R 12', 'ahead', 'EUR', null],
  ['E 12', 'ahead', 'EUR', 'EUR'],
  ['E 12', 'ahead', 'USD', null],
  ['Page 12', 'ahead', 'USD', null],
])('%s (%s) on a paper in %s is %s', (text, side, own, currency) =>
  expect(currencySign(text, side, own)?.currency ?? null).toBe(currency),
)
test('a sign that several share is certain where the paper has it, or English texts mean one by it', () =>
  expect(
    [
      currencySign('$1', 'ahead', 'CAD'),
      currencySign('$1', 'ahead', 'EUR'),
      currencySign('12 francs', 'behind', 'EUR'),
    ].map((sign) => sign?.certain),
  ).toEqual([true, true, false]))
test('signs alone, codes, and the places behind the point', () => {
  expect(['$', 'EUR', 'rent'].map(isCurrencySign)).toEqual([true, true, false])
  expect(['USD', 'US'].map(isCurrency)).toEqual([true, false])
  expect(['USD', 'KWD', 'JPY'].map(minorDigits)).toEqual([2, 3, 2])
  expect(['US', 'IE', 'CH', 'XX', null].map(usualCurrency)).toEqual(['USD', 'EUR', 'CHF', null, null])
})
