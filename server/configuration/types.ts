import { and, arrayContains, asc, desc, eq, isNull, ne, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { type DocumentType, loadType, typesIn } from '../../core/program/index.ts'
import { withLearntLabels } from '../../core/extraction/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { documentTypes, learntLabels, packages, user } from '../database/schema.ts'
import { log } from '../log.ts'
import { queueJob } from '../jobs/queue.ts'
import { programsOf } from './programs.ts'
import { recutUntouched } from './knowledge.ts'
import { nextVersion } from './versions.ts'

/**
 * Types of an organisation by what they were last made of: the same list as long as nothing changes, for much
 * is remembered with it.
 */
const known = new LRUCache<string, readonly DocumentType[]>({ max: 16 })
/** Versions of types with their learnt wordings: the same object for the same wordings. */
const made = new LRUCache<string, DocumentType>({ max: 400 })

/**
 * The document types that an organisation's papers are read by: the newest version of each, with what was
 * taught, in the order in which it got them.
 */
export async function typesOf(work: Work, organisationId: string): Promise<readonly DocumentType[]> {
  const {
    rows: [stamp],
  } = await work.execute<{ versions: string; labels: string; removed: string }>(sql`select
    (select coalesce(max(id), 0) || ' ' || count(*) from document_type where organisation_id = ${organisationId}) as versions,
    (select coalesce(max(id), 0) from learnt_label where organisation_id = ${organisationId}) as labels,
    (select count(*) from learnt_label where organisation_id = ${organisationId} and removed_at is not null) as removed`)
  const key = `${organisationId} ${stamp.versions} ${stamp.labels} ${stamp.removed}`
  let found = known.get(key)
  if (!found) {
    const own = await work
      .selectDistinctOn([documentTypes.type], {
        id: documentTypes.id,
        type: documentTypes.type,
        body: documentTypes.body,
        first: sql`min(${documentTypes.id}) over (partition by ${documentTypes.type})`.mapWith(Number),
      })
      .from(documentTypes)
      .where(eq(documentTypes.organisationId, organisationId))
      .orderBy(asc(documentTypes.type), desc(documentTypes.version))
    const labels = await work
      .select({
        id: learntLabels.id,
        type: learntLabels.type,
        field: learntLabels.field,
        wording: learntLabels.wording,
        skips: learntLabels.skips,
      })
      .from(learntLabels)
      .where(and(eq(learntLabels.organisationId, organisationId), isNull(learntLabels.removedAt)))
      .orderBy(desc(learntLabels.id))
    found = own
      .sort((a, b) => a.first - b.first)
      .map(({ id, type, body }) => {
        const learnt = labels.filter((l) => l.type === type)
        const as = `${id} ${learnt.map((l) => l.id).join()}`
        let kept = made.get(as)
        if (!kept) {
          const { value, assumed } = loadType(body)
          for (const line of assumed) log.warn({ organisationId, line }, 'a stored type is of an older form')
          made.set(as, (kept = withLearntLabels(value, learnt)))
        }
        return kept
      })
    known.set(key, found)
  }
  return found
}

/** The versions of a type, the newest first; the first has no author where the organisation began with it. */
export const versionsOf = (who: Person, type: string) =>
  database()
    .select({
      version: documentTypes.version,
      by: user.name,
      createdAt: documentTypes.createdAt,
      body: documentTypes.body,
    })
    .from(documentTypes)
    .leftJoin(user, eq(documentTypes.createdById, user.id))
    .where(and(eq(documentTypes.organisationId, who.organisationId), eq(documentTypes.type, type)))
    .orderBy(desc(documentTypes.version))
    .limit(30)

/**
 * Takes a type away from an organisation, with what was learnt for it.
 * @returns why it cannot be taken away, in a sentence; null once it is gone
 */
export function removeType(who: Person, type: string): Promise<string | null> {
  return database().transaction(async (work) => {
    const own = await typeAsSaved(work, who.organisationId, type)
    if (!own) return 'There is no such type any more.'
    const used = await work
      .select({ caseNumber: packages.caseNumber })
      .from(packages)
      .where(
        and(
          eq(packages.organisationId, who.organisationId),
          arrayContains(packages.types, [type]),
          ne(packages.state, 'sample'),
        ),
      )
      .limit(3)
    if (used.length > 0)
      return `Papers of this type are in ${used.map((u) => u.caseNumber).join(', ')}; give them another type first.`
    const asking = (await programsOf(work, who.organisationId)).find(({ body }) => typesIn(body).has(type))
    if (asking) return `The program “${asking.body.title}” asks for it; change that first.`
    await work
      .delete(documentTypes)
      .where(and(eq(documentTypes.organisationId, who.organisationId), eq(documentTypes.type, type)))
    await work
      .delete(learntLabels)
      .where(and(eq(learntLabels.organisationId, who.organisationId), eq(learntLabels.type, type)))
    await work
      .delete(packages)
      .where(
        and(
          eq(packages.organisationId, who.organisationId),
          eq(packages.state, 'sample'),
          arrayContains(packages.types, [type]),
        ),
      )
    await note(work, who, who, 'took a document type away', own.title)
    await recutUntouched(work, who.organisationId)
    return null
  })
}

/** A type as it stands, without what was taught. */
export async function typeAsSaved(
  work: Work,
  organisationId: string,
  type: string,
): Promise<DocumentType | null> {
  const [own] = await work
    .select({ body: documentTypes.body })
    .from(documentTypes)
    .where(and(eq(documentTypes.organisationId, organisationId), eq(documentTypes.type, type)))
    .orderBy(desc(documentTypes.version))
    .limit(1)
  return own ? loadType(own.body).value : null
}

/**
 * Saves a type as its next version. Papers of the type that wait are read again, and packages nobody touched
 * are cut anew, for the type may be known by other words now.
 * @param options.assumed what an older form of its file left to be assumed; it stands in the trail
 * @param options.basis the version that it was written from, 0 for a new one
 * @throws Overtaken
 */
export async function saveType(
  work: Work,
  who: Person,
  body: DocumentType,
  { assumed = [], basis }: { assumed?: readonly string[]; basis?: number } = {},
): Promise<number> {
  const newest = async () => {
    const [last] = await work
      .select({ version: documentTypes.version })
      .from(documentTypes)
      .where(and(eq(documentTypes.organisationId, who.organisationId), eq(documentTypes.type, body.id)))
      .orderBy(desc(documentTypes.version))
      .limit(1)
    return last?.version ?? 0
  }
  const version = await nextVersion(work, `type ${who.organisationId} ${body.id}`, newest, basis)
  await work
    .insert(documentTypes)
    .values({ organisationId: who.organisationId, type: body.id, version, body, createdById: who.id })
  await note(
    work,
    who,
    who,
    'saved a document type',
    [`${body.title}, version ${version}`, ...assumed].join('; '),
  )
  await queueJob(work, 'read_type_again', {
    organisationId: who.organisationId,
    type: body.id,
    labelId: null,
  })
  await recutUntouched(work, who.organisationId)
  return version
}

/**
 * Where a type of an organisation comes from: what it began with, what it changed of that, or what it wrote
 * itself.
 */
export type Origin = 'starter' | 'changed' | 'own'

/** The origin of each type of an organisation, by its id. */
export async function originsOf(work: Work, organisationId: string): Promise<Map<string, Origin>> {
  const rows = await work
    .select({
      type: documentTypes.type,
      began: sql<boolean>`bool_or(${documentTypes.version} = 1 and ${documentTypes.createdById} is null)`,
      newest: sql<number>`max(${documentTypes.version})`,
    })
    .from(documentTypes)
    .where(eq(documentTypes.organisationId, organisationId))
    .groupBy(documentTypes.type)
  return new Map(rows.map((r) => [r.type, !r.began ? 'own' : r.newest > 1 ? 'changed' : 'starter']))
}
