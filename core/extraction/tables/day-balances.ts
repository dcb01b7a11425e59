import { type Field, tableColumns } from '../../program/index.ts'
import { bookingColumns, centsIn } from './columns.ts'
import { oldestFirst } from './row-order.ts'
import type { Table, TableRow } from './table.ts'

/** A paper that prints one balance a day has so few, as a share of those it has not, that stand within a day. */
const STRAY = 0.25

/**
 * Takes back what arithmetic put where the paper prints nothing: statements that give the balance at the end of a day
 * have none beside the earlier rows of that day. Where balances within days are printed, one that lacks was not read.
 */
export function leaveDaysOpen(table: Table, field: Field): void {
  const names = bookingColumns(field)
  const { date } = tableColumns(field)
  if (!names || !date) return
  const printed = ({ asRead, cells }: TableRow) => (asRead ? asRead.balance : centsIn(cells, names.balance))
  oldestFirst(table, field, () => {
    const within = table.rows.filter(
      ({ cells }, i) => cells[date] !== null && cells[date] === table.rows[i + 1]?.cells[date],
    )
    const open = within.filter((row) => printed(row) === null)
    if (within.length - open.length > open.length * STRAY) return
    for (const row of open) {
      row.cells[names.balance] = null
      row.withinDay = true
    }
  })
}
