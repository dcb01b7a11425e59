import {
  cents,
  fromCents,
  isMoney,
  type Money,
  type Page,
  type Place,
  type Value,
} from '../../model/index.ts'
import { deskewed, skewed } from '../../layout/index.ts'
import { type DocumentType, type Field, tableColumns } from '../../program/index.ts'
import { addMissingFirstRow } from './missing-rows.ts'
import { repairBetweenBalances, repairFirstAmount } from './repair-amounts.ts'
import { bookingColumns, centsIn } from './columns.ts'
import { isRoster, readRoster } from './roster.ts'
import { leaveDaysOpen } from './day-balances.ts'
import { dropLeadingColumns } from './leading-columns.ts'
import { cellsOf, newestFirst, oldestFirst } from './row-order.ts'
import { fillYears, readTableByHeader } from './by-header.ts'
import { readTableByShape } from './by-shape.ts'
import { readBookingsByColumns } from './by-columns.ts'
import { readTableByContent } from './by-content.ts'
import { noteGuess, PRINTED, type Table } from './table.ts'

/** Which of the readings of a table counts: the one that the paper's own arithmetic bears out. */

/** A table as its head shows it and as what its rows hold shows it. */
export interface TableReadings {
  byHead: () => Table | null
  byContent: () => Table | null
  /** By where the amounts stand and what they come to, whatever heads them. */
  byColumns: () => Table | null
}

/** The reading of a table that holds, and whether the paper's own arithmetic bears it out; null where it has none. */
export interface SelectedTable {
  table: Table | null
  proof: boolean | null
}

/** Each is read when it is first asked for: most papers are settled by one of them. */
export function tableReadings(pages: readonly Page[], field: Field): TableReadings {
  const once = (read: (pages: readonly Page[], field: Field) => Table | null) => {
    let found: Table | null | undefined
    return () => (found === undefined ? (found = onLeaning(pages, read(pages.map(deskewed), field))) : found)
  }
  if (isRoster(field)) return { byHead: once(readRoster), byContent: () => null, byColumns: () => null }
  const [byHead, byContent, byColumns] = [
    once(readTableByHeader),
    once((given, wanted) => readTableByContent(given, wanted) ?? readTableByShape(given, wanted)),
    once(readBookingsByColumns),
  ]
  return { byHead, byContent: () => belowHead(byContent(), byHead()?.head ?? null), byColumns }
}

/** A table that was read from pages made straight, with its places on the pages as they lean. */
function onLeaning(pages: readonly Page[], table: Table | null): Table | null {
  if (!table) return null
  const leaning = (at: Place): Place => {
    const page = pages.find((p) => p.number === at.page)
    return page ? { ...at, box: skewed(at.box, page) } : at
  }
  return {
    ...table,
    head: table.head && leaning(table.head),
    rows: table.rows.map((row) => ({ ...row, place: leaning(row.place) })),
  }
}

/**
 * The table by its head, or by its columns or what its rows hold where those prove right or whole and the head
 * does not.
 */
export function selectTable(
  readings: TableReadings,
  field: Field,
  type: DocumentType,
  value: (name: string) => Value,
): SelectedTable {
  const selected = likeliest(readings, field, type, value)
  if (selected.table) {
    dropLeadingColumns(selected.table, field)
    leaveDaysOpen(selected.table, field)
  }
  return selected
}

function likeliest(
  readings: TableReadings,
  field: Field,
  type: DocumentType,
  value: (name: string) => Value,
): SelectedTable {
  const date = tableColumns(field).date
  const ends = type.relations.find((r) => r.kind === 'not_after')
  const totals = new Set(
    type.fields
      .map((f) => value(f.name))
      .filter(isMoney)
      .map(cents),
  )
  const judged = (table: Table | null) => {
    // A total that its wording does not give away is known by its amount.
    if (table) table.unexplained = table.unexplained.filter((amounts) => !amounts.some((a) => totals.has(a)))
    if (table && date && ends?.kind === 'not_after')
      fillYears(table, date, value(ends.first) as string | null, value(ends.second) as string | null)
    for (const r of type.relations) {
      const opening = r.kind === 'running' && r.table === field.name ? value(r.opening) : null
      // The sum comes out by itself then, whether the opening balance was read right or not: a person is to
      // see the row.
      if (table && isMoney(opening) && !newestFirst(cellsOf(table), tableColumns(field)))
        addMissingFirstRow(table, field, opening)
      if (
        table &&
        isMoney(opening) &&
        oldestFirst(table, field, () => repairFirstAmount(table, field, opening))
      )
        noteGuess(table)
    }
    const proof = table && oldestFirst(table, field, () => provenBy(table, field, type, value))
    if (!table || proof === true || table.confidence >= PRINTED) return { table, proof }
    for (const r of type.relations) {
      if (r.kind !== 'running' || r.table !== field.name) continue
      const [opening, closing] = [value(r.opening), value(r.closing)].map((end) =>
        isMoney(end) ? cents(end) : null,
      )
      if (opening !== null || closing !== null)
        oldestFirst(table, field, () => repairBetweenBalances(table, field, { opening, closing }))
    }
    return { table, proof: oldestFirst(table, field, () => provenBy(table, field, type, value)) }
  }
  const byHead = judged(readings.byHead())
  if (byHead.proof === true && isWhole(byHead.table!, field)) return byHead
  const byColumns = judged(readings.byColumns())
  // A head that lost a column leaves its cells empty, or fills them with its neighbour's.
  const enough = byHead.table ? filled(byHead.table) + (byHead.proof === true ? 1 : 0) : 0
  if (byColumns.table && filled(byColumns.table) >= enough) return byColumns
  if (byHead.proof === true) return byHead
  const byContent = judged(readings.byContent())
  if (!byContent.table) return byHead
  const better = byContent.proof === true || !byHead.table || filled(byHead.table) < filled(byContent.table)
  return better ? byContent : byHead
}

