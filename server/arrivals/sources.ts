import { basename } from 'node:path'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { programsOf } from '../configuration/programs.ts'
import { organisations, sources, type SourceKind } from '../database/schema.ts'
import { tellArrivals } from '../events.ts'
import { settings } from '../settings.ts'

/** A source that the machine is set to look after. */
interface SetSource {
  kind: SourceKind
  address: string
  name: string
}

/** What the machine is set to look after, by organisation. */
function setSources(): Map<string, SetSource[]> {
  const { WATCHED_FOLDERS, MAILBOXES, MAIL_ADDRESSES } = settings()
  const set = new Map<string, SetSource[]>()
  const add = (organisationId: string, source: SetSource) =>
    set.set(organisationId, [...(set.get(organisationId) ?? []), source])
  for (const [id, folders] of Object.entries(WATCHED_FOLDERS))
    for (const address of folders) add(id, { kind: 'folder', address, name: `Folder ${basename(address)}` })
  for (const [id, boxes] of Object.entries(MAILBOXES))
    for (const { address } of boxes) add(id, { kind: 'mailbox', address, name: `Mailbox ${address}` })
  for (const [id, addresses] of Object.entries(MAIL_ADDRESSES))
    for (const address of addresses) add(id, { kind: 'address', address, name: `Mail for ${address}` })
  return set
}

/** Whether an address is one of those that our own letters come from. */
export const isOurs = (address: string): boolean =>
  [...setSources().values()].flat().some((s) => s.kind !== 'folder' && s.address === address.toLowerCase())

/** Makes known what the machine is set to look after. One that is new takes the only program there is, where there is one. */
export async function knowSources(): Promise<void> {
  const set = setSources()
  const there = await database()
    .select({ id: organisations.id })
    .from(organisations)
    .where(inArray(organisations.id, [...set.keys()]))
  for (const { id: organisationId } of there) {
    const known = await sourcesOf(organisationId)
    const isNew = ({ kind, address }: SetSource) =>
      !known.some((k) => k.kind === kind && k.address === address)
    for (const source of set.get(organisationId)!.filter(isNew)) {
      const all = await programsOf(database(), organisationId)
      await database()
        .insert(sources)
        .values({
          organisationId,
          ...source,
          program: all.length === 1 ? all[0].body.id : null,
        })
        .onConflictDoNothing()
    }
  }
}

export type Source = typeof sources.$inferSelect

/** Whether a source is set on this machine; devices come to it by themselves. */
export const isSet = ({ organisationId, kind, address }: Source): boolean =>
  kind === 'device' ||
  kind === 'link' ||
  (setSources().get(organisationId) ?? []).some((s) => s.kind === kind && s.address === address)

/** Sources of a kind, of all organisations, that are set on this machine. */
export async function setSourcesOf(kind: SourceKind): Promise<Source[]> {
  const all = await database()
    .select()
    .from(sources)
    .where(eq(sources.kind, kind))
    .orderBy(asc(sources.createdAt), asc(sources.id))
  return all.filter(isSet)
}

/** The sources of an organisation, how they are, and whether they are set on this machine still. */
export async function sourcesOf(organisationId: string) {
  const all = await database()
    .select()
    .from(sources)
    .where(eq(sources.organisationId, organisationId))
    .orderBy(asc(sources.createdAt), asc(sources.id))
  return all.map((source) => ({ ...source, isSet: isSet(source) }))
}

/** Says what becomes of what comes from a source. @returns false where there is none, or no such program */
export function setSource(
  who: Person,
  id: string,
  set: { name: string; program: string; paused: boolean },
): Promise<boolean> {
  return database().transaction(async (work) => {
    const known = await programsOf(work, who.organisationId)
    if (!known.some((p) => p.body.id === set.program)) return false
    const [changed] = await work
      .update(sources)
      .set(set)
      .where(and(eq(sources.id, id), eq(sources.organisationId, who.organisationId)))
      .returning({ id: sources.id })
    if (!changed) return false
    await note(
      work,
      who,
      who,
      'changed a source',
      `${set.name}: ${set.program}${set.paused ? ', paused' : ''}`,
    )
    return true
  })
}

/** Seconds within which a source was looked at just now. */
const NOTED_SECONDS = 20

/** Notes how a source is; one that is well again has no problem any more. */
export async function noteState(
  { id, organisationId, problem: before }: Source,
  problem: string | null,
): Promise<void> {
  await database()
    .update(sources)
    .set({
      problem,
      problemSince: problem === null ? null : sql`coalesce(${sources.problemSince}, now())`,
      lookedAt: sql`now()`,
    })
    .where(
      and(
        eq(sources.id, id),
        // A look a second is no reason to write a row a second.
        sql`(${sources.problem} is distinct from ${problem}
          or coalesce(${sources.lookedAt}, 'epoch') < now() - make_interval(secs => ${NOTED_SECONDS}))`,
      ),
    )
  if (problem !== before) await tellArrivals(database(), organisationId)
}
