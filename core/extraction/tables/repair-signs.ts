import { tokens } from '../../text/index.ts'
import { type Field, tableColumns } from '../../program/index.ts'
import { centsIn } from './columns.ts'
import { cents, fromCents, isMoney } from '../../model/index.ts'
import { noteGuess, PRINTED, type Table } from './table.ts'

/** So many of its first words say what kind of booking a row is. */
const KIND = 2
/** Share of the rows that go one way, by which a row of unknown kind likely goes so too. */
const MOST = 0.7

/** Statements in one amount column may print no sign; then the running balance says which way each amount went. */
export function signsFromBalances(table: Table, field: Field): void {
  const [amount, balance] = [tableColumns(field).amount, tableColumns(field).balance]
  if (!amount || !balance) return
  for (let i = 1; i < table.rows.length; i++) {
    const { cells } = table.rows[i]
    const [before, after] = [centsIn(table.rows[i - 1].cells, balance), centsIn(cells, balance)]
    const read = cells[amount]
    if (before === null || after === null || !isMoney(read)) continue
    const step = after - before
    if (step === -cents(read) && step !== 0) {
      cells[amount] = fromCents(step, read.currency)
      table.repaired = true
    }
  }
}

/**
 * On a picture, the sign of an amount that no balance before it says: bookings of one kind ("Standing order",
 * "Card payment") go one way, as the balances of the others show. A person is asked about it. The rows are
 * oldest first.
 */
export function repairSigns(table: Table, field: Field): void {
  const amount = tableColumns(field).amount
  if (!amount || table.confidence >= PRINTED) return
  const { told, ofKind } = waysOf(table, field)
  table.rows.forEach(({ cells: row }, i) => {
    const cell = row[amount]
    if (told[i] !== 0 || !isMoney(cell) || cents(cell) * ofKind[i] >= 0) return
    row[amount] = fromCents(-cents(cell), cell.currency)
    noteGuess(table)
  })
}

/**
 * Which way each row likely goes, -1 out of the account: as its kind does, or else as most rows; 0 where
 * neither says.
 */
export function likelySigns(table: Table, field: Field): number[] {
  const { told, ofKind } = waysOf(table, field)
  const known = told.filter((way) => way !== 0)
  const out = known.filter((way) => way < 0).length
  const most =
    known.length === 0
      ? 0
      : out >= known.length * MOST
        ? -1
        : known.length - out >= known.length * MOST
          ? 1
          : 0
  return ofKind.map((way) => way || most)
}

/**
 * Which way the balances say that each row goes, and which way all others of its kind do; 0 where they say
 * nothing.
 */
function waysOf({ rows }: Table, field: Field): { told: number[]; ofKind: number[] } {
  const [amount, balance] = [tableColumns(field).amount, tableColumns(field).balance]
  const text = tableColumns(field).description
  const told = rows.map(({ cells: row }, i) => {
    const [before, step, after] = [
      centsIn(rows[i - 1]?.cells, balance),
      centsIn(row, amount),
      centsIn(row, balance),
    ]
    return before !== null && step !== null && after === before + step ? Math.sign(step) : 0
  })
  const kinds = rows.map(({ cells: row }) => {
    const words = text ? row[text] : null
    return typeof words === 'string' ? tokens(words).slice(0, KIND).join(' ') : ''
  })
  const ways = new Map<string, Set<number>>()
  kinds.forEach((kind, i) => {
    if (told[i] !== 0 && kind.includes(' ')) ways.set(kind, (ways.get(kind) ?? new Set()).add(told[i]))
  })
  return {
    told,
    ofKind: kinds.map((kind) => {
      const [way, other] = ways.get(kind) ?? []
      return other === undefined ? (way ?? 0) : 0
    }),
  }
}
