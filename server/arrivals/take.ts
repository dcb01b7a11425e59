import { createHash } from 'node:crypto'
import { and, desc, eq, inArray, isNull, ne } from 'drizzle-orm'
import { dayName } from '../../core/text/index.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, organisations, packages, sources, type ArrivedFile } from '../database/schema.ts'
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

/** The same papers have the same digest, whatever they are called and in whatever order they came. */
const digestOf = (came: readonly ArrivedFile[]): string =>
  createHash('sha256')
    .update(
      came
        .map((f) => f.sha256)
        .sort()
        .join('\n'),
    )
    .digest('hex')

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
        digest: digestOf(came),
        files: [...came],
        size: came.reduce((sum, f) => sum + f.size, 0),
      })
      .onConflictDoNothing()
      .returning()
    if (made) await place(work, source, made)
  })
}

/** Writes down that something came that cannot be taken. */
export async function refuse(
  source: Source,
  { identity, name }: Pick<Arrived, 'identity' | 'name'>,
  problem: string,
): Promise<void> {
  const nothing = { files: [], size: 0, digest: digestOf([]) }
  await database()
    .insert(arrivals)
    .values({
      organisationId: source.organisationId,
      sourceId: source.id,
      identity,
      name,
      problem,
      ...nothing,
    })
    .onConflictDoNothing()
}

type Row = typeof arrivals.$inferSelect

/** @param anyway a person wants it, though it came before */
async function place(work: Work, source: Source, row: Row, anyway = false): Promise<void> {
  try {
    if (!anyway) await demandNew(work, row)
    const packageId = await fileIt(work, source, row)
    await work.update(arrivals).set({ packageId, problem: null }).where(eq(arrivals.id, row.id))
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    await work.update(arrivals).set({ problem: error.message }).where(eq(arrivals.id, row.id))
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

async function fileIt(work: Work, source: Source, row: Row): Promise<string> {
  if (row.files.length === 0) throw new Refused('There is nothing in it.')
  const known = await namedCase(work, row)
  if (!known && !source.program)
    throw new Refused('Nobody has said by which program papers from here are judged.')
  const packageId =
    known ?? (await openPackage(work, source.program!, null, { organisationId: row.organisationId }))
  await note(work, null, packageId, 'got papers', `${row.name}, from ${source.name}`)
  const refused: string[] = []
  for (const file of row.files) {
    const { problem } = await fileContents(work, packageId, file, null)
    if (problem) refused.push(`${file.name}: ${problem}`)
  }
  if (refused.length === row.files.length) throw new Refused(refused[0])
  return packageId
}

/** The package whose case number stands in the name of what came, where it takes papers. */
async function namedCase(work: Work, row: Row): Promise<string | null> {
  const [{ letters }] = await work
    .select({ letters: organisations.casePrefix })
    .from(organisations)
    .where(eq(organisations.id, row.organisationId))
  const said = [row.name, ...row.files.map((f) => f.name)].flatMap((name) =>
    [...name.matchAll(/[A-Z]{2,5}-\d{2}-\d{4,8}/gi)].map(([number]) => number.toUpperCase()),
  )
  if (!letters || said.length === 0) return null
  const found = await work
    .select({ id: packages.id, state: packages.state })
    .from(packages)
    .where(and(eq(packages.organisationId, row.organisationId), inArray(packages.caseNumber, said)))
  // Two numbers in one name say nothing.
  return found.length === 1 && allows(found[0].state, 'bring files') ? found[0].id : null
}

/** Takes what was not taken, now that a person wants it. @returns false where there is none */
export function takeAgain(organisationId: string, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const [row] = await work
      .select()
      .from(arrivals)
      .where(
        and(eq(arrivals.id, id), eq(arrivals.organisationId, organisationId), isNull(arrivals.packageId)),
      )
      .for('update')
    const [source] = row?.sourceId
      ? await work.select().from(sources).where(eq(sources.id, row.sourceId))
      : []
    if (!row || !source) return false
    await place(work, source, row, true)
    return true
  })
}
