import { and, asc, desc, eq } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { builtInPrograms, programById } from '../../core/program/starter/programs.ts'
import { programSchema, type Program } from '../../core/program/schema.ts'
import type { Person } from '../access/people.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { programs, user } from '../database/schema.ts'

/** A program with the version that it is of. Version 1 of a built-in one is as it ships. */
export interface VersionedProgram {
  body: Program
  version: number
}

const known = new LRUCache<string, Program>({ max: 200 })

/** The newest version of each program of an organisation, the built-in ones first. */
export async function programsOf(work: Work, organisationId: string): Promise<VersionedProgram[]> {
  const own = await work
    .selectDistinctOn([programs.program], {
      program: programs.program,
      version: programs.version,
      body: programs.body,
    })
    .from(programs)
    .where(eq(programs.organisationId, organisationId))
    .orderBy(asc(programs.program), desc(programs.version))
  const changed = new Map(
    own.map((o) => [o.program, { body: programSchema.parse(o.body), version: o.version }]),
  )
  return [
    ...builtInPrograms.map((p) => changed.get(p.id) ?? { body: p, version: 1 }),
    ...own.filter((o) => !programById(o.program)).map((o) => changed.get(o.program)!),
  ]
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
  const found = own ? programSchema.parse(own.body) : version === 1 ? programById(id) : undefined
  if (found) known.set(key, found)
  return found ?? null
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

/** Saves a program as its next version. Packages keep the version they were judged by. The draft has no faults. */
export async function saveProgram(who: Person, body: Program): Promise<number> {
  return database().transaction(async (work) => {
    const newest = await newestProgram(work, who.organisationId, body.id)
    const version = (newest?.version ?? 0) + 1
    await work
      .insert(programs)
      .values({ organisationId: who.organisationId, program: body.id, version, body, createdById: who.id })
    await note(work, who, null, 'saved a program', `${body.title}, version ${version}`)
    return version
  })
}
