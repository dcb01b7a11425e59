import { inWords } from '../../wording/index.ts'
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { and, eq, isNull, sql } from 'drizzle-orm'
import yazl from 'yazl'
import { assess } from '../../core/pipeline/index.ts'
import { fileNames, reportOf } from '../../core/handover/index.ts'
import { writeDocuments } from '../../engine/handover/documents.ts'
import type { Person } from '../access/people.ts'
import { historyOf, note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { answers, files, packages, type PackageState } from '../database/schema.ts'
import { tell } from '../events.ts'
import { fetchContents } from '../storage/contents.ts'
import { programAt } from '../configuration/programs.ts'
import { trailHead } from '../trail.ts'
import { situationOf } from './judge.ts'

/** What somebody may not do, in a sentence for them. */
export class Refused extends Error {}

/** Reviewers, leads and administrators look over the work of others. */
export const maySign = (who: Person): boolean => who.role !== 'processor'

/**
 * Says that the work is done. Where the program asks for it, or decisions wait, a second person looks at it
 * first.
 */
export async function finish(packageId: string, who: Person): Promise<void> {
  await within(packageId, async (work, row) => {
    if (row.state !== 'open') return
    const program = await programAt(work, who.organisationId, row.program, row.programVersion)
    const second = (program?.signOff.finish ?? false) || row.toSign > 0
    await work
      .update(packages)
      .set(
        second
          ? { state: 'review', finishAskedById: who.id, updatedAt: new Date() }
          : { state: 'finished', finishAskedById: who.id, finishedAt: new Date(), updatedAt: new Date() },
      )
      .where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      second ? 'said that the work is done' : 'finished the package',
      row.loose > 0 ? `${row.loose} loose pieces were left` : second ? 'a second person looks at it' : '',
    )
  })
}

/**
 * A second person's agreement to a package whose work is done.
 * @throws Refused for whoever did any of the work, or may not sign, or while decisions wait
 */
export async function signOff(packageId: string, who: Person): Promise<void> {
  await within(packageId, async (work, row) => {
    if (row.state !== 'review') return
    if (!maySign(who)) throw new Refused('A reviewer, a lead or an administrator signs packages off.')
    if (row.finishAskedById === who.id || (await workedOn(work, packageId, who)))
      throw new Refused('You worked on this package yourself; somebody else signs it off.')
    if (row.toSign > 0)
      throw new Refused('Decisions in it still wait for a second person; look at them first.')
    await work
      .update(packages)
      .set({ state: 'finished', finishedAt: new Date(), updatedAt: new Date() })
      .where(eq(packages.id, packageId))
    await note(work, who, packageId, 'signed the package off')
  })
}

/** Gives a package back to be worked on, with what is to be done. */
export async function sendBack(packageId: string, who: Person, reason: string): Promise<void> {
  await within(packageId, async (work, row) => {
    if (row.state !== 'review') return
    if (!maySign(who) && row.finishAskedById !== who.id)
      throw new Refused('A reviewer, a lead or an administrator sends packages back.')
    await work
      .update(packages)
      .set({ state: 'open', finishAskedById: null, updatedAt: new Date() })
      .where(eq(packages.id, packageId))
    await note(work, who, packageId, 'sent the package back', reason)
  })
}

/** Opens a finished package again. */
export async function openAgain(packageId: string, who: Person): Promise<void> {
  await within(packageId, async (work, row) => {
    if (row.state !== 'finished') return
    await work
      .update(packages)
      .set({ state: 'open', finishedAt: null, finishAskedById: null, updatedAt: new Date() })
      .where(eq(packages.id, packageId))
    await note(work, who, packageId, 'opened the package again')
  })
}

type Row = {
  state: PackageState
  loose: number
  toSign: number
  program: string
  programVersion: number
  finishAskedById: string | null
}

/** Does something to a package while nobody else can. */
async function within(packageId: string, act: (work: Work, row: Row) => Promise<void>): Promise<void> {
  await database().transaction(async (work) => {
    const [row] = await work
      .select({
        state: packages.state,
        loose: packages.looseCount,
        toSign: packages.toSign,
        program: packages.program,
        programVersion: packages.programVersion,
        finishAskedById: packages.finishAskedById,
      })
      .from(packages)
      .where(eq(packages.id, packageId))
      .for('update')
    if (!row) return
    await act(work, row)
    await tell(work, { packageId, what: 'judged' })
  })
}

/** Whether somebody gave an answer that stands, other than a second person's word. */
async function workedOn(work: Work, packageId: string, who: Person): Promise<boolean> {
  const own = await work
    .select({ id: answers.id })
    .from(answers)
    .where(
      and(
        eq(answers.packageId, packageId),
        eq(answers.userId, who.id),
        isNull(answers.undoneAt),
        sql`${answers.body}->>'kind' <> 'sign'`,
      ),
    )
    .limit(1)
  return own.length > 0
}

/** The package as one ZIP: a PDF for each document and the report. */
export async function packageZip(packageId: string, who: Person): Promise<ReadableStream<Uint8Array>> {
  const situation = await situationOf(database(), packageId)
  const assessment = assess(situation)
  const names = fileNames(assessment.documents)
  const folder = await mkdtemp(join(tmpdir(), 'jigsa-zip-'))
  const zip = new yazl.ZipFile()
  try {
    const rows = await database()
      .select({ name: files.name, sha256: files.sha256, pages: files.pages })
      .from(files)
      .where(eq(files.packageId, packageId))
    const originals = await Promise.all(
      rows
        .filter((r) => r.pages > 0 && r.sha256)
        .map(async (r) => ({ name: r.name, bytes: await fetchContents(r.sha256!) })),
    )
    const byNumber = new Map(situation.pages.map((p) => [p.number, p]))
    await writeDocuments(
      folder,
      originals,
      assessment.documents.map((d) => ({
        name: names.get(d.id)!,
        pages: d.pages.map((n) => byNumber.get(n)!),
      })),
    )
    for (const d of assessment.documents)
      zip.addBuffer(await readFile(join(folder, names.get(d.id)!)), `documents/${names.get(d.id)}`)
    zip.addBuffer(
      Buffer.from(JSON.stringify(reportOf(situation, assessment, inWords), null, 1)),
      'report.json',
    )
    // The digest leaves the house with the package: a trail written anew would not have it.
    zip.addBuffer(
      Buffer.from(JSON.stringify({ ...(await trailHead()), history: await historyOf(packageId) }, null, 1)),
      'history.json',
    )
    zip.end()
    await note(
      database(),
      who,
      packageId,
      'downloaded the package',
      `${assessment.documents.length} documents`,
    )
    return Readable.toWeb(zip.outputStream as Readable) as ReadableStream<Uint8Array>
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}
