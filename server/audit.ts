import { and, asc, desc, eq, getTableColumns, lt, type SQL } from 'drizzle-orm'
import type { Person } from './access/person.ts'
import { database, type Work } from './database/connection.ts'
import { audit, auditLinks, packageKeys, packages } from './database/schema.ts'
import { keyOf, seal, unseal } from './trail-words.ts'

/** What an act is about: a package, or an organisation and none of its packages. Null concerns the whole machine. */
export type About = string | { organisationId: string } | null

/** So many characters of an act's words are kept. */
const MOST_WORDS = 20_000

/**
 * Writes down an act. What is said of a package stands under the package's key, so that it can be erased while the
 * chain stays whole: `act` itself holds no word of an applicant.
 * @param who null for what Jigsa itself did
 */
export async function note(
  work: Work,
  who: Pick<Person, 'id' | 'name'> | null,
  about: About,
  act: string,
  detail = '',
): Promise<void> {
  const words = detail.slice(0, MOST_WORDS)
  const packageId = typeof about === 'string' ? about : null
  const [owner] = packageId
    ? await work.select({ id: packages.organisationId }).from(packages).where(eq(packages.id, packageId))
    : []
  await work.insert(audit).values({
    userId: who?.id ?? null,
    userName: who?.name ?? 'Jigsa',
    packageId,
    organisationId: typeof about === 'object' && about ? about.organisationId : (owner?.id ?? null),
    act,
    detail: packageId && words ? seal(words, await keyOf(work, packageId)) : words,
  })
}

/** What is shown for words whose package was erased. */
const ERASED = 'erased'

const withWords = <A extends { detail: string; key: Buffer | null }>({ key, ...act }: A) => ({
  ...act,
  detail: unseal(act.detail, key) ?? ERASED,
})

const acts = (work: Work) =>
  work
    .select({
      ...getTableColumns(audit),
      digest: auditLinks.digest,
      key: packageKeys.key,
      caseNumber: packages.caseNumber,
    })
    .from(audit)
    .leftJoin(auditLinks, eq(auditLinks.auditId, audit.id))
    .leftJoin(packageKeys, eq(packageKeys.packageId, audit.packageId))
    .leftJoin(packages, eq(packages.id, audit.packageId))

/** All acts on a package with their digests in the chain of the trail, the oldest first. */
export async function historyOf(packageId: string, work: Work = database()) {
  return (await acts(work).where(eq(audit.packageId, packageId)).orderBy(asc(audit.id))).map(withWords)
}

/** Acts of an organisation, the newest first, so many before one. */
export async function actsOf(organisationId: string, before: number | null, most: number) {
  const own = eq(audit.organisationId, organisationId)
  const rows = await acts(database())
    .where(before === null ? own : and(own, lt(audit.id, before)))
    .orderBy(desc(audit.id))
    .limit(most)
  return rows.map(withWords)
}

/** Minutes within which somebody who comes back to a package has looked at it once. */
const ONE_LOOK = 60

/** Writes down that somebody looked at a package: who saw an applicant's papers must be told, if they ask. */
export const noteLook = (who: Person, packageId: string): Promise<void> =>
  noteOnce(who, packageId, 'looked at the package', eq(audit.packageId, packageId))

/** As `noteLook`, of what came and may be in no package yet. */
export const noteLookAtArrival = (who: Person, id: string): Promise<void> =>
  noteOnce(who, who, 'looked at an arrival', eq(audit.detail, id), id)

async function noteOnce(who: Person, about: About, act: string, same: SQL, detail = ''): Promise<void> {
  const [last] = await database()
    .select({ at: audit.at })
    .from(audit)
    .where(and(same, eq(audit.userId, who.id), eq(audit.act, act)))
    .orderBy(desc(audit.id))
    .limit(1)
  if (!last || Date.now() - last.at.getTime() > ONE_LOOK * 60_000)
    await note(database(), who, about, act, detail)
}
