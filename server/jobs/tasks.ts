import { and, eq, sql } from 'drizzle-orm'
import { isFilesFault, ReaderFault } from '../../engine/box/index.ts'
import type { ReadPage } from '../../engine/input/source.ts'
import { UnusableFile } from '../../engine/input/unusable-file.ts'
import { scannerOf } from '../../engine/screening/scanner.ts'
import { refuseMalware, ScannerAway } from '../../engine/screening/screen.ts'
import { placePage, unreadable } from '../../engine/pipeline/place-page.ts'
import type { Box, Page, Word } from '../../core/model/index.ts'
import { typesOf } from '../configuration/types.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { files, packages, pages, pictures } from '../database/schema.ts'
import { tell } from '../events.ts'
import { log } from '../log.ts'
import { tellSenders } from '../arrivals/telling.ts'
import { answersOf } from '../packages/answers-given.ts'
import { queueIdentityChecks } from '../packages/identity.ts'
import { fileToCases } from '../packages/filing.ts'
import { allows, hold, move, type Held } from '../packages/states.ts'
import { cutPackage, forgetReadings, judge } from '../packages/judge.ts'
import { settings } from '../settings.ts'
import { fetchContents, keepBytes } from '../storage/contents.ts'
import { queueJob, queueJudgement, type Jobs } from './queue.ts'
import { inkBy, readers } from './readers.ts'
import { pagesWaiting, turnOf } from './turns.ts'
import { tried } from './tried.ts'

/** Somebody writes a type beside a sample: its pages go before those of packages. Lower is sooner. */
const AWAITED = -20
const SMALL = 150
const LARGE = 1300
/** So many pages are drawn before any is read, so that a person sees at once what came. */
const GLANCED = 24

/** Tells which pages' ink matters to the types of an organisation. */
const inkWantedIn = async (organisationId: string) => inkBy(await typesOf(database(), organisationId))

/** A page that no reader can read keeps its place; where the fault is ours, the job is tried again. */
const orUnreadable =
  (at: { packageId: string; number: number }) =>
  (error: unknown): ReadPage => {
    if (!isFilesFault(error)) throw error
    const detail = error instanceof ReaderFault ? error.detail : error.message
    log.warn({ ...at, error: detail.slice(0, 200) }, 'a page could not be read')
    return unreadable(error)
  }

/**
 * Opens a file: archives and messages unfold into files of their own, files with pages get a job for each
 * page. Run again after a crash it finds what it did and does the rest.
 */
async function openFile({ fileId }: Jobs['open_file']): Promise<void> {
  const [file] = await database().select().from(files).where(eq(files.id, fileId))
  if (!file?.sha256 || file.state === 'read' || file.state === 'unusable') return
  try {
    const bytes = await fetchContents(file.sha256)
    await refuseMalware(bytes, scannerOf(settings().MALWARE_SCANNER))
    const opened = await readers().open(file.sha256)
    if (opened.kind === 'files') await unfold(file, bytes)
    else await addPages(file, opened)
  } catch (error) {
    if (!isFilesFault(error)) throw error
    await setAside(file, error.message)
  }
}

/** Takes a file out of what a package waits for, and says why. */
async function setAside(file: FileRow, problem: string): Promise<void> {
  await database().transaction(async (work) => {
    await work.update(files).set({ state: 'unusable', problem }).where(eq(files.id, file.id))
    await note(work, null, file.packageId, 'set a file aside', `${file.name}: ${problem}`)
    await queueJudgement(work, file.packageId)
    await tell(work, { packageId: file.packageId, what: 'files' })
  })
}

/** Hours for which a file waits for a malware scanner that is away, and minutes between its tries. */
const [SCANNER_HOURS, SCANNER_MINUTES] = [24, 2]

/**
 * A file that fails us at every try is set aside: while it waited, its package would never open. One that nobody could
 * look into for malware waits on, and says so: the scanner's being away is no fault of a whole morning's files.
 */
async function giveUpFile({ fileId }: Jobs['open_file'], error: unknown): Promise<'goes on' | void> {
  const [file] = await database().select().from(files).where(eq(files.id, fileId))
  if (!file || file.state === 'read' || file.state === 'unusable') return
  const waited = (Date.now() - file.createdAt.getTime()) / 3_600_000
  if (error instanceof ScannerAway && waited < SCANNER_HOURS) {
    await database().transaction(async (work) => {
      await work
        .update(files)
        .set({ problem: 'The malware scanner is away; this file is opened as soon as it is back.' })
        .where(eq(files.id, fileId))
      await queueJob(
        work,
        'open_file',
        { fileId },
        { queue: `open:${file.packageId}`, seconds: SCANNER_MINUTES * 60 },
      )
      await tell(work, { packageId: file.packageId, what: 'files' })
    })
    return 'goes on'
  }
  await setAside(file, 'A fault of ours kept this file from being opened; please bring it again.')
}

