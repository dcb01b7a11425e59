import { and, arrayContains, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import type { DocumentType } from '../../core/program/schema.ts'
import { builtInTypes } from '../../core/program/starter/types/index.ts'
import { withLearntLabels } from '../../core/extraction/labels/learn-labels.ts'
import type { Person } from '../access/people.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { documentTypes, learntLabels, packages, user } from '../database/schema.ts'
import { queueJob } from '../jobs/queue.ts'
import { programsOf } from './programs.ts'
import { recutUntouched } from './knowledge.ts'

/** Types of an organisation by what they were last made of: the same list as long as nothing changes, for much is remembered with it. */
const known = new LRUCache<string, readonly DocumentType[]>({ max: 16 })
/** Built-in types that nobody changed, and versions, with their learnt wordings: the same object for the same wordings. */
const made = new LRUCache<string, DocumentType>({ max: 400 })

/** The document types that an organisation's papers are read by: its own versions, else the built-in ones, with what was taught. */
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
    const changed = new Map(own.map((o) => [o.type, o]))
    const bases = [
      ...builtInTypes.map((t) => changed.get(t.id) ?? { id: 0, type: t.id, body: t }),
      ...own.filter((o) => !builtInTypes.some((t) => t.id === o.type)),
    ]
    const types = bases.map(({ id, type, body }) => {
      const learnt = labels.filter((l) => l.type === type)
      if (id === 0 && learnt.length === 0) return body
      const as = `${type} ${id} ${learnt.map((l) => l.id).join()}`
      const kept = made.get(as) ?? withLearntLabels(body, learnt)
      made.set(as, kept)
      return kept
    })
    // Nobody changed anything: the very list that everything built in is remembered by.
    const list =
      types.every((t, i) => t === builtInTypes[i]) && types.length === builtInTypes.length
        ? builtInTypes
        : types
    found = list
    known.set(key, found)
  }
  return found
}

/** The versions of a type, the newest first; none where it is built in and unchanged. */
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
 * Takes a type of the organisation's own away, with what was learnt for it. Types that ship with Jigsa stay.
 * @returns why it cannot be taken away, in a sentence; null once it is gone
 */
export function removeType(who: Person, type: string): Promise<string | null> {
  return database().transaction(async (work) => {
    if (builtInTypes.some((t) => t.id === type)) return 'This type ships with Jigsa and stays.'
    const own = await typeAsSaved(work, who.organisationId, type)
    if (!own) return 'There is no such type any more.'
    const used = await work
      .select({ caseNumber: packages.caseNumber })
      .from(packages)
      .where(and(eq(packages.organisationId, who.organisationId), arrayContains(packages.types, [type])))
      .limit(3)
    if (used.length > 0)
      return `Papers of this type are in ${used.map((u) => u.caseNumber).join(', ')}; give them another type first.`
    const asking = (await programsOf(work, who.organisationId)).find(
      ({ body }) => JSON.stringify(body).includes(`"${type}"`) || JSON.stringify(body).includes(`"${type}.`),
    )
    if (asking) return `The program “${asking.body.title}” asks for it; change that first.`
    await work
      .delete(documentTypes)
      .where(and(eq(documentTypes.organisationId, who.organisationId), eq(documentTypes.type, type)))
    await work
      .delete(learntLabels)
      .where(and(eq(learntLabels.organisationId, who.organisationId), eq(learntLabels.type, type)))
    await note(work, who, null, 'took a document type away', own.title)
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
  return own?.body ?? builtInTypes.find((t) => t.id === type) ?? null
}

/**
 * Saves a type as its next version. Papers of the type that wait are read again, and packages nobody touched are cut anew,
 * for the type may be known by other words now.
 */
export async function saveType(work: Work, who: Person, body: DocumentType): Promise<number> {
  const [last] = await work
    .select({ version: documentTypes.version })
    .from(documentTypes)
    .where(and(eq(documentTypes.organisationId, who.organisationId), eq(documentTypes.type, body.id)))
    .orderBy(desc(documentTypes.version))
    .limit(1)
  // The built-in form is the first version.
  const version = (last?.version ?? (builtInTypes.some((t) => t.id === body.id) ? 1 : 0)) + 1
  await work
    .insert(documentTypes)
    .values({ organisationId: who.organisationId, type: body.id, version, body, createdById: who.id })
  await note(work, who, null, 'saved a document type', `${body.title}, version ${version}`)
  await queueJob(work, 'read_type_again', {
    organisationId: who.organisationId,
    type: body.id,
    labelId: null,
  })
  await recutUntouched(work, who.organisationId)
  return version
}
