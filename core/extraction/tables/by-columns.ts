import type { Line } from '../../layout/index.ts'
import type { Locale } from '../../locale/index.ts'
import { boxAround, cents, fromCents, localeOf, type Money, type Page, type Word } from '../../model/index.ts'
import { type Field, tableColumns } from '../../program/index.ts'
import { fold } from '../../text/index.ts'
import { isDay } from '../parsers/date.ts'
import { amountsIn, bookingColumns } from './columns.ts'
import { repairTable } from './repair.ts'
import { rowDate } from './row-date.ts'
import { linesWithoutNoise } from './specks.ts'
import { emptyTable, SKIPPED_ROWS, tableRow, type Table, type TableRow } from './table.ts'

/**
 * Bookings by the columns that their amounts stand in, whatever heads them and in whatever order they are. Which
 * column is the running balance, and which way the others go, is what the arithmetic of the rows bears out:
 * balances may stand behind every row or behind the last of a day, rows may run up or down the page.
 */

/** A line with what it books. */
interface BookedLine {
  page: Page
  line: Line
  /** Its own day, that of the line before where it only repeats it, or that of the heading over it. */
  day: string | null
  amounts: { value: Money; cents: number; signed: boolean; column: number; words: Word[] }[]
  /** What is neither day nor amount. */
  text: Word[]
  /** A sum or a balance carried over, by its words. */
  sum: boolean
}

