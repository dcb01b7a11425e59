import { asc, eq, getTableColumns } from 'drizzle-orm'
import type { Person } from './access/people.ts'
import { database, type Work } from './database/connection.ts'
import { audit, auditLinks } from './database/schema.ts'

/** Writes down an act. `who` is null for what Jigsa itself did. */
export async function note(
  work: Work,
  who: Pick<Person, 'id' | 'name'> | null,
  packageId: string | null,
  act: string,
  detail = '',
): Promise<void> {
  await work.insert(audit).values({
    userId: who?.id ?? null,
    userName: who?.name ?? 'Jigsa',
    packageId,
    act,
    detail: detail.slice(0, 2000),
  })
}

/** All acts on a package with their digests in the chain of the trail, the oldest first. */
export const historyOf = (packageId: string) =>
  database()
    .select({ ...getTableColumns(audit), digest: auditLinks.digest })
    .from(audit)
    .leftJoin(auditLinks, eq(auditLinks.auditId, audit.id))
    .where(eq(audit.packageId, packageId))
    .orderBy(asc(audit.id))
