import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import type { Answer } from '../../core/answers/answer.ts'
import { assess, type Assessment, type Situation } from '../../core/assess.ts'
import { waitingFor } from '../../core/findings/overridden.ts'
import { canBeDoubted, doubtsOf } from '../../core/findings/doubts.ts'
import type { PackageFile } from '../../core/findings/findings.ts'
import type { Box } from '../../core/model/geometry.ts'
import type { Page, Word } from '../../core/model/page.ts'
import { splitPages } from '../../core/classification/segment.ts'
import { englishWords } from '../../engine/words.ts'
import type { Work } from '../database/connection.ts'
import { answers, files, packages, pages, readings } from '../database/schema.ts'
import { tell } from '../events.ts'
import { programAt } from '../configuration/programs.ts'
import { knowledgeOf } from '../configuration/knowledge.ts'
import { typesOf } from '../configuration/types.ts'
import { keptReader } from './readings.ts'

/** Pages of lately judged packages. A page changes only when it is read and when it is looked at again, so two counts are enough to know them by. */
const knownPages = new LRUCache<string, Page[]>({ max: 6 })

/** All read pages of a package, by number. */
export async function pagesOf(work: Work, packageId: string): Promise<Page[]> {
  const [row] = await work
    .select({ read: packages.pagesRead, lookedAt: packages.pagesLookedAt })
    .from(packages)
    .where(eq(packages.id, packageId))
  const key = `${packageId}:${row?.read ?? 0}:${row?.lookedAt ?? 0}`
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

/** Files as the report names them; archives and messages that unfolded into others are not pages' files themselves. */
export async function filesOf(work: Work, packageId: string): Promise<PackageFile[]> {
  const rows = await work
    .select()
    .from(files)
    .where(eq(files.packageId, packageId))
    .orderBy(asc(files.createdAt), asc(files.id))
  const parents = new Set(rows.map((r) => r.parentId))
  return rows
    .filter((r) => !parents.has(r.id) && r.state !== 'arriving')
    .map((r) => ({
      name: r.name,
      sha256: r.sha256 ?? '',
      pages: r.pages,
      problem: r.problem,
      notices: r.notices,
    }))
}

/** People's answers that stand, in the order they were given. */
export async function answersOf(work: Work, packageId: string): Promise<Answer[]> {
  const rows = await work
    .select({ body: answers.body })
    .from(answers)
    .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
    .orderBy(asc(answers.id))
  return rows.map((r) => r.body)
}

/** All that a package is judged on, from the database. `cut` cuts its pages anew; else the stored cut is used. */
export async function situationOf(work: Work, packageId: string, cut: boolean): Promise<Situation> {
  const [row] = await work
    .select({
      organisationId: packages.organisationId,
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
  const read = await pagesOf(work, packageId)
  const types = await typesOf(work, row.organisationId)
  const pieces =
    cut || !row.pieces ? splitPages(read, types, await knowledgeOf(work, row.organisationId)) : row.pieces
  return {
    files: await filesOf(work, packageId),
    pages: read,
    pieces,
    program,
    types,
    answers: await answersOf(work, packageId),
    asOf: row.asOf,
    english: englishWords,
  }
}

/**
 * Whether files of a package are still to be opened or read. Their pages are not counted before that, so the pages alone
 * would open a package to people while half of it is missing.
 */
async function filesComing(work: Work, packageId: string): Promise<boolean> {
  const coming = await work
    .select({ id: files.id })
    .from(files)
    .where(and(eq(files.packageId, packageId), inArray(files.state, ['waiting', 'reading'])))
    .limit(1)
  return coming.length > 0
}

/** Places of a package whose reading is in doubt and was not looked at by the second reader yet. */
export async function doubtsIn(work: Work, packageId: string): Promise<Map<number, Box[]>> {
  // Most packages have a text layer and are judged once.
  if (!(await pagesOf(work, packageId)).some(canBeDoubted)) return new Map()
  const situation = await situationOf(work, packageId, true)
  return doubtsOf(assess(situation).documents, situation.pages)
}

/** Takes over what the second reader made of a page. What was read of documents before is read anew. */
export async function keepCloser(work: Work, packageId: string, page: Page, words: Word[]): Promise<void> {
  await forgetReadings(work, packageId)
  await work
    .update(pages)
    .set({ body: { ...page, words, closer: true } })
    .where(and(eq(pages.packageId, packageId), eq(pages.number, page.number)))
}

/** Whoever changes what is read on a page says so here: what is kept in memory of the pages, and was read of documents, is old. */
export async function forgetReadings(work: Work, packageId: string): Promise<void> {
  // Whoever judges the package waits for this: the counts and the pages change together.
  await work
    .update(packages)
    .set({ pagesLookedAt: sql`${packages.pagesLookedAt} + 1` })
    .where(eq(packages.id, packageId))
  await work.delete(readings).where(eq(readings.packageId, packageId))
}

/**
 * Judges a package again and stores the verdict. The row is locked for it, so that two answers at once are judged one
 * after the other and neither is lost.
 */
export async function judge(work: Work, packageId: string, cut = false): Promise<Assessment> {
  const [held] = await work
    .select({ uncut: isNull(packages.pieces) })
    .from(packages)
    .where(eq(packages.id, packageId))
    .for('update')
  const situation = await situationOf(work, packageId, cut)
  const { read, keep } = await keptReader(work, packageId, situation)
  const assessment = assess(situation, read)
  await keep()
  const [row] = await work
    .select({
      version: packages.version,
      state: packages.state,
      pageCount: packages.pageCount,
      pagesRead: packages.pagesRead,
    })
    .from(packages)
    .where(eq(packages.id, packageId))
  await work
    .update(packages)
    .set({
      ...(cut || held.uncut ? { pieces: situation.pieces as typeof situation.pieces & never[] } : {}),
      assessment,
      types: [...new Set(assessment.documents.map((d) => d.type))],
      applicant: assessment.persons.applicant,
      looseCount: assessment.deck.length,
      toSign: waitingFor(assessment).length,
      flagged: assessment.findings.some((f) => f.id.startsWith('limit:')),
      openRequirements: assessment.checklist.filter(
        (c) => !['satisfied', 'not_applicable', 'waived'].includes(c.status),
      ).length,
      version: row.version + 1,
      updatedAt: new Date(),
      ...(row.state === 'reading' && row.pagesRead >= row.pageCount && !(await filesComing(work, packageId))
        ? { state: 'open' as const }
        : {}),
    })
    .where(eq(packages.id, packageId))
  await tell(work, { packageId, what: 'judged' })
  return assessment
}
