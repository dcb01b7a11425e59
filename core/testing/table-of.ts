import { localeOfLender } from '../locale/index.ts'
import { euroLender } from './lender.ts'
import type { Money, Row } from '../model/value.ts'
import { eur } from './paper-of.ts'
import { emptyTable, tableRow, type Table } from '../extraction/tables/table.ts'

export { eur }
const eurOrNone = (amount: string | null): Money | null => (amount === null ? null : eur(amount))

/** An entry of the passbook of `small-types.ts`. */
export const entry = (
  day: string | null,
  note: string | null,
  moved: string | null,
  left: string | null,
): Row => ({ day, note, moved: eurOrNone(moved), left: eurOrNone(left) })

/** A line of goods of the estimate of `small-types.ts`. */
export const goodsLine = (count: string | null, each: string | null, all: string | null): Row => ({
  what: 'Kit',
  count,
  each: eurOrNone(each),
  all: eurOrNone(all),
})

/** A table of these rows, one under the other on one page, for tests. @param rowConfidence of each row's amounts */
export const tableOf = (
  cells: readonly Row[],
  more: Partial<Table> = {},
  rowConfidence?: number[],
): Table => ({
  ...emptyTable(localeOfLender(euroLender)),
  head: { page: 1, box: [0.1, 0.18, 0.9, 0.19] },
  rows: cells.map((row, i) =>
    tableRow(
      row,
      { page: 1, box: [0.1, 0.2 + i * 0.02, 0.9, 0.21 + i * 0.02] },
      { confidence: rowConfidence?.[i] ?? more.confidence ?? 1 },
    ),
  ),
  ...more,
})
