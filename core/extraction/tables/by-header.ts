import {
  boxAround,
  cents,
  fromCents,
  isMoney,
  localeOf,
  type Money,
  type Page,
  type Row,
  type Word,
} from '../../model/index.ts'
import type { Line } from '../../layout/index.ts'
import { isCurrencySign, type Locale } from '../../locale/index.ts'
import { fold } from '../../text/index.ts'
import { type Column, type Field, tableColumns } from '../../program/index.ts'
import { isDay, readDates } from '../parsers/date.ts'
import { plainNumber } from '../parsers/id.ts'
import { isWeak } from '../parsers/reading.ts'
import { isAmount, parseMoney } from '../parsers/money.ts'
import { repairTable } from './repair.ts'
import { rowDate } from './row-date.ts'
import { closingBalances, sumRows, wordsPattern } from '../../lexicon/index.ts'
import { leadsInto } from './continuation-lines.ts'
import { linesWithoutNoise } from './specks.ts'
import { asBefore, findHeader, headsAnother, type HeaderColumn } from './header.ts'
import { centsIn, goodsColumns } from './columns.ts'
import { cellsOf } from './row-order.ts'
import { emptyTable, PRINTED, SKIPPED_ROWS, tableRow, type Table } from './table.ts'
const STOP = new RegExp(`^${wordsPattern(sumRows).source}`)

/** Reads one table of a type from the pages of a document, in page order; null where no head of it is found. */
export function readTableByHeader(pages: readonly Page[], field: Field): Table | null {
  const table = emptyTable(localeOf(pages[0]))
  let over = null as TableHead | null
  for (const page of pages) {
    const lines = linesWithoutNoise(page)
    const head = findHeader(lines, field)
    if (head) {
      over = { columns: asBefore(head.columns, over?.columns ?? null), text: lines[head.line].text }
      table.head ??= { page: page.number, box: lines[head.line].box }
    }
    if (!over) continue
    if (new RowReader(page, lines, over, field, table).read(head ? head.last + 1 : 0)) break
  }
  if (!over) return null
  dropRunningNumbers(table, field)
  reckonQuantities(table, field)
  repairTable(table, field)
  return table
}

/** Lines numbered 1, 2, 3 under no head of their own: the number is no part of the words. */
function dropRunningNumbers(table: Table, field: Field): void {
  const text = tableColumns(field).description
  if (!text || tableColumns(field).date) return
  const said = cellsOf(table).map((row) => (typeof row[text] === 'string' ? row[text] : ''))
  const hits = said.map((words) => /^(\d{1,3})[.)]?\s+([^\d\s].*)$/.exec(words))
  const right = hits.filter((hit, i) => hit && Number(hit[1]) === i + 1).length
  if (right === 0 || right < hits.length * (table.confidence >= PRINTED ? 1 : MOSTLY)) return
  // Where most lines are numbered, what stands for a number in the others is one misread.
  table.rows.forEach(({ cells }, i) => {
    cells[text] = hits[i] ? hits[i][2] : said[i].replace(/^\S{1,2}\s+(?=\p{Lu})/u, '')
  })
}

/** Share of the lines of a picture that have to be numbered rightly for all of them to be numbered. */
const MOSTLY = 0.6

/** A quantity that could not be read is what the price and the amount make it, where that is whole. */
function reckonQuantities(table: Table, field: Field): void {
  const names = goodsColumns(field)
  if (!names) return
  for (const { cells } of table.rows) {
    const [price, amount] = [centsIn(cells, names.price), centsIn(cells, names.amount)]
    if (cells[names.quantity] !== null || price === null || amount === null) continue
    if (price <= 0 || amount % price !== 0) continue
    cells[names.quantity] = String(amount / price)
    table.repaired = true
  }
}

/** What heads a table: where its columns stand, and its words, which later pages may repeat. */
interface TableHead {
  columns: HeaderColumn[]
  text: string
}

interface Cells {
  texts: Map<number, Word[]>
}

