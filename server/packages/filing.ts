import { and, asc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import { separatorSheetOn, type Stray, straysAmong } from '../../core/classification/index.ts'
import type { OpenStray } from '../../core/findings/index.ts'
import type { Page } from '../../core/model/index.ts'
import { grouped } from '../../core/text/index.ts'
import { freeName } from '../../engine/input/free-name.ts'
import type { Person } from '../access/person.ts'
import { historyOf, note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import {
  arrivals,
  files,
  messages,
  packages,
  pages,
  pictures,
  type PackageState,
} from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob, queueJudgement } from '../jobs/queue.ts'
import { answersOf } from './answers-given.ts'
import { isOwnSheet } from './sheet-code.ts'
import { allows, hold, move, Refused, type Held } from './states.ts'

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

/** What came by itself and may be another package's: its pages, by what came. */
async function doubtfulArrivals(work: Work, packageId: string): Promise<Omit<Stray, 'code'>[]> {
  const rows = await work
    .select({ arrivalId: arrivals.id, caseNumber: packages.caseNumber, page: pages.number })
    .from(arrivals)
    .innerJoin(packages, eq(packages.id, arrivals.maybeOfId))
    .innerJoin(files, eq(files.arrivalId, arrivals.id))
    .innerJoin(pages, eq(pages.fileId, files.id))
    .where(and(eq(arrivals.packageId, packageId), sql`not ${pages.body} ? 'filedTo'`))
    .orderBy(asc(pages.number))
  return grouped(rows, (row) => row.arrivalId).map((of) => ({
    sheet: of[0].page,
    caseNumber: of[0].caseNumber,
    pages: of.map((row) => row.page),
  }))
}

/** What may be of other cases in a package, and whether it goes there. */
async function judgedStrays(work: Work, row: Case, read: readonly Page[]): Promise<Judged[]> {
  const strays = [
    ...straysAmong(row.caseNumber, read).map((s) => ({ ...s, by: 'sheet' as const })),
    ...(await doubtfulArrivals(work, row.id)).map((s) => ({ ...s, code: null, by: 'sender' as const })),
  ]
  if (strays.length === 0) return []
  const cases = await work
    .select({ caseNumber: packages.caseNumber, applicant: packages.applicant, state: packages.state })
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
  return strays.map(({ code, ...stray }) => {
    const found = cases.find((c) => c.caseNumber === stray.caseNumber)
    const known = found !== undefined && allows(found.state, 'take pages of another case')
    const answer = said.findLast((a) => a.kind === 'file' && a.page === stray.sheet)
    const own = code !== null && isOwnSheet(row.organisationId, stray.caseNumber, code)
    return {
      ...stray,
      state: found?.state ?? null,
      applicant: found?.applicant ?? null,
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
    .select({ page: pages.body })
    .from(pages)
    .where(eq(pages.packageId, packageId))
    .orderBy(asc(pages.number))
  const read = rows.flatMap(({ page }) => (page ? [page] : []))
  let filed = false
  for (const stray of await judgedStrays(work, row, read)) {
    const { caseNumber, pages: numbers } = stray
    if (stray.state !== null && !stray.known) {
      if (stray.by === 'sheet')
        await noteOnce(work, packageId, `pages ${numbers.join(', ')} are of ${caseNumber}, which is closed`)
      continue
    }
    if (stray.there !== true) continue
    const target = await heldCase(work, row, caseNumber)
    // Closed since it was looked at; found so again when this package is judged next.
    if (!allows(target.state, 'take pages of another case')) continue
    await fileAway(work, row, target, numbers)
    filed = true
  }
  return filed
}

/**
 * Files pages of one package to another: there they are read already, here they stay to be seen, in no document. Pages
 * that came from there go back into their own place. Letters go where all papers are that they carried. Both packages
 * are held; whoever calls has this one judged anew.
 * @param who null where a sheet or a stored answer says so
 * @returns the numbers that the pages have there
 */
export async function fileAway(
  work: Work,
  from: Held,
  to: Held,
  numbers: readonly number[],
  who: Pick<Person, 'id' | 'name'> | null = null,
): Promise<number[]> {
  const rows = await work
    .select({ fileId: pages.fileId, page: pages.body })
    .from(pages)
    .where(and(eq(pages.packageId, from.id), inArray(pages.number, [...numbers])))
    .orderBy(asc(pages.number))
  const read = rows.flatMap(({ fileId, page }) => (page ? [{ fileId, page }] : []))
  const there: number[] = []
  for (const of of grouped(read, (r) => r.fileId))
    there.push(...(await take(work, to, from, { fileId: of[0].fileId, pages: of.map((r) => r.page) })))
  await work
    .update(pages)
    .set({
      body: sql`${pages.body} || ${JSON.stringify({ separator: true, filedTo: to.caseNumber })}::jsonb`,
    })
    .where(and(eq(pages.packageId, from.id), inArray(pages.number, [...numbers])))
  await changedPages(work, from.id)
  await lettersFollow(work, from.id, to.id)
  const list = numbers.join(', ')
  await note(work, who, from.id, 'filed pages to another case', `pages ${list} to ${to.caseNumber}`)
  await note(
    work,
    who,
    to.id,
    'got pages from another case',
    `${numbers.length} pages that came with ${from.caseNumber}`,
  )
  return there
}

/**
 * Letters are where the papers are that they carried, and so is what answers them: of those that came to one of two
 * packages, all papers gone puts them into the other, and a paper that is back brings them back.
 */
async function lettersFollow(work: Work, from: string, to: string): Promise<void> {
  const carried = await work
    .select({
      arrivalId: sql<string>`${files.arrivalId}`,
      home: files.packageId,
      gone: sql<boolean>`bool_and(${pages.body} ? 'filedTo')`,
    })
    .from(files)
    .innerJoin(pages, eq(pages.fileId, files.id))
    .where(and(inArray(files.packageId, [from, to]), isNotNull(files.arrivalId)))
    .groupBy(files.arrivalId, files.packageId)
  for (const { arrivalId, home, gone } of carried)
    await work
      .update(messages)
      .set({ packageId: gone ? (home === from ? to : from) : home })
      .where(and(eq(messages.arrivalId, arrivalId), inArray(messages.packageId, [from, to])))
}

/** With it, what is kept of a package's pages in memory is known to be old. */
const changedPages = (work: Work, packageId: string) =>
  work
    .update(packages)
    .set({ pagesLookedAt: sql`${packages.pagesLookedAt} + 1` })
    .where(eq(packages.id, packageId))

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

/** Takes pages in, as they were read, and has the package judged. */
async function take(
  work: Work,
  to: Held,
  from: Pick<Held, 'id' | 'caseNumber'>,
  { fileId, pages: read }: { fileId: string; pages: readonly Page[] },
): Promise<number[]> {
  const [file] = await work.select().from(files).where(eq(files.id, fileId))
  const numbers = (await takeBack(work, to, from, file, read)) ?? (await copyIn(work, to, from, file, read))
  await queueJudgement(work, to.id)
  await tell(work, { packageId: to.id, what: 'files' })
  return numbers
}

/** Puts pages back that were filed away from here before. @returns their numbers; null where they were not */
async function takeBack(
  work: Work,
  to: Held,
  from: Pick<Held, 'caseNumber'>,
  file: typeof files.$inferSelect,
  read: readonly Page[],
): Promise<number[] | null> {
  if (!file.sha256) return null
  const own = await work
    .select({ number: pages.number, page: pages.body })
    .from(pages)
    .innerJoin(files, eq(files.id, pages.fileId))
    .where(
      and(
        eq(pages.packageId, to.id),
        eq(files.sha256, file.sha256),
        inArray(
          pages.filePage,
          read.map((page) => page.filePage),
        ),
        sql`${pages.body} ->> 'filedTo' = ${from.caseNumber}`,
      ),
    )
  if (own.length < read.length) return null
  for (const { number, page } of own) {
    const { filedTo: _, ...rest } = page!
    await work
      .update(pages)
      .set({ body: { ...rest, separator: separatorSheetOn(rest) !== null } })
      .where(and(eq(pages.packageId, to.id), eq(pages.number, number)))
  }
  await changedPages(work, to.id)
  await move(work, to.id, 'take pages of another case', 'reading')
  return own.map((page) => page.number)
}

/** Copies pages, as they were read, behind those that a package has. @returns their numbers */
async function copyIn(
  work: Work,
  to: Held,
  from: Pick<Held, 'id'>,
  file: typeof files.$inferSelect,
  read: readonly Page[],
): Promise<number[]> {
  // One file after the other of a package: the row that is held knows nothing of the one before.
  const [{ pageCount, pagesRead }] = await work
    .select({ pageCount: packages.pageCount, pagesRead: packages.pagesRead })
    .from(packages)
    .where(eq(packages.id, to.id))
  // Documents are cut out of files by their names: two of one name would be mixed up.
  const others = await work.select({ name: files.name }).from(files).where(eq(files.packageId, to.id))
  const name = freeName(
    file.name,
    others.map((o) => o.name),
  )
  const [copy] = await work
    .insert(files)
    .values({
      packageId: to.id,
      name,
      sha256: file.sha256,
      size: file.size,
      pages: read.length,
      state: 'read',
      broughtById: file.broughtById,
    })
    .returning({ id: files.id })
  for (const [i, page] of read.entries()) {
    const number = pageCount + i + 1
    await work.insert(pages).values({
      packageId: to.id,
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
      .where(and(eq(pictures.packageId, from.id), eq(pictures.page, page.number)))
    if (drawn.length > 0)
      await work.insert(pictures).values(drawn.map((d) => ({ packageId: to.id, page: number, ...d })))
    await queueJob(work, 'draw_page', { packageId: to.id, number }, { priority: 10 })
  }
  await move(work, to.id, 'take pages of another case', 'reading', {
    pageCount: pageCount + read.length,
    pagesRead: pagesRead + read.length,
  })
  return read.map((_, i) => pageCount + i + 1)
}

/**
 * Takes pages back that a person filed to another case by an answer.
 * @throws Refused where that case is closed, or they are not there any more
 */
export async function fetchBack(work: Work, row: Held, sheet: number): Promise<void> {
  const mine = await work
    .select({ page: pages.body, sha256: files.sha256 })
    .from(pages)
    .innerJoin(files, eq(files.id, pages.fileId))
    .where(eq(pages.packageId, row.id))
    .orderBy(asc(pages.number))
  const at = mine.findIndex((one) => one.page?.number === sheet)
  const caseNumber = mine.slice(at).find((one) => one.page?.filedTo)?.page?.filedTo
  if (caseNumber === undefined) throw new Refused('These pages are here already.')
  const behind = mine.slice(at).filter((one) => one.page?.filedTo === caseNumber)
  const [target] = await work
    .select({ id: packages.id })
    .from(packages)
    .where(and(eq(packages.organisationId, row.organisationId), eq(packages.caseNumber, caseNumber)))
  const there = target && (await hold(work, target.id))
  if (!there || !allows(there.state, 'take pages of another case'))
    throw new Refused(`${caseNumber} is closed; its pages stay there.`)
  const copies = await work
    .select({ number: pages.number, sha256: files.sha256, filePage: pages.filePage })
    .from(pages)
    .innerJoin(files, eq(files.id, pages.fileId))
    .where(and(eq(pages.packageId, there.id), sql`not ${pages.body} ? 'filedTo'`))
    .orderBy(asc(pages.number))
  // The last of several: what that case had itself before was there first.
  const numbers = behind.flatMap(
    ({ sha256, page }) =>
      copies.findLast((copy) => copy.sha256 === sha256 && copy.filePage === page?.filePage)?.number ?? [],
  )
  if (numbers.length === 0) throw new Refused(`These pages are not in ${caseNumber} any more.`)
  await fileAway(work, there, row, numbers)
  await queueJudgement(work, there.id)
}

/** Every judgement tries again; the history need not say so each time. */
async function noteOnce(work: Work, packageId: string, detail: string): Promise<void> {
  const act = 'could not file pages'
  const said = (await historyOf(packageId, work)).some((one) => one.act === act && one.detail === detail)
  if (!said) await note(work, null, packageId, act, detail)
}
