import { pageOf } from '../testing/page-of.ts'
import { areApart, statedPeriod } from './stated-period.ts'

const statement = (period: string, ...rows: string[]) =>
  pageOf(['Lantern Bank', `Covering | ${period}`, ...rows])
const february = statedPeriod(statement('1 February 2026 to 28 February 2026'))!
const march = statedPeriod(statement('1 March 2026 to 31 March 2026'))!

test('what a head says the paper is about', () =>
  expect(february).toMatchObject({ start: '2026-02-01', end: '2026-02-28' }))
test('two months are apart, one month is not from itself', () => {
  expect(areApart(february, march)).toBe(true)
  expect(areApart(march, march)).toBe(false)
})
test('a day misread makes no other month', () =>
  expect(areApart(february, statedPeriod(statement('1 February 2026 to 23 February 2026'))!)).toBe(false))
test('of two periods in a head neither is the paper’s', () =>
  expect(
    statedPeriod(
      statement('1 February 2026 to 28 February 2026', 'Before | 1 January 2026 to 31 January 2026'),
    ),
  ).toBeNull())
test('a month is what many a payment is for', () => expect(statedPeriod(statement('March 2026'))).toBeNull())
