import { boxAround } from '../../model/geometry.ts'
import type { Line } from '../../layout/lines.ts'
import type { Page, Word } from '../../model/page.ts'
import { fold } from '../../text/normalize.ts'
import type { Column, Field } from '../../program/schema.ts'
import { parseDate, readDates } from '../parsers/date.ts'
import { plainNumber } from '../parsers/id.ts'
import { parseMoney } from '../parsers/money.ts'
import { mend } from './repair.ts'
import { rowDay } from './row-date.ts'
import { leadsInto } from './continuation-lines.ts'
import { linesWithoutSpecks } from './specks.ts'
import { asBefore, findHead, type HeadColumn } from './header.ts'
import { cents, fromCents, isMoney, type Money, type Row } from '../../model/value.ts'
import { type Table, emptyTable, SKIPPED_ROWS } from './table.ts'
const STOP =
  /^(?:sub[- ]?total|net (?:amount|total)|total|totals|grand total|net|total ht|base imponible|goods total|sum before|montant ht|amount before|total before|total neto|total excl|sum of lines|net price)\b/

/** Reads one table of a type from the pages of a document, in page order; null where no head of it is found. */
export function readTable(pages: readonly Page[], field: Field): Table | null {
  const table = emptyTable()
  let columns: HeadColumn[] | null = null
  for (const page of pages) {
    const lines = linesWithoutSpecks(page)
    const head = findHead(lines, field)
    if (head) {
      columns = asBefore(head.columns, columns)
      if (table.head.page === 0) table.head = { page: page.number, box: lines[head.line].box }
    }
    if (!columns) continue
    if (readRows(page, lines, head ? head.last + 1 : 0, columns, field, table)) break
  }
  if (!columns) return null
  dropRunningNumbers(table, field)
  reckonQuantities(table, field)
  mend(table, field)
  return table
}

/** Lines numbered 1, 2, 3 under no head of their own: the number is no part of the words. */
function dropRunningNumbers(table: Table, field: Field): void {
  const text = field.columns.find((c) => c.kind === 'text')?.name
  if (!text || field.columns.some((c) => c.kind === 'date')) return
  const hits = table.rows.map((row) =>
    /^(\d{1,3})[.)]?\s+([^\d\s].*)$/.exec(typeof row[text] === 'string' ? row[text] : ''),
  )
  const right = hits.filter((hit, i) => hit && Number(hit[1]) === i + 1).length
  if (right === 0 || right < hits.length * (table.sure >= 0.999 ? 1 : 0.6)) return
  // Where most lines are numbered, what stands for a number in the others is one misread.
  table.rows.forEach((row, i) => {
    const words = typeof row[text] === 'string' ? row[text] : ''
    row[text] = hits[i] ? hits[i][2] : words.replace(/^\S{1,2}\s+(?=\p{Lu})/u, '')
  })
}

/** A quantity that could not be read is what the price and the amount make it, where that is whole. */
function reckonQuantities(table: Table, field: Field): void {
  const quantity = field.columns.find((c) => c.kind === 'number')?.name
  const [price, amount] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!quantity || !amount) return
  for (const row of table.rows) {
    const [p, a] = [row[price], row[amount]]
    if (row[quantity] !== null || !isMoney(p) || !isMoney(a) || cents(p) <= 0 || cents(a) % cents(p) !== 0)
      continue
    row[quantity] = String(cents(a) / cents(p))
    table.repaired = true
  }
}

interface Cells {
  texts: Map<number, Word[]>
}

