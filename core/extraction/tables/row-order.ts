import { cents, isMoney, type Row } from '../../model/value.ts'
import type { Table } from './table.ts'

/** Whether the rows of a statement begin with the newest: their balances then lead upwards. A sign may still be open. */
export function newestFirst(rows: readonly Row[]): boolean {
  let [up, down] = [0, 0]
  for (let i = 1; i < rows.length; i++) {
    const [upper, lower] = [rows[i - 1], rows[i]]
    if (!isMoney(upper.balance) || !isMoney(lower.balance)) continue
    const step = Math.abs(cents(lower.balance) - cents(upper.balance))
    if (isMoney(lower.amount) && step === Math.abs(cents(lower.amount))) down++
    if (isMoney(upper.amount) && step === Math.abs(cents(upper.amount))) up++
  }
  return up > down
}

/** Works on a table with its oldest row first, however the paper has them, and leaves it in the order of the paper. */
export function oldestFirst<T>(table: Table, work: () => T): T {
  const turned = newestFirst(table.rows)
  const turn = () => {
    if (!turned) return
    table.rows.reverse()
    table.rowSure.reverse()
  }
  turn()
  try {
    return work()
  } finally {
    turn()
  }
}
