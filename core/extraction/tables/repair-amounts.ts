import type { Field } from '../../program/index.ts'
import { followChain, type Ends, type Step } from './balance-chain.ts'
import { isTruncated } from '../scoring/digit-slips.ts'
import { likelySigns } from './repair-signs.ts'
import { bookingColumns, centsIn, goodsColumns } from './columns.ts'
import { cents, fromCents, isMoney, type Money } from '../../model/index.ts'
import { noteGuess, PRINTED, type Table } from './table.ts'

/** Rows read more surely than this keep what was read: a paper that truly does not add up must not be argued away. */
const WEAK = 0.85

/**
 * On a weak print the running balance says what a misread cell must be, and which way an amount without a
 * sign goes. Only cells that are lacking, lost their first digits or were read weakly are mended.
 */
export function repairAmounts(table: Table, field: Field): void {
  const names = balanced(table, field)
  if (!names) return
  for (const row of table.rows)
    row.asRead = { amount: centsIn(row.cells, names.amount), balance: centsIn(row.cells, names.balance) }
  follow(table, field, names)
}

/**
 * The same between the balances that the paper opens and closes with, where the rows do not lead from one to
 * the other. A slip in these may be explained away by others in the rows, so that a person is to see them.
 */
export function repairBetweenBalances(table: Table, field: Field, ends: Ends): void {
  const names = balanced(table, field)
  if (names && follow(table, field, names, ends)) noteGuess(table)
}

/** What the amount and the running balance of a weakly printed table are called; null for other tables. */
const balanced = (table: Table, field: Field): { amount: string; balance: string } | null =>
  table.confidence < PRINTED ? bookingColumns(field) : null

/** @returns whether a cell is another than before */
function follow(
  table: Table,
  field: Field,
  { amount, balance }: { amount: string; balance: string },
  ends?: Ends,
): boolean {
  const { rows } = table
  const ways = likelySigns(table, field)
  const steps = rows.map((row, i): Step => ({
    ...(row.asRead ?? { amount: null, balance: null }),
    weak: row.confidence < WEAK,
    way: ways[i],
  }))
  let changed = false
  followChain(steps, ends).forEach((found, i) => {
    for (const [name, read, value] of [
      [amount, steps[i].amount, found.amount],
      [balance, steps[i].balance, found.balance],
    ] as const) {
      if (value === null || centsIn(rows[i].cells, name) === value) continue
      rows[i].cells[name] = fromCents(value, currencyOf(table))
      changed = true
      if (value !== read) table.repaired = true
    }
  })
  return changed
}

/**
 * The first row has no balance before it but the one that the paper opens with: that says what its amount
 * must be.
 */
export function repairFirstAmount(table: Table, field: Field, opening: Money): boolean {
  const names = balanced(table, field)
  const first = table.rows.at(0)?.cells
  const after = names && centsIn(first, names.balance)
  if (!names || !first || after === null || centsIn(first, names.amount) !== null) return false
  const step = after - cents(opening)
  if (step === 0) return false
  first[names.amount] = fromCents(step, opening.currency)
  return true
}

/**
 * On a weak print a line's amount says what its price lost, and its quantity times its price what its amount
 * lost: their first digits, or all of them. Whether the lines then come to the total is for their sum to
 * tell.
 */
export function repairGoods(table: Table, field: Field): void {
  const names = goodsColumns(field)
  if (!names || table.confidence >= PRINTED) return
  const { quantity, price, amount } = names
  for (const { cells: row } of table.rows) {
    const count = typeof row[quantity] === 'string' ? Number(row[quantity]) : NaN
    const [each, all] = [centsIn(row, price), centsIn(row, amount)]
    if (!(count > 0) || (each !== null && all === Math.round(count * each))) continue
    const put = (name: string, value: number) => {
      row[name] = fromCents(value, currencyOf(table))
      table.repaired = true
    }
    // What is before a price is a remnant of a rule: the amount says that it is no minus.
    if (each !== null && each < 0 && all === Math.round(count * -each)) put(price, -each)
    else if (
      all !== null &&
      Number.isInteger(all / count) &&
      (each === null || isTruncated(each, all / count))
    )
      put(price, all / count)
    else if (each !== null && (all === null || isTruncated(all, Math.round(count * each))))
      put(amount, Math.round(count * each))
  }
}

const currencyOf = ({ rows, locale }: Table): string =>
  rows.flatMap(({ cells }) => Object.values(cells)).find(isMoney)?.currency ?? locale.currency
