import { type Field, tableColumns } from '../../program/index.ts'
import { cents, isMoney, type Row } from '../../model/index.ts'

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
