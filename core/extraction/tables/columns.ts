import type { ColumnRole, Field } from '../../program/schema.ts'
import { cents, isMoney, type Row } from '../../model/value.ts'

/** Columns of a table by what they mean, whatever a lender calls them. */
export type TableColumns = Partial<Record<ColumnRole, string>>

const known = new WeakMap<Field, TableColumns>()

/**
 * The names of a table's columns by their roles. Dates and words without a role are the first column of their
 * kind; amounts without one take part in no arithmetic: which of two is a balance is for the lender to say.
 */
export function tableColumns(field: Field): TableColumns {
  let columns = known.get(field)
  if (!columns) {
    const first = (kind: string) => field.columns.find((c) => c.kind === kind)?.name
    const said = Object.fromEntries(field.columns.flatMap((c) => (c.role ? [[c.role, c.name]] : [])))
    columns = { date: first('date'), description: first('text'), ...said }
    known.set(field, columns)
  }
  return columns
}

/** Amount and running balance of a table of dated bookings; null for other tables. */
export function bookingColumns(field: Field): { date: string; amount: string; balance: string } | null {
  const { date, amount, balance } = tableColumns(field)
  return date && amount && balance ? { date, amount, balance } : null
}

/** Quantity, unit price and amount of a table of goods; null for other tables. */
export function goodsColumns(field: Field): { quantity: string; price: string; amount: string } | null {
  const { quantity, unit_price: price, amount } = tableColumns(field)
  return quantity && price && amount ? { quantity, price, amount } : null
}

/** The amount in a cell, in cents; null where there is none, or no such column. */
export const centsIn = (row: Row | undefined, column: string | undefined): number | null => {
  const cell = row && column ? row[column] : null
  return isMoney(cell) ? cents(cell) : null
}
