import { and, eq, isNull, lt, ne, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { freeName } from '../../engine/input/free-name.ts'
import { note } from '../audit.ts'
import { newestProgram } from '../configuration/programs.ts'
import { database, type Work } from '../database/connection.ts'
import { files, FIRST_ORGANISATION, organisations, packages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob } from '../jobs/queue.ts'
import { wellFormed } from '../../core/text/index.ts'
import { settings } from '../settings.ts'
import { inMegabytes, keep, TooLarge } from '../storage/contents.ts'
import { heldFor, inTurn, move, Refused, type Held } from './states.ts'

/** The class of the advisory locks under which an organisation's cases are numbered. */
const NUMBERING_LOCK = 7303

/**
 * A case number nobody has yet: letters of the lender, the year, the first free number behind one that is
 * taken. Not the highest and one: a cover sheet may have opened a case of any number, and one such sheet
 * would use up all between.
 */
async function nextCaseNumber(work: Work, organisationId: string): Promise<string> {
  // Two that ask at once would be given one number.
  await work.execute(sql`select pg_advisory_xact_lock(${NUMBERING_LOCK}, hashtext(${organisationId}))`)
  const [{ letters }] = await work
    .select({ letters: organisations.casePrefix })
    .from(organisations)
    .where(eq(organisations.id, organisationId))
  const prefix = `${letters}-${String(new Date().getFullYear()).slice(2)}-`
  const {
    rows: [row],
  } = await work.execute<{ free: number | null }>(sql`
    select min(taken.number) + 1 as free from (
      select substring(case_number from '\\d{6}$')::int as number from package
      where organisation_id = ${organisationId} and case_number ~ ${`^${prefix}\\d{6}$`}) taken
    where not exists (
      select 1 from package other
      where other.organisation_id = ${organisationId} and other.case_number = ${prefix} || lpad((taken.number + 1)::text, 6, '0'))`)
  return `${prefix}${String(row?.free ?? 4001).padStart(6, '0')}`
}

/** Of what a new package is, where it is not the newest of everything. */
interface NewPackage {
  organisationId?: string
  caseNumber?: string
  /** The sender's own number for it. */
  reference?: string
  asOf?: string
  createdAt?: Date
}

/** Makes an empty package that files can be brought to. @throws Refused where there is no such program */
export const newPackage = (program: string, who: Person | null, given: NewPackage = {}): Promise<string> =>
  database().transaction((work) => openPackage(work, program, who, given))

/** As `newPackage`, in a transaction of the caller's. */
export async function openPackage(
  work: Work,
  program: string,
  who: Person | null,
  given: NewPackage = {},
): Promise<string> {
  const organisationId = given.organisationId ?? who?.organisationId ?? FIRST_ORGANISATION
  const newest = await newestProgram(work, organisationId, program)
  if (!newest) throw new Refused(`There is no program ${program}.`)
  const asOf = given.asOf ?? new Date().toISOString().slice(0, 10)
  const [made] = await work
    .insert(packages)
    .values({
      organisationId,
      program,
      programVersion: newest.version,
      caseNumber: given.caseNumber ?? (await nextCaseNumber(work, organisationId)),
      reference: given.reference ?? null,
      asOf,
      createdById: who?.id ?? null,
      ...(given.createdAt ? { createdAt: given.createdAt } : {}),
    })
    .returning({ id: packages.id })
  // The day decides what is out of date: whoever dates a package back is seen to.
  await note(
    work,
    who,
    made.id,
    'opened the package',
    `${newest.body.title}, version ${newest.version}, judged on ${asOf}`,
  )
  return made.id
}

/** What became of a file that was brought. `twin` names a package that has the same file already. */
export interface Brought {
  fileId: string
  problem: string | null
  twin: string | null
}

/** Takes a file in, chunk by chunk, and has it read. The same file twice in a package is kept once and said so. */
export async function bringFile(
  packageId: string,
  given: string,
  stream: AsyncIterable<Uint8Array>,
  who: Person | null,
): Promise<Brought> {
  const name = wellFormed(given).slice(0, 240)
  const [file] = await database()
    .insert(files)
    .values({ packageId, name, broughtById: who?.id ?? null })
    .returning({ id: files.id })
  let kept: { sha256: string; size: number }
  try {
    kept = await keep(stream, settings().MOST_FILE_BYTES)
  } catch (error) {
    if (error instanceof TooLarge) return refuse(packageId, file.id, name, `The file ${error.message}.`, who)
    // The line broke: what came so far is worth nothing, and the person will bring it again.
    await database().delete(files).where(eq(files.id, file.id))
    throw error
  }
  return inTurn(packageId, async (work) => {
    const brought = await fileContents(work, packageId, { name, ...kept, id: file.id }, who).catch(
      (error: unknown): Brought => {
        if (!(error instanceof Refused)) throw error
        return { fileId: file.id, problem: error.message, twin: null }
      },
    )
    if (brought.problem) await work.delete(files).where(eq(files.id, file.id))
    return brought
  })
}

/** Contents that are in the store, and what they are called. `id` is of the row that was made while they came. */
export interface Kept {
  name: string
  sha256: string
  size: number
  id?: string
  /** What it came with, where nobody brought it. */
  arrivalId?: string
}

/**
 * Makes contents a file of a package and has it read. The same file twice in a package is kept once and said so.
 * @throws Refused where the package is closed, or full
 */
export async function fileContents(
  work: Work,
  packageId: string,
  { name, sha256, size, id, arrivalId }: Kept,
  who: Person | null,
): Promise<Brought> {
  // Held first: two files of a name, or one file twice, brought at once see one another; and a package that was
  // closed while the file came takes it no more.
  const row = await heldFor(work, packageId, 'bring files')
  const most = settings().MOST_PACKAGE_BYTES
  if ((await bytesIn(work, packageId)) + size > most)
    throw new Refused(
      `With this file the package would be larger than ${inMegabytes(most)}, the most that one may be.`,
    )
  const others = await work
    .select({ id: files.id, name: files.name, sha256: files.sha256, state: files.state })
    .from(files)
    .where(and(eq(files.packageId, packageId), ...(id ? [ne(files.id, id)] : [])))
  // What was set aside for a fault of ours is asked for again.
  const same = others.find((o) => o.sha256 === sha256 && o.state !== 'unusable')
  if (same) {
    await note(work, who, packageId, 'brought a file again', `${name} is in this package already`)
    return {
      fileId: same.id,
      problem: 'This very file is in the package already; it was not taken twice.',
      twin: null,
    }
  }
  const twin = await twinOf(work, row, sha256)
  const free = freeName(
    name,
    others.map((o) => o.name),
  )
  const values = { packageId, name: free, sha256, size, state: 'waiting' as const }
  const [{ fileId }] = id
    ? await work.update(files).set(values).where(eq(files.id, id)).returning({ fileId: files.id })
    : await work
        .insert(files)
        .values({ ...values, arrivalId, broughtById: who?.id ?? null })
        .returning({ fileId: files.id })
  await move(work, packageId, 'bring files', row.state === 'sample' ? 'sample' : 'reading')
  await note(
    work,
    who,
    packageId,
    'brought a file',
    `${name}, ${Math.ceil(size / 1024)} kB${twin ? `; the same file is in ${twin}` : ''}`,
  )
  await queueJob(work, 'open_file', { fileId }, { queue: `open:${packageId}` })
  await tell(work, { packageId, what: 'files' })
  return { fileId, problem: null, twin }
}

/** Bytes of the files that were brought to a package; what was in archives is counted with them. */
async function bytesIn(work: Work, packageId: string): Promise<number> {
  const [row] = await work
    .select({ bytes: sql<string>`coalesce(sum(${files.size}), 0)` })
    .from(files)
    .where(and(eq(files.packageId, packageId), isNull(files.parentId)))
  return Number(row.bytes)
}

/**
 * Hours that a file may take to come. The web lets no request last longer, so that one which still comes after them
 * comes no more: whoever took it was killed.
 */
export const UPLOAD_HOURS = 2

/** Takes files out of packages that began to come and never will have. @returns how many */
export async function forgetUploads(): Promise<number> {
  const old = lt(files.createdAt, new Date(Date.now() - UPLOAD_HOURS * 3_600_000))
  const gone = await database()
    .delete(files)
    .where(and(eq(files.state, 'arriving'), old))
    .returning({ id: files.id, packageId: files.packageId })
  for (const { packageId } of gone) await tell(database(), { packageId, what: 'files' })
  return gone.length
}

/** The case number of another package of the organisation that has the same file; null where none has. */
async function twinOf(work: Work, { id, organisationId }: Held, sha256: string): Promise<string | null> {
  const [twin] = await work
    .select({ caseNumber: packages.caseNumber })
    .from(files)
    .innerJoin(packages, eq(files.packageId, packages.id))
    .where(
      and(
        eq(files.sha256, sha256),
        ne(files.packageId, id),
        eq(packages.organisationId, organisationId),
        ne(packages.state, 'sample'),
      ),
    )
    .limit(1)
  return twin?.caseNumber ?? null
}

async function refuse(
  packageId: string,
  fileId: string,
  name: string,
  problem: string,
  who: Person | null,
): Promise<Brought> {
  await database().update(files).set({ state: 'unusable', problem }).where(eq(files.id, fileId))
  await note(database(), who, packageId, 'refused a file', `${name}: ${problem}`)
  await tell(database(), { packageId, what: 'files' })
  return { fileId, problem, twin: null }
}
