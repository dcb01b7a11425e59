import { and, desc, eq, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import {
  arrivals,
  failedJobs,
  files,
  identityChecks,
  lessons,
  messages,
  noticesTold,
  packages,
  pages,
} from '../database/schema.ts'
import { queueCheck } from '../packages/again.ts'
import { forgetReadings } from '../packages/judge.ts'
import { heldFor, inTurn, move, Refused } from '../packages/states.ts'
import { queueJob, type Jobs } from './queue.ts'

type Kind = keyof Jobs

/** Whose work a job is: of a package, or of an organisation. */
async function ownerOf(
  work: Work,
  payload: Jobs[Kind],
): Promise<{ packageId: string | null; organisationId: string | null }> {
  const of = async (packageId: string) => {
    const [row] = await work
      .select({ organisationId: packages.organisationId })
      .from(packages)
      .where(eq(packages.id, packageId))
    return { packageId: row ? packageId : null, organisationId: row?.organisationId ?? null }
  }
  if ('packageId' in payload) return of(payload.packageId)
  if ('fileId' in payload) {
    const [file] = await work.select({ id: files.packageId }).from(files).where(eq(files.id, payload.fileId))
    return file ? of(file.id) : { packageId: null, organisationId: null }
  }
  if ('organisationId' in payload) return { packageId: null, organisationId: payload.organisationId }
  if ('toldId' in payload) {
    const [row] = await work
      .select({ id: noticesTold.packageId })
      .from(noticesTold)
      .where(eq(noticesTold.id, payload.toldId))
    return row ? of(row.id) : { packageId: null, organisationId: null }
  }
  if ('trialId' in payload) return { packageId: null, organisationId: null }
  if ('arrivalId' in payload || 'mailId' in payload) {
    const [row] =
      'mailId' in payload
        ? await work.select().from(messages).where(eq(messages.id, payload.mailId))
        : await work.select().from(arrivals).where(eq(arrivals.id, payload.arrivalId))
    return { packageId: row?.packageId ?? null, organisationId: row?.organisationId ?? null }
  }
  const [lesson] = await work
    .select({ organisationId: lessons.organisationId })
    .from(lessons)
    .where(eq(lessons.id, payload.lessonId))
  return { packageId: null, organisationId: lesson?.organisationId ?? null }
}

/** Writes down that work failed for good, for whoever looks after it. @param error without what the work was given */
export async function noteFailure<K extends Kind>(task: K, payload: Jobs[K], error: string): Promise<void> {
  const owner = await ownerOf(database(), payload)
  // What was erased meanwhile is nobody's work.
  if (!owner.organisationId) return
  await database()
    .insert(failedJobs)
    .values({ ...owner, task, payload, error })
}

const MOST = 200

/** Work of an organisation that failed for good, the latest first. */
export const failuresOf = (organisationId: string) =>
  database()
    .select({
      id: failedJobs.id,
      task: failedJobs.task,
      payload: failedJobs.payload,
      error: failedJobs.error,
      at: failedJobs.at,
      packageId: failedJobs.packageId,
      caseNumber: packages.caseNumber,
    })
    .from(failedJobs)
    .leftJoin(packages, eq(packages.id, failedJobs.packageId))
    .where(eq(failedJobs.organisationId, organisationId))
    .orderBy(desc(failedJobs.id))
    .limit(MOST)

/** What each kind of work needs to be done again: what it had given up is taken back, so that it is to do anew. */
const AGAIN: { [K in Kind]: (work: Work, payload: Jobs[K]) => Promise<void> } = {
  async open_file(work, payload) {
    const [file] = await work.select().from(files).where(eq(files.id, payload.fileId))
    // One that was opened meanwhile would have its pages twice.
    if (file?.state !== 'unusable') throw new Refused('This file needs nothing any more; let it be.')
    const row = await heldFor(work, file.packageId, 'bring files')
    await work.update(files).set({ state: 'waiting', problem: null }).where(eq(files.id, file.id))
    await move(work, file.packageId, 'bring files', row.state === 'sample' ? 'sample' : 'reading')
    await queueJob(work, 'open_file', payload, { queue: `open:${file.packageId}` })
  },
  async read_page(work, payload) {
    const { packageId, number } = payload
    const row = await heldFor(work, packageId, 'bring files')
    const freed = await work
      .update(pages)
      .set({ body: null })
      .where(and(eq(pages.packageId, packageId), eq(pages.number, number), sql`${pages.body} is not null`))
      .returning({ number: pages.number })
    if (freed.length > 0) {
      await forgetReadings(work, packageId, number)
      await move(work, packageId, 'bring files', row.state === 'sample' ? 'sample' : 'reading', {
        pagesRead: row.pagesRead - 1,
      })
    }
    await queueJob(work, 'read_page', payload)
  },
  async read_page_again(work, payload) {
    const { packageId, number } = payload
    await heldFor(work, packageId, 'be cut')
    await work
      .update(pages)
      .set({ again: true })
      .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
    await queueJob(work, 'read_page_again', payload, { priority: -10 })
  },
  async judge_package(work, { packageId }) {
    await heldFor(work, packageId, 'be judged')
    await queueCheck(work, packageId)
  },
  glance_at_page: (work, payload) => queueJob(work, 'glance_at_page', payload),
  draw_page: (work, payload) => queueJob(work, 'draw_page', payload),
  read_type_again: (work, payload) => queueJob(work, 'read_type_again', payload),
  try_draft: (work, payload) => queueJob(work, 'try_draft', payload),
  async open_message(work, payload) {
    const opening = await work
      .update(arrivals)
      .set({ outcome: 'opening', problem: null })
      .where(and(eq(arrivals.id, payload.arrivalId), eq(arrivals.outcome, 'not taken')))
      .returning({ id: arrivals.id })
    if (opening.length === 0) throw new Refused('This message needs nothing any more; let it be.')
    await queueJob(work, 'open_message', payload)
  },
  tell_sender: (work, payload) => queueJob(work, 'tell_sender', payload),
  async post_notice(work, payload) {
    await work.update(noticesTold).set({ post: 'waiting' }).where(eq(noticesTold.id, payload.toldId))
    await queueJob(work, 'post_notice', payload)
  },
  async check_identity(work, payload) {
    await work
      .update(identityChecks)
      .set({ verdict: null, reasons: [] })
      .where(and(eq(identityChecks.packageId, payload.packageId), eq(identityChecks.page, payload.page)))
    await queueJob(work, 'check_identity', payload)
  },
  async send_mail(work, payload) {
    await work
      .update(messages)
      .set({ state: 'waiting', tries: 0, problem: null })
      .where(and(eq(messages.id, payload.mailId), eq(messages.state, 'failed')))
    await queueJob(work, 'send_mail', payload)
  },
  async learn(work, payload) {
    await work.update(lessons).set({ state: 'learning' }).where(eq(lessons.id, payload.lessonId))
    await queueJob(work, 'learn', payload)
  },
}

/**
 * Has failed work done again, or lets it be; either way it is no failure any more.
 * @throws Refused where there is none, or what it works on does not allow it now
 */
export async function settleFailure(who: Person, id: number, again: boolean): Promise<void> {
  const own = and(eq(failedJobs.id, id), eq(failedJobs.organisationId, who.organisationId))
  const [found] = await database().select().from(failedJobs).where(own)
  if (!found) throw new Refused('Somebody looked after this already.')
  await inTurn(found.packageId ?? who.organisationId, async (work) => {
    const gone = await work.delete(failedJobs).where(own).returning({ id: failedJobs.id })
    if (gone.length === 0) throw new Refused('Somebody looked after this already.')
    const task = found.task as Kind
    if (again) await (AGAIN[task] as (work: Work, payload: unknown) => Promise<void>)(work, found.payload)
    await note(
      work,
      who,
      found.packageId ?? who,
      again ? 'had failed work done again' : 'let failed work be',
      task.replaceAll('_', ' '),
    )
  })
}
