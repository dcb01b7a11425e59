import { createHash } from 'node:crypto'
import { and, desc, eq, isNull, ne, sql } from 'drizzle-orm'
import { dayName } from '../../core/text/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, packages, sources, type ArrivedFile } from '../database/schema.ts'
import { tellArrivals } from '../events.ts'
import { fileContents, openPackage } from '../packages/intake.ts'
import { allows, Refused } from '../packages/states.ts'

/** What came, with its files in the store. */
export interface Arrived {
  /** By which the source knows it again. */
  identity: string
  name: string
  files: readonly ArrivedFile[]
}

type Source = typeof sources.$inferSelect

/**
 * What an arrival keeps of its files. The same papers have the same digest, whatever they are called and in whatever
 * order they came.
 */
export function contentsOfArrival(
  came: readonly ArrivedFile[],
): Pick<typeof arrivals.$inferInsert, 'files' | 'size' | 'digest'> {
  const digests = came.map((f) => f.sha256).sort()
  return {
    files: came.map(({ name, sha256, size }) => ({ name, sha256, size })),
    size: came.reduce((sum, f) => sum + f.size, 0),
    digest: createHash('sha256').update(digests.join('\n')).digest('hex'),
  }
}

/**
 * Takes what came into a package, once: whoever hands it over again, not knowing that it was taken, changes nothing.
 * What cannot be taken stays to be seen with its reason.
 */
export function take(source: Source, { identity, name, files: came }: Arrived): Promise<void> {
  return database().transaction(async (work) => {
    const [made] = await work
      .insert(arrivals)
      .values({
        organisationId: source.organisationId,
        sourceId: source.id,
        identity,
        name,
        ...contentsOfArrival(came),
      })
      .onConflictDoNothing()
      .returning()
    if (made) await place(work, source, made, null)
  })
}

/** Writes down that something came that cannot be taken. */
export async function refuse(
  source: Source,
  { identity, name }: Pick<Arrived, 'identity' | 'name'>,
  problem: string,
): Promise<void> {
  await database()
    .insert(arrivals)
    .values({
      organisationId: source.organisationId,
      sourceId: source.id,
      identity,
      name,
      problem,
      ...contentsOfArrival([]),
    })
    .onConflictDoNothing()
  await tellArrivals(database(), source.organisationId)
}

type Row = typeof arrivals.$inferSelect

/** @param who wants it, though it came before; null where it came by itself */
async function place(work: Work, source: Source, row: Row, who: Person | null): Promise<void> {
  try {
    if (!who) await demandNew(work, row)
    await work
      .update(arrivals)
      .set(await fileIt(work, source, row, who))
      .where(eq(arrivals.id, row.id))
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    await work.update(arrivals).set({ problem: error.message }).where(eq(arrivals.id, row.id))
    await tellArrivals(work, row.organisationId)
  }
}

/** @throws Refused where the very same papers came before and are in a package */
async function demandNew(work: Work, row: Row): Promise<void> {
  const [earlier] = await work
    .select({ at: arrivals.createdAt, caseNumber: packages.caseNumber })
    .from(arrivals)
    .innerJoin(packages, eq(packages.id, arrivals.packageId))
    .where(
      and(
        eq(arrivals.organisationId, row.organisationId),
        eq(arrivals.digest, row.digest),
        ne(arrivals.id, row.id),
      ),
    )
    .orderBy(desc(arrivals.createdAt))
    .limit(1)
  if (earlier)
    throw new Refused(
      `The very same came on ${dayName(earlier.at.toISOString().slice(0, 10))} and is in ${earlier.caseNumber}; it was not taken twice.`,
    )
}

async function fileIt(
  work: Work,
  source: Source,
  row: Row,
  who: Person | null,
): Promise<{ packageId: string; problem: string | null }> {
  if (row.files.length === 0) throw new Refused('There is nothing in it.')
  const known = await namedCase(work, row)
  if (!known && !source.program)
    throw new Refused('Nobody has said by which program papers from here are judged.')
  const packageId =
    known ?? (await openPackage(work, source.program!, who, { organisationId: row.organisationId }))
  await note(work, who, packageId, 'got papers', `${row.name}, from ${source.name}`)
  const refused: string[] = []
  for (const file of row.files) {
    const problem = await fileContents(work, packageId, file, who).then(
      (brought) => brought.problem,
      (error: unknown) => {
        if (!(error instanceof Refused)) throw error
        return error.message
      },
    )
    if (problem) refused.push(`${file.name}: ${problem}`)
  }
  if (refused.length === row.files.length) throw new Refused(refused[0])
  // What is in the package is there; what is not is said beside it.
  return { packageId, problem: refused.length > 0 ? refused.join(' ') : null }
}

/** Case numbers shorter than this stand in many a name by chance. */
const SHORTEST_NUMBER = 5

/** The package whose case number stands in the name of what came, as a word of its own, where it takes papers. */
async function namedCase(work: Work, row: Row): Promise<string | null> {
  const names = [row.name, ...row.files.map((f) => f.name)].join('\n').toUpperCase()
  const found = await work
    .select({ id: packages.id, state: packages.state, caseNumber: packages.caseNumber })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, row.organisationId),
        sql`length(${packages.caseNumber}) >= ${SHORTEST_NUMBER} and strpos(${names}, upper(${packages.caseNumber})) > 0`,
      ),
    )
  const whole = found.filter(({ caseNumber }) =>
    names.split(caseNumber.toUpperCase()).some((before, i, parts) => {
      const after = parts[i + 1]
      return after !== undefined && !/[\p{L}\d]$/u.test(before) && !/^[\p{L}\d]/u.test(after)
    }),
  )
  // Two numbers in one name say nothing.
  return whole.length === 1 && allows(whole[0].state, 'bring files') ? whole[0].id : null
}

/** Takes what was not taken, now that a person wants it. @returns false where there is none */
export function takeAgain(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const [row] = await work
      .select()
      .from(arrivals)
      .where(
        and(eq(arrivals.id, id), eq(arrivals.organisationId, who.organisationId), isNull(arrivals.packageId)),
      )
      .for('update')
    const [source] = row?.sourceId
      ? await work.select().from(sources).where(eq(sources.id, row.sourceId))
      : []
    if (!row || !source) return false
    await place(work, source, row, who)
    return true
  })
}
