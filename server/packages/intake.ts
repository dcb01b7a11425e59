import { and, eq, ne, sql } from 'drizzle-orm'
import type { Person } from '../access/people.ts'
import { freeName } from '../../engine/input/free-name.ts'
import { note } from '../audit.ts'
import { newestProgram } from '../configuration/programs.ts'
import { database } from '../database/connection.ts'
import { files, FIRST_ORGANISATION, organisations, packages, type PackageState } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob } from '../jobs/queue.ts'
import { wellFormed } from '../../engine/input/source.ts'
import { settings } from '../settings.ts'
import { keep, TooLarge } from '../storage/contents.ts'

/**
 * A case number nobody has yet: letters of the lender, the year, the first free number behind one that is
 * taken. Not the highest and one: a cover sheet may have opened a case of any number, and one such sheet
 * would use up all between.
 */
async function nextCaseNumber(organisationId: string): Promise<string> {
  const [{ letters }] = await database()
    .select({ letters: organisations.casePrefix })
    .from(organisations)
    .where(eq(organisations.id, organisationId))
  const prefix = `${letters}-${String(new Date().getFullYear()).slice(2)}-`
  const {
    rows: [row],
  } = await database().execute<{ free: number | null }>(sql`
    select min(taken.number) + 1 as free from (
      select substring(case_number from '\\d{6}$')::int as number from package
      where organisation_id = ${organisationId} and case_number ~ ${`^${prefix}\\d{6}$`}) taken
    where not exists (
      select 1 from package other
      where other.organisation_id = ${organisationId} and other.case_number = ${prefix} || lpad((taken.number + 1)::text, 6, '0'))`)
  return `${prefix}${String(row?.free ?? 4001).padStart(6, '0')}`
}

/** A state of a package, or that it is a sample, which it stays. */
export const unlessSample = (state: PackageState) =>
  sql<PackageState>`case when ${packages.state} = 'sample' then 'sample' else ${state} end`

/** Makes an empty package that files can be brought to. */
export async function newPackage(
  program: string,
  who: Person | null,
  options: { organisationId?: string; caseNumber?: string; asOf?: string; createdAt?: Date } = {},
): Promise<string> {
  const organisationId = options.organisationId ?? who?.organisationId ?? FIRST_ORGANISATION
  const newest = await newestProgram(database(), organisationId, program)
  if (!newest) throw new Error(`there is no program ${program}`)
  const [made] = await database()
    .insert(packages)
    .values({
      organisationId,
      program,
      programVersion: newest.version,
      caseNumber: options.caseNumber ?? (await nextCaseNumber(organisationId)),
      asOf: options.asOf ?? new Date().toISOString().slice(0, 10),
      createdById: who?.id ?? null,
      ...(options.createdAt ? { createdAt: options.createdAt } : {}),
    })
    .returning({ id: packages.id })
  await note(database(), who, made.id, 'opened the package')
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
  name: string,
  stream: AsyncIterable<Uint8Array>,
  who: Person | null,
): Promise<Brought> {
  const [file] = await database()
    .insert(files)
    .values({ packageId, name: wellFormed(name).slice(0, 240), broughtById: who?.id ?? null })
    .returning({ id: files.id })
  let kept: { sha256: string; size: number }
  try {
    kept = await keep(stream, settings().MOST_FILE_BYTES)
  } catch (error) {
    if (!(error instanceof TooLarge)) {
      // The line broke: what came so far is worth nothing, and the person will bring it again.
      await database().delete(files).where(eq(files.id, file.id))
      throw error
    }
    return refuse(
      packageId,
      file.id,
      name,
      `The file is larger than ${Math.round(settings().MOST_FILE_BYTES / 1024 / 1024)} MB, the most that is taken.`,
      who,
    )
  }
  const [same] = await database()
    .select({ id: files.id })
    .from(files)
    .where(
      and(
        eq(files.packageId, packageId),
        eq(files.sha256, kept.sha256),
        ne(files.id, file.id),
        // What was set aside for a fault of ours is asked for again.
        ne(files.state, 'unusable'),
      ),
    )
    .limit(1)
  if (same) {
    await database().delete(files).where(eq(files.id, file.id))
    await note(database(), who, packageId, 'brought a file again', `${name} is in this package already`)
    return {
      fileId: same.id,
      problem: 'This very file is in the package already; it was not taken twice.',
      twin: null,
    }
  }
  const own = database()
    .select({ id: packages.organisationId })
    .from(packages)
    .where(eq(packages.id, packageId))
  const [twin] = await database()
    .select({ caseNumber: packages.caseNumber })
    .from(files)
    .innerJoin(packages, eq(files.packageId, packages.id))
    .where(
      and(
        eq(files.sha256, kept.sha256),
        ne(files.packageId, packageId),
        eq(packages.organisationId, own),
        ne(packages.state, 'sample'),
      ),
    )
    .limit(1)
  await database().transaction(async (work) => {
    // The row of the package is locked first, so that two files of a name brought at once see one another.
    await work
      .update(packages)
      .set({ state: unlessSample('reading'), updatedAt: new Date() })
      .where(eq(packages.id, packageId))
    const others = await work
      .select({ name: files.name })
      .from(files)
      .where(and(eq(files.packageId, packageId), ne(files.id, file.id)))
    await work
      .update(files)
      .set({
        ...kept,
        name: freeName(
          name.slice(0, 240),
          others.map((o) => o.name),
        ),
        state: 'waiting',
      })
      .where(eq(files.id, file.id))
    await note(
      work,
      who,
      packageId,
      'brought a file',
      `${name}, ${Math.ceil(kept.size / 1024)} kB${twin ? `; the same file is in ${twin.caseNumber}` : ''}`,
    )
    await queueJob(work, 'open_file', { fileId: file.id }, { queue: `open:${packageId}` })
    await tell(work, { packageId, what: 'files' })
  })
  return { fileId: file.id, problem: null, twin: twin?.caseNumber ?? null }
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
