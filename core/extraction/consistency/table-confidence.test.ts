import { builtInTypes, typeById } from '../../program/types/index.ts'
import { tableValue } from './table-confidence.ts'
import type { Table } from '../tables/table.ts'

const field = typeById(builtInTypes, 'bank_statement').fields.find((f) => f.kind === 'table')!
const eur = (amount: string) => ({ amount, currency: 'EUR' })
/** Rows of a statement from days and descriptions; every one takes a hundred from 1,000. */
const tableOf = (
  rows: readonly (readonly [day: string, description: string])[],
  more: Partial<Table> = {},
): Table => ({
  rows: rows.map(([date, description], i) => ({
    date,
    description,
    amount: eur('-100.00'),
    balance: eur(`${900 - i * 100}.00`),
  })),
  places: rows.map(() => ({ page: 1, box: [0.1, 0.4, 0.9, 0.42] })),
  head: { page: 1, box: [0.1, 0.3, 0.9, 0.32] },
  sure: 0.9,
  spelt: 0.9,
  rowSure: rows.map(() => 0.9),
  pointed: false,
  repaired: false,
  led: false,
  unexplained: [],
  passed: [],
  unreadDays: new Map(),
  asRead: new Map(),
  ...more,
})
const good = [
  ['2026-03-01', 'Card payment Bakery Row'],
  ['2026-03-03', 'Card payment Bakery Row'],
  ['2026-03-08', 'Transfer to savings'],
] as const

test('rows of a picture that add up, day after day, are believed', () =>
  expect(tableValue({ table: tableOf(good), proof: true }, field)).toMatchObject({ needsReview: false }))
test('a day that goes back was misread, though the sums hold', () => {
  const back = [['2026-03-08', 'Card payment Bakery Row'], ...good.slice(1)] as const
  expect(tableValue({ table: tableOf(back), proof: true }, field)).toMatchObject({
    needsReview: true,
    reason: 'its days do not follow one another',
  })
})
test('days from the newest to the oldest are in order too', () =>
  expect(tableValue({ table: tableOf(good.toReversed()), proof: true }, field)).toMatchObject({
    needsReview: false,
  }))
test('a word one letter off another that stands there several times is asked about, its plural is not', () => {
  const asked = (word: string) =>
    tableValue({ table: tableOf([...good, ['2026-03-09', `Card payment ${word} Row`]]), proof: true }, field)
      .needsReview
  expect([asked('Bakexy'), asked('Bakerys'), asked('Harbour')]).toEqual([true, false, false])
})
test('a text layer misspells nothing', () =>
  expect(
    tableValue(
      {
        table: tableOf([...good, ['2026-03-09', 'Card payment Bakexy Row']], { sure: 1, spelt: 1 }),
        proof: true,
      },
      field,
    ),
  ).toMatchObject({ needsReview: false }))
test('no table is a question', () =>
  expect(tableValue({ table: null, proof: null }, field)).toMatchObject({
    value: null,
    needsReview: true,
    reason: 'no table was found',
  }))
