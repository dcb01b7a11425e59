import type { Field } from '../program/schema.ts'
import { GUESSED } from './mend-words.ts'
import type { Table } from './table.ts'

/**
 * On a picture, mends the days of rows that stand in order: a year that neither neighbour has ("2028" amid 2026), and a
 * day outside those of its neighbours, or none, where only one day would do: that of both, or one a figure off. Of a day a person
 * is asked; a year that both neighbours have is no guess.
 */
export function mendDays(table: Table, field: Field): void {
  const day = field.columns.find((c) => c.kind === 'date')?.name
  if (!day || table.sure >= 0.999) return
  const { rows } = table
  const at = (i: number): string | null => (typeof rows[i]?.[day] === 'string' ? (rows[i][day]) : null)
  rows.forEach((row, i) => {
    const read = at(i)
    const [one, other] = i === 0 ? [at(1), at(2)] : i === rows.length - 1 ? [at(i - 1), at(i - 2)] : [at(i - 1), at(i + 1)]
    if (!read || !one || !other || yearOf(one) !== yearOf(other) || yearOf(read) === yearOf(one)) return
    row[day] = yearOf(one) + read.slice(4)
    table.repaired = true
  })
  const steps = rows.flatMap((_, i) => { const [a, b] = [at(i - 1), at(i)]; return a && b && a !== b ? [a < b ? 1 : -1] : [] })
  const down = steps.reduce((sum, step) => sum + step, 0) < 0
  for (let i = 1; i + 1 < rows.length; i++) {
    const [before, read, after] = [at(i - 1), at(i), at(i + 1)]
    if (!before || !after) continue
    const [from, to] = down ? [after, before] : [before, after]
    if (from > to || (read && read >= from && read <= to)) continue
    const meant = daysBetween(from, to).filter((d) => !read || oneFigureOff(d, read))
    if (meant.length !== 1) continue
    rows[i][day] = meant[0]
    ;[table.repaired, table.spelt] = [true, Math.min(table.spelt, GUESSED)]
  }
}

const yearOf = (day: string): string => day.slice(0, 4)
const oneFigureOff = (a: string, b: string): boolean => a.length === b.length && [...a].filter((figure, i) => figure !== b[i]).length === 1

/** Rows side by side are hardly further apart. */
const FAR = 31

/** The days from one to another, as they are written; with a year or without ("--02-18"). */
function daysBetween(from: string, to: string): string[] {
  const bare = from.startsWith('--')
  const day = new Date(`${bare ? `2000${from.slice(1)}` : from}T00:00:00Z`)
  const days: string[] = []
  for (let i = 0; i <= FAR; i++) {
    const iso = day.toISOString().slice(0, 10)
    const written = bare ? `-${iso.slice(4)}` : iso
    if (written > to) break
    days.push(written)
    day.setUTCDate(day.getUTCDate() + 1)
  }
  return days
}
