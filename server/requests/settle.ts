import { and, desc, eq, isNotNull, lte } from 'drizzle-orm'
import {
  isAnswered,
  progressOf,
  type ItemState,
  type RequestItem,
  type Statement,
} from '../../core/requests/index.ts'
import type { Program } from '../../core/program/index.ts'
import { thanksLetter } from '../../wording/requests/index.ts'
import { organisationName } from '../access/organisations.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, files, packages, requests } from '../database/schema.ts'
import { allows, hold } from '../packages/states.ts'
import { queueMail } from '../post/outbox.ts'
import { itemsNow, programOf } from './asking.ts'
import { statementsOf } from './statements.ts'
import { letterOf } from './letters.ts'
import type { RequestRow } from './link.ts'

/** Items that papers came for by the link, and whether any of them is still being read. */
async function cameFor(work: Work, requestId: string): Promise<{ items: Set<string>; reading: boolean }> {
  const came = await work
    .select({ item: arrivals.requestItem, outcome: arrivals.outcome, state: files.state })
    .from(arrivals)
    .leftJoin(files, eq(files.arrivalId, arrivals.id))
    .where(eq(arrivals.requestId, requestId))
  const good = came.filter((c) => c.outcome === 'taken' && c.state !== 'unusable')
  return {
    items: new Set(good.flatMap((c) => c.item ?? [])),
    reading: good.some((c) => c.state === 'waiting' || c.state === 'reading'),
  }
}

/** How far a request is, item by item. @param now what a request would ask for now */
export async function stateOf(
  work: Work,
  row: RequestRow,
  now: readonly RequestItem[],
  reading: boolean,
): Promise<Map<string, ItemState>> {
  const came = await cameFor(work, row.id)
  const said: Statement[] = await statementsOf(work, [row.id])
  return progressOf(row.items, now, { came: came.items, said, reading: reading || came.reading })
}

/**
 * Looks which requests of a package are answered, now that it was judged: those end, nobody is reminded any more, and
 * the applicant is thanked.
 */
export async function settleRequests(work: Work, packageId: string): Promise<void> {
  const sent = await work
    .select()
    .from(requests)
    .where(and(eq(requests.packageId, packageId), eq(requests.state, 'sent')))
  if (sent.length === 0) return
  const held = (await hold(work, packageId))!
  const now = await itemsNow(work, packageId)
  for (const row of sent) {
    const states = await stateOf(work, row, now, held.state === 'reading')
    if (!isAnswered(states)) continue
    await work
      .update(requests)
      .set({ state: 'done', remindAt: null, endedAt: new Date() })
      .where(eq(requests.id, row.id))
    await note(work, null, packageId, 'the request is answered', row.items.map((i) => i.title).join(', '))
    const program = await programOf(work, held)
    if (await goesFirst(work, packageId, program))
      await work.update(packages).set({ first: true }).where(eq(packages.id, packageId))
    const letter = await letterOf(work, row, program, [])
    const [{ applicant }] = await work
      .select({ applicant: packages.applicant })
      .from(packages)
      .where(eq(packages.id, packageId))
    await queueMail(work, {
      ...letter,
      kind: 'thanks',
      text: thanksLetter(row.language, applicant ?? '', await organisationName(row.organisationId)),
    })
  }
}

/** Whether a package goes before others, since its applicant has answered and its program wants that. */
export async function goesFirst(work: Work, packageId: string, program: Program): Promise<boolean> {
  if (program.requests.whenAnswered !== 'first') return false
  const [latest] = await work
    .select({ state: requests.state })
    .from(requests)
    .where(and(eq(requests.packageId, packageId), isNotNull(requests.sentAt)))
    .orderBy(desc(requests.sentAt))
    .limit(1)
  return latest?.state === 'done'
}

const DAY = 24 * 60 * 60_000

/** Reminds applicants whose day has come, each once a day that their program names. @returns how many */
export async function remindApplicants(): Promise<number> {
  const due = await database()
    .select({ id: requests.id })
    .from(requests)
    .where(and(eq(requests.state, 'sent'), lte(requests.remindAt, new Date())))
  for (const { id } of due) await database().transaction((work) => remind(work, id))
  return due.length
}

async function remind(work: Work, id: string): Promise<void> {
  const [named] = await work
    .select({ packageId: requests.packageId })
    .from(requests)
    .where(eq(requests.id, id))
  const held = named && (await hold(work, named.packageId))
  const [row] = await work.select().from(requests).where(eq(requests.id, id)).for('update')
  if (!held || row?.state !== 'sent' || !row.remindAt || row.remindAt > new Date() || !row.sentAt) return
  // What is being read just now may be all that lacks; and whoever cannot send anything is reminded of nothing.
  if (held.state === 'reading' || !allows(held.state, 'bring files')) return
  const program = await programOf(work, held)
  const states = await stateOf(work, row, await itemsNow(work, row.packageId), false)
  const open = row.items.filter((i) => states.get(i.id) === 'open' || states.get(i.id) === 'not yet')
  const since = (Date.now() - row.sentAt.getTime()) / DAY
  const next = program.requests.remindDays.filter((day) => day > since).sort((a, b) => a - b)[0]
  await work
    .update(requests)
    .set({
      reminders: row.reminders + (open.length > 0 ? 1 : 0),
      remindAt: next === undefined ? null : new Date(row.sentAt.getTime() + next * DAY),
    })
    .where(eq(requests.id, id))
  if (open.length === 0) return
  await queueMail(work, await letterOf(work, row, program, open, row.sentAt.toISOString().slice(0, 10)))
  await note(work, null, row.packageId, 'reminded the applicant', open.map((i) => i.title).join(', '))
}
