import type { Field } from '../../program/schema.ts'
import { addLostRows } from './missing-rows.ts'
import { mendDays } from './repair-dates.ts'
import { mendLines, mendRows } from './repair-amounts.ts'
import { mendSigns, settleSigns } from './repair-signs.ts'
import { mendWords } from './repair-words.ts'
import { oldestFirst } from './row-order.ts'
import type { Table } from './table.ts'

/** Settles what the rows of a table say of one another: signs by the balances, and on pictures what a weak print cost. */
export function mend(table: Table, field: Field): void {
  addLostRows(table, field)
  oldestFirst(table, field, () => {
    settleSigns(table, field)
    mendRows(table, field)
    mendSigns(table, field)
  })
  mendLines(table, field)
  mendDays(table, field)
  mendWords(table, field)
}
