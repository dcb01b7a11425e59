import { and, asc, desc, eq, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { loadProgram, type Program } from '../../core/program/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { programs, user } from '../database/schema.ts'
import { nextVersion } from './versions.ts'

/** A program with the version that it is of. */
export interface VersionedProgram {
  body: Program
  version: number
  /** The organisation began with it. */
  began: boolean
}

const known = new LRUCache<string, Program>({ max: 200 })

/** The newest version of each program of an organisation, in the order in which it got them. */
export async function programsOf(work: Work, organisationId: string): Promise<VersionedProgram[]> {
  const own = await work
    .selectDistinctOn([programs.program], {
      program: programs.program,
      version: programs.version,
      body: programs.body,
      first: sql`min(${programs.id}) over (partition by ${programs.program})`.mapWith(Number),
      began: sql<boolean>`bool_or(${programs.version} = 1 and ${programs.createdById} is null) over (partition by ${programs.program})`,
    })
    .from(programs)
    .where(eq(programs.organisationId, organisationId))
    .orderBy(asc(programs.program), desc(programs.version))
  return own
    .sort((a, b) => a.first - b.first)
    .map(({ body, version, began }) => ({ body: loadProgram(body).value, version, began }))
}

/** A program in one of its versions; null where there is none. A version never changes. */
export async function programAt(
  work: Work,
  organisationId: string,
  id: string,
  version: number,
): Promise<Program | null> {
  const key = `${organisationId} ${id} ${version}`
  const kept = known.get(key)
  if (kept) return kept
  const [own] = await work
    .select({ body: programs.body })
    .from(programs)
    .where(
      and(
        eq(programs.organisationId, organisationId),
        eq(programs.program, id),
        eq(programs.version, version),
      ),
    )
  if (!own) return null
  const found = loadProgram(own.body).value
  known.set(key, found)
  return found
}

/** The newest version of one program. */
export async function newestProgram(
  work: Work,
  organisationId: string,
  id: string,
): Promise<VersionedProgram | null> {
  return (await programsOf(work, organisationId)).find((p) => p.body.id === id) ?? null
}

export const programVersions = (who: Person, id: string) =>
  database()
    .select({ version: programs.version, by: user.name, createdAt: programs.createdAt })
    .from(programs)
    .leftJoin(user, eq(programs.createdById, user.id))
    .where(and(eq(programs.organisationId, who.organisationId), eq(programs.program, id)))
    .orderBy(desc(programs.version))
    .limit(30)

/**
 * Saves a program as its next version. Packages keep the version they were judged by. The draft has no faults.
 * @param basis the version that it was written from, 0 for a new one
 * @throws Overtaken
 */
export async function saveProgram(who: Person, body: Program, basis?: number): Promise<number> {
  return database().transaction(async (work) => {
    const version = await nextVersion(
      work,
      `program ${who.organisationId} ${body.id}`,
      async () => (await newestProgram(work, who.organisationId, body.id))?.version ?? 0,
      basis,
    )
    await work
      .insert(programs)
      .values({ organisationId: who.organisationId, program: body.id, version, body, createdById: who.id })
    await note(work, who, who, 'saved a program', `${body.title}, version ${version}`)
    return version
  })
}