/** A gap under the rows as high as this, in points or in heights of the letters, ends a table. */
const [GAP_POINTS, GAP_LINES] = [42, 4.5]
/** A line of words as near as this under a row, in heights of the letters, belongs to it. */
const WRAPPED = 1.1
/** Balances at the end of a statement: no row follows them. */
const CLOSING = wordsPattern(closingBalances)
/** What stands under a head in brackets still belongs to the head ("(EUR)" under "Amount"). */
const UNDER_HEAD = /^(?:VAT|HT|TTC|excl?\.?|incl?\.?)$/i
const belongsToHead = (word: string): boolean => {
  const bare = word.replace(/^\(|\)$/g, '')
  return UNDER_HEAD.test(bare) || isCurrencySign(bare)
}

/** What a line holds, by the columns of its table. */
interface LineCells {
  line: Line
  /** Folded. */
  plain: string
  cells: Cells
  row: Row
  pointed: boolean
  amounts: number[]
}

/** Reads the rows of a table on one page, line by line. */
class RowReader {
  private readonly date: string | undefined
  private readonly text: Column | undefined
  private readonly wanted: number
  /** The line that was last taken for a part of the table. */
  private last: Line | null = null
  private started = false
  /** Words that belong to the row below them. */
  private ahead: Word[] = []
  /** A row may still go on in the next line: no sum has come behind it. */
  private open = false

  constructor(
    private readonly page: Page,
    private readonly lines: readonly Line[],
    private readonly head: TableHead,
    private readonly field: Field,
    private readonly table: Table,
  ) {
    this.date = tableColumns(field).date
    this.text =
      field.columns.find((c) => c.name === tableColumns(field).description && c.role) ??
      field.columns.find((c) => c.kind === 'text' || c.kind === 'name')
    this.wanted = Math.min(2, field.columns.filter((c) => c.kind === 'money').length)
  }

  /** @returns whether the table's end was met on this page, so that later pages have none of it */
  read(from: number): boolean {
    this.last = from > 0 ? this.lines[from - 1] : null
    for (let i = from; i < this.lines.length; i++) {
      const line = this.lines[i]
      if (this.last && this.started && this.isFarBelow(line, this.last)) return false
      if (!this.date && this.isSum(line)) return true
      if (this.started && headsAnother(line, this.head, this.field)) return true
      const said = this.cellsIn(line)
      const begins = this.beginsRow(said, i === from)
      this.noteOtherLine(said, begins)
      if (begins || this.started) this.table.leftOut ||= this.leavesOut(said.cells)
      const plain = said.plain
      if (this.field.never.some((words) => plain.includes(fold(words)))) {
        // What a person said is no row of this table.
        this.last = line
      } else if (SKIPPED_ROWS.test(plain) && !(this.date && begins && this.isBooking(said))) {
        this.last = line
        this.open = false
        if (this.date && this.started && CLOSING.test(plain)) return false
      } else if (begins) this.takeRow(said)
      else if (this.started && said.amounts.length > 0) {
        this.table.unexplained.push(said.amounts)
        this.open = false
      } else if (said.amounts.length === 0) this.takeWords(said, this.lines[i + 1])
    }
    return false
  }

  private isFarBelow(line: Line, last: Line): boolean {
    return (line.box[1] - last.box[3]) * this.page.height > Math.max(GAP_POINTS, line.height * GAP_LINES)
  }

  private isSum(line: Line): boolean {
    return (
      STOP.test(fold(line.text).replace(/^[^a-z]+/, '')) || line.segments.some((s) => STOP.test(fold(s.text)))
    )
  }

  private cellsIn(line: Line): LineCells {
    const cells = cellsOfLine(line, this.head.columns, this.table.locale)
    const { row, pointed } = toRow(cells, this.head.columns, this.field, this.table.locale)
    const amounts = this.field.columns.flatMap((c) =>
      c.kind === 'money' ? (centsIn(row, c.name) ?? []) : [],
    )
    return { line, plain: fold(line.text), cells, row, pointed, amounts }
  }

  private beginsRow({ line, cells, row, amounts }: LineCells, first: boolean): boolean {
    if (!this.date)
      return (
        amounts.length >= this.wanted &&
        !!this.text &&
        !!row[this.text.name] &&
        (this.wanted > 0 || this.mostlyFilled(row))
      )
    if (amounts.length === 0) return false
    return (
      typeof row[this.date] === 'string' ||
      ((this.started || first) && amounts.length > 1 && mayLackDay(line, cells, this.head.columns))
    )
  }

