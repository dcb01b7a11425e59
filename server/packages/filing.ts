import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { straysAmong } from '../../core/classification/index.ts'
import type { OpenStray } from '../../core/findings/index.ts'
import type { Page } from '../../core/model/index.ts'
import { freeName } from '../../engine/input/free-name.ts'
import { historyOf, note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import { files, packages, pages, pictures, type PackageState } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob, queueJudgement } from '../jobs/queue.ts'
import { answersOf } from './answers-given.ts'
import { isOwnSheet } from './sheet-code.ts'
import { allows, hold, move, type Held } from './states.ts'

/** A stray, whether its case takes papers, and what was said of it. */
interface Judged extends OpenStray {
  caseNumber: string
  /** The state of its case; null where there is none. */
  state: PackageState | null
  /** Filed there: the desk's own sheet says so, or a person. Null where nobody has said. */
  there: boolean | null
}

/** What a package is known by. */
type Case = Pick<Held, 'id' | 'organisationId' | 'caseNumber'>

/** What lies behind sheets of other cases in a package, and whether it goes there. */
async function judgedStrays(work: Work, row: Case, read: readonly Page[]): Promise<Judged[]> {
  const strays = straysAmong(row.caseNumber, read)
  if (strays.length === 0) return []
  const cases = await work
    .select({ caseNumber: packages.caseNumber, state: packages.state })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, row.organisationId),
        inArray(
          packages.caseNumber,
          strays.map((s) => s.caseNumber),
        ),
      ),
    )
  const said = await answersOf(work, row.id)
  return strays.map((stray) => {
    const state = cases.find((c) => c.caseNumber === stray.caseNumber)?.state ?? null
    const known = state !== null && allows(state, 'take pages of another case')
    const answer = said.findLast((a) => a.kind === 'file' && a.page === stray.sheet)
    const own = isOwnSheet(row.organisationId, stray.caseNumber, stray.code)
    return {
      ...stray,
      state,
      known,
      there: answer?.kind === 'file' ? answer.there : own && known ? true : null,
    }
  })
}

/** Strays of a package that a person is asked about. A closed case takes nothing, whatever is said. */
export async function openStrays(work: Work, row: Case, read: readonly Page[]): Promise<OpenStray[]> {
  const judged = await judgedStrays(work, row, read)
  return judged.filter((s) => s.there === null && (s.known || s.state === null))
}

/**
 * Files pages behind the cover sheet of another case to that case: at once where the sheet proves that the desk printed
 * it, and else when a person says so, for anybody can print a number. A case that nobody opened yet is opened then.
 * Here the pages stay to be seen, in no document. A closed case takes nothing more: its pages stay where they came,
 * and that is noted.
 * @returns whether anything was filed
 */
export async function fileToCases(work: Work, packageId: string): Promise<boolean> {
  const row = await hold(work, packageId)
  if (!row) return false
  const rows = await work
    .select({ fileId: pages.fileId, page: pages.body })
    .from(pages)
    .where(eq(pages.packageId, packageId))
    .orderBy(asc(pages.number))
  const read = rows.flatMap(({ fileId, page }) => (page ? [{ fileId, page }] : []))
  const byNumber = new Map(read.map((r) => [r.page.number, r]))
  let filed = false
  for (const stray of await judgedStrays(
    work,
    row,
    read.map((r) => r.page),
  )) {
    const { caseNumber, pages: numbers } = stray
    if (stray.state !== null && !stray.known) {
      await noteOnce(work, packageId, `pages ${numbers.join(', ')} are of ${caseNumber}, which is closed`)
      continue
    }
    if (stray.there !== true) continue
    const target = await heldCase(work, row, caseNumber)
    // Closed since it was looked at; found so again when this package is judged next.
    if (!allows(target.state, 'take pages of another case')) continue
    await take(work, target, packageId, {
      fileId: byNumber.get(numbers[0])!.fileId,
      pages: numbers.map((n) => byNumber.get(n)!.page),
    })
    await work
      .update(pages)
      .set({
        body: sql`${pages.body} || ${JSON.stringify({ separator: true, filedTo: caseNumber })}::jsonb`,
      })
      .where(and(eq(pages.packageId, packageId), inArray(pages.number, numbers)))
    await note(
      work,
      null,
      packageId,
      'filed pages to another case',
      `pages ${numbers.join(', ')} to ${caseNumber}`,
    )
    await note(
      work,
      null,
      target.id,
      'got pages from another case',
      `${numbers.length} pages that were scanned with ${row.caseNumber}`,
    )
    filed = true
  }
  // With it, what is kept of the pages in memory is known to be old.
  if (filed)
    await work
      .update(packages)
      .set({ pagesLookedAt: sql`${packages.pagesLookedAt} + 1` })
      .where(eq(packages.id, packageId))
  return filed
}

/** The case of a number, held; opened as the package that its papers came with, where there is none. */
async function heldCase(work: Work, row: Held, caseNumber: string): Promise<Held> {
  await work
    .insert(packages)
    .values({
      organisationId: row.organisationId,
      program: row.program,
      programVersion: row.programVersion,
      caseNumber,
      asOf: row.asOf,
      createdById: row.createdById,
    })
    .onConflictDoNothing()
  const [found] = await work
    .select({ id: packages.id })
    .from(packages)
    .where(and(eq(packages.organisationId, row.organisationId), eq(packages.caseNumber, caseNumber)))
  return (await hold(work, found.id))!
}

/** Copies pages, as they were read, behind those that a package has, and has it judged. */
async function take(
  work: Work,
  { id: targetId, pageCount: from, pagesRead }: Held,
  packageId: string,
  { fileId, pages: read }: { fileId: string; pages: readonly Page[] },
): Promise<void> {
  const [file] = await work.select().from(files).where(eq(files.id, fileId))
  // Documents are cut out of files by their names: two of one name would be mixed up.
  const others = await work.select({ name: files.name }).from(files).where(eq(files.packageId, targetId))
  const name = freeName(
    file.name,
    others.map((o) => o.name),
  )
  const [copy] = await work
    .insert(files)
    .values({
      packageId: targetId,
      name,
      sha256: file.sha256,
      size: file.size,
      pages: read.length,
      state: 'read',
      broughtById: file.broughtById,
    })
    .returning({ id: files.id })
  for (const [i, page] of read.entries()) {
    const number = from + i + 1
    await work.insert(pages).values({
      packageId: targetId,
      number,
      fileId: copy.id,
      filePage: page.filePage,
      width: Math.round(page.width),
      height: Math.round(page.height),
      body: { ...page, number, file: name },
    })
    const drawn = await work
      .select({ size: pictures.size, bytes: pictures.bytes })
      .from(pictures)
      .where(and(eq(pictures.packageId, packageId), eq(pictures.page, page.number)))
    if (drawn.length > 0)
      await work.insert(pictures).values(drawn.map((d) => ({ packageId: targetId, page: number, ...d })))
    await queueJob(work, 'draw_page', { packageId: targetId, number }, { priority: 10 })
  }
  await move(work, targetId, 'take pages of another case', 'reading', {
    pageCount: from + read.length,
    pagesRead: pagesRead + read.length,
  })
  await queueJudgement(work, targetId)
  await tell(work, { packageId: targetId, what: 'files' })
}

/** Every judgement tries again; the history need not say so each time. */
async function noteOnce(work: Work, packageId: string, detail: string): Promise<void> {
  const act = 'could not file pages'
  const said = (await historyOf(packageId, work)).some((one) => one.act === act && one.detail === detail)
  if (!said) await note(work, null, packageId, act, detail)
}
