import { message } from '../../model/messages/message.ts'
import { tableValue } from './table-confidence.ts'
import { entries as field } from '../../testing/small-types.ts'
import { entry, tableOf as tableOfRows } from '../../testing/table-of.ts'
import type { Table } from '../tables/table.ts'

/** Rows of a passbook from days and descriptions; every one takes a hundred from 1,000. */
const tableOf = (
  rows: readonly (readonly [day: string, description: string])[],
  more: Partial<Table> = {},
): Table =>
  tableOfRows(
    rows.map(([day, note], i) => entry(day, note, '-100.00', `${900 - i * 100}.00`)),
    { confidence: 0.9, wordConfidence: 0.9, ...more },
  )
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
    reason: message('table.days_out_of_order'),
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
        table: tableOf([...good, ['2026-03-09', 'Card payment Bakexy Row']], {
          confidence: 1,
          wordConfidence: 1,
        }),
        proof: true,
      },
      field,
    ),
  ).toMatchObject({ needsReview: false }))
test('no table is a question', () =>
  expect(tableValue({ table: null, proof: null }, field)).toMatchObject({
    value: null,
    needsReview: true,
    reason: message('table.not_found'),
  }))
