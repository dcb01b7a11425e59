import type { Field } from '../program/schema.ts'
import { lostDigits } from './figures.ts'
import type { Table } from './table.ts'
import { cents, fromCents, isMoney, type Money, type Row } from './value.ts'

/** Rows read more surely than this keep what was read: a paper that truly does not add up must not be argued away. */
const WEAK = 0.85

/**
 * On a weak print the running balance says what a misread cell must be: a balance between two that agree about it, an
 * amount between two balances. Only cells that are lacking, lost their first digits or were read weakly are mended.
 */
export function mendRows(table: Table, field: Field): void {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!amount || !balance || table.sure >= 0.999 || !field.columns.some((c) => c.kind === 'date')) return
  const { rows } = table
  const at = (i: number, name: string): number | null => (rows[i] && isMoney(rows[i][name]) ? cents(rows[i][name]) : null)
  const leads = (i: number): boolean => i > 0 && i < rows.length && at(i - 1, balance) !== null && at(i, amount) !== null && at(i, balance) === at(i - 1, balance)! + at(i, amount)!
  const put = (i: number, name: string, value: number) => {
    if (!misread(rows[i][name], value, (table.rowSure[i] ?? 1) < WEAK)) return
    rows[i][name] = fromCents(value, currencyOf(rows))
    table.repaired = true
  }
  for (const [from, to] of bridges(rows.map((_, i) => at(i, amount)), rows.map((_, i) => at(i, balance))))
    for (let i = from + 1, sum = at(from, balance)!; i < to; i++) {
      sum += at(i, amount)!
      if (at(i, balance) === sum) continue
      rows[i][balance] = fromCents(sum, currencyOf(rows))
      table.repaired = true
    }
  for (let i = 1; i < rows.length; i++) {
    if (leads(i)) continue
    const [before, step, after] = [at(i - 1, balance), at(i, amount), at(i, balance)]
    // The row behind goes on from the balance that this one should have had.
    const next = at(i + 1, balance) !== null && at(i + 1, amount) !== null ? at(i + 1, balance)! - at(i + 1, amount)! : null
    if (before === null) continue
    // Digits lost in front are lost in the balances below too, and those agree with one another.
    if (step !== null && after !== null && lostDigits(after, before + step)) put(i, balance, before + step)
    else if (step !== null && (next === before + step || (next === null && i === rows.length - 1))) put(i, balance, before + step)
    else if (after !== null && (next === after || i === rows.length - 1)) put(i, amount, after - before)
    else if (step === null && after === null && next !== null) {
      put(i, amount, next - before)
      put(i, balance, next)
    } else if (step !== null && after === null) put(i, balance, before + step)
  }
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
    if (all !== null && Number.isInteger(all / count) && (each === null || lostDigits(each, all / count))) put(price, all / count)
    else if (each !== null && (all === null || lostDigits(all, Math.round(count * each)))) put(amount, Math.round(count * each))
  }
}

/** At most so many rows in a row may have lost their balances. */
const LONGEST = 12

/**
 * Pairs of rows whose balances are borne out by all the amounts between them while a balance between is not: a sum of
 * several amounts does not come out to the cent by chance.
 */
function bridges(amounts: readonly (number | null)[], balances: readonly (number | null)[]): [from: number, to: number][] {
  const found: [number, number][] = []
  for (let from = 0; from < balances.length; from++) {
    let sum = balances[from]
    if (sum === null) continue
    for (let to = from + 1; to < Math.min(balances.length, from + LONGEST); to++) {
      const step = amounts[to]
      if (step === null) break
      sum += step
      if (balances[to] !== sum) continue
      if (to > from + 1) found.push([from, to])
      from = to - 1
      break
    }
  }
  return found
}

const currencyOf = (rows: readonly Row[]): string => {
  for (const row of rows) for (const cell of Object.values(row)) if (isMoney(cell)) return cell.currency
  return 'EUR'
}

const STROKE = /^[17]$/

/** Whether what was read may stand for `value`: nothing, its last digits alone or with others in front, its digits with others between, or a weak reading with two others at most. */
function misread(read: Row[string], value: number, weak: boolean): boolean {
  if (!isMoney(read)) return read === null
  const [seen, meant] = [String(Math.abs(cents(read))), String(Math.abs(value))]
  if (seen === meant) return Math.sign(cents(read)) !== Math.sign(value)
  if (lostDigits(cents(read), value)) return true
  // A rule before an amount is a 1 too many in front of it. Another figure there is the paper's, whatever its sums say.
  if (lostDigits(value, cents(read))) return weak || STROKE.test(seen.slice(0, -meant.length))
  if (seen.length > meant.length + 2) return true
  // What is further off is another amount: a row between was lost, and its amount is not this one's.
  return weak && seen.length === meant.length && [...seen].filter((figure, i) => figure !== meant[i]).length <= 2
}