  /** A row without amounts has something in most of its columns: words alone go on with the row above. */
  private mostlyFilled(row: Row): boolean {
    const wanted = this.field.columns.filter((c) => !c.optional)
    return wanted.filter((c) => row[c.name] !== null).length * 2 > wanted.length
  }

  /** Lines that are no rows may tell of rows that could not be read. */
  private noteOtherLine({ line, plain, cells, row, amounts }: LineCells, begins: boolean): void {
    if (!begins && this.started && this.date && wordsUnder(cells, this.head.columns, 'date').length > 0)
      this.table.unreadLines.push({ place: { page: this.page.number, box: line.box }, cells: row })
    // A booking that was hardly read has two amounts or none; one alone is a balance, however its words were read.
    if (this.table.rows.length === 0 && !begins && (amounts.length === 1 || SKIPPED_ROWS.test(plain)))
      this.table.broughtForward = true
  }

  /** A booking may carry words of a sum ("total"), unless these speak of balances. */
  private isBooking({ plain, row }: LineCells): boolean {
    const amount = tableColumns(this.field).amount
    return centsIn(row, amount) !== null && !/balance|total|forward/.test(plain)
  }

  /** Whether an amount stands under a head that is no column's, while a column of amounts has no head at all. */
  private leavesOut(cells: Cells): boolean {
    const { columns } = this.head
    return (
      this.field.columns.some((c) => c.kind === 'money' && !columns.some((o) => o.column === c)) &&
      [...cells.texts].some(([index, words]) => columns[index].column === null && isAmount(figures(words)))
    )
  }

  private takeRow({ line, cells, row, pointed }: LineCells): void {
    const { table, text } = this
    const { columns } = this.head
    if (text && this.ahead.length > 0)
      row[text.name] = [spoken(this.ahead), row[text.name] as string | null].filter(Boolean).join(' ')
    const weakestOf = (counts: (kind: Column['kind']) => boolean) => weakest(cells, columns, counts)
    table.rows.push(
      tableRow(
        row,
        { page: this.page.number, box: boxAround([line.box, ...this.ahead.map((w) => w.box)]) },
        {
          confidence: pointed ? 0 : weakestOf((kind) => kind === 'money'),
          unreadDate: this.date && row[this.date] === null ? spoken(wordsUnder(cells, columns, 'date')) : '',
        },
      ),
    )
    table.confidence = Math.min(
      table.confidence,
      weakestOf((kind) => kind !== 'text'),
    )
    table.wordConfidence = Math.min(
      table.wordConfidence,
      weakestOf((kind) => kind === 'text'),
      ...this.ahead.map((w) => w.confidence),
    )
    table.pointed ||= pointed
    this.ahead = []
    this.started = this.open = true
    this.last = line
  }

  /** A wrapped description: words under the text column alone, close to their row, most often beneath it. */
  private takeWords({ line, cells }: LineCells, next: Line | undefined): void {
    const { text, last, page } = this
    if (!text || !last) return
    const words = [...cells.texts].flatMap(([c, w]) => (this.head.columns[c].column === text ? w : []))
    // A year that went to the next line of its narrow column is the day's above.
    const others = line.words.filter((w) => !words.includes(w) && !/^(?:19|20)\d\d$/.test(w.text)).length
    if (!this.started && line.words.every((w) => belongsToHead(w.text))) return
    const alone = words.length > 0 && others === 0
    if (alone && leadsInto(line, this.started ? last : null, next, page)) {
      this.ahead = words
      return
    }
    if (!this.started || !this.open || !alone) return
    if ((line.box[1] - last.box[3]) * page.height >= line.height * WRAPPED) return
    const { cells: above, place } = this.table.rows.at(-1)!
    above[text.name] =
      `${typeof above[text.name] === 'string' ? (above[text.name] as string) : ''} ${spoken(words)}`.trim()
    place.box = boxAround([place.box, ...words.map((w) => w.box)])
    this.table.wordConfidence = Math.min(this.table.wordConfidence, ...words.map((w) => w.confidence))
    this.last = line
  }
}

/**
 * Whether the day of a row may have been misread, or passed over: figures that are no day, or nothing beside
 * words.
 */