type FileRow = typeof files.$inferSelect

async function unfold(file: FileRow, bytes: Uint8Array): Promise<void> {
  let kept: { name: string; sha256: string; size: number }[] = []
  await readers().unfold({ name: file.name, bytes }, () => {
    kept = []
    return async (one) => void kept.push({ name: one.name, ...(await keepBytes(one.bytes)) })
  })
  await database().transaction(async (work) => {
    await work.delete(files).where(eq(files.parentId, file.id))
    for (const one of kept) {
      const [child] = await work
        .insert(files)
        .values({
          packageId: file.packageId,
          name: one.name,
          sha256: one.sha256,
          size: one.size,
          state: 'waiting',
          parentId: file.id,
          broughtById: file.broughtById,
        })
        .returning({ id: files.id })
      await queueJob(work, 'open_file', { fileId: child.id }, { queue: `open:${file.packageId}` })
    }
    await work.update(files).set({ state: 'read', problem: null }).where(eq(files.id, file.id))
    await tell(work, { packageId: file.packageId, what: 'files' })
  })
}

async function addPages(
  file: FileRow,
  { pages: count, notices }: { pages: number; notices: string[] },
): Promise<void> {
  if (count > settings().MOST_FILE_PAGES)
    throw new UnusableFile(`The file has ${count} pages; at most ${settings().MOST_FILE_PAGES} are taken.`)
  const most = settings().MOST_PACKAGE_PAGES
  await database().transaction(async (work) => {
    // The row lock keeps two files of a package from taking the same page numbers.
    const row = await hold(work, file.packageId)
    if (!row) return
    // A job that was done and not known to be, as when the database went between the two, is done once.
    const [now] = await work.select({ state: files.state }).from(files).where(eq(files.id, file.id))
    if (now?.state !== 'waiting') return
    if (!allows(row.state, 'bring files'))
      throw new UnusableFile(
        'The package was closed before this file was opened. Open it again and bring the file anew.',
      )
    if (row.pageCount + count > most)
      throw new UnusableFile(
        `With the ${count} pages of this file the package would have ${row.pageCount + count}; it may have ${most}.`,
      )
    const waiting = await pagesWaiting(work, row.organisationId)
    await work.insert(pages).values(
      Array.from({ length: count }, (_, i) => ({
        packageId: file.packageId,
        number: row.pageCount + i + 1,
        fileId: file.id,
        filePage: i + 1,
      })),
    )
    const goesOn = row.state === 'sample' ? 'sample' : 'reading'
    await move(work, file.packageId, 'bring files', goesOn, { pageCount: row.pageCount + count })
    await work
      .update(files)
      .set({ state: 'reading', pages: count, notices, problem: null })
      .where(eq(files.id, file.id))
    for (let i = 0; i < Math.min(count, GLANCED); i++)
      await queueJob(
        work,
        'glance_at_page',
        { packageId: file.packageId, number: row.pageCount + i + 1 },
        { priority: -10 },
      )
    for (let i = 0; i < count; i++)
      await queueJob(
        work,
        'read_page',
        { packageId: file.packageId, number: row.pageCount + i + 1 },
        {
          priority:
            row.state === 'sample'
              ? AWAITED
              : turnOf({ ofPackage: row.pageCount - row.pagesRead + i, ofOrganisation: waiting }),
        },
      )
    await tell(work, { packageId: file.packageId, what: 'files' })
  })
}

/** Draws the small picture of a page as it lies in its file, long before it is read. */
async function glanceAtPage({ packageId, number }: Jobs['glance_at_page']): Promise<void> {
  const [row] = await database()
    .select({ sha256: files.sha256, filePage: pages.filePage, read: sql<boolean>`${pages.body} is not null` })
    .from(pages)
    .innerJoin(files, eq(pages.fileId, files.id))
    .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
  if (!row?.sha256 || row.read) return
  const bytes = await pictureOf(row.sha256, row.filePage - 1, 0)
  // A page that cannot be drawn is told of when it is read.
  if (!bytes) return
  await database().transaction(async (work) => {
    await work
      .insert(pictures)
      .values({ packageId, page: number, size: 'small', bytes })
      .onConflictDoNothing()
    await tell(work, { packageId, what: 'progress' })
  })
}

/** The picture of a page; null where its file does not let it be drawn. */
const pictureOf = (
  sha256: string,
  index: number,
  rotation: Page['rotation'],
  width = SMALL,
): Promise<Buffer | null> =>
  readers()
    .picture(sha256, index, rotation, width)
    .then(
      (bytes) => Buffer.from(bytes),
      (error: unknown) => {
        if (!isFilesFault(error)) throw error
        return null
      },
    )