/** Reads rows from a line on; true where the table's end was met. */
function readRows(
  page: Page,
  lines: Line[],
  from: number,
  columns: HeadColumn[],
  field: Field,
  table: Table,
): boolean {
  const dated = field.columns.find((c) => c.kind === 'date')
  const text = field.columns.find((c) => c.kind === 'text')
  let last: Line | null = from > 0 ? lines[from - 1] : null
  let started = false
  /** Words that belong to the row below them. */
  let ahead: Word[] = []
  /** A row may still go on in the next line: no sum has come behind it. */
  let open = false
  for (let i = from; i < lines.length; i++) {
    const line = lines[i]
    const plain = fold(line.text)
    if (last && started && (line.box[1] - last.box[3]) * page.height > Math.max(42, line.height * 4.5))
      return false
    if (!dated && STOP.test(plain.replace(/^[^a-z]+/, ''))) return true
    if (!dated && line.segments.some((s) => STOP.test(fold(s.text)))) return true
    const cells = cellsOf(line, columns)
    const { row, pointed } = toRow(cells, columns, field)
    const moneyCells = field.columns.filter((c) => c.kind === 'money' && isMoney(row[c.name]))
    const begins = dated
      ? moneyCells.length > 0 &&
        (typeof row[dated.name] === 'string' ||
          ((started || i === from) && moneyCells.length > 1 && mayLackDay(line, cells, columns)))
      : moneyCells.length >= Math.min(2, field.columns.filter((c) => c.kind === 'money').length) &&
        !!text &&
        !!row[text.name]
    if (!begins && started && dated && wordsUnder(cells, columns, 'date').length > 0)
      table.passed.push({ page: page.number, box: line.box, row })
    // A booking that was hardly read has two amounts or none; one alone is a balance, however its words were read.
    if (table.rows.length === 0 && !begins && (moneyCells.length === 1 || SKIPPED_ROWS.test(plain)))
      table.led = true
    // What a person said is no row of this table.
    if (field.never.some((words) => plain.includes(fold(words)))) {
      last = line
      continue
    }
    if (
      SKIPPED_ROWS.test(plain) &&
      (dated ? !(begins && isMoney(row.amount) && !/balance|total|forward/.test(plain)) : true)
    ) {
      last = line
      open = false
      if (
        dated &&
        /closing balance|balance at end|new balance|end balance|balance c\/?f|carried forward|final balance/.test(
          plain,
        ) &&
        started
      )
        return false
      continue
    }
    if (begins) {
      if (text && ahead.length > 0)
        row[text.name] = [spoken(ahead), row[text.name] as string | null].filter(Boolean).join(' ')
      table.rows.push(row)
      if (dated && row[dated.name] === null)
        table.unreadDays.set(row, spoken(wordsUnder(cells, columns, 'date')))
      table.places.push({ page: page.number, box: boxAround([line.box, ...ahead.map((w) => w.box)]) })
      const beforehand = ahead
      ahead = []
      table.sure = Math.min(
        table.sure,
        weakest(cells, columns, (kind) => kind !== 'text'),
      )
      table.pointed ||= pointed
      table.rowSure.push(pointed ? 0 : weakest(cells, columns, (kind) => kind === 'money'))
      table.spelt = Math.min(
        table.spelt,
        weakest(cells, columns, (kind) => kind === 'text'),
        ...beforehand.map((w) => w.sure),
      )
      started = open = true
      last = line
    } else if (started && moneyCells.length > 0) {
      table.unexplained.push(moneyCells.map((c) => cents(row[c.name] as Money)))
      open = false
    } else if (text && moneyCells.length === 0 && last) {
      // A wrapped description: words under the text column alone, close to their row, most often beneath it.
      const words = [...cells.texts.entries()]
        .filter(([c]) => columns[c].column === text)
        .flatMap(([, w]) => w)
      // A year that went to the next line of its narrow column is the day's above.
      const others = line.words.filter((w) => !words.includes(w) && !/^(?:19|20)\d\d$/.test(w.text)).length
      // "(EUR)" under "Amount" still heads its column.
      if (!started && line.words.every((w) => /^\(?(?:EUR|€|VAT|HT|TTC|excl?\.?|incl?\.?)\)?$/i.test(w.text)))
        continue
      if (words.length > 0 && others === 0 && leadsInto(line, started ? last : null, lines[i + 1], page))
        ahead = words
      else if (!started) continue
      else if (
        open &&
        words.length > 0 &&
        others === 0 &&
        (line.box[1] - last.box[3]) * page.height < line.height * 1.1
      ) {
        const row = table.rows.at(-1)!
        row[text.name] =
          `${typeof row[text.name] === 'string' ? (row[text.name] as string) : ''} ${words.map((w) => w.text).join(' ')}`.trim()
        const place = table.places.at(-1)!
        place.box = boxAround([place.box, ...words.map((w) => w.box)])
        table.spelt = Math.min(table.spelt, ...words.map((w) => w.sure))
        last = line
      } else if (dated ? others > 3 : others > 0) continue
    }
  }
  return false
}

/** Whether the day of a row may have been misread, or passed over: figures that are no day, or nothing beside words. */
function mayLackDay(line: Line, cells: Cells, columns: readonly HeadColumn[]): boolean {
  const under = wordsUnder(cells, columns, 'date')
  if (under.length > 0) return under.some((w) => w.sure < 0.999 && /\d/.test(w.text))
  return (
    line.words.some((w) => w.sure < 0.999) &&
    wordsUnder(cells, columns, 'text').some((w) => /\p{L}{2}/u.test(w.text))
  )
}

const wordsUnder = ({ texts }: Cells, columns: readonly HeadColumn[], kind: Column['kind']): Word[] =>
  [...texts].flatMap(([at, words]) => (columns[at].column?.kind === kind ? words : []))

const spoken = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')

