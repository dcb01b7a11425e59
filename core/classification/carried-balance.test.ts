import { pageOf } from '../testing/page-of.ts'
import { carriedBalances, meets } from './carried-balance.ts'

const first = pageOf([
  'Date | What | Out | Balance',
  '19-01-2026 | Transfer | 107.66 | 1,514.89',
  '20-01-2026 | Rent | 128.62 | 1,386.27',
  '1/2',
])
const balances = (...lines: string[]) => {
  const { from, opening } = carriedBalances(pageOf(lines))
  return { from: meets(carriedBalances(first), from), opening: meets(carriedBalances(first), opening) }
}

test('the next row follows from the last balance, whichever column its amount is in', () => {
  expect(
    balances('21-01-2026 | Card payment | 50.00 | 1,336.27', '22-01-2026 | Cheque | 36.27 | 1,300.00'),
  ).toEqual({ from: true, opening: false })
  expect(
    balances('21-01-2026 | Wages | 2,000.00 | 3,386.27', '22-01-2026 | Cheque | 86.27 | 3,300.00'),
  ).toEqual({ from: true, opening: false })
})
test('what the page itself prints over its rows may be brought forward, or open the next month', () =>
  expect(
    balances(
      'Brought forward | | | 1.386,27',
      '21.01.2026 | Card | 50,00- | 1.336,27',
      '22.01.2026 | Card | 36,27- | 1.300,00',
    ),
  ).toEqual({ from: false, opening: true }))
test('a statement that says over its rows what it opens and closes with may be the next month’s', () =>
  expect(
    balances(
      'Balance brought forward | New balance',
      '1,386.27 | 1,250.00',
      '21-01-2026 | Card payment | 50.00 | 1,336.27',
      '22-01-2026 | Cheque | 86.27 | 1,250.00',
    ),
  ).toEqual({ from: false, opening: true }))
test('another account does not follow', () =>
  expect(
    balances('21-01-2026 | Card payment | 50.00 | 1,300.99', '22-01-2026 | Cheque | 153.40 | 1,147.59'),
  ).toEqual({ from: false, opening: false }))
test('an overdrawn balance keeps its sign', () =>
  expect(
    meets(
      carriedBalances(pageOf(['1 Feb | A | -88.50 | 0.50', '2 Feb | B | -59.40 | -58.90'])),
      carriedBalances(pageOf(['3 Feb | C | -12.13 | -71.03', '4 Feb | D | -1.00 | -72.03'])).from,
    ),
  ).toBe(true))
test('days and a page without rows prove nothing', () => {
  const nothing = { from: new Set(), opening: new Set(), to: new Set(), carriesOn: false }
  expect(
    carriedBalances(pageOf(['Statement of 01.03.2026', 'from 01.02.2026', 'Closing balance | 12.40'])),
  ).toEqual(nothing)
})
test('nor does an account that was empty', () =>
  expect(carriedBalances(pageOf(['1 Feb | A | 5.00 | 5.00', '2 Feb | B | 20.00 | 25.00'])).from.has(0)).toBe(
    false,
  ))

test('one booking with its day is enough, one line of two amounts is any sum', () => {
  expect(balances('31-01-2026 | Wages | 2,000.00 | 3,386.27').from).toBe(true)
  expect(balances('Tax and total | 2,000.00 | 3,386.27').from).toBe(false)
})
test('on a picture an amount that lost its point is cents, beside one that has it', () => {
  const rows = ['21-01-2026 | Isles Water | 2162 | 1,364.65', '22-01-2026 | Cheque | 64.65 | 1,300.00']
  expect(
    meets(carriedBalances(first), carriedBalances(pageOf(rows, { source: 'ocr', confidence: 0.8 })).from),
  ).toBe(true)
  expect(meets(carriedBalances(first), carriedBalances(pageOf(rows)).from)).toBe(false)
})