/** Reads one page and draws its small picture. A page that cannot be read keeps its place and is said to be poor. */
async function readPage(page: Jobs['read_page']): Promise<void> {
  const row = await unreadPage(page)
  if (!row) return
  const read = await readers()
    .read(row.sha256, row.filePage - 1, await inkWantedIn(row.organisationId))
    .catch(orUnreadable(page))
  await storePage(page, row, read, await pictureOf(row.sha256, row.filePage - 1, read.rotation))
}

/** A page that cannot be read for a fault of ours keeps its place all the same: its package must open. */
async function giveUpPage(page: Jobs['read_page']): Promise<void> {
  const row = await unreadPage(page)
  if (row) await storePage(page, row, unreadable(new Error('a fault of ours')), null)
}

interface UnreadPage {
  organisationId: string
  sha256: string
  name: string
  filePage: number
}

/** Where a page comes from that nobody has read yet; null for any other. */
async function unreadPage({ packageId, number }: Jobs['read_page']): Promise<UnreadPage | null> {
  const [row] = await database()
    .select({
      organisationId: packages.organisationId,
      sha256: files.sha256,
      name: files.name,
      filePage: pages.filePage,
      done: sql<boolean>`${pages.body} is not null`,
    })
    .from(pages)
    .innerJoin(packages, eq(pages.packageId, packages.id))
    .innerJoin(files, eq(pages.fileId, files.id))
    .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
  return row?.sha256 && !row.done ? { ...row, sha256: row.sha256 } : null
}

async function storePage(
  { packageId, number }: Jobs['read_page'],
  { name, filePage }: UnreadPage,
  read: ReadPage,
  small: Buffer | null,
): Promise<void> {
  await database().transaction(async (work) => {
    const stored = await work
      .update(pages)
      .set({
        body: placePage(read, { number, file: name, filePage }),
        width: Math.round(read.width),
        height: Math.round(read.height),
      })
      .where(and(eq(pages.packageId, packageId), eq(pages.number, number), sql`${pages.body} is null`))
      .returning({ number: pages.number })
    if (stored.length === 0) return
    // What was drawn at a glance lay as in its file; now it is known which way is up.
    if (small)
      await work
        .insert(pictures)
        .values({ packageId, page: number, size: 'small', bytes: small })
        .onConflictDoUpdate({
          target: [pictures.packageId, pictures.page, pictures.size],
          set: { bytes: small },
        })
    const [now] = await work
      .update(packages)
      .set({ pagesRead: sql`${packages.pagesRead} + 1` })
      .where(eq(packages.id, packageId))
      .returning({ read: packages.pagesRead, all: packages.pageCount, state: packages.state })
    await queueJob(
      work,
      'draw_page',
      { packageId, number },
      { priority: now.state === 'sample' ? AWAITED : 10 },
    )
    if (now.read >= now.all) {
      await work
        .update(files)
        .set({ state: 'read' })
        .where(and(eq(files.packageId, packageId), eq(files.state, 'reading')))
      await queueJudgement(work, packageId)
    }
    if (now.read >= now.all || now.read % 5 === 0) await tell(work, { packageId, what: 'progress' })
  })
}

/**
 * Reads a page again the way a person turned it, and has its package cut and judged anew; answers stay as
 * they were given. Where it was turned once more meanwhile, the job of that turn does the work.
 */
async function readPageAgain({ packageId, number }: Jobs['read_page_again']): Promise<void> {
  const at = and(eq(pages.packageId, packageId), eq(pages.number, number))
  const [row] = await database()
    .select({
      organisationId: packages.organisationId,
      sha256: files.sha256,
      filePage: pages.filePage,
      body: pages.body,
      turned: pages.turned,
      again: pages.again,
    })
    .from(pages)
    .innerJoin(packages, eq(pages.packageId, packages.id))
    .innerJoin(files, eq(pages.fileId, files.id))
    .where(at)
  if (!row?.sha256 || !row.body || !row.again) return
  const read = await readers()
    .read(row.sha256, row.filePage - 1, await inkWantedIn(row.organisationId), row.turned ?? undefined)
    .catch(orUnreadable({ packageId, number }))
  const small = await pictureOf(row.sha256, row.filePage - 1, read.rotation)
  const { file, filePage, filedTo } = row.body
  const body = placePage(read, { number, file, filePage, filedTo })
  await database().transaction(async (work) => {
    const [now] = await work.select({ turned: pages.turned }).from(pages).where(at).for('update')
    if (now?.turned !== row.turned) return
    await work
      .update(pages)
      .set({ body, again: false, width: Math.round(read.width), height: Math.round(read.height) })
      .where(at)
    await work.delete(pictures).where(and(eq(pictures.packageId, packageId), eq(pictures.page, number)))
    if (small) await work.insert(pictures).values({ packageId, page: number, size: 'small', bytes: small })
    await forgetReadings(work, packageId, number)
    await queueJob(work, 'draw_page', { packageId, number }, { priority: -10 })
    await queueJudgement(work, packageId)
  })
}

