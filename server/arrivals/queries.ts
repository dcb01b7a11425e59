import { and, desc, eq, ilike, isNotNull, isNull, or, sql } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { behind, cursorOf, inMilliseconds, placeOf } from '../database/cursor.ts'
import { arrivals, integrations, packages, sources } from '../database/schema.ts'

/** What became of an arrival: it is in a package, or there is a reason why not. */
export const outcomes = ['taken', 'not taken'] as const
export type Outcome = (typeof outcomes)[number]

const CAME = { at: arrivals.createdAt, id: arrivals.id }

/** Arrivals of one page. */
const PAGE = 100

/** What came to an organisation, the newest first. @param asked.cursor where the last page ended */
export async function arrivalsOf(
  organisationId: string,
  asked: { words?: string; source?: string; outcome?: Outcome; cursor?: string },
) {
  const place = asked.cursor === undefined ? null : placeOf(asked.cursor)
  const words = asked.words?.replace(/[%_\\]/g, (sign) => `\\${sign}`)
  const rows = await database()
    .select({
      id: arrivals.id,
      name: arrivals.name,
      files: sql<number>`jsonb_array_length(${arrivals.files})`,
      size: arrivals.size,
      problem: arrivals.problem,
      at: arrivals.createdAt,
      source: sql<string | null>`coalesce(${sources.name}, ${integrations.name})`,
      packageId: arrivals.packageId,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
      state: packages.state,
      pages: packages.pageCount,
      pagesRead: packages.pagesRead,
    })
    .from(arrivals)
    .leftJoin(sources, eq(sources.id, arrivals.sourceId))
    .leftJoin(integrations, eq(integrations.id, arrivals.integrationId))
    .leftJoin(packages, eq(packages.id, arrivals.packageId))
    .where(
      and(
        eq(arrivals.organisationId, organisationId),
        asked.source ? eq(arrivals.sourceId, asked.source) : undefined,
        asked.outcome === 'taken' ? isNotNull(arrivals.packageId) : undefined,
        asked.outcome === 'not taken' ? isNull(arrivals.packageId) : undefined,
        place ? behind(place, CAME, 'latest first') : undefined,
        words
          ? or(
              ilike(arrivals.name, `%${words}%`),
              ilike(packages.caseNumber, `%${words}%`),
              ilike(packages.applicant, `%${words}%`),
            )
          : undefined,
      ),
    )
    .orderBy(desc(inMilliseconds(CAME.at)), desc(CAME.id))
    .limit(PAGE + 1)
  const shown = rows.slice(0, PAGE)
  return { rows: shown, next: rows.length > PAGE ? cursorOf(shown[PAGE - 1]) : null }
}
