import { and, asc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import { assess, type Assessment, type Situation } from '../../core/pipeline/index.ts'
import { waitingFor } from '../../core/findings/index.ts'
import type { Box, Page, Word } from '../../core/model/index.ts'
import { type Piece, segmentPages } from '../../core/classification/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { englishWords } from '../../engine/pipeline/english-words.ts'
import { runPackage, withWords, type PackageRun } from '../../engine/pipeline/run.ts'
import { database, type Work } from '../database/connection.ts'
import { type DocumentInShort, files, packages, pages, readings } from '../database/schema.ts'
import { tell } from '../events.ts'
import { tellNotices } from '../notices/notices.ts'
import { goesFirst, settleRequests } from '../requests/settle.ts'
import { newStatements, replacementsIn } from '../requests/statements.ts'
import { syncTasks } from '../tasks/tasks.ts'
import { programAt } from '../configuration/programs.ts'
import { knowledgeOf } from '../configuration/knowledge.ts'
import { lenderOf } from '../access/organisations.ts'
import { typesOf } from '../configuration/types.ts'
import { answersOf } from './answers-given.ts'
import { filesOf } from './files-of.ts'
import { openStrays } from './filing.ts'
import { keptReader, readingsOf, rememberReadings } from './readings.ts'
import { allows, hold, move } from './states.ts'

/**
 * Pages of lately judged packages. A page changes only when it is read and when it is looked at again, so two
 * counts are enough to know them by.
 */
const knownPages = new LRUCache<string, Page[]>({ max: 6 })

/** How often the pages of a package were read, and changed since: two counts are enough to know a list of them by. */
interface PagesVersion {
  read: number
  changed: number
}

async function pagesVersion(work: Work, packageId: string): Promise<PagesVersion> {
  const [row] = await work
    .select({ read: packages.pagesRead, changed: packages.pagesLookedAt })
    .from(packages)
    .where(eq(packages.id, packageId))
  return row ?? { read: 0, changed: 0 }
}

const pagesKey = (packageId: string, { read, changed }: PagesVersion): string =>
  `${packageId}:${read}:${changed}`

/** All read pages of a package, by number. */
export async function pagesOf(work: Work, packageId: string): Promise<Page[]> {
  const key = pagesKey(packageId, await pagesVersion(work, packageId))
  const known = knownPages.get(key)
  if (known) return known
  const rows = await work
    .select({ body: pages.body })
    .from(pages)
    .where(eq(pages.packageId, packageId))
    .orderBy(asc(pages.number))
  const found = rows.flatMap((r) => (r.body ? [r.body] : []))
  knownPages.set(key, found)
  return found
}

/** All that a package is judged on, from the database, before it is cut; and the cut that is stored. */
async function runOf(
  work: Work,
  packageId: string,
): Promise<{
  run: PackageRun
  stored: Piece[] | null
  /** What bears on the verdict besides papers and answers. */
  besides: Pick<Situation, 'strays' | 'said' | 'replacements'>
}> {
  const [row] = await work
    .select({
      organisationId: packages.organisationId,
      caseNumber: packages.caseNumber,
      program: packages.program,
      programVersion: packages.programVersion,
      asOf: packages.asOf,
      pieces: packages.pieces,
    })
    .from(packages)
    .where(eq(packages.id, packageId))
  if (!row) throw new Error(`there is no package ${packageId}`)
  const program = await programAt(work, row.organisationId, row.program, row.programVersion)
  if (!program) throw new Error(`there is no program ${row.program} of version ${row.programVersion}`)
  const run = {
    files: await filesOf(work, packageId),
    pages: await pagesOf(work, packageId),
    program,
    types: await typesOf(work, row.organisationId),
    lender: await lenderOf(work, row.organisationId),
    knowledge: await knowledgeOf(work, row.organisationId),
    answers: await answersOf(work, packageId),
    asOf: row.asOf,
  }
  const besides = {
    strays: await openStrays(work, { id: packageId, ...row }, run.pages),
    said: await newStatements(work, packageId),
    replacements: await replacementsIn(work, packageId),
  }
  return { run, stored: row.pieces, besides }
}

/** A cut of a package's pages, and what it was made of: whoever finds these changed cuts anew. */
export interface Cut {
  pages: readonly Page[]
  types: readonly DocumentType[]
  pieces: readonly Piece[]
}

/**
 * All that a package is judged on, from the database.
 * @param cut cuts its pages anew, or takes this cut where it still fits; without it the stored cut is used
 */
export async function situationOf(work: Work, packageId: string, cut?: Cut | 'anew'): Promise<Situation> {
  const {
    run: { knowledge, ...run },
    stored,
    besides,
  } = await runOf(work, packageId)
  const fits = typeof cut === 'object' && cut.pages === run.pages && cut.types === run.types
  const pieces = fits ? cut.pieces : cut || !stored ? segmentPages(run.pages, run.types, knowledge) : stored
  return { ...run, ...besides, pieces, english: englishWords }
}

/**
 * Whether files of a package are still to be opened or read. Their pages are not counted before that, so the
 * pages alone would open a package to people while half of it is missing.
 */
async function filesComing(work: Work, packageId: string): Promise<boolean> {
  const coming = await work
    .select({ id: files.id })
    .from(files)
    .where(and(eq(files.packageId, packageId), inArray(files.state, ['waiting', 'reading'])))
    .limit(1)
  return coming.length > 0
}

/** Recognises doubtful regions of one page again. */
export type RecogniseAgain = (page: Page, places: readonly Box[]) => Promise<Word[]>

/**
 * Cuts and reads a package outside of any lock, and has what is in doubt recognised again, page by page: what
 * was done of it stays done when the worker is killed. What was read of its documents is kept in mind for the
 * judgement that follows.
 * @returns null where somebody changed a page meanwhile: what was cut and read is of what it was before
 */
export async function cutPackage(packageId: string, recogniseAgain: RecogniseAgain): Promise<Cut | null> {
  const before = await pagesVersion(database(), packageId)
  const { run } = await runOf(database(), packageId)
  const readings = await readingsOf(database(), packageId, run)
  let recognised = 0
  const { situation } = await runPackage(run, {
    readings: readings.byKey,
    async recogniseAgain(doubts) {
      const words = new Map<number, Word[]>()
      for (const page of run.pages) {
        const places = doubts.get(page.number)
        if (!places) continue
        const found = await recogniseAgain(page, places)
        const kept = await database().transaction((work) => keepWords(work, packageId, page, found))
        if (kept) words.set(page.number, found)
      }
      recognised = words.size
      return words
    },
  })
  // Whoever changes a page counts it, and so do we.
  const after = await pagesVersion(database(), packageId)
  if (after.read !== before.read || after.changed !== before.changed + recognised) return null
  const pages = recognised > 0 ? [...situation.pages] : run.pages
  if (recognised > 0) {
    knownPages.set(pagesKey(packageId, after), pages as Page[])
    // What the database had of documents with changed pages is gone: all is offered to it again.
    rememberReadings(pages, { ...readings, stored: new Set() })
  }
  return { pages, types: run.types, pieces: situation.pieces }
}

/**
 * Takes over what was recognised again of a page; what was read of its document before is read anew.
 * @returns false where the page was turned or filed meanwhile, or the package closed: what was recognised is of what
 *   it was before
 */
async function keepWords(work: Work, packageId: string, page: Page, words: Word[]): Promise<boolean> {
  const row = await hold(work, packageId)
  if (!row || !allows(row.state, 'be cut')) return false
  const at = and(eq(pages.packageId, packageId), eq(pages.number, page.number))
  const [now] = await work.select({ body: pages.body }).from(pages).where(at).for('update')
  if (now?.body?.rotation !== page.rotation || now.body.filedTo !== page.filedTo) return false
  await forgetReadings(work, packageId, page.number)
  await work
    .update(pages)
    .set({ body: withWords(page, words) })
    .where(at)
  return true
}

/**
 * Whoever changes what is read on a page says so here: what is kept in memory of the pages, and was read of
 * its document, is old.
 */
export async function forgetReadings(work: Work, packageId: string, page: number): Promise<void> {
  // Whoever judges the package waits for this: the counts and the pages change together.
  await work
    .update(packages)
    .set({ pagesLookedAt: sql`${packages.pagesLookedAt} + 1` })
    .where(eq(packages.id, packageId))
  const withPage = sql`${String(page)} = any(string_to_array(split_part(${readings.key}, ':', 2), ','))`
  await work.delete(readings).where(and(eq(readings.packageId, packageId), withPage))
}

const inShort = ({ documents }: Assessment): DocumentInShort[] =>
  documents.map(({ type, pages, typeSaid }) => ({ type, pages, typeSaid }))

/** Packages that are listed at once: a verdict is large. */
const LISTED_AT_ONCE = 20

/** Lists the documents of packages that were judged before they were listed. */
export async function listOlderDocuments(): Promise<void> {
  for (;;) {
    const rows = await database()
      .select({ id: packages.id, assessment: packages.assessment })
      .from(packages)
      .where(and(isNull(packages.documents), isNotNull(packages.assessment)))
      .limit(LISTED_AT_ONCE)
    if (rows.length === 0) return
    for (const { id, assessment } of rows)
      await database()
        .update(packages)
        .set({ documents: inShort(assessment!) })
        .where(and(eq(packages.id, id), isNull(packages.documents)))
  }
}

/**
 * Judges a package and stores the verdict; `cut` as for `situationOf`. The row is locked for it, so that two
 * answers at once are judged one after the other and neither is lost. What is finished is judged no more.
 * @returns the verdict that stands now
 */
export async function judge(work: Work, packageId: string, cut?: Cut | 'anew'): Promise<Assessment> {
  const row = await hold(work, packageId)
  const [stored] = await work
    .select({ assessment: packages.assessment, uncut: isNull(packages.pieces) })
    .from(packages)
    .where(eq(packages.id, packageId))
  if (!row || !stored) throw new Error(`there is no package ${packageId}`)
  if (stored.assessment && !allows(row.state, 'be judged')) return stored.assessment
  const situation = await situationOf(work, packageId, cut)
  const { read, keep } = await keptReader(work, packageId, situation)
  const assessment = assess(situation, read)
  await keep()
  const noticed = await tellNotices(work, row, assessment.documents)
  const opens =
    row.state === 'reading' && row.pagesRead >= row.pageCount && !(await filesComing(work, packageId))
  await work
    .update(packages)
    .set({
      ...(cut || stored.uncut ? { pieces: [...situation.pieces] } : {}),
      assessment,
      documents: inShort(assessment),
      problem: null,
      types: [...new Set(assessment.documents.map((d) => d.type))],
      applicant: assessment.persons.applicant,
      looseCount: assessment.deck.length,
      toSign: waitingFor(assessment).length,
      flagged: noticed.lead || assessment.findings.some((f) => f.id.startsWith('limit:')),
      first: noticed.first || (await goesFirst(work, packageId, situation.program)),
      openRequirements: assessment.checklist.filter(
        (c) => !['satisfied', 'not_applicable', 'waived'].includes(c.status),
      ).length,
      version: row.version + 1,
      updatedAt: new Date(),
    })
    .where(eq(packages.id, packageId))
  if (opens) await move(work, packageId, 'be judged', 'open')
  await settleRequests(work, packageId)
  await syncTasks(work, packageId)
  await tell(work, { packageId, what: 'judged' })
  return assessment
}
