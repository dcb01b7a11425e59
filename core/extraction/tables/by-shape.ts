import { boxAround, localeOf, type Page, type Row, type Word } from '../../model/index.ts'
import type { Line } from '../../layout/index.ts'
import type { Locale } from '../../locale/index.ts'
import { fold } from '../../text/index.ts'
import { sumRows, wordsPattern } from '../../lexicon/index.ts'
import type { Column, Field } from '../../program/index.ts'
import { plainNumber } from '../parsers/id.ts'
import { parseMoney } from '../parsers/money.ts'
import { isWeak } from '../parsers/reading.ts'
import { repairTable } from './repair.ts'
import { rowDate } from './row-date.ts'
import { linesWithoutNoise } from './specks.ts'
import { emptyTable, SKIPPED_ROWS, type Table, type TableRow, tableRow } from './table.ts'

/** Fewer rows than this are as likely anything else that stands in columns. */
const FEWEST = 2
/** Rows of one table stand no further apart than so many heights of their letters. */
const APART = 1.9
/** Cells of one column begin, or end, as near as this, as a share of the page's width. */
const ALIGNED = 0.012

const SUM = new RegExp(`^${wordsPattern(sumRows).source}`)

interface ShapedRow {
  line: Line
  page: Page
  cells: Row
  /** Where each column's cell begins and ends; null for one left out. */
  edges: readonly ([left: number, right: number] | null)[]
}

/**
 * Reads a table whose heads nobody listed, by the shape of its rows: lines close under one another whose
 * pieces are, in order, of the kinds of its columns and stand in columns. A line of words over them, with as
 * many pieces, heads it.
 * @returns null where no such lines are found; the rows are guessed until the paper's arithmetic bears them out
 */
export function readTableByShape(pages: readonly Page[], field: Field): Table | null {
  if (field.columns.length < 2) return null
  const blocks = pages.flatMap((page) => blocksOn(page, field))
  const [best] = blocks
    .filter((block) => block.headed || block.rows.length > FEWEST)
    .sort((a, b) => worth(b) - worth(a))
  if (!best) return null
  // Later pages go on with rows of the same columns.
  const rows = [
    ...best.rows,
    ...blocks
      .filter((b) => b !== best && b.page > best.page && sameColumns(best.rows[0], b.rows[0]))
      .flatMap((b) => b.rows),
  ]
  const table: Table = {
    ...emptyTable(localeOf(pages[0])),
    guessed: true,
    rows: rows.map(({ line, page, cells }): TableRow =>
      tableRow(
        cells,
        { page: page.number, box: boxAround(line.words.map((w) => w.box)) },
        { confidence: weakest(line.words) },
      ),
    ),
    head: best.head && { page: best.page, box: best.head.box },
    confidence: Math.min(...rows.map(({ line }) => weakest(line.words))),
    wordConfidence: Math.min(...rows.map(({ line }) => weakest(line.words))),
  }
  repairTable(table, field)
  return table
}

interface Block {
  page: number
  rows: ShapedRow[]
  head: Line | null
  headed: boolean
}

const worth = ({ rows, headed }: Block): number => rows.length + (headed ? rows.length : 0)

const weakest = (words: readonly Word[]): number => Math.min(1, ...words.map((w) => w.confidence))

/** Runs of rows on a page, each with the line that heads it where one does. */
function blocksOn(page: Page, field: Field): Block[] {
  const lines = linesWithoutNoise(page)
  const locale = localeOf(page)
  const blocks: Block[] = []
  let block: Block | null = null
  lines.forEach((line, i) => {
    const row = rowIn(line, page, field, locale)
    const last = block?.rows.at(-1)
    if (row && last && isNext(last, row)) block!.rows.push(row)
    else if (row) {
      const head = lines[i - 1]
      const headed = head !== undefined && headsRow(head, row)
      blocks.push((block = { page: page.number, rows: [row], head: headed ? head : null, headed }))
    } else block = null
  })
  return blocks.filter((b) => b.rows.length >= FEWEST)
}

const isNext = (above: ShapedRow, row: ShapedRow): boolean =>
  (row.line.box[1] - above.line.box[3]) * row.page.height < row.line.height * APART && sameColumns(above, row)

const sameColumns = (a: ShapedRow, b: ShapedRow): boolean =>
  a.edges.every((edge, i) => {
    const other = b.edges[i]
    return !edge || !other || Math.abs(edge[0] - other[0]) < ALIGNED || Math.abs(edge[1] - other[1]) < ALIGNED
  })

/** Whether a line is words, as many pieces as the row has, over its columns. */
function headsRow(head: Line, row: ShapedRow): boolean {
  const edges = row.edges.filter((edge) => edge !== null)
  return (
    head.segments.length === edges.length &&
    !/\d/.test(head.text) &&
    head.segments.every(
      ({ box }, i) => Math.abs(box[0] - edges[i][0]) < ALIGNED || Math.abs(box[2] - edges[i][1]) < ALIGNED,
    )
  )
}

/** A line as a row, where its pieces are in order what the columns hold; null for other lines. */
function rowIn(line: Line, page: Page, field: Field, locale: Locale): ShapedRow | null {
  const words = fold(line.text)
  if (SUM.test(words) || SKIPPED_ROWS.test(words) || line.segments.length > field.columns.length) return null
  const cells: Row = Object.fromEntries(field.columns.map((c) => [c.name, null]))
  const edges: ShapedRow['edges'][number][] = field.columns.map(() => null)
  let at = 0
  for (const segment of line.segments) {
    let value: Row[string] = null
    while (at < field.columns.length) {
      value = cellOf(segment.words, segment.text, field.columns[at].kind, locale)
      if (value !== null || !field.columns[at].optional) break
      at++
    }
    if (value === null || at >= field.columns.length) return null
    cells[field.columns[at].name] = value
    edges[at] = [segment.box[0], segment.box[2]]
    at++
  }
  return field.columns.every((c) => c.optional || cells[c.name] !== null)
    ? { line, page, cells, edges }
    : null
}

function cellOf(words: Word[], text: string, kind: Column['kind'], locale: Locale): Row[string] {
  switch (kind) {
    case 'money': {
      const found = parseMoney(text, locale, isWeak(words))
      return found && found.plausibility >= 0.5 ? found.value : null
    }
    case 'date':
      return rowDate(words, locale)
    case 'percent':
    case 'number': {
      const figures = /^\d{1,3}(?:[.,' ]?\d{3})*(?:[.,]\d{1,3})?(?=\s?%?$)/.exec(text.trim())?.[0]
      return figures && (kind === 'percent' || !text.includes('%')) ? plainNumber(figures, locale) : null
    }
    default:
      return /\p{L}/u.test(text) || /\d/.test(text) ? text : null
  }
}
