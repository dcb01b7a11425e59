import { createHash } from 'node:crypto'
import { and, desc, eq, inArray, isNull, ne, sql } from 'drizzle-orm'
import { dayName } from '../../core/text/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, messages, packages, requests, sources, type ArrivedFile } from '../database/schema.ts'
import { tellArrivals } from '../events.ts'
import { fileContents, openPackage } from '../packages/intake.ts'
import { Refused } from '../packages/states.ts'
import type { Source } from './sources.ts'
import { queueTelling } from './telling.ts'
import { whereTo, type Belongs } from './where-to.ts'

/** What came, with its files in the store. */
export interface Arrived {
  /** By which the source knows it again. */
  identity: string
  name: string
  files: readonly ArrivedFile[]
}

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
 * Writes down that something came, once: handed over again under its identity it is known.
 * @returns null where it is known
 */
export async function noteArrival(
  work: Work,
  source: Pick<Source, 'id' | 'organisationId'>,
  { files: came, ...given }: Arrived & Partial<Omit<typeof arrivals.$inferInsert, 'files'>>,
): Promise<Row | null> {
  const [made] = await work
    .insert(arrivals)
    .values({
      organisationId: source.organisationId,
      sourceId: source.id,
      ...contentsOfArrival(came),
      ...given,
    })
    .onConflictDoNothing()
    .returning()
  return made ?? null
}

/**
 * Takes what came into a package, once: whoever hands it over again, not knowing that it was taken, changes nothing.
 * What cannot be taken stays to be seen with its reason.
 */
export function take(source: Source, arrived: Arrived): Promise<void> {
  return database().transaction(async (work) => {
    const made = await noteArrival(work, source, arrived)
    if (made) await place(work, source, made, { who: null, letter: null })
  })
}

/** Writes down that something came that cannot be taken. */
export async function refuse(
  source: Source,
  { identity, name }: Pick<Arrived, 'identity' | 'name'>,
  problem: string,
): Promise<void> {
  await noteArrival(database(), source, { identity, name, files: [], problem, outcome: 'not taken' })
  await tellArrivals(database(), source.organisationId)
}

export type Row = typeof arrivals.$inferSelect

/** What a letter says of where it belongs. */
export interface Letter {
  subject: string
  /** Null where a machine wrote it. */
  sender: string | null
  references: readonly string[]
}

/** How something that came is filed. */
interface Placing {
  /** Who wants it, though it came before; null where it came by itself. */
  who: Person | null
  letter: Letter | null
  /** The package that it answers a request of; left out where it is to be found. */
  packageId?: string
}

/**
 * Files what arrived, or writes down why it is not taken.
 * @returns whether whoever sent it is known from its package
 */
