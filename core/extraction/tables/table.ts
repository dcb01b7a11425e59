import type { Row } from '../../model/value.ts'
import type { Box } from '../../model/geometry.ts'
import type { Step } from './balance-chain.ts'

/** A table read over the pages of a document. */
export interface Table {
  rows: Row[]
  places: { page: number; box: Box }[]
  head: { page: number; box: Box }
  /** Weakest reading of an amount or date in it. */
  sure: number
  /** Weakest reading of a word in it. */
  spelt: number
  /** Weakest reading of an amount in each row. */
  rowSure: number[]
  /** Some amount stands without its point, and was given one: sums have to bear it out. */
  pointed: boolean
  /** Some amount had no sign of its own and took it from the balances. */
  repaired: boolean
  /** A balance brought forward stands between its head and its first row. */
  led: boolean
  /** Lines with amounts behind its first row that are no rows, each with its amounts in cents: rows may be missed. */
  unexplained: number[][]
  /** Lines amid the rows that could not be read as one, with what was read of them. */
  passed: { page: number; box: Box; row: Row }[]
  /** What stands where the day of a row could not be read. */
  unreadDays: Map<Row, string>
  /** Amounts and balances on a weak print, before the rows beside them said what they must be. */
  asRead: Map<Row, AsRead>
}

/** A table without rows, as it is before a page is looked at. */
export const emptyTable = (): Table => ({
  rows: [],
  places: [],
  head: { page: 0, box: [0, 0, 0, 0] },
  sure: 1,
  spelt: 1,
  rowSure: [],
  pointed: false,
  repaired: false,
  led: false,
  unexplained: [],
  passed: [],
  unreadDays: new Map(),
  asRead: new Map(),
})

/** Lines of a table that are no rows: balances carried over, totals. */
export const SKIPPED_ROWS =
  /\b(?:brought forward|carried forward|opening balance|closing balance|balance at (?:start|end)|new balance|previous balance|old balance|start balance|end balance|balance b\/?f|balance c\/?f|sub[- ]?total|total|totals|carried over|balance forward|you (?:started|ended) with|balance on (?:opening|closing)|starting balance|ending balance|final balance|report[eé]?|suma y sigue)\b/

/** What was read of a row, in cents, before its neighbours said anything of it. */
export type AsRead = Pick<Step, 'amount' | 'balance'>
