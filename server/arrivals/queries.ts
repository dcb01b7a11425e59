import { and, asc, desc, eq, ilike, inArray, or, sql } from 'drizzle-orm'
import { database } from '../database/connection.ts'
import { behind, cursorOf, inMilliseconds, placeOf } from '../database/cursor.ts'
import {
  arrivals,
  type ArrivalOutcome,
  audit,
  files,
  integrations,
  messages,
  packages,
  sources,
} from '../database/schema.ts'
import { letterReader } from '../jobs/readers.ts'
import { fetchContents } from '../storage/contents.ts'

const CAME = { at: arrivals.createdAt, id: arrivals.id }

/** Arrivals of one page. */
const PAGE = 100

/** What came to an organisation, the newest first. @param asked.cursor where the last page ended */
export async function arrivalsOf(
  organisationId: string,
  asked: { words?: string; source?: string; outcome?: ArrivalOutcome; cursor?: string },
) {
  const place = asked.cursor === undefined ? null : placeOf(asked.cursor)
  const words = asked.words?.replace(/[%_\\]/g, (sign) => `\\${sign}`)
  const rows = await database()
    .select({
      id: arrivals.id,
      name: arrivals.name,
      files: sql<number>`jsonb_array_length(${arrivals.files})`,
      size: arrivals.size,
      outcome: arrivals.outcome,
      problem: arrivals.problem,
      sender: messages.sender,
      toldAt: arrivals.toldAt,
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
    .leftJoin(messages, and(eq(messages.arrivalId, arrivals.id), eq(messages.state, 'came')))
    .where(
      and(
        eq(arrivals.organisationId, organisationId),
        asked.source ? eq(arrivals.sourceId, asked.source) : undefined,
        asked.outcome ? eq(arrivals.outcome, asked.outcome) : undefined,
        place ? behind(place, CAME, 'latest first') : undefined,
        words
          ? or(
              ilike(arrivals.name, `%${words}%`),
              ilike(packages.caseNumber, `%${words}%`),
              ilike(packages.applicant, `%${words}%`),
              ilike(messages.sender, `%${words}%`),
            )
          : undefined,
      ),
    )
    .orderBy(desc(inMilliseconds(CAME.at)), desc(CAME.id))
    .limit(PAGE + 1)
  const shown = rows.slice(0, PAGE)
  return { rows: shown, next: rows.length > PAGE ? cursorOf(shown[PAGE - 1]) : null }
}

/** One thing that came, with all that is known of it; null where an organisation has none such. */
export async function arrivalOf(organisationId: string, id: string) {
  const [found] = await database()
    .select({
      arrival: arrivals,
      source: sources,
      integration: integrations.name,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
      state: packages.state,
    })
    .from(arrivals)
    .leftJoin(sources, eq(sources.id, arrivals.sourceId))
    .leftJoin(integrations, eq(integrations.id, arrivals.integrationId))
    .leftJoin(packages, eq(packages.id, arrivals.packageId))
    .where(and(eq(arrivals.id, id), eq(arrivals.organisationId, organisationId)))
  if (!found) return null
  const [letters, inPackage, acts] = await Promise.all([
    database().select().from(messages).where(eq(messages.arrivalId, id)).orderBy(asc(messages.createdAt)),
    database()
      .select({
        sha256: files.sha256,
        name: files.name,
        pages: files.pages,
        state: files.state,
        problem: files.problem,
      })
      .from(files)
      .where(eq(files.arrivalId, id)),
    database()
      .select({ at: audit.at, who: audit.userName, act: audit.act })
      .from(audit)
      .where(
        and(
          eq(audit.organisationId, organisationId),
          inArray(audit.act, [...ACTS_ON_ARRIVALS]),
          sql`starts_with(${audit.detail}, ${id})`,
        ),
      )
      .orderBy(asc(audit.id)),
  ])
  return { ...found, letters, inPackage, acts }
}

/** What the trail calls the acts of people on what came. */
const ACTS_ON_ARRIVALS = ['set an arrival aside', 'looked at an arrival', 'downloaded what came'] as const

/** What a letter that came says; null where it cannot be opened. */
export async function letterText(sha256: string): Promise<{ text: string; html: string | null } | null> {
  return letterReader()
    .message(await fetchContents(sha256))
    .then(
      ({ text, html }) => ({ text, html }),
      () => null,
    )
}