export async function place(
  work: Work,
  source: Source,
  row: Row,
  { who, letter, packageId }: Placing,
): Promise<boolean> {
  const own = eq(arrivals.id, row.id)
  try {
    if (!who) await demandNew(work, row)
    // What was opened for papers that are refused then is not opened.
    const { senderKnown, ...filed } = await work.transaction((inner) =>
      fileIt(inner, source, row, { who, letter, packageId }),
    )
    await work
      .update(arrivals)
      .set({ ...filed, outcome: 'taken' })
      .where(own)
    return senderKnown && letter?.sender !== null
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    await work.update(arrivals).set({ problem: error.message, outcome: 'not taken' }).where(own)
    await tellArrivals(work, row.organisationId)
    return false
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
  { who, letter, packageId: named }: Placing,
): Promise<Belongs & { packageId: string; problem: string | null }> {
  if (row.files.length === 0) throw new Refused('There is nothing in it.')
  const belongs = named
    ? { packageId: named, senderKnown: true, maybeOfId: null }
    : await whereTo(work, {
        organisationId: row.organisationId,
        names: [...(letter ? [letter.subject] : [row.name]), ...row.files.map((f) => f.name)],
        letter,
      })
  if (!belongs.packageId && !source.program)
    throw new Refused('Nobody has said by which program papers from here are judged.')
  const packageId =
    belongs.packageId ??
    (await openPackage(work, source.program!, who, { organisationId: row.organisationId }))
  await note(work, who, packageId, 'got papers', `${row.name}, from ${source.name}`)
  const refused: string[] = []
  for (const file of row.files) {
    const problem = await fileContents(work, packageId, { ...file, arrivalId: row.id }, who).then(
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
  return {
    ...belongs,
    packageId,
    problem: refused.length > 0 ? refused.join(' ') : null,
  }
}

/** Takes what was not taken, now that a person wants it. @returns false where there is none */
export function takeAgain(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const row = await heldUntaken(work, who, id)
    const [source] = row?.sourceId
      ? await work.select().from(sources).where(eq(sources.id, row.sourceId))
      : []
    if (!row || !source) return false
    const letter = await letterOf(work, row)
    const [asked] = row.requestId
      ? await work
          .select({ packageId: requests.packageId })
          .from(requests)
          .where(eq(requests.id, row.requestId))
      : []
    const known = await place(work, source, row, { who, letter, packageId: asked?.packageId })
    if (letter) await follow(work, row.id, known)
    return true
  })
}

/** An arrival of somebody's organisation that is in no package, held. */
async function heldUntaken(work: Work, who: Person, id: string): Promise<Row | null> {
  const [row] = await work
    .select()
    .from(arrivals)
    .where(
      and(eq(arrivals.id, id), eq(arrivals.organisationId, who.organisationId), isNull(arrivals.packageId)),
    )
    .for('update')
  return row && row.outcome !== 'opening' ? row : null
}

/** What the letter of an arrival says; null where it came without one. */
async function letterOf(work: Work, row: Row): Promise<Letter | null> {
  const [letter] = await work
    .select({
      subject: messages.subject,
      sender: messages.sender,
      references: messages.references,
      automatic: messages.automatic,
    })
    .from(messages)
    .where(and(eq(messages.arrivalId, row.id), eq(messages.state, 'came')))
  return letter ? { ...letter, sender: letter.automatic ? null : letter.sender } : null
}

/** A letter belongs where its papers went, and whoever sent it is told what becomes of them. */
export async function follow(work: Work, arrivalId: string, known: boolean): Promise<void> {
  const [row] = await work.select().from(arrivals).where(eq(arrivals.id, arrivalId))
  await work
    .update(messages)
    .set({ packageId: row.packageId, known })
    .where(and(eq(messages.arrivalId, arrivalId), eq(messages.state, 'came')))
  await queueTelling(work, row)
}

/** Says that an arrival is not to be taken, and why. @returns false where there is none that could be */
export function setAside(who: Person, id: string, reason: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const row = await heldUntaken(work, who, id)
    if (!row) return false
    await work.update(arrivals).set({ outcome: 'set aside', problem: reason }).where(eq(arrivals.id, id))
    // The reason may name an applicant, and the trail keeps what it is told for ever.
    await note(work, who, who, 'set an arrival aside', row.id)
    await tellArrivals(work, who.organisationId)
    return true
  })
}

/** Deletes an arrival for good; what is in a package is erased with the package. @returns false where there is none */
export function deleteArrival(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const row = await heldUntaken(work, who, id)
    if (!row) return false
    await work.delete(arrivals).where(eq(arrivals.id, id))
    // So may its name.
    await note(work, who, who, 'deleted an arrival', row.id)
    await tellArrivals(work, who.organisationId)
    return true
  })
}

/** Days for which letters that are nothing for anybody stay to be seen. */
const LEFT_ALONE_DAYS = 30

/** Takes out what was left alone or set aside long ago. @returns how many */
export async function forgetArrivals(): Promise<number> {
  const gone = await database()
    .delete(arrivals)
    .where(
      and(
        inArray(arrivals.outcome, ['left alone', 'set aside']),
        isNull(arrivals.packageId),
        sql`${arrivals.createdAt} < now() - make_interval(days => ${LEFT_ALONE_DAYS})`,
      ),
    )
    .returning({ id: arrivals.id })
  return gone.length
}
