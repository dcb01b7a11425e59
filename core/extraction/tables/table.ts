import type { Locale } from '../../locale/index.ts'
import { summaryRows, wordsPattern } from '../../lexicon/index.ts'
import type { Place, Row } from '../../model/index.ts'
import type { Step } from './balance-chain.ts'

/** What was read of a row, in cents, before its neighbours said anything of it. */
export type AsRead = Pick<Step, 'amount' | 'balance'>

/** A row of a table with what is known of its reading. */
export interface TableRow {
  cells: Row
  place: Place
  /** Weakest reading of an amount in it; 0 where an amount was given its decimal point. */
  confidence: number
  /** What stands where its date could not be read; empty where nothing does. */
  unreadDate: string
  /**
   * Its amount and balance on a weak print before the rows beside it corrected them; null where nothing
   * looked yet.
   */
  asRead: AsRead | null
  /** Its paper prints the balance at the end of a day alone, and this row stands before that. */
  withinDay: boolean
}

/** A table read over the pages of a document. */
export interface Table {
  /** How its paper writes amounts and days. */
  locale: Locale
  rows: TableRow[]
  /** The line that heads its columns; null for a table that is known by its rows alone. */
  head: Place | null
  /** Weakest reading of an amount or date in it. */
  confidence: number
  /** Weakest reading of a word in it. */
  wordConfidence: number
  /** Some amount stands without its point, and was given one: sums have to bear it out. */
  pointed: boolean
  /** Amounts stand under a head that is none of its columns', while one of those has no head. */
  leftOut: boolean
  /** Known by the shape of its rows alone: it is asked about unless sums bear it out. */
  guessed: boolean
  /** Its columns are told by balances that lead on from row to row. */
  chained: boolean
  /** Some amount had no sign of its own and took it from the balances. */
  repaired: boolean
  /** A balance brought forward stands between its head and its first row. */
  broughtForward: boolean
  /** Lines with amounts behind its first row that are no rows, each with its amounts in cents: rows may be missed. */
  unexplained: number[][]
  /** Lines amid the rows that could not be read as one, with what was read of them. */
  unreadLines: { place: Place; cells: Row }[]
}

/** A table without rows, as it is before a page is looked at. */
export const emptyTable = (locale: Locale): Table => ({
  locale,
  rows: [],
  head: null,
  confidence: 1,
  wordConfidence: 1,
  pointed: false,
  leftOut: false,
  guessed: false,
  chained: false,
  repaired: false,
  broughtForward: false,
  unexplained: [],
  unreadLines: [],
})

/** A row of a table; what is not said of it is as for a row that was read surely. */
export const tableRow = (cells: Row, place: Place, more: Partial<TableRow> = {}): TableRow => ({
  cells,
  place,
  confidence: 1,
  unreadDate: '',
  asRead: null,
  withinDay: false,
  ...more,
})

/** Notes that a cell was put right by others: the table is repaired, and its words are to be asked about. */
export function noteGuess(table: Table): void {
  table.repaired = true
  table.wordConfidence = Math.min(table.wordConfidence, GUESSED)
}

/** Confidence of a word or a sign that other rows lend to a row: it is put to a person, who need not type it. */
export const GUESSED = 0.5

/** Read less surely than this, print came from a picture; what a text layer says is not repaired. */
export const PRINTED = 0.999

/** Lines of a table that are no rows: balances carried over, totals. */
export const SKIPPED_ROWS = wordsPattern(summaryRows)
