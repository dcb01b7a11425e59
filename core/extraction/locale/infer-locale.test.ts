import { dollarLender, euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { inferLocale } from './infer-locale.ts'

const of = (lender: typeof euroLender, ...lines: string[]) => inferLocale([pageOf(lines)], lender)

describe('the order of day and month', () => {
  test('is the lender’s where the paper does not show it', () => {
    expect(of(dollarLender, 'Paid on 03/04/2026').dateOrder).toBe('mdy')
    expect(of(euroLender, 'Paid on 03/04/2026').dateOrder).toBe('dmy')
  })
  test('is told by a day that is one in one order only', () => {
    expect(of(dollarLender, 'Signed 31/12/2025', 'Due 03/04/2026').dateOrder).toBe('dmy')
    expect(of(euroLender, 'Signed 12/31/2025', 'Due 03/04/2026').dateOrder).toBe('mdy')
  })
  test('is told by rows that follow one another', () => {
    const rows = ['02/03/2026 | Rent', '02/10/2026 | Fuel', '03/02/2026 | Rent', '04/01/2026 | Rent']
    expect(of(euroLender, ...rows)).toMatchObject({ dateOrder: 'mdy', orderOpen: false })
  })
  test('is told by the country in the letterhead', () =>
    expect(of(euroLender, 'Mesa Bank', '12 Juniper Ln', 'United States', 'Paid 03/04/2026').dateOrder).toBe(
      'mdy',
    ))
  test('stays open where the paper looks foreign and shows nothing more', () => {
    const paper = of(euroLender, 'March 14, 2026', 'Due: 04/03/2026', 'To pay: $1,250.00')
    expect(paper.orderOpen || paper.dateOrder === 'mdy').toBe(true)
    expect(of(dollarLender, 'Total 1.250,00 €', 'Due 03.04.2026').dateOrder).toBe('dmy')
  })
})

describe('the currency', () => {
  test('is that of most amounts, and those without a sign are in it', () =>
    expect(of(euroLender, 'Gross $2,500.00', 'Net $2,000.00', 'Tax 500.00')).toMatchObject({
      currency: 'USD',
      currencyOpen: false,
    }))
  test('is the lender’s where amounts have no sign', () =>
    expect(of(dollarLender, 'Gross 2,500.00').currency).toBe('USD'))
  test('a dollar sign is of the country in the letterhead', () =>
    expect(of(dollarLender, 'Maple Bank', 'Canada', 'Balance $1,250.00').currency).toBe('CAD'))
  test('a code in a head says it for the column', () =>
    expect(of(euroLender, 'Date | Amount (CHF)', '04.03.2026 | 1’250.00').currency).toBe('CHF'))
  test('on a picture some of the lender’s own among others are what all are; none of them leaves it open', () => {
    const scan = (...lines: string[]) =>
      inferLocale([pageOf(lines, { source: 'ocr', confidence: 0.9 })], euroLender)
    expect(scan('€48.00', '£60.00', '£12.00').currency).toBe('EUR')
    expect(scan('£60.00', '£12.00')).toMatchObject({ currency: 'GBP', currencyOpen: true })
  })
})

test('the decimal sign is that of most amounts, or the usual one of the country', () => {
  expect(of(dollarLender, 'Summe 1.250,00').decimal).toBe(',')
  expect(of(dollarLender, 'Odometer 48,210').decimal).toBe('.')
})

test('a word that currencies share says nothing of which the paper is in', () =>
  expect(inferLocale([pageOf(['Wages | 2,140.55 francs', 'Tax | 300.00 francs'])], euroLender).currency).toBe(
    euroLender.currency,
  ))