/** Where amounts end as near as this, as a share of the page, they are of one column. */
const IN_COLUMN = 0.012
/** An amount that stands in none of the columns. */
const NO_COLUMN = -1
/** More columns of amounts than this no statement has; the fullest are tried. */
const MOST_COLUMNS = 5
/** So many steps from balance to balance have to come out, and so few of all may not. */
const [STEPS, FAILING] = [3, 0.1]
/** Signs of so many amounts between two balances are tried in all ways. */
const UNSIGNED = 8
/** What stands for "the same day". */
const DITTO = /^(?:["”“″〃]+|,,|''|do\.?)$/i

/** Reads bookings by their columns; null where no column runs on as a balance does. */
export function readBookingsByColumns(pages: readonly Page[], field: Field): Table | null {
  const names = bookingColumns(field)
  const text = tableColumns(field).description
  if (!names) return null
  const lines = bookedLines(pages)
  const columns = columnsOf(lines)
  const best = rolesOf(lines, columns)
  if (!best) return null
  const table = emptyTable(localeOf(pages[0]))
  let last = null as { booked: BookedLine; row: TableRow } | null
  for (const booked of lines) {
    const step = best.steps.get(booked)
    if (!step) {
      if (last && text && goesOn(booked, last.booked)) {
        const { cells, place } = last.row
        cells[text] = [cells[text] as string | null, booked.line.text].filter(Boolean).join(' ')
        place.box = boxAround([place.box, booked.line.box])
        table.wordConfidence = Math.min(table.wordConfidence, weakest(booked.line.words))
        last = { ...last, booked: { ...booked, text: last.booked.text } }
      } else last = null
      continue
    }
    const figures = booked.amounts.flatMap((a) => a.words)
    const row = tableRow(
      {
        [names.date]: booked.day,
        ...said(booked, text),
        [names.amount]: fromCents(step.amount, step.value.currency),
        [names.balance]: step.balance,
      },
      { page: booked.page.number, box: booked.line.box },
      { confidence: weakest(figures) },
    )
    table.rows.push(row)
    table.confidence = Math.min(table.confidence, weakest(figures))
    table.wordConfidence = Math.min(table.wordConfidence, weakest(booked.text))
    last = { booked, row }
  }
  table.chained = true
  repairTable(table, field)
  return table
}

const weakest = (words: readonly Word[]): number =>
  words.reduce((least, w) => Math.min(least, w.confidence), 1)

/** The words of a booking, where the table has a column of them. */
const said = ({ text }: BookedLine, column: string | undefined): Record<string, string | null> =>
  column ? { [column]: text.map((w) => w.text).join(' ') || null } : {}

/** Words alone straight under those of a row, from where they begin: they go on. */
function goesOn({ line, amounts, day, page }: BookedLine, over: BookedLine): boolean {
  const left = over.text[0]?.box[0]
  return (
    amounts.length === 0 &&
    day === null &&
    page === over.page &&
    left !== undefined &&
    line.segments.length === 1 &&
    Math.abs(line.box[0] - left) < 0.02 &&
    (line.box[1] - over.line.box[3]) * page.height < line.height * 0.9
  )
}

function bookedLines(pages: readonly Page[]): BookedLine[] {
  const booked: BookedLine[] = []
  const read = pages.map((page) =>
    linesWithoutNoise(page).map((line) => ({ line, days: daysIn(line, localeOf(page)) })),
  )
  const left = columnOfDays(read.flat().flatMap(({ days }) => days))
  for (const [i, page] of pages.entries()) {
    const locale = localeOf(page)
    let day: string | null = null
    for (const { line, days } of read[i]) {
      const own = days.find((d) => Math.abs(d.words[0].box[0] - left) < IN_COLUMN) ?? null
      const ditto = line.words.find((w) => DITTO.test(w.text))
      // A sign before the amount of the next column is none behind that of this one: each piece by itself.
      const found = line.segments.flatMap((s) => amountsIn(s.words, locale))
      const taken = new Set<Word>([...(own?.words ?? []), ...found.flatMap((m) => m.words)])
      if (ditto) taken.add(ditto)
      const rest = line.words.filter((w) => !taken.has(w))
      // A day alone heads the rows under it.
      if (own && (found.length > 0 || rest.length === 0)) day = own.day
      const text = withoutSecondDay(rest)
      booked.push({
        page,
        line,
        day: own?.day ?? (found.length > 0 ? day : null),
        amounts: found.map(({ value, raw, words }) => ({
          value,
          cents: cents(value),
          signed: /[-−–+()]|\b[CD]R\b/i.test(raw),
          column: NO_COLUMN,
          words,
        })),
        text,
        sum: SKIPPED_ROWS.test(fold(line.text)),
      })
    }
  }
  return booked
}

/** The days that begin pieces of a line. */
function daysIn({ segments }: Line, locale: Locale): { day: string; words: Word[] }[] {
  return segments.flatMap(({ words }) => {
    for (let length = Math.min(3, words.length); length >= 1; length--) {
      const span = words.slice(0, length)
      const day = rowDate(span, locale)
      if (day) return [{ day, words: span }]
    }
    return []
  })
}

/** Where most days begin: "12.21" elsewhere is an amount that could be one. */
function columnOfDays(days: readonly { words: Word[] }[]): number {
  const lefts = days.map(({ words }) => words[0].box[0])
  const near = (at: number) => lefts.filter((l) => Math.abs(l - at) < IN_COLUMN).length
  return lefts.reduce((best, at) => (near(at) > near(best) ? at : best), lefts[0] ?? 0)
}

/** A second day, on which a booking counts, stands before the words. */
function withoutSecondDay(words: Word[]): Word[] {
  const kept = [...words]
  while (kept.length > 1 && isDay(kept[0].text)) kept.shift()
  return kept
}

const endOf = (words: readonly Word[]): number =>
  (words.findLast((w) => /\d/.test(w.text)) ?? words.at(-1)!).box[2]

/** Numbers the columns that amounts stand in, by where these end. @returns how many columns there are */
function columnsOf(lines: readonly BookedLine[]): number {
  const ends = lines
    .flatMap((l) => l.amounts.map((amount) => ({ amount, end: endOf(amount.words) })))
    .sort((a, b) => a.end - b.end)
  const columns: (typeof ends)[] = []
  for (const one of ends) {
    const last = columns.at(-1)
    if (last && one.end - last.at(-1)!.end < IN_COLUMN) last.push(one)
    else columns.push([one])
  }
  const kept = columns.sort((a, b) => b.length - a.length).slice(0, MOST_COLUMNS)
  kept.forEach((column, i) => column.forEach(({ amount }) => (amount.column = i)))
  return kept.length
}

/** What a row books, in cents, and the balance behind it where it has one. */
interface Booking {
  amount: number
  value: Money
  balance: Money | null
}

interface Roles {
  steps: ReadonlyMap<BookedLine, Booking>
  held: number
}

/** Which column is the balance, and which are amounts and which way they go: what comes out most often. */
function rolesOf(lines: readonly BookedLine[], columns: number): Roles | null {
  let best: Roles | null = null
  const tryOut = (balance: number, amounts: readonly Way[]) => {
    for (const order of [lines, [...lines].reverse()]) {
      const found = follow(order, balance, amounts)
      if (found && (!best || found.held > best.held)) best = found
    }
  }
  for (let balance = 0; balance < columns; balance++)
    for (let a = 0; a < columns; a++) {
      if (a === balance) continue
      tryOut(balance, [{ column: a, sign: 0 }])
      for (let b = 0; b < columns; b++)
        if (b !== balance && b !== a)
          tryOut(balance, [
            { column: a, sign: -1 },
            { column: b, sign: 1 },
          ])
    }
  return best
}

/** A column of amounts; 0 where each says itself which way it goes, or the balances do. */
interface Way {
  column: number
  sign: -1 | 0 | 1
}

/**
 * Follows the balances through the lines, the oldest first.
 */
function follow(lines: readonly BookedLine[], balanceColumn: number, ways: readonly Way[]): Roles | null {
  const steps = new Map<BookedLine, Booking>()
  let before: number | null = null
  let pending: { booked: BookedLine; amount: number; fixed: boolean; value: Money }[] = []
  let [held, failed] = [0, 0]
  const settle = (balance: number): void => {
    if (before !== null && pending.length > 0) {
      const signs = signsFor(pending, balance - before)
      if (signs) held += 1
      else failed++
      pending.forEach(({ booked, amount, value }, i) => {
        const own = steps.get(booked)
        steps.set(booked, { amount: amount * (signs?.[i] ?? 1), value, balance: own?.balance ?? null })
      })
    }
    before = balance
    pending = []
  }
  for (const booked of lines) {
    const balance = booked.amounts.find((a) => a.column === balanceColumn)
    const hits = ways.flatMap(({ column, sign }) => {
      const amount = booked.amounts.find((a) => a.column === column)
      return amount ? [{ amount, sign }] : []
    })
    if (booked.sum || hits.length === 0) {
      // A balance alone is carried over, or that of a day.
      if (balance && (hits.length === 0 || before === null)) {
        before = balance.cents
        pending = []
      }
      continue
    }
    if (hits.length > 1 || booked.day === null) continue
    const [{ amount, sign }] = hits
    const way = sign === 0 ? amount.cents : sign * Math.abs(amount.cents)
    steps.set(booked, { amount: way, value: amount.value, balance: balance?.value ?? null })
    pending.push({ booked, amount: way, fixed: sign !== 0 || amount.signed, value: amount.value })
    if (balance) settle(balance.cents)
  }
  return held >= STEPS && failed <= (held + failed) * FAILING ? { steps, held: held - failed } : null
}

/** Signs under which amounts make a difference; those that say themselves which way they go keep theirs. */
function signsFor(
  pending: readonly { amount: number; fixed: boolean }[],
  difference: number,
): number[] | null {
  const open = pending.flatMap((p, i) => (p.fixed ? [] : [i]))
  if (open.length > UNSIGNED) return null
  for (let ways = 0; ways < 1 << open.length; ways++) {
    const signs = pending.map(() => 1)
    open.forEach((at, k) => {
      if (ways & (1 << k)) signs[at] = -1
    })
    if (pending.reduce((sum, p, i) => sum + p.amount * signs[i], 0) === difference) return signs
  }
  return null
}
