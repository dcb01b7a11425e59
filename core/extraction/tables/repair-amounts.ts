import type { Field } from '../../program/schema.ts'
import { followChain, type Ends, type Step } from './balance-chain.ts'
import { lostDigits } from '../scoring/digit-slips.ts'
import { likelyWays } from './repair-signs.ts'
import { GUESSED } from './repair-words.ts'
import { cents, fromCents, isMoney, type Money, type Row } from '../../model/value.ts'
import type { Table } from './table.ts'

/** Rows read more surely than this keep what was read: a paper that truly does not add up must not be argued away. */
const WEAK = 0.85

/**
 * On a weak print the running balance says what a misread cell must be, and which way an amount without a sign goes. Only
 * cells that are lacking, lost their first digits or were read weakly are mended.
 */
export function mendRows(table: Table, field: Field): void {
  const names = balanced(table, field)
  if (!names) return
  const { rows } = table
  const centsIn = (cell: Row[string]): number | null => (isMoney(cell) ? cents(cell) : null)
  for (const row of rows)
    table.asRead.set(row, { amount: centsIn(row[names.amount]), balance: centsIn(row[names.balance]) })
  follow(table, field, names)
}

/**
 * The same between the balances that the paper opens and closes with, where the rows do not lead from one to the other.
 * A slip in these may be explained away by others in the rows, so that a person is to see them.
 */
export function mendBetween(table: Table, field: Field, ends: Ends): void {
  const names = balanced(table, field)
  if (names && follow(table, field, names, ends))
    [table.repaired, table.spelt] = [true, Math.min(table.spelt, GUESSED)]
}

/** What the amount and the running balance of a weakly printed table are called; null for other tables. */
function balanced(table: Table, field: Field): { amount: string; balance: string } | null {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  return amount && balance && table.sure < 0.999 && field.columns.some((c) => c.kind === 'date')
    ? { amount, balance }
    : null
}

/** @returns whether a cell is another than before */
function follow(
  table: Table,
  field: Field,
  { amount, balance }: { amount: string; balance: string },
  ends?: Ends,
): boolean {
  const { rows } = table
  const ways = likelyWays(table, field)
  const steps = rows.map((row, i): Step => ({
    ...(table.asRead.get(row) ?? { amount: null, balance: null }),
    weak: (table.rowSure[i] ?? 1) < WEAK,
    way: ways[i],
  }))
  let changed = false
  followChain(steps, ends).forEach((found, i) => {
    for (const [name, read, value] of [
      [amount, steps[i].amount, found.amount],
      [balance, steps[i].balance, found.balance],
    ] as const) {
      const cell = rows[i][name]
      if (value === null || (isMoney(cell) && cents(cell) === value)) continue
      rows[i][name] = fromCents(value, currencyOf(rows))
      changed = true
      if (value !== read) table.repaired = true
    }
  })
  return changed
}

/** The first row has no balance before it but the one that the paper opens with: that says what its amount must be. */
export function mendFirstRow({ rows, sure }: Table, { columns }: Field, opening: Money): boolean {
  const [amount, balance] = columns.filter((c) => c.kind === 'money').map((c) => c.name)
  const first = rows[0]
  if (!first || sure >= 0.999 || !isMoney(first[balance]) || isMoney(first[amount])) return false
  const step = cents(first[balance]) - cents(opening)
  if (step === 0) return false
  first[amount] = fromCents(step, opening.currency)
  return true
}

/**
 * On a weak print a line's amount says what its price lost, and its quantity times its price what its amount lost: their
 * first digits, or all of them. Whether the lines then come to the total is for their sum to tell.
 */
export function mendLines(table: Table, field: Field): void {
  const quantity = field.columns.find((c) => c.kind === 'number')?.name
  const [price, amount] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!quantity || !amount || table.sure >= 0.999) return
  for (const row of table.rows) {
    const count = typeof row[quantity] === 'string' ? Number(row[quantity]) : NaN
    const [each, all] = [price, amount].map((name) => (isMoney(row[name]) ? cents(row[name]) : null))
    if (!(count > 0) || (each !== null && all === Math.round(count * each))) continue
    const put = (name: string, value: number) => {
      row[name] = fromCents(value, currencyOf(table.rows))
      table.repaired = true
    }
    // What is before a price is a remnant of a rule: the amount says that it is no minus.
    if (each !== null && each < 0 && all === Math.round(count * -each)) put(price, -each)
    else if (
      all !== null &&
      Number.isInteger(all / count) &&
      (each === null || lostDigits(each, all / count))
    )
      put(price, all / count)
    else if (each !== null && (all === null || lostDigits(all, Math.round(count * each))))
      put(amount, Math.round(count * each))
  }
}

const currencyOf = (rows: readonly Row[]): string => {
  for (const row of rows) for (const cell of Object.values(row)) if (isMoney(cell)) return cell.currency
  return 'EUR'
}
