import { tokens } from '../page/text.ts'
import type { Field } from '../program/schema.ts'
import { GUESSED } from './mend-words.ts'
import type { Table } from './table.ts'
import { cents, fromCents, isMoney, type Row } from './value.ts'

/** So many of its first words say what kind of booking a row is. */
const KIND = 2

/**
 * On a picture, the sign of an amount that no balance before it says: bookings of one kind ("Standing order", "Card
 * payment") go one way, as the balances of the others show. A person is asked about it. The rows are oldest first.
 */
export function mendSigns(table: Table, field: Field): void {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  const text = field.columns.find((c) => c.kind === 'text')?.name
  if (!amount || !balance || !text || table.sure >= 0.999) return
  const { rows } = table
  const centsIn = (row: Row | undefined, name: string): number | null => (row && isMoney(row[name]) ? cents(row[name]) : null)
  const kindOf = (row: Row): string => (typeof row[text] === 'string' ? tokens(row[text]).slice(0, KIND).join(' ') : '')
  const told = rows.map((row, i) => { const [before, step, after] = [centsIn(rows[i - 1], balance), centsIn(row, amount), centsIn(row, balance)]; return before !== null && step !== null && after === before + step ? Math.sign(step) : 0 })
  rows.forEach((row, i) => {
    const step = centsIn(row, amount)
    const kind = kindOf(row)
    if (told[i] !== 0 || step === null || !kind.includes(' ')) return
    const ways = new Set(rows.flatMap((other, j) => (told[j] !== 0 && kindOf(other) === kind ? [told[j]] : [])))
    if (ways.size !== 1 || ways.has(Math.sign(step))) return
    row[amount] = fromCents(-step, (row[amount] as { currency: string }).currency)
    ;[table.repaired, table.spelt] = [true, Math.min(table.spelt, GUESSED)]
  })
}
