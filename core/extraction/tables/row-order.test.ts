import { newestFirst, oldestFirst } from './row-order.ts'
import type { Row } from '../../model/value.ts'
import type { Table } from './table.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
const row = (amount: string, balance: string): Row => ({ amount: eur(amount), balance: eur(balance) })
const rows = [row('-80.00', '820.00'), row('-25.00', '795.00'), row('2224.80', '3019.80')]

test('balances lead down a statement that begins with the oldest row, and up one that begins with the newest', () => {
  expect(newestFirst(rows)).toBe(false)
  expect(newestFirst(rows.toReversed())).toBe(true)
})
test('so they do where no amount has a sign', () => {
  const plain = rows.map((r) =>
    row((r.amount as { amount: string }).amount.replace('-', ''), (r.balance as { amount: string }).amount),
  )
  expect([newestFirst(plain), newestFirst(plain.toReversed())]).toEqual([false, true])
})
test('rows without balances, and a single row, keep their order', () => {
  expect(
    newestFirst([
      { amount: eur('1.00'), balance: null },
      { amount: eur('2.00'), balance: null },
    ]),
  ).toBe(false)
  expect(newestFirst(rows.slice(0, 1))).toBe(false)
})
test('work sees the oldest row first, and the paper’s order is back behind it, even where the work fails', () => {
  const table = { rows: rows.toReversed(), rowSure: [0.3, 0.2, 0.1] } as unknown as Table
  expect(oldestFirst(table, () => [table.rows[0], table.rowSure[0]])).toEqual([rows[0], 0.1])
  expect(() =>
    oldestFirst(table, () => {
      throw new Error('broken')
    }),
  ).toThrow('broken')
  expect(table).toMatchObject({ rows: rows.toReversed(), rowSure: [0.3, 0.2, 0.1] })
})
