import { and, desc, eq, isNotNull, lte } from 'drizzle-orm'
import {
  draftItems,
  isAnswered,
  itemOf,
  progressOf,
  type Brought,
  type ItemState,
  type RequestItem,
  type Statement,
  type ToAskAbout,
} from '../../core/requests/index.ts'
import type { Program } from '../../core/program/index.ts'
import { thanksLetter } from '../../wording/requests/index.ts'
import { organisationName } from '../access/organisations.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { packages, requests } from '../database/schema.ts'
import { allows, hold } from '../packages/states.ts'
import { queueMail } from '../post/outbox.ts'
import { programOf, toAskAbout } from './asking.ts'
import { broughtIn, cameBy, type CameFile } from './brought.ts'
import { statementsOf } from './statements.ts'
import { letterOf } from './letters.ts'
import type { RequestRow } from './link.ts'

/** How a request stands. */
export interface Standing {
  states: Map<string, ItemState>
  /** What it would ask for now. */
  now: RequestItem[]
  came: CameFile[]
  /** Papers that came for it, by arrival. */
  brought: Map<string, Brought[]>
}

/**
 * How far a request is, item by item.
 * @param about the package as it stands; null where it was not judged yet
 * @param reading whether the package is being read
 */
export async function standingOf(
  work: Work,
  row: RequestRow,
  about: ToAskAbout | null,
  reading: boolean,
): Promise<Standing> {
  const came = await cameBy(work, row.id)
  const brought = about ? broughtIn(came, row.items, about) : new Map<string, Brought[]>()
  const said: Statement[] = await statementsOf(work, [row.id])
  const now = about ? draftItems(about) : []
  const states = progressOf(row.items, now, {
    // What came in a heap is for the item that it does for.
    came: new Set([
      ...came.flatMap((c) => (c.good && c.item ? [c.item] : [])),
      ...[...brought.values()].flat().flatMap(({ fits }) => itemOf(fits) ?? []),
    ]),
    said,
    reading: reading || came.some((c) => c.reading),
  })
  return { states, now, came, brought }
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
  const about = await toAskAbout(work, packageId)
  for (const row of sent) {
    const { states } = await standingOf(work, row, about, held.state === 'reading')
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
  const { states } = await standingOf(work, row, await toAskAbout(work, row.packageId), false)
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