/** Draws the large picture of a page, after all pages that wait are read. */
async function drawPage({ packageId, number }: Jobs['draw_page']): Promise<void> {
  const [row] = await database()
    .select({ sha256: files.sha256, filePage: pages.filePage, body: pages.body })
    .from(pages)
    .innerJoin(files, eq(pages.fileId, files.id))
    .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
  if (!row?.sha256 || !row.body) return
  const bytes = await pictureOf(row.sha256, row.filePage - 1, row.body.rotation, LARGE)
  // What cannot be drawn is shown small, or not at all; its page says that it could not be read.
  if (!bytes) return
  await database()
    .insert(pictures)
    .values({ packageId, page: number, size: 'large', bytes })
    .onConflictDoNothing()
}

/** Recognises doubtful regions of a page again; where that fails, the page stays as it was read. */
async function recogniseAgain(packageId: string, page: Page, places: readonly Box[]): Promise<Word[]> {
  const [row] = await database()
    .select({ sha256: files.sha256 })
    .from(pages)
    .innerJoin(files, eq(pages.fileId, files.id))
    .where(and(eq(pages.packageId, packageId), eq(pages.number, page.number)))
  if (!row?.sha256) return page.words
  return readers()
    .recogniseRegions(row.sha256, page.filePage - 1, page, places)
    .catch((error: unknown) => {
      log.warn(
        { packageId, number: page.number, error: String(error) },
        'a page could not be looked at again',
      )
      return page.words
    })
}

/** Holds a package that is to be cut now; null where it is not all read, is closed, or was touched meanwhile. */
async function heldForCut(work: Work, { packageId, untouched }: Jobs['judge_package']): Promise<Held | null> {
  const row = await hold(work, packageId)
  if (!row || row.pagesRead < row.pageCount || !allows(row.state, 'be cut')) return null
  return untouched && (await answersOf(work, packageId)).length > 0 ? null : row
}

/** Cuts and judges a package whose pages are all read, once the second reader has looked at what is in doubt. */
async function judgePackage(job: Jobs['judge_package']): Promise<void> {
  const { packageId } = job
  const whole = await database().transaction(async (work) => {
    if (!(await heldForCut(work, job))) return false
    await fileToCases(work, packageId)
    return true
  })
  if (!whole) return
  const cut = await cutPackage(packageId, (page, places) => recogniseAgain(packageId, page, places))
  await database().transaction(async (work) => {
    const row = await heldForCut(work, job)
    if (!row) return
    const assessment = await judge(work, packageId, cut ?? 'anew')
    await queueIdentityChecks(work, row, assessment.documents)
    await tellSenders(work, packageId)
    await note(
      work,
      null,
      packageId,
      'read the package',
      `${assessment.documents.length} documents on ${row.pageCount} pages, ${assessment.deck.length} loose pieces`,
    )
  })
}

/** A page that was turned and cannot be read again stays as it was read before. */
async function giveUpAgain({ packageId, number }: Jobs['read_page_again']): Promise<void> {
  await database().transaction(async (work) => {
    await work
      .update(pages)
      .set({ again: false })
      .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
    await queueJudgement(work, packageId)
  })
}

/** A package that cannot be checked says so, and a person may have it checked again: it waits for nothing else. */
async function giveUpPackage({ packageId }: Jobs['judge_package']): Promise<void> {
  await database().transaction(async (work) => {
    await work
      .update(packages)
      .set({ problem: 'A fault of ours kept these papers from being checked. Nothing of them is lost.' })
      .where(eq(packages.id, packageId))
    await note(work, null, packageId, 'could not check the package')
    await tell(work, { packageId, what: 'progress' })
  })
}

/** What is lacking then is seen where it is lacking: a small picture, a large one. */
const letBe = (): Promise<void> => Promise.resolve()

/** The work on pages and packages. */
export const pageTasks = {
  open_file: tried('open_file', { run: openFile, giveUp: giveUpFile }),
  glance_at_page: tried('glance_at_page', { run: glanceAtPage, giveUp: letBe }),
  read_page: tried('read_page', { run: readPage, giveUp: giveUpPage }),
  read_page_again: tried('read_page_again', { run: readPageAgain, giveUp: giveUpAgain }),
  draw_page: tried('draw_page', { run: drawPage, giveUp: letBe }),
  judge_package: tried('judge_package', { run: judgePackage, giveUp: giveUpPackage }),
}
