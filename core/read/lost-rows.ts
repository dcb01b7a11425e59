import { boxAround, type Box } from '../page/geometry.ts'
import type { Field } from '../program/schema.ts'
import type { Table } from './table.ts'
import { cents, isMoney, type Row } from './value.ts'

/** More rows than this in one gap were hardly all unreadable: another thing stands there. */
const MOST = 3
/** So much of a row must find room between two for one to be lost there. */
const ROOM = 0.7

/**
 * On a picture, puts an empty row where the balances leap and the paper has room for one between two rows: its line could
 * not be read, and a person is to see where. What the balances say of it is filled in later.
 */
export function addLostRows(table: Table, field: Field): void {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!amount || !balance || table.sure >= 0.999 || !field.columns.some((c) => c.kind === 'date') || table.rows.length < 4) return
  const { rows, places, rowSure } = table
  const gaps = rows.map((_, i) => (i > 0 && places[i].page === places[i - 1].page ? places[i].box[1] - places[i - 1].box[3] : null))
  const usual = median(gaps.flatMap((g) => (g === null ? [] : [g])))
  const high = median(places.map(({ box }) => box[3] - box[1]))
  const empty: Row = Object.fromEntries(field.columns.map((c) => [c.name, null]))
  for (let i = rows.length - 1; i > 0; i--) {
    const gap = gaps[i]
    if (gap === null || leads(rows[i - 1], rows[i], amount, balance)) continue
    const lost = Math.floor((gap - usual) / (high + usual) + 1 - ROOM)
    if (lost < 1 || lost > MOST) continue
    const place = { page: places[i].page, box: between(places[i - 1].box, places[i].box) }
    for (let n = 0; n < lost; n++) {
      rows.splice(i, 0, { ...empty })
      places.splice(i, 0, place)
      rowSure.splice(i, 0, 0)
    }
  }
}

/** Whether the balances of two rows are the amount of one of them apart, whichever of them is the older. */
function leads(upper: Row, lower: Row, amount: string, balance: string): boolean {
  if (!isMoney(upper[balance]) || !isMoney(lower[balance])) return false
  const step = Math.abs(cents(lower[balance]) - cents(upper[balance]))
  return [upper, lower].some((row) => isMoney(row[amount]) && Math.abs(cents(row[amount])) === step)
}

function between(upper: Box, lower: Box): Box {
  const [left, , right] = boxAround([upper, lower])
  return [left, upper[3], right, lower[1]]
}

const median = (numbers: readonly number[]): number => numbers.toSorted((a, b) => a - b)[numbers.length >> 1] ?? 0
