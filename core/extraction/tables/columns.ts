import { type Field, tableColumns } from '../../program/index.ts'
import { type Locale, minorDigits } from '../../locale/index.ts'
import { cents, isMoney, type Money, type Row, type Word } from '../../model/index.ts'
import { readMoney } from '../parsers/money.ts'
import type { Reading } from '../parsers/reading.ts'

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

/** The amounts among the words of a line that are written to their smallest unit, as rows of bookings are. */
export const amountsIn = (words: Word[], locale: Locale): (Reading & { value: Money })[] =>
  readMoney(words, locale).flatMap((reading) =>
    isMoney(reading.value) && inSmallUnits(reading.raw, reading.value.currency)
      ? [{ ...reading, value: reading.value }]
      : [],
  )

const inSmallUnits = (raw: string, currency: string): boolean =>
  new RegExp(`[.,]\\d{${minorDigits(currency)}}\\D*$`).test(raw)

/** The amount in a cell, in cents; null where there is none, or no such column. */
export const centsIn = (row: Row | undefined, column: string | undefined): number | null => {
  const cell = row && column ? row[column] : null
  return isMoney(cell) ? cents(cell) : null
}
