import { repairSigns } from './repair-signs.ts'
import { GUESSED } from './table.ts'
import { entries as field } from '../../testing/small-types.ts'
import { entry, tableOf } from '../../testing/table-of.ts'
import type { Money } from '../../model/value.ts'

const mended = (
  rows: [description: string, amount: string | null, balance: string | null][],
  confidence = 0.7,
) => {
  const table = tableOf(
    rows.map((row) => entry('2026-02-01', ...row)),
    { confidence },
  )
  repairSigns(table, field)
  const first = table.rows[0].cells.moved as Money | null
  return { first: first?.amount ?? null, wordConfidence: table.wordConfidence }
}
const behind: [string, string, string][] = [
  ['Cash machine Merrow', '-20.00', '80.00'],
  ['Salary Ellery Harbour', '500.00', '580.00'],
  ['Standing order rent', '-80.00', '500.00'],
]

test('the first row goes the way of its kind, and a person is asked', () =>
  expect(mended([['Cash machine Port Ellery', '97.89', '100.00'], ...behind])).toEqual({
    first: '-97.89',
    wordConfidence: GUESSED,
  }))
test('a kind of its own stays as it was read', () =>
  expect(mended([['Refund Chandlery Ltd', '97.89', '100.00'], ...behind])).toEqual({
    first: '97.89',
    wordConfidence: 1,
  }))
test('a kind that goes both ways says nothing', () =>
  expect(
    mended([
      ['Cash machine Port Ellery', '97.89', '100.00'],
      ...behind,
      ['Cash machine Merrow', '20.00', '520.00'],
    ]).first,
  ).toBe('97.89'))
test('one word is no kind of booking', () =>
  expect(
    mended([
      ['Cash', '97.89', '100.00'],
      ['Cash', '-20.00', '80.00'],
    ]).first,
  ).toBe('97.89'))
test('a sign that is right is no question', () =>
  expect(mended([['Cash machine Port Ellery', '-97.89', '100.00'], ...behind])).toEqual({
    first: '-97.89',
    wordConfidence: 1,
  }))
test('a text layer is believed to the letter', () =>
  expect(mended([['Cash machine Port Ellery', '97.89', '100.00'], ...behind], 1).first).toBe('97.89'))