function mayLackDay(line: Line, cells: Cells, columns: readonly HeaderColumn[]): boolean {
  const under = wordsUnder(cells, columns, 'date')
  if (under.length > 0) return under.some((w) => w.confidence < 0.999 && /\d/.test(w.text))
  return (
    line.words.some((w) => w.confidence < 0.999) &&
    wordsUnder(cells, columns, 'text').some((w) => /\p{L}{2}/u.test(w.text))
  )
}

const wordsUnder = ({ texts }: Cells, columns: readonly HeaderColumn[], kind: Column['kind']): Word[] =>
  [...texts].flatMap(([at, words]) => (columns[at].column?.kind === kind ? words : []))

const spoken = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')

/** Deals the words of a line out to the columns: numbers by their right edge, text from its column's left edge on. */
function cellsOfLine(line: Line, columns: HeaderColumn[], locale: Locale): Cells {
  const texts = new Map<number, Word[]>()
  const put = (column: number, word: Word) => texts.set(column, [...(texts.get(column) ?? []), word])
  const firstMoney = columns.findIndex(
    (c) => c.column && c.column.kind !== 'text' && c.column.kind !== 'date' && c.column.kind !== 'name',
  )
  for (const segment of line.segments) {
    for (const run of splitRuns(segment.words)) {
      const box = boxAround(run.map((w) => w.box))
      const text = figures(run)
      const numeric =
        /^[-+−(\p{Sc}]*[\dOSlI][\dOSlI.,' ]*\s?[-+−)\p{Sc}%]*\s?(?:[A-Z]{3}|DR|CR)?$/u.test(text) ||
        parseMoney(text, locale, isWeak(run)) !== null
      // What stands under the heads of figures and is none was misread; it is not the end of the words before.
      if (
        !numeric &&
        firstMoney >= 0 &&
        box[0] > columns[firstMoney].left - 0.045 &&
        run.some((w) => w.confidence < 0.999)
      )
        continue
      let best = -1
      let least = Infinity
      // A letter or two standing in a column of numbers is a number misread, not the end of the words before it.
      const misread =
        !numeric && run.length === 1 && run[0].text.length <= 2 && run[0].confidence < 0.999
          ? columns.findIndex(
              (c) => c.column?.kind === 'number' && box[2] > c.left - 0.01 && box[0] < c.right + 0.01,
            )
          : -1
      if (misread >= 0) {
        put(misread, run[0])
        continue
      }
      columns.forEach((column, index) => {
        const kind = column.column?.kind
        const isText = kind === 'text' || kind === 'name' || !kind
        if (!numeric && kind && !isText && kind !== 'date') return
        if (numeric && kind === 'text' && firstMoney >= 0 && box[0] > columns[firstMoney].left - 0.03) return
        const apart =
          numeric && !isText
            ? Math.min(
                Math.abs(box[2] - column.right),
                Math.abs((box[0] + box[2]) / 2 - (column.left + column.right) / 2),
                Math.abs(box[0] - column.left),
              )
            : isText
              ? box[0] >= column.left - 0.015
                ? Math.max(0, box[0] - column.left)
                : (column.left - box[0]) * 3
              : Math.abs(box[0] - column.left)
        if (apart < least) {
          least = apart
          best = index
        }
      })
      if (best >= 0) run.forEach((w) => put(best, w))
    }
  }
  return { texts }
}

/** A run of words as figures: what weak readers make of signs, strokes and currencies in a column of amounts. */
function figures(words: readonly Word[]): string {
  const text = words.map((w) => w.text).join(' ')
  if (words.every((w) => w.confidence >= 0.999)) return text
  return text
    .replace(/^[CcE¢©](?=[-−]?\d)|[¢©]/g, '')
    .replace(/^[=~—–_«‘'|]+\s?(?=[\d\p{Sc}])/u, '-')
    .replace(/(?<=\d)\s?[;:°/](?=\s?\d)/g, ',')
    .replace(/(?<=\d)[°*'’]+|[|)\]]+$/g, '')
}

/** Amounts and dates inside a segment become runs of their own, so that narrow columns come apart. */
function splitRuns(words: Word[]): Word[][] {
  const runs: Word[][] = []
  for (const word of words) {
    const money = /^[-+−(\p{Sc}]*\d{1,3}(?:[.,' ]?\d{3})*[.,]\d{2}[-+)\p{Sc}]*$/u.test(word.text)
    const last = runs.at(-1)
    const lastMoney = last && /\d[.,]\d{2}[-+)]?$/.test(last.at(-1)!.text)
    const lastDate = last && isDay(last.map((w) => w.text).join(' '))
    if (
      !last ||
      (lastMoney && !/^(?:[\-+]|DR|CR|[DC])$/.test(word.text) && !isCurrencySign(word.text)) ||
      (lastDate && !/^\d{2,4}$/.test(word.text)) ||
      (money && !/^[-+(\p{Sc}]|^\d{1,3}$/u.test(last.at(-1)!.text) && !isCurrencySign(last.at(-1)!.text))
    )
      runs.push([word])
    else last.push(word)
  }
  return runs
}

/** A sign set apart from its amount ("rent –", "− rent") is no word of what stands beside it. */
const SIGN_APART = /^[-–—−+]\s+|\s+[-–—−+]$/g

function toRow(
  cells: Cells,
  columns: HeaderColumn[],
  field: Field,
  locale: Locale,
): { row: Row; pointed: boolean } {
  let pointed = false
  const row: Row = Object.fromEntries(field.columns.map((c) => [c.name, null]))
  for (const [index, words] of cells.texts) {
    const { column, sign } = columns[index]
    if (!column) continue
    const text =
      column.kind === 'money'
        ? figures(words)
        : words
            .map((w) => w.text)
            .join(' ')
            .replace(SIGN_APART, '')
    if (column.kind === 'money') {
      const parsed = parseMoney(text, locale, isWeak(words))
      if (!parsed) continue
      // Books are kept to the cent: an amount without cents on a weak print has lost its point.
      const lost =
        field.columns.some((c) => c.kind === 'date') &&
        parsed.plausibility < 0.75 &&
        !parsed.repaired &&
        words.some((w) => w.confidence < 0.999)
      const value = lost ? withDecimalPoint(parsed.value) : parsed.value
      if (!value) continue
      const money: Money =
        sign < 0 && !value.amount.startsWith('-') ? { ...value, amount: `-${value.amount}` } : value
      if (Number(money.amount) === 0 && isMoney(row[column.name])) continue
      row[column.name] = money
      pointed ||= lost
    } else if (column.kind === 'percent') row[column.name] = shareIn(text, locale)
    else if (column.kind === 'date')
      row[column.name] =
        rowDate(words, locale) ?? (readDates(words, locale)[0]?.value as string | undefined) ?? null
    else if (column.kind === 'number')
      row[column.name] = /\d/.test(text)
        ? plainNumber(text.replace(/[^\d.,]/g, '').replace(/^[.,]|[.,]$/g, ''), locale) || null
        : null
    else row[column.name] = row[column.name] ? `${row[column.name] as string} ${text}` : text
  }
  return { row, pointed }
}

/** "60 %", "12.5": a share as a number; null for what is none. */
const shareIn = (text: string, locale: Locale): string | null => {
  const figures = /^\d{1,3}(?:[.,]\d{1,3})?(?=\s?%?$)/.exec(text.trim())?.[0]
  return figures ? plainNumber(figures, locale) : null
}

/** An amount whose last two figures are its cents; null for one too short to have any. */
export const withDecimalPoint = ({ amount, currency }: Money): Money | null =>
  /^-?\d{3,}\.00$/.test(amount) ? fromCents(cents({ amount, currency }) / 100, currency) : null

/** Gives `--MM-DD` dates of rows their year: the one that lies in the period, or nearest to its end. */
export function fillYears(table: Table, column: string, start: string | null, end: string | null): void {
  const year = end ?? start
  for (const { cells: row } of table.rows) {
    const date = row[column]
    if (typeof date !== 'string' || !date.startsWith('--')) continue
    const inEndYear = year ? `${year.slice(0, 4)}${date.slice(1)}` : null
    row[column] =
      inEndYear && end && inEndYear > end && start ? `${start.slice(0, 4)}${date.slice(1)}` : inEndYear
  }
}

function weakest(cells: Cells, columns: HeaderColumn[], counts: (kind: Column['kind']) => boolean): number {
  let least = 1
  for (const [index, words] of cells.texts) {
    const kind = columns[index].column?.kind
    if (kind && counts(kind)) for (const word of words) least = Math.min(least, word.confidence)
  }
  return least
}
