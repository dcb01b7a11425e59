import { and, eq, sql } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'
import { packages } from '../database/schema.ts'

/** So many pages of a package are read before those of another are made to wait for it. */
const PACKAGE_PAGES = 25
/** So many pages of an organisation may wait before new ones of it are put behind those of others. */
const ORGANISATION_PAGES = 100
/** However much waits, it comes before whatever has no hurry at all. */
const LAST_TURN = 50

/**
 * The turn in which a page is read; lower is sooner. A package of two thousand pages keeps nobody's next page waiting,
 * nor an organisation that brings a hundred packages those of another. Within a turn pages go in the order in which
 * they came.
 * @param waiting pages of its package, and of its organisation, that are to be read before it
 */
export const turnOf = (waiting: { ofPackage: number; ofOrganisation: number }): number =>
  Math.min(
    LAST_TURN,
    Math.floor(waiting.ofPackage / PACKAGE_PAGES) + Math.floor(waiting.ofOrganisation / ORGANISATION_PAGES),
  )

/** Pages of an organisation that are still to be read. */
export async function pagesWaiting(work: Work, organisationId: string): Promise<number> {
  const [row] = await work
    .select({ pages: sql<string>`coalesce(sum(${packages.pageCount} - ${packages.pagesRead}), 0)` })
    .from(packages)
    .where(and(eq(packages.organisationId, organisationId), eq(packages.state, 'reading')))
  return Number(row.pages)
}
