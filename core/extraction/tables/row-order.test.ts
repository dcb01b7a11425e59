import { newestFirst as begins, oldestFirst } from './row-order.ts'
import { tableColumns } from '../../program/table-columns.ts'
import { entries } from '../../testing/small-types.ts'
import { entry, tableOf } from '../../testing/table-of.ts'
import type { Money, Row } from '../../model/value.ts'

const newestFirst = (rows: Row[]): boolean => begins(rows, tableColumns(entries))
const row = (amount: string, balance: string | null): Row => entry('2026-03-01', 'Card', amount, balance)
const rows = [row('-80.00', '820.00'), row('-25.00', '795.00'), row('2224.80', '3019.80')]

test('balances lead down a statement that begins with the oldest row, and up one that begins with the newest', () => {
  expect(newestFirst(rows)).toBe(false)
  expect(newestFirst(rows.toReversed())).toBe(true)
})
test('so they do where no amount has a sign', () => {
  const plain = rows.map((r) => row((r.moved as Money).amount.replace('-', ''), (r.left as Money).amount))
  expect([newestFirst(plain), newestFirst(plain.toReversed())]).toEqual([false, true])
})
test('rows without balances, and a single row, keep their order', () => {
  expect(newestFirst([row('1.00', null), row('2.00', null)])).toBe(false)
  expect(newestFirst(rows.slice(0, 1))).toBe(false)
})
test('work sees the oldest row first, and the paper’s order is back behind it, even where the work fails', () => {
  const table = tableOf(rows.toReversed(), {}, [0.3, 0.2, 0.1])
  const asPrinted = [...table.rows]
  // A row turns with all that is known of it: its place and how surely it was read.
  expect(oldestFirst(table, entries, () => table.rows[0])).toBe(asPrinted[2])
  expect(asPrinted[2]).toMatchObject({ cells: rows[0], confidence: 0.1 })
  expect(() =>
    oldestFirst(table, entries, () => {
      throw new Error('broken')
    }),
  ).toThrow('broken')
  expect(table.rows).toEqual(asPrinted)
})
