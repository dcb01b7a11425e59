import { basename } from 'node:path'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { programsOf } from '../configuration/programs.ts'
import { organisations, sources } from '../database/schema.ts'
import { tellArrivals } from '../events.ts'
import { settings } from '../settings.ts'

/** Makes known what the machine is set to watch. One that is new takes the only program there is, where there is one. */
export async function knowSources(): Promise<void> {
  const set = settings().WATCHED_FOLDERS
  const there = await database()
    .select({ id: organisations.id })
    .from(organisations)
    .where(inArray(organisations.id, Object.keys(set)))
  for (const { id: organisationId } of there) {
    const known = (await sourcesOf(organisationId)).map((s) => s.address)
    for (const address of set[organisationId].filter((a) => !known.includes(a))) {
      const all = await programsOf(database(), organisationId)
      await database()
        .insert(sources)
        .values({
          organisationId,
          kind: 'folder',
          address,
          name: `Folder ${basename(address)}`,
          program: all.length === 1 ? all[0].body.id : null,
        })
        .onConflictDoNothing()
    }
  }
}

/** Whether a source is set on this machine. */
const isSet = ({ organisationId, address }: typeof sources.$inferSelect): boolean =>
  settings().WATCHED_FOLDERS[organisationId]?.includes(address) ?? false

/** Sources of all organisations that are set on this machine. */
export async function watchedSources(): Promise<(typeof sources.$inferSelect)[]> {
  const all = await database().select().from(sources).orderBy(asc(sources.createdAt), asc(sources.id))
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
  { id, organisationId, problem: before }: typeof sources.$inferSelect,
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