/** Whether each column of words has some in every row. */
const isWhole = (table: Table, field: Field): boolean =>
  field.columns.every((c) => c.kind !== 'text' || table.rows.every(({ cells }) => cells[c.name]))

/** The rows under a head that was found: what stands over it, a line of days and balances, is none of them. */
function belowHead(table: Table | null, head: Place | null): Table | null {
  if (!table || !head) return table
  const rows = table.rows.filter(({ place }) => place.page !== head.page || place.box[1] > head.box[1])
  return rows.length === 0 ? null : { ...table, rows }
}

/** How many cells of a table have something in them that was read there, and not reckoned from others. */
const filled = ({ rows }: Table): number =>
  rows.reduce((sum, { cells, asRead: read }) => {
    return (
      sum +
      Object.values(cells).filter((cell) => cell !== null && !(read && isMoney(cell))).length +
      Object.values(read ?? {}).filter((cell) => cell !== null).length
    )
  }, 0)

/** Whether the arithmetic of the paper itself bears the rows out; null where it has none to compare with. */
function provenBy(
  table: Table,
  field: Field,
  type: DocumentType,
  value: (name: string) => unknown,
): boolean | null {
  for (const relation of type.relations) {
    if (relation.kind === 'running' && relation.table === field.name) {
      const [opening, closing] = [value(relation.opening), value(relation.closing)]
      if (!isMoney(opening) || !isMoney(closing)) return null
      firstSign(table, field, cents(opening))
      const sum = cents(opening) + sumOf(table, field)
      if (sum === cents(closing) && table.confidence < PRINTED) followAmounts(table, field, cents(opening))
      return sum === cents(closing)
    }
    if (relation.kind === 'column_sum' && relation.table === field.name) {
      const sum = cellsOf(table).reduce((total, row) => total + Number(row[relation.column] ?? NaN), 0)
      return Math.abs(sum - relation.is) < 0.05
    }
    if (relation.kind === 'lines_sum' && relation.table === field.name) {
      const total = value(relation.total)
      if (!isMoney(total)) return null
      return sumOf(table, field) === cents(total)
    }
  }
  return null
}

/** The sum of the amounts of all rows in cents; not a number where one of them has none. */
const sumOf = (table: Table, field: Field): number =>
  cellsOf(table).reduce((sum, row) => sum + (centsIn(row, tableColumns(field).amount) ?? NaN), 0)

/**
 * Amounts that lead from opening to closing to the cent are right, whatever a weak print made of the balances
 * between.
 */
function followAmounts(table: Table, field: Field, opening: number): void {
  const names = bookingColumns(field)
  if (!names) return
  let running = opening
  for (const { cells } of table.rows) {
    const amount = cells[names.amount] as Money
    running += cents(amount)
    if (centsIn(cells, names.balance) === running) continue
    cells[names.balance] = fromCents(running, amount.currency)
    table.repaired = true
  }
}

/** The first row has no row before it: the opening balance says which way its amount went. */
function firstSign(table: Table, field: Field, opening: number): void {
  const names = bookingColumns(field)
  const cells = table.rows.at(0)?.cells
  const after = names && centsIn(cells, names.balance)
  const amount = names && cells?.[names.amount]
  if (!cells || after === null || !isMoney(amount) || after - opening !== -cents(amount)) return
  cells[names!.amount] = { ...amount, amount: negated(amount.amount) }
}

const negated = (amount: string): string => (amount.startsWith('-') ? amount.slice(1) : `-${amount}`)
