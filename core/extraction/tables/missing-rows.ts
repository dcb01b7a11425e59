import {
  type Box,
  boxAround,
  cents,
  fromCents,
  type Money,
  overlap,
  type Place,
  type Row,
} from '../../model/index.ts'
import type { Field } from '../../program/index.ts'
import { bookingColumns, centsIn } from './columns.ts'
import { PRINTED, tableRow, type Table } from './table.ts'

/** More rows than this in one gap were hardly all unreadable: another thing stands there. */
const MOST = 3
/** So much of a row must find room between two for one to be lost there. */
const ROOM = 0.7

/**
 * On a picture, puts a row where the balances leap and the paper has room for one between two rows: its line
 * could not be read, or only in part, and a person is to see where. What the balances say of it is filled in
 * later.
 */
export function addMissingRows(table: Table, field: Field): void {
  const names = weakBookings(table, field)
  if (!names || table.rows.length < 4) return
  const { rows } = table
  const places = rows.map((row) => row.place)
  for (let i = rows.length - 1; i > 0; i--) {
    const [above, below] = [places[i - 1], places[i]]
    if (above.page !== below.page || leads(rows[i - 1].cells, rows[i].cells, names)) continue
    const lost = roomFor(above.box, below.box, places)
    insert(table, field, i, lost, above.box)
    places.splice(i, 0, ...rows.slice(i, i + lost).map((row) => row.place))
  }
}

/**
 * The same before the first row, where the balance that the paper opens with does not lead to it and there is
 * room under the head that no other line takes: under a balance brought forward a misread opening balance
 * would pass for a lost row's, and be borne out by it. The rows are oldest first.
 */
export function addMissingFirstRow(table: Table, field: Field, opening: Money): void {
  const names = weakBookings(table, field)
  const { rows, head } = table
  if (!names || !head || table.broughtForward || rows.length < 4 || head.page !== rows[0].place.page) return
  const [{ cells: first, place }] = rows
  if (leads({ [names.balance]: opening }, first, names) || isMisread(opening, first, names)) return
  const room = roomFor(
    head.box,
    place.box,
    rows.map((row) => row.place),
  )
  const lost = insert(table, field, 0, room, head.box)
  const [step, after] = [centsIn(first, names.amount), centsIn(first, names.balance)]
  if (lost !== 1 || step === null || after === null) return
  const before = after - step
  Object.assign(rows[0].cells, {
    [names.amount]: fromCents(before - cents(opening), opening.currency),
    [names.balance]: fromCents(before, opening.currency),
  })
}

/**
 * Whether the balance that the paper opens with is the one that the first row begins from, with figures too
 * many or lost at an end ("327262" of "3 272,62").
 */
function isMisread(
  opening: Money,
  first: Row,
  { amount, balance }: { amount: string; balance: string },
): boolean {
  const [step, after] = [centsIn(first, amount), centsIn(first, balance)]
  if (step === null || after === null) return false
  const figures = (n: number) => String(Math.abs(n))
  const told = figures(cents(opening))
  const within = (few: string, many: string) =>
    many.length > few.length && (many.startsWith(few) || many.endsWith(few))
  return [after - step, after + step]
    .map(figures)
    .some((before) => within(before, told) || within(told, before))
}

/** What a table of bookings on a picture calls its amount and balance; null for others. */
const weakBookings = (table: Table, field: Field): { amount: string; balance: string } | null =>
  table.confidence < PRINTED ? bookingColumns(field) : null

/** How many rows more than none find room between two places on a page, going by the others. */
function roomFor(upper: Box, lower: Box, places: readonly Place[]): number {
  const usual = median(
    places.flatMap(({ page, box }, i) =>
      i > 0 && page === places[i - 1].page ? [box[1] - places[i - 1].box[3]] : [],
    ),
  )
  const high = median(places.map(({ box }) => box[3] - box[1]))
  const lost = Math.floor((lower[1] - upper[3] - usual) / (high + usual) + 1 - ROOM)
  return lost >= 1 && lost <= MOST ? lost : 0
}

/** Puts so many empty rows before one. @returns how many */
function insert({ rows, unreadLines }: Table, field: Field, at: number, lost: number, above: Box): number {
  const { page: on, box: below } = rows[at].place
  const place = { page: on, box: between(above, below) }
  const [only, other] = unreadLines.filter(
    ({ place: { page, box } }) =>
      page === place.page && overlap(box[1], box[3], place.box[1], place.box[3]) > (box[3] - box[1]) / 2,
  )
  // What could be read of its line is its own.
  const known = lost === 1 && only && !other ? only.cells : null
  for (let n = 0; n < lost; n++) {
    const cells = Object.fromEntries(field.columns.map((c) => [c.name, known?.[c.name] ?? null]))
    rows.splice(at, 0, tableRow(cells, place, { confidence: 0 }))
  }
  return lost
}

/** Whether the balances of two rows are the amount of one of them apart, whichever of them is the older. */
function leads(upper: Row, lower: Row, { amount, balance }: { amount: string; balance: string }): boolean {
  const [from, to] = [centsIn(upper, balance), centsIn(lower, balance)]
  if (from === null || to === null) return false
  const step = Math.abs(to - from)
  return [upper, lower].some((row) => Math.abs(centsIn(row, amount) ?? NaN) === step)
}

function between(upper: Box, lower: Box): Box {
  const [left, , right] = boxAround([upper, lower])
  return [left, upper[3], right, lower[1]]
}

const median = (numbers: readonly number[]): number =>
  numbers.toSorted((a, b) => a - b)[numbers.length >> 1] ?? 0
