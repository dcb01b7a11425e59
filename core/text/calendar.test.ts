import { addDays, addMonths, dayName, daysBetween, monthIndex, monthName } from './calendar.ts'

test.each([
  ['2026-02-28', 1, '2026-03-01'],
  ['2024-02-28', 1, '2024-02-29'],
  ['2026-01-01', -1, '2025-12-31'],
  ['2026-03-28', 2, '2026-03-30'],
])('%s and %i days is %s', (day, days, other) => {
  expect(addDays(day, days)).toBe(other)
  expect(daysBetween(day, other)).toBe(days)
})
test.each([
  ['2026-01-31', 1, '2026-02-28'],
  ['2026-03-31', -1, '2026-02-28'],
  ['2025-11-15', 3, '2026-02-15'],
])('%s and %i months is %s', (day, months, other) => expect(addMonths(day, months)).toBe(other))
test('months in a row differ by one, over the turn of the year too', () =>
  expect(monthIndex('2026-01-05') - monthIndex('2025-12-31')).toBe(1))
test('days and months have names', () =>
  expect([dayName('2026-03-04'), monthName(monthIndex('2026-03-04'))]).toEqual([
    '4 March 2026',
    'March 2026',
  ]))
