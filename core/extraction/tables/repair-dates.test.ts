import { repairDates } from './repair-dates.ts'
import { cellsOf } from './row-order.ts'
import { GUESSED } from './table.ts'
import { entries as field } from '../../testing/small-types.ts'
import { entry, tableOf } from '../../testing/table-of.ts'

const mended = (
  days: (string | null)[],
  confidence = 0.7,
  unread: Record<number, string> = {},
): { days: unknown[]; wordConfidence: number } => {
  const table = tableOf(
    days.map((day) => entry(day, 'x', null, null)),
    { confidence },
  )
  for (const [i, text] of Object.entries(unread)) table.rows[Number(i)].unreadDate = text
  repairDates(table, field)
  return { days: cellsOf(table).map((row) => row.day), wordConfidence: table.wordConfidence }
}

test('a year that neither neighbour has', () =>
  expect(mended(['2026-03-01', '2028-03-02', '2026-03-04'])).toEqual({
    days: ['2026-03-01', '2026-03-02', '2026-03-04'],
    wordConfidence: 1,
  }))
test('at either end the two rows beside it say the year', () =>
  expect(mended(['2028-03-01', '2026-03-02', '2026-03-04', '2025-03-04']).days).toEqual([
    '2026-03-01',
    '2026-03-02',
    '2026-03-04',
    '2026-03-04',
  ]))
test('two years misread side by side', () =>
  expect(mended(['2026-02-20', '2026-02-22', '2028-02-23', '2025-02-24', '2026-02-25']).days).toEqual([
    '2026-02-20',
    '2026-02-22',
    '2026-02-23',
    '2026-02-24',
    '2026-02-25',
  ]))
test('days with a year and without are not mixed up', () =>
  expect(mended(['--02-28', '--03-04', '2026-03-05', '2026-03-06']).days).toEqual([
    '--02-28',
    '--03-04',
    '2026-03-05',
    '2026-03-06',
  ]))
test('at the turn of the year both years stay', () =>
  expect(mended(['2025-12-29', '2025-12-31', '2026-01-02', '2026-01-03']).days).toEqual([
    '2025-12-29',
    '2025-12-31',
    '2026-01-02',
    '2026-01-03',
  ]))
test('a day between two that are the same is theirs, and a person is asked', () =>
  expect(mended(['2026-02-18', '2026-02-16', '2026-02-18', '2026-02-19'])).toEqual({
    days: ['2026-02-18', '2026-02-18', '2026-02-18', '2026-02-19'],
    wordConfidence: GUESSED,
  }))
test('newest first, and days without a year', () => {
  expect(mended(['2026-02-19', '2026-02-18', '2026-02-16', '2026-02-18', '2026-02-11']).days).toEqual([
    '2026-02-19',
    '2026-02-18',
    '2026-02-18',
    '2026-02-18',
    '2026-02-11',
  ])
  expect(mended(['--02-11', '--02-18', '--02-16', '--02-18']).days).toEqual([
    '--02-11',
    '--02-18',
    '--02-18',
    '--02-18',
  ])
})
test('where several days would do, the reading stays and is asked about for its order', () =>
  expect(mended(['2026-02-11', '2026-02-03', '2026-02-18']).days[1]).toBe('2026-02-13'))
test('two figures off is no slip', () =>
  expect(mended(['2026-02-11', '2026-02-20', '2026-02-12', '2026-02-13']).days[1]).toBe('2026-02-20'))
test('a text layer is believed to the letter', () =>
  expect(mended(['2026-03-01', '2028-03-02', '2026-03-04'], 1).days[1]).toBe('2028-03-02'))
test('a day that could not be read stays open', () =>
  expect(mended(['2026-03-01', null, '2026-03-04']).days[1]).toBeNull())
test('figures that are no day are taken for the day near them', () => {
  expect(mended(['2026-02-11', null, '2026-02-17'], 0.7, { 1: '2026-02412' })).toEqual({
    days: ['2026-02-11', '2026-02-12', '2026-02-17'],
    wordConfidence: GUESSED,
  })
  expect(mended(['2026-02-11', null, '2026-02-17'], 0.7, { 1: '2026-021' }).days[1]).toBeNull()
})
test('before the first row and behind the last, too, where they are near enough', () => {
  expect(
    mended([null, '2026-03-02', '2026-03-04', null], 0.7, { 0: '0103206', 3: '091032026' }).days,
  ).toEqual(['2026-03-01', '2026-03-02', '2026-03-04', '2026-03-09'])
  expect(mended(['2026-03-02', '2026-03-04', null]).days[2]).toBeNull()
})
test('at the ends of rows with the newest first', () =>
  expect(mended([null, '2026-03-04', '2026-03-02'], 0.7, { 0: '06/032026' }).days[0]).toBe('2026-03-06'))
