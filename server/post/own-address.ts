import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import { isSet } from '../arrivals/sources.ts'
import type { Work } from '../database/connection.ts'
import { arrivals, sources } from '../database/schema.ts'
import { settings } from '../settings.ts'

/**
 * The address that letters of an organisation come from: the one that a package's letters came to, so that answers stay
 * on their thread; else the oldest that this machine still looks after, since answers to any other are read by nobody.
 */
export async function ownAddress(
  work: Work,
  organisationId: string,
  packageId: string | null,
): Promise<string> {
  const mail = (
    await work
      .select()
      .from(sources)
      .where(and(eq(sources.organisationId, organisationId), inArray(sources.kind, ['address', 'mailbox'])))
      .orderBy(asc(sources.createdAt), asc(sources.id))
  ).filter(isSet)
  const came = packageId
    ? await work
        .select({ sourceId: arrivals.sourceId })
        .from(arrivals)
        .where(eq(arrivals.packageId, packageId))
        .orderBy(desc(arrivals.createdAt))
    : []
  const own = came.flatMap(({ sourceId }) => mail.find((s) => s.id === sourceId) ?? [])[0] ?? mail[0]
  return own?.address ?? `jigsa@${new URL(settings().BASE_URL).hostname}`
}
