import type { Locale } from '../../locale/index.ts'
import { boxAround, cents, type Money, type Page, type Row, type Word, localeOf } from '../../model/index.ts'
import type { Line } from '../../layout/index.ts'
import { fold } from '../../text/index.ts'
import { type Field, tableColumns } from '../../program/index.ts'
import { isDay } from '../parsers/date.ts'
import { plainNumber } from '../parsers/id.ts'
import { readMoney } from '../parsers/money.ts'
import type { Reading } from '../parsers/reading.ts'
import { repairTable } from './repair.ts'
import { rowDate } from './row-date.ts'
import { leadsInto } from './continuation-lines.ts'
import { linesWithoutNoise } from './specks.ts'
import { amountsIn, bookingColumns, goodsColumns } from './columns.ts'
import { emptyTable, SKIPPED_ROWS, tableRow, type Table } from './table.ts'

/** A row found by what it holds, with the words that are neither date nor figure. */
interface ContentRow {
  row: Row
  words: Word[]
  text: Word[]
  /** Where the amount and the balance of a booking end, as shares of the page; null where it has not both. */
  ends: Ends | null
  /** What stands in the place of a day and is none. */
  unreadDay: string
}

type Ends = readonly [amount: number, balance: number]

/**
 * Reads a table by what its rows hold rather than by its head, whose words may be new: bookings are a date,
 * words, an amount and a balance; goods are words and three figures of which the last is the product of the
 * others.
 * @returns null where fewer than two such rows are found
 */
export function readTableByContent(pages: readonly Page[], field: Field): Table | null {
  const locale = localeOf(pages[0])
  const readRow = rowReader(field, locale)
  if (!readRow) return null
  const table = emptyTable(locale)
  const text = tableColumns(field).description!
  /** Where amounts end in the rows so far. */
  let ends: Ends | null = null
  for (const page of pages) {
    let last: { line: Line; found: ContentRow } | null = null
    let ahead: Word[] = []
    const lines = linesWithoutNoise(page)
    for (const [i, line] of lines.entries()) {
      const found = readRow(line, last?.found, ends)
      if (found && ahead.length > 0) {
        found.text = [...ahead, ...found.text]
        found.row[text] = blank(found.text)
        ahead = []
      }
      if (found && !SKIPPED_ROWS.test(fold(line.text).replace(/[\d.,]+/g, ''))) {
        const others = found.words.filter((w) => !found.text.includes(w))
        table.rows.push(
          tableRow(
            found.row,
            { page: page.number, box: boxAround(found.words.map((w) => w.box)) },
            { confidence: weakest(others.filter((w) => /\d/.test(w.text))), unreadDate: found.unreadDay },
          ),
        )
        table.confidence = Math.min(table.confidence, weakest(others))
        table.wordConfidence = Math.min(table.wordConfidence, weakest(found.text))
        ends = found.ends ?? ends
        last = { line, found }
      } else if (
        !found &&
        aside(line, last?.found) &&
        leadsInto(line, last?.line ?? null, lines[i + 1], page)
      ) {
        ahead = line.words
      } else if (last && continues(line, last, page)) {
        const { cells, place } = table.rows.at(-1)!
        cells[text] = [cells[text] as string | null, line.text].filter(Boolean).join(' ')
        place.box = boxAround([place.box, line.box])
        table.wordConfidence = Math.min(table.wordConfidence, weakest(line.words))
        last = { line, found: last.found }
      } else {
        // A line of amounts amid the rows that is none of them may be one that could not be read: the table
        // must not pass for whole.
        const amounts =
          last && !found && !SKIPPED_ROWS.test(fold(line.text)) ? readMoney(line.words, locale) : []
        if (amounts.length >= 2) table.unexplained.push(amounts.map((a) => cents(a.value as Money)))
        last = null
      }
    }
  }
  if (table.rows.length < 2) return null
  repairTable(table, field)
  return table
}

/** Whether a line holds words alone, where the words of the rows stand. */
const aside = (line: Line, row: ContentRow | undefined): boolean =>
  line.segments.length === 1 &&
  !/\d[.,]\d{2}\b/.test(line.text) &&
  row?.text[0] !== undefined &&
  Math.abs(line.box[0] - row.text[0].box[0]) < 0.012

/** A wrapped description: words alone, straight under those of the row, with no gap. */
function continues(line: Line, last: { line: Line; found: ContentRow }, page: Page): boolean {
  const left = last.found.text[0]?.box[0]
  return (
    left !== undefined &&
    line.segments.length === 1 &&
    Math.abs(line.box[0] - left) < 0.012 &&
    !/\d[.,]\d{2}\b/.test(line.text) &&
    (line.box[1] - last.line.box[3]) * page.height < line.height * 0.9
  )
}

function rowReader(
  field: Field,
  locale: Locale,
): ((line: Line, before: ContentRow | undefined, ends: Ends | null) => ContentRow | null) | null {
  const text = tableColumns(field).description
  const [bookings, goods] = [bookingColumns(field), goodsColumns(field)]
  if (!text) return null
  if (bookings) return (line, _, ends) => bookingIn(line, { ...bookings, text }, ends, locale)
  if (goods) return (line, before) => goodsIn(line, { ...goods, text }, before, locale)
  return null
}

/** The weakest reading among words. */
const weakest = (words: readonly Word[]): number => Math.min(1, ...words.map((w) => w.confidence))

const blank = (words: readonly Word[]): string =>
  words
    .map((w) => w.text)
    .join(' ')
    .replace(/^[\s·|:-]+|[\s·|:–—−-]+$/g, '')

