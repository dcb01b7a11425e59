import { eq, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { broughtFor, type Brought, type RequestItem, type ToAskAbout } from '../../core/requests/index.ts'
import type { Work } from '../database/connection.ts'
import { arrivals, files, pages } from '../database/schema.ts'

export const archives = alias(files, 'archive')
/** What was in an archive came with it. */
export const arrivalOfFile = sql<string | null>`coalesce(${files.arrivalId}, ${archives.arrivalId})`

/** A file that came by the link of a request, as far as it is; an archive's own row is none of them. */
export interface CameFile {
  arrivalId: string
  /** The item that it was sent for; null where it came in the heap. */
  item: string | null
  /** Whether it is among the package's files, and can be used. */
  good: boolean
  reading: boolean
  /** Numbers of its pages in the package. */
  pages: number[]
}

/** Files that came by the link of a request, in the order in which they came. */
export async function cameBy(work: Work, requestId: string): Promise<CameFile[]> {
  const rows = await work
    .select({
      arrivalId: arrivals.id,
      item: arrivals.requestItem,
      outcome: arrivals.outcome,
      state: files.state,
      pages: sql<number[]>`coalesce(array_agg(${pages.number} order by ${pages.number})
        filter (where ${pages.number} is not null), '{}')`,
    })
    .from(files)
    .leftJoin(archives, eq(archives.id, files.parentId))
    .innerJoin(arrivals, eq(arrivals.id, arrivalOfFile))
    .leftJoin(pages, eq(pages.fileId, files.id))
    .where(
      sql`${arrivals.requestId} = ${requestId}
        and not exists (select 1 from ${files} inner_file where inner_file.parent_id = ${files.id})`,
    )
    .groupBy(arrivals.id, files.id)
    .orderBy(arrivals.createdAt, files.createdAt)
  return rows.map(({ arrivalId, item, outcome, state, pages: numbers }) => ({
    arrivalId,
    item,
    good: outcome === 'taken' && state !== 'unusable',
    reading: outcome === 'taken' && (state === 'waiting' || state === 'reading'),
    pages: numbers,
  }))
}

/** Papers among what came by a link, by arrival: what each is, and whether it does for what was asked. */
export function broughtIn(
  came: readonly CameFile[],
  items: readonly RequestItem[],
  about: ToAskAbout,
): Map<string, Brought[]> {
  const found = new Map<string, Brought[]>()
  for (const document of about.documents) {
    const file = came.find((f) => document.pages.some((page) => f.pages.includes(page)))
    if (!file) continue
    const of = file.item === null ? items : items.filter((i) => i.id === file.item)
    found.set(file.arrivalId, [...(found.get(file.arrivalId) ?? []), broughtFor(document, of, about)])
  }
  return found
}
