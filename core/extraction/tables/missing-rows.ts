import { boxAround, overlap, type Box } from '../../model/geometry.ts'
import type { Field } from '../../program/schema.ts'
import { cents, fromCents, isMoney, type Money, type Row } from '../../model/value.ts'
import type { Table } from './table.ts'

/** More rows than this in one gap were hardly all unreadable: another thing stands there. */
const MOST = 3
/** So much of a row must find room between two for one to be lost there. */
const ROOM = 0.7

/**
 * On a picture, puts a row where the balances leap and the paper has room for one between two rows: its line could not be
 * read, or only in part, and a person is to see where. What the balances say of it is filled in later.
 */
export function addLostRows(table: Table, field: Field): void {
  const names = bookingColumns(table, field)
  if (!names || table.rows.length < 4) return
  const { rows, places } = table
  for (let i = rows.length - 1; i > 0; i--)
    if (places[i].page === places[i - 1].page && !leads(rows[i - 1], rows[i], names))
      insert(table, field, i, roomFor(places[i - 1].box, places[i].box, places), places[i - 1].box)
}

/**
 * The same before the first row, where the balance that the paper opens with does not lead to it and there is room under
 * the head that no other line takes: under a balance brought forward a misread opening balance would pass for a lost row's,
 * and be borne out by it. The rows are oldest first.
 */
export function addLostFirst(table: Table, field: Field, opening: Money): void {
  const names = bookingColumns(table, field)
  const { rows, places, head } = table
  const [first] = rows
  if (
    !names ||
    table.led ||
    rows.length < 4 ||
    head.page !== places[0].page ||
    head.box === places[0].box ||
    leads({ [names.balance]: opening }, first, names)
  )
    return
  if (isMisread(opening, first, names)) return
  const lost = insert(table, field, 0, roomFor(head.box, places[0].box, places), head.box)
  const [step, after] = [first[names.amount], first[names.balance]]
  if (lost !== 1 || !isMoney(step) || !isMoney(after)) return
  const before = cents(after) - cents(step)
  rows[0] = {
    ...rows[0],
    [names.amount]: fromCents(before - cents(opening), opening.currency),
    [names.balance]: fromCents(before, opening.currency),
  }
}

/** Whether the balance that the paper opens with is the one that the first row begins from, with figures too many or lost at an end ("327262" of "3 272,62"). */
function isMisread(
  opening: Money,
  first: Row,
  { amount, balance }: { amount: string; balance: string },
): boolean {
  const [step, after] = [first[amount], first[balance]]
  if (!isMoney(step) || !isMoney(after)) return false
  const figures = (n: number) => String(Math.abs(n))
  const told = figures(cents(opening))
  const within = (few: string, many: string) =>
    many.length > few.length && (many.startsWith(few) || many.endsWith(few))
  return [cents(after) - cents(step), cents(after) + cents(step)]
    .map(figures)
    .some((before) => within(before, told) || within(told, before))
}

/** What a table of bookings on a picture calls its amount and balance; null for others. */
function bookingColumns(table: Table, field: Field): { amount: string; balance: string } | null {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  return amount && balance && table.sure < 0.999 && field.columns.some((c) => c.kind === 'date')
    ? { amount, balance }
    : null
}

/** How many rows more than none find room between two places on a page, going by the others. */
function roomFor(upper: Box, lower: Box, places: Table['places']): number {
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
function insert(
  { rows, places, rowSure, passed }: Table,
  field: Field,
  at: number,
  lost: number,
  above: Box,
): number {
  const place = { page: places[at].page, box: between(above, places[at].box) }
  const [only, other] = passed.filter(
    ({ page, box }) =>
      page === place.page && overlap(box[1], box[3], place.box[1], place.box[3]) > (box[3] - box[1]) / 2,
  )
  // What could be read of its line is its own.
  const known = lost === 1 && only && !other ? only.row : null
  for (let n = 0; n < lost; n++) {
    rows.splice(at, 0, Object.fromEntries(field.columns.map((c) => [c.name, known?.[c.name] ?? null])))
    places.splice(at, 0, place)
    rowSure.splice(at, 0, 0)
  }
  return lost
}

/** Whether the balances of two rows are the amount of one of them apart, whichever of them is the older. */
function leads(upper: Row, lower: Row, { amount, balance }: { amount: string; balance: string }): boolean {
  if (!isMoney(upper[balance]) || !isMoney(lower[balance])) return false
  const step = Math.abs(cents(lower[balance]) - cents(upper[balance]))
  return [upper, lower].some((row) => isMoney(row[amount]) && Math.abs(cents(row[amount])) === step)
}

function between(upper: Box, lower: Box): Box {
  const [left, , right] = boxAround([upper, lower])
  return [left, upper[3], right, lower[1]]
}

const median = (numbers: readonly number[]): number =>
  numbers.toSorted((a, b) => a - b)[numbers.length >> 1] ?? 0
