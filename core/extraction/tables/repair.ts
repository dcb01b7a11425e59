import type { Field } from '../../program/index.ts'
import { addMissingRows } from './missing-rows.ts'
import { repairDates } from './repair-dates.ts'
import { repairGoods, repairAmounts } from './repair-amounts.ts'
import { repairSigns, signsFromBalances } from './repair-signs.ts'
import { repairWords } from './repair-words.ts'
import { oldestFirst } from './row-order.ts'
import type { Table } from './table.ts'

/**
 * Settles what the rows of a table say of one another: signs by the balances, and on pictures what a weak
 * print cost.
 */
export function repairTable(table: Table, field: Field): void {
  addMissingRows(table, field)
  oldestFirst(table, field, () => {
    signsFromBalances(table, field)
    repairAmounts(table, field)
    repairSigns(table, field)
  })
  repairGoods(table, field)
  repairDates(table, field)
  repairWords(table, field)
}
