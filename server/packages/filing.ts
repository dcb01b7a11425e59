import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { separatorSheetOn } from '../../core/classification/index.ts'
import type { Page } from '../../core/model/index.ts'
import { freeName } from '../../engine/input/free-name.ts'
import { historyOf, note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import { files, packages, pages, pictures } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob } from '../jobs/queue.ts'

/** Pages of one file that lie behind the cover sheet of another case. */
export interface Strayed {
  caseNumber: string
  fileId: string
  pages: Page[]
}

/**
 * Which pages belong to other cases: a sheet with a case's number files what follows it in its file, up to
 * the next such sheet. A sheet that only parts papers changes nothing of that.
 */
export function strayedPages(own: string, rows: readonly { fileId: string; page: Page }[]): Strayed[] {
  const found: Strayed[] = []
  let file: string | null = null
  let target: string | null = null
  for (const { fileId, page } of rows) {
    if (fileId !== file) [file, target] = [fileId, null]
    const named = page.separator ? (separatorSheetOn(page)?.caseNumber ?? null) : null
    if (named) target = named === own ? null : named
    if (named || page.separator || target === null || page.filedTo) continue
    const last = found.at(-1)
    if (last && last.caseNumber === target && last.fileId === fileId) last.pages.push(page)
    else found.push({ caseNumber: target, fileId, pages: [page] })
  }
  return found
}

/**
 * Files pages behind the cover sheet of another case to that case, which is opened where nobody opened it
 * yet. Here they stay to be seen, in no document. A finished case takes nothing more: its pages stay where
 * they came, and that is noted.
 * @returns whether anything was filed
 */
export async function fileToCases(work: Work, packageId: string): Promise<boolean> {
  const [row] = await work.select().from(packages).where(eq(packages.id, packageId)).for('update')
  const rows = await work
    .select({ fileId: pages.fileId, page: pages.body })
    .from(pages)
    .where(eq(pages.packageId, packageId))
    .orderBy(asc(pages.number))
  const strayed = strayedPages(
    row.caseNumber,
    rows.flatMap(({ fileId, page }) => (page ? [{ fileId, page }] : [])),
  )
  let filed = false
  for (const group of strayed) {
    const numbers = group.pages.map((p) => p.number)
    const [known] = await work
      .select()
      .from(packages)
      .where(and(eq(packages.organisationId, row.organisationId), eq(packages.caseNumber, group.caseNumber)))
      .for('update')
    if (known?.state === 'finished' || known?.state === 'review') {
      await noteOnce(
        work,
        packageId,
        `pages ${numbers.join(', ')} are of ${group.caseNumber}, which is closed`,
      )
      continue
    }
    const target =
      known ??
      (
        await work
          .insert(packages)
          .values({
            organisationId: row.organisationId,
            program: row.program,
            programVersion: row.programVersion,
            caseNumber: group.caseNumber,
            asOf: row.asOf,
            createdById: row.createdById,
          })
          .returning()
      )[0]
    await take(work, target.id, target.pageCount, packageId, group)
    await work
      .update(pages)
      .set({
        body: sql`${pages.body} || ${JSON.stringify({ separator: true, filedTo: group.caseNumber })}::jsonb`,
      })
      .where(and(eq(pages.packageId, packageId), inArray(pages.number, numbers)))
    await note(
      work,
      null,
      packageId,
      'filed pages to another case',
      `pages ${numbers.join(', ')} to ${group.caseNumber}`,
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

/** Copies pages, as they were read, behind those that a package has, and has it judged. */
async function take(
  work: Work,
  targetId: string,
  from: number,
  packageId: string,
  { fileId, pages: read }: Strayed,
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
  await work
    .update(packages)
    .set({
      pageCount: sql`${packages.pageCount} + ${read.length}`,
      pagesRead: sql`${packages.pagesRead} + ${read.length}`,
      state: 'reading',
      updatedAt: new Date(),
    })
    .where(eq(packages.id, targetId))
  await queueJob(work, 'judge_package', { packageId: targetId }, { key: `judge:${targetId}`, priority: -5 })
  await tell(work, { packageId: targetId, what: 'files' })
}

/** Every judgement tries again; the history need not say so each time. */
async function noteOnce(work: Work, packageId: string, detail: string): Promise<void> {
  const act = 'could not file pages'
  const said = (await historyOf(packageId, work)).some((one) => one.act === act && one.detail === detail)
  if (!said) await note(work, null, packageId, act, detail)
}
