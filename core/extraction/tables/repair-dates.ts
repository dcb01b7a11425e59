import { type Field, tableColumns } from '../../program/index.ts'
import { nearestDate } from './row-date.ts'
import { noteGuess, PRINTED, type Table, type TableRow } from './table.ts'

/**
 * On a picture, mends the days of rows that stand in order: a year that neither neighbour has ("2028" amid
 * 2026), and a day outside those of its neighbours, or none, where only one day would do: that of both, one a
 * figure off, or the one that unread figures are nearest to. Of a day a person is asked; a year that both
 * neighbours have is no guess.
 */
export function repairDates(table: Table, field: Field): void {
  const day = tableColumns(field).date
  if (!day || table.confidence >= PRINTED) return
  const { rows } = table
  const at = (i: number): string | null => {
    const date = rows[i]?.cells[day]
    return typeof date === 'string' ? date : null
  }
  const written = rows.flatMap((_, i) => {
    const d = at(i)
    return d && !isBare(d) ? [{ i, year: yearOf(d) }] : []
  })
  const often = written.filter(({ year }) => written.filter((d) => d.year === year).length >= USUAL)
  // Two years misread side by side must not pass for one another's witness.
  const known = often.length > 0 ? often : written
  for (const { i, year } of written) {
    const [before, after] = [known.filter((d) => d.i < i).slice(-2), known.filter((d) => d.i > i).slice(0, 2)]
    const [one, other] =
      before.length === 0 ? after : after.length === 0 ? before : [before.at(-1)!, after[0]]
    if (!one || one.year !== other?.year || year === one.year) continue
    rows[i].cells[day] = one.year + at(i)!.slice(4)
    table.repaired = true
  }
  const put = (i: number, meant: string | null) => {
    if (!meant) return
    rows[i].cells[day] = meant
    noteGuess(table)
  }
  /** Of the days that a row could have, the one that its figures were meant for, or the only one. */
  const meantDay = (row: TableRow, days: readonly string[]): string | null =>
    nearestDate(row.unreadDate, days) ?? only(days)
  const steps = rows.flatMap((_, i) => {
    const [a, b] = [at(i - 1), at(i)]
    return a && b && a !== b ? [a < b ? 1 : -1] : []
  })
  const down = steps.reduce((sum, step) => sum + step, 0) < 0
  for (let i = 1; i + 1 < rows.length; i++) {
    const [before, read, after] = [at(i - 1), at(i), at(i + 1)]
    if (!before || !after) continue
    const [from, to] = down ? [after, before] : [before, after]
    if (from > to || (read && read >= from && read <= to)) continue
    put(
      i,
      read
        ? only(daysBetween(from, to).filter((d) => oneFigureOff(d, read)))
        : meantDay(rows[i], daysBetween(from, to)),
    )
  }
  // Before the first row and behind the last nothing bounds a day but how far rows are apart.
  const [first, last] = [0, rows.length - 1]
  for (const [i, beside, ahead] of [
    [first, first + 1, !down],
    [last, last - 1, down],
  ] as const) {
    const near = at(beside)
    if (at(i) === null && near)
      put(
        i,
        meantDay(
          rows[i],
          ahead ? daysBetween(daysOff(near, -NEAR), near) : daysBetween(near, daysOff(near, NEAR)),
        ),
      )
  }
}

/** Written without its year. */
const isBare = (day: string): boolean => day.startsWith('--')
const yearOf = (day: string): string => day.slice(0, 4)
const oneFigureOff = (a: string, b: string): boolean =>
  a.length === b.length && [...a].filter((figure, i) => figure !== b[i]).length === 1

/** A year that so many rows have was not misread in all of them. */
const USUAL = 3

const only = (days: readonly string[]): string | null => (days.length === 1 ? days[0] : null)

/** Rows side by side are hardly further apart, and most often not so far. */
const FAR = 31
const NEAR = 10

/** The days from one to another, as they are written; with a year or without ("--02-18"). */
function daysBetween(from: string, to: string): string[] {
  const days: string[] = []
  for (let day = from; day <= to && days.length <= FAR; day = daysOff(day, 1)) days.push(day)
  return days
}

/** The day so many days behind one, or before it, written as that is. */
function daysOff(day: string, days: number): string {
  const date = new Date(`${isBare(day) ? `2000${day.slice(1)}` : day}T00:00:00Z`)
  date.setUTCDate(date.getUTCDate() + days)
  const iso = date.toISOString().slice(0, 10)
  return isBare(day) ? `-${iso.slice(4)}` : iso
}
