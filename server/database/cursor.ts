import { and, eq, gt, lt, or, sql, type SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import { z } from 'zod'
import { jsonOf } from '../json.ts'

/** A place in a list that is ordered by a time and, within it, by an id. */
export interface Place {
  at: Date
  id: string
}

/** Times of lists are told apart to a thousandth of a second, which is as fine as a `Date` is. */
export const inMilliseconds = (column: PgColumn): SQL => sql`date_trunc('milliseconds', ${column})`

/** A place as whoever follows a list carries it along. */
export const cursorOf = ({ at, id }: Place): string =>
  Buffer.from(JSON.stringify([at.toISOString(), id])).toString('base64url')

const placeSchema = z.tuple([z.iso.datetime(), z.uuid()])

/** The place that a cursor stands for; null for one that is none. */
export function placeOf(cursor: string): Place | null {
  const place = placeSchema.safeParse(jsonOf(Buffer.from(cursor, 'base64url').toString('utf8')))
  return place.success ? { at: new Date(place.data[0]), id: place.data[1] } : null
}

/** What stands behind a place, in a list from the earliest to the latest or the other way. */
export function behind(
  { at, id }: Place,
  columns: { at: PgColumn; id: PgColumn },
  order: 'earliest first' | 'latest first',
): SQL | undefined {
  const further = order === 'earliest first' ? gt : lt
  const time = inMilliseconds(columns.at)
  return or(further(time, at), and(eq(time, at), further(columns.id, id)))
}