/** Figures with a stroke or a point in them that are no amount. */
const LOST_AMOUNT = /^\D?\d{1,3}[.,:]?\d{2,4}\D?$/
/** Figures that end as near as this to those above them stand in their column, as a share of the page. */
const IN_COLUMN = 0.012

function bookingIn(
  line: Line,
  names: { date: string; text: string; amount: string; balance: string },
  ends: Ends | null,
  locale: Locale,
): ContentRow | null {
  const [date, length] = dayOf(line.words, locale)
  const amounts = amountsIn(line.words.slice(length), locale).slice(-2)
  const weak = line.words.some((w) => w.confidence < 0.999)
  // On a weak print the day may not have been read at all: what stands in the columns of the rows above is a
  // row as well.
  if (
    !date &&
    !(
      weak &&
      amounts.length === 2 &&
      ends &&
      amounts.every((m, i) => Math.abs(endOf(m) - ends[i]) < IN_COLUMN)
    )
  )
    return null
  const unreadDay = !date && /\d.*\d/.test(line.words[0].text) ? line.words[0].text : ''
  const rest = line.words.slice(unreadDay ? 1 : length)
  const [amount, balance] =
    amounts.length === 2
      ? amounts
      : weak && amounts.length === 1
        ? alone(amounts[0], rest, ends)
        : [null, null]
  if (!amount && !balance) return null
  const text = rest.slice(
    0,
    Math.min(
      ...amounts.map((m) => rest.indexOf(m.words[0])),
      ...(amounts.length === 1 ? lostIn(rest, amounts[0], ends) : []),
    ),
  )
  // "1 January to 31 January" with the balances behind it is the head of a statement, not a booking.
  if (
    (date && /^(?:to|and|until|till|through|au|al|hasta|[-–])$/i.test(text[0]?.text ?? '')) ||
    (text.length > 0 && isDay(blank(text)))
  )
    return null
  // A second day (booked, then valued) stands between the first and the words.
  while (text.length > 1 && isDay(text[0].text)) text.shift()
  return {
    row: {
      [names.date]: date,
      [names.text]: blank(text) || null,
      [names.amount]: (amount?.value as Money | undefined) ?? null,
      [names.balance]: (balance?.value as Money | undefined) ?? null,
    },
    words: line.words,
    text,
    ends: amount && balance ? [endOf(amount), endOf(balance)] : null,
    unreadDay,
  }
}

/** The day that words begin with, and of how many it is. */
function dayOf(words: Word[], locale: Locale): [day: string | null, length: number] {
  for (let length = Math.min(3, words.length); length >= 1; length--) {
    const day = rowDate(words.slice(0, length), locale)
    if (day) return [day, length]
  }
  return [null, 0]
}

const endOf = ({ words }: Reading): number => words.at(-1)!.box[2]

/**
 * Where among words the other amount of a row stands that could not be read; empty where none does. Before
 * the columns are known any figures may be it.
 */
const lostIn = (words: readonly Word[], read: Reading, ends: Ends | null): number[] =>
  words
    .flatMap((w, i) =>
      w.confidence < 0.999 &&
      LOST_AMOUNT.test(w.text) &&
      !read.words.includes(w) &&
      (!ends || ends.some((end) => Math.abs(w.box[2] - end) < IN_COLUMN))
        ? [i]
        : [],
    )
    .slice(0, 1)

/**
 * Which of a row's two amounts is the only one that could be read: the rows above say by their columns, or
 * else what is left of the other.
 */
function alone(
  read: Reading,
  words: readonly Word[],
  ends: Ends | null,
): [amount: Reading | null, balance: Reading | null] {
  if (ends) return Math.abs(endOf(read) - ends[1]) < IN_COLUMN ? [null, read] : [read, null]
  const [lost] = lostIn(words, read, ends)
  if (lost === undefined) return [null, null]
  return lost < words.indexOf(read.words[0]) ? [null, read] : [read, null]
}

function goodsIn(
  line: Line,
  names: { text: string; quantity: string; price: string; amount: string },
  last: ContentRow | undefined,
  locale: Locale,
): ContentRow | null {
  const amounts = amountsIn(line.words, locale)
  if (amounts.length < 2) return null
  const [unit, amount] = amounts.slice(-2)
  const before = line.words.slice(0, line.words.indexOf(unit.words[0]))
  const between = line.words.slice(
    line.words.indexOf(unit.words.at(-1)!) + 1,
    line.words.indexOf(amount.words[0]),
  )
  const numbers = [...between, ...before.toReversed()].filter((w) => /^\d{1,4}(?:[.,]\d{1,2})?$/.test(w.text))
  // A seller's slip: a row in the columns of the row before whose amount is not what it should be is a row
  // all the same.
  const counts = numbers.length > 1 && numbers.at(-1) === line.words[0] ? numbers.slice(0, -1) : numbers
  const inColumn =
    last !== undefined &&
    Math.abs(last.words.at(-1)!.box[2] - line.words.at(-1)!.box[2]) < 0.006 &&
    counts.length === 1
  const quantity =
    numbers.find(
      (w) => Math.round(Number(w.text.replace(',', '.')) * cents(unit.value)) === cents(amount.value),
    ) ?? (inColumn ? counts[0] : undefined)
  if (!quantity) return null
  const text = before.filter((w) => w !== quantity)
  // A running number leads the line, not the name of the goods.
  if (text.length > 1 && /^\d{1,3}[.)]?$/.test(text[0].text) && text[1].box[0] - text[0].box[2] > 0.012)
    text.shift()
  return {
    row: {
      [names.text]: blank(text),
      [names.quantity]: plainNumber(quantity.text, locale),
      [names.price]: unit.value,
      [names.amount]: amount.value,
    },
    words: line.words,
    text,
    ends: null,
    unreadDay: '',
  }
}