/** Deals the words of a line out to the columns: numbers by their right edge, text from its column's left edge on. */
function cellsOf(line: Line, columns: HeadColumn[]): Cells {
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
        /^[-+−(€£$]*[\dOSlI][\dOSlI.,' ]*\s?[-+−)€]*\s?(?:EUR|DR|CR)?$/.test(text) ||
        parseMoney(text) !== null
      // What stands under the heads of figures and is none was misread; it is not the end of the words before.
      if (
        !numeric &&
        firstMoney >= 0 &&
        box[0] > columns[firstMoney].left - 0.045 &&
        run.some((w) => w.sure < 0.999)
      )
        continue
      let best = -1
      let least = Infinity
      // A letter or two standing in a column of numbers is a number misread, not the end of the words before it.
      const misread =
        !numeric && run.length === 1 && run[0].text.length <= 2 && run[0].sure < 0.999
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
  if (words.every((w) => w.sure >= 0.999)) return text
  return text
    .replace(/^[CcE](?=[-−]?\d)/, '€')
    .replace(/^[=~—–_«‘'|]+\s?(?=[\d€£])/, '-')
    .replace(/[¢©]/g, '€')
    .replace(/(?<=\d)\s?[;:°/](?=\s?\d)/g, ',')
    .replace(/(?<=\d)[°*'’]+|[|)\]]+$/g, '')
}

/** Amounts and dates inside a segment become runs of their own, so that narrow columns come apart. */
function splitRuns(words: Word[]): Word[][] {
  const runs: Word[][] = []
  for (const word of words) {
    const money = /^[-+−(€]*\d{1,3}(?:[.,' ]?\d{3})*[.,]\d{2}[-+)€]*$/.test(word.text)
    const last = runs.at(-1)
    const lastMoney = last && /\d[.,]\d{2}[-+)]?$/.test(last.at(-1)!.text)
    const lastDate = last && parseDate(last.map((w) => w.text).join(' ')) !== null
    if (
      !last ||
      (lastMoney && !/^(?:[\-+€]|EUR|DR|CR|[DC])$/.test(word.text)) ||
      (lastDate && !/^\d{2,4}$/.test(word.text)) ||
      (money &&
        !/^[-+€(]|EUR$|^\d{1,3}$/.test(last.at(-1)!.text) &&
        !/^(?:[€\-+]|EUR)$/.test(last.at(-1)!.text))
    )
      runs.push([word])
    else last.push(word)
  }
  return runs
}

function toRow(cells: Cells, columns: HeadColumn[], field: Field): { row: Row; pointed: boolean } {
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
            .replace(/\s+[-–—−]$/, '')
    if (column.kind === 'money') {
      const parsed = parseMoney(text)
      if (!parsed) continue
      // Books are kept to the cent: an amount without cents on a weak print has lost its point.
      const lost =
        field.columns.some((c) => c.kind === 'date') &&
        parsed.fit < 0.75 &&
        !parsed.repaired &&
        words.some((w) => w.sure < 0.999)
      const value = lost ? withPoint(parsed.value) : parsed.value
      if (!value) continue
      const money: Money =
        sign < 0 && !value.amount.startsWith('-') ? { ...value, amount: `-${value.amount}` } : value
      if (Number(money.amount) === 0 && isMoney(row[column.name])) continue
      row[column.name] = money
      pointed ||= lost
    } else if (column.kind === 'date')
      row[column.name] = rowDay(words) ?? (readDates(words)[0]?.value as string | undefined) ?? null
    else if (column.kind === 'number')
      row[column.name] = /\d/.test(text)
        ? plainNumber(text.replace(/[^\d.,]/g, '').replace(/^[.,]|[.,]$/g, '')) || null
        : null
    // A sign set apart from its amount ("rent –") is no word of what stands before it.
    else row[column.name] = row[column.name] ? `${row[column.name] as string} ${text}` : text
  }
  return { row, pointed }
}

/** An amount whose last two figures are its cents; null for one too short to have any. */
export const withPoint = ({ amount, currency }: Money): Money | null =>
  /^-?\d{3,}\.00$/.test(amount) ? fromCents(cents({ amount, currency }) / 100, currency) : null

/** Gives `--MM-DD` dates of rows their year: the one that lies in the period, or nearest to its end. */
export function fillYears(table: Table, column: string, start: string | null, end: string | null): void {
  const year = end ?? start
  for (const row of table.rows) {
    const date = row[column]
    if (typeof date !== 'string' || !date.startsWith('--')) continue
    const inEndYear = year ? `${year.slice(0, 4)}${date.slice(1)}` : null
    row[column] =
      inEndYear && end && inEndYear > end && start ? `${start.slice(0, 4)}${date.slice(1)}` : inEndYear
  }
}

function weakest(cells: Cells, columns: HeadColumn[], counts: (kind: Column['kind']) => boolean): number {
  let least = 1
  for (const [index, words] of cells.texts) {
    const kind = columns[index].column?.kind
    if (kind && counts(kind)) for (const word of words) least = Math.min(least, word.sure)
  }
  return least
}
