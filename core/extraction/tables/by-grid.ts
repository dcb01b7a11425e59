import {
  boxAround,
  isMoney,
  localeOf,
  type Page,
  type Place,
  type Row,
  type Word,
} from '../../model/index.ts'
import { type Line, linesOf } from '../../layout/index.ts'
import type { Locale } from '../../locale/index.ts'
import { fold } from '../../text/index.ts'
import { type Column, type Field, tableColumns } from '../../program/index.ts'
import { plainNumber } from '../parsers/id.ts'
import { isWeak } from '../parsers/reading.ts'
import { parseMoney } from '../parsers/money.ts'
import { signsFromBalances } from './repair-signs.ts'
import { rowDate } from './row-date.ts'
import { fillYears } from './by-header.ts'
import { headEdges } from './header.ts'
import { emptyTable, SKIPPED_ROWS, tableRow, type Table, type TableRow } from './table.ts'

/**
 * A table as a person marks it: where its first row begins and where its columns part. All as fractions of
 * the page.
 */
export interface Grid {
  /** The page of the first row, and how far down it begins. */
  page: number
  top: number
  /** Left edge of the first column, the lines between columns, right edge of the last: one more than columns. */
  edges: number[]
  /** What stands in each column; null for what is of no use. `out`: amounts that leave the account. */
  columns: { name: string | null; out: boolean }[]
  /** Words of lines that are no rows. */
  skip: string[]
}

/** What a grid begins as: the columns under the head that was found, else as many even ones as the table has. */
export function firstGrid(pages: readonly Page[], field: Field, at: Place | null): Grid {
  const found = headEdges(pages, field)
  if (found) return { ...found, skip: [] }
  const count = field.columns.length
  return {
    page: at?.page ?? pages[0].number,
    top: at?.box[1] ?? 0.3,
    edges: Array.from({ length: count + 1 }, (_, i) => 0.08 + (0.84 * i) / count),
    columns: field.columns.map((c) => ({ name: c.name, out: false })),
    skip: [],
  }
}

/**
 * Reads a table by a person's grid over all pages of a document. A line with an amount (and a day, where the
 * table has days) is a row; words alone beneath one belong to it. Balances carried over and lines with a
 * skipped wording are none.
 * @param period first and last day of the paper, which give days without a year theirs
 */
export function readByGrid(
  pages: readonly Page[],
  field: Field,
  grid: Grid,
  period: { start: string | null; end: string | null },
): TableRow[] {
  const table = emptyTable(localeOf(pages[0]))
  const skip = grid.skip.map(fold).filter(Boolean)
  const from = pages.findIndex((p) => p.number === grid.page)
  for (const page of pages.slice(Math.max(0, from))) {
    let last: Line | null = null
    for (const line of linesOf(page)) {
      if (page.number === grid.page && (line.box[1] + line.box[3]) / 2 < grid.top) continue
      const words = fold(line.text)
      if (skip.some((s) => words.includes(s)) || SKIPPED_ROWS.test(words)) {
        last = null
        continue
      }
      const row = rowOf(line, grid, field, table.locale)
      if (begins(row, field)) {
        table.rows.push(tableRow(row, { page: page.number, box: line.box }))
        last = line
      } else if (last && wraps(line, last, row, field, page)) {
        addWords(table, row, field, line)
        last = line
      }
    }
  }
  signsFromBalances(table, field)
  const date = tableColumns(field).date
  if (date) fillYears(table, date, period.start, period.end)
  return table.rows
}

function rowOf(line: Line, { edges, columns }: Grid, field: Field, locale: Locale): Row {
  const row: Row = Object.fromEntries(field.columns.map((c) => [c.name, null]))
  columns.forEach(({ name, out }, i) => {
    const column = field.columns.find((c) => c.name === name)
    if (!column) return
    const inside = line.words.filter(
      ({ box: [l, , r] }) => (l + r) / 2 >= edges[i] && (l + r) / 2 < edges[i + 1],
    )
    const value = cellOf(inside, { ...column, out }, locale)
    if (value !== null) row[column.name] = value
  })
  return row
}

function cellOf(
  words: readonly Word[],
  { kind, out }: Pick<Column, 'kind'> & { out: boolean },
  locale: Locale,
): Row[string] {
  const text = words.map((w) => w.text).join(' ')
  if (text === '') return null
  switch (kind) {
    case 'money': {
      const money = parseMoney(text, locale, isWeak(words))?.value ?? null
      return money && out && !money.amount.startsWith('-') ? { ...money, amount: `-${money.amount}` } : money
    }
    case 'date':
      return rowDate([...words], locale)
    case 'number':
    case 'percent':
      return plainNumber(text.replace(/[^\d.,-]/g, ''), locale) || null
    default:
      return text
  }
}

const begins = (row: Row, field: Field): boolean => {
  const date = tableColumns(field).date
  const amounts = field.columns.filter((c) => c.kind === 'money')
  if (date && row[date] === null) return false
  return amounts.length > 0
    ? amounts.some((c) => isMoney(row[c.name]))
    : field.columns.some((c) => row[c.name] !== null)
}

/** Words alone, close beneath their row. */
function wraps(line: Line, last: Line, row: Row, field: Field, page: Page): boolean {
  const near = (line.box[1] - last.box[3]) * page.height < line.height * 1.4
  return near && field.columns.every((c) => c.kind === 'text' || c.kind === 'name' || row[c.name] === null)
}

function addWords(table: Table, row: Row, field: Field, line: Line): void {
  const { cells: into, place } = table.rows.at(-1)!
  for (const { name, kind } of field.columns) {
    const more = row[name]
    if ((kind === 'text' || kind === 'name') && typeof more === 'string')
      into[name] = typeof into[name] === 'string' ? `${into[name]} ${more}` : more
  }
  place.box = boxAround([place.box, line.box])
}
