import { and, eq } from 'drizzle-orm'
import { z } from 'zod'
import { calledBackLetter } from '../../wording/requests/index.ts'
import { organisationName } from '../access/organisations.ts'
import { may, refusalOf } from '../access/rights.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import { packages, requests, type SentItem } from '../database/schema.ts'
import { tell } from '../events.ts'
import { hold, inTurn, Refused, type Held } from '../packages/states.ts'
import { queueMail } from '../post/outbox.ts'
import { syncTasks } from '../tasks/tasks.ts'
import { programOf } from './asking.ts'
import { draftItemsOf, heldWithDraft } from './drafts.ts'
import { letterOf } from './letters.ts'
import { makeLink, type RequestRow } from './link.ts'

const DAY = 24 * 60 * 60_000
const address = z.email()

/** What a draft sends. @throws Refused where it is not ready */
async function readyItems(work: Work, draft: RequestRow): Promise<SentItem[]> {
  const items = (await draftItemsOf(work, draft)).filter((i) => i.on).map(({ on: _on, ...item }) => item)
  if (items.length === 0) throw new Refused('Nothing is asked for in it.')
  if (!address.safeParse(draft.recipient).success) throw new Refused('Say to which address it goes.')
  return items
}

/**
 * Sends the draft of a package, once; or gives it to a second person, where the program wants one.
 * @returns the request's id and what became of it @throws Refused
 */
export const sendRequest = (
  who: Person,
  packageId: string,
): Promise<{ id: string; state: RequestRow['state'] }> =>
  inTurn(packageId, async (work) => {
    const { row, draft } = await heldWithDraft(work, who, packageId)
    if (draft.state !== 'draft') throw new Refused('A second person looks at this request already.')
    const items = await readyItems(work, draft)
    const program = await programOf(work, row)
    if (program.signOff.requests) {
      await work
        .update(requests)
        .set({ state: 'to sign', items, createdById: who.id })
        .where(eq(requests.id, draft.id))
      await note(work, who, packageId, 'gave a request to a second person', titlesOf(items))
      await syncTasks(work, row.id)
      await tell(work, { packageId, what: 'judged' })
      return { id: draft.id, state: 'to sign' }
    }
    await sendIt(work, who, row, draft, items)
    return { id: draft.id, state: 'sent' }
  })

/** A second person sends a request, or gives it back with a reason. @throws Refused */
export const signRequest = (who: Person, packageId: string, agreed: boolean, reason: string): Promise<void> =>
  inTurn(packageId, async (work) => {
    const { row, draft } = await heldWithDraft(work, who, packageId)
    if (draft.state !== 'to sign') throw new Refused('No request waits for a second person.')
    if (agreed && !may(who, 'sign')) throw new Refused(refusalOf('sign'))
    if (agreed && draft.createdById === who.id) throw new Refused('Somebody else than who wrote it sends it.')
    if (agreed) return sendIt(work, who, row, draft, draft.items)
    await work.update(requests).set({ state: 'draft', items: [] }).where(eq(requests.id, draft.id))
    await note(work, who, packageId, 'gave a request back', reason)
    await syncTasks(work, row.id)
    await tell(work, { packageId, what: 'judged' })
  })

const titlesOf = (items: readonly SentItem[]): string => items.map((i) => i.title).join(', ')

/** The letter is queued in the transaction that says that it was sent: killed at any step, it goes once or not yet. */
async function sendIt(
  work: Work,
  who: Person,
  row: Held,
  draft: RequestRow,
  items: readonly SentItem[],
): Promise<void> {
  const program = await programOf(work, row)
  const sentAt = new Date()
  const [first] = [...program.requests.remindDays].sort((a, b) => a - b)
  await makeLink(work, draft.id, draft.due)
  await work
    .update(requests)
    .set({
      state: 'sent',
      items: [...items],
      sentAt,
      sentById: who.id,
      remindAt: first === undefined ? null : new Date(sentAt.getTime() + first * DAY),
    })
    .where(eq(requests.id, draft.id))
  await queueMail(work, await letterOf(work, draft, program, items))
  await note(work, who, row.id, 'sent a request', `to ${draft.recipient}: ${titlesOf(items)}`)
  await syncTasks(work, row.id)
  await tell(work, { packageId: row.id, what: 'judged' })
}

/** A request that was sent, of somebody's package, held with it. @throws Refused */
async function heldSent(work: Work, who: Person, packageId: string, id: string): Promise<RequestRow> {
  const row = await hold(work, packageId)
  const [sent] = await work
    .select()
    .from(requests)
    .where(and(eq(requests.id, id), eq(requests.packageId, packageId)))
  if (row?.organisationId !== who.organisationId || sent?.state !== 'sent')
    throw new Refused('There is no such request any more that waits for an answer.')
  return sent
}

/** Calls a request back: its link ends, nobody is reminded, and the applicant is told where they got it. @throws Refused */
export const callBack = (who: Person, packageId: string, id: string): Promise<void> =>
  inTurn(packageId, async (work) => {
    const sent = await heldSent(work, who, packageId, id)
    await work
      .update(requests)
      .set({ state: 'called back', remindAt: null, endedAt: new Date(), tokenHash: null, linkEnds: null })
      .where(eq(requests.id, id))
    const program = await programOf(work, (await hold(work, packageId))!)
    const [{ applicant }] = await work
      .select({ applicant: packages.applicant })
      .from(packages)
      .where(eq(packages.id, packageId))
    const letter = await letterOf(work, sent, program, [])
    const lender = await organisationName(sent.organisationId)
    await queueMail(work, {
      ...letter,
      kind: 'called back',
      text: calledBackLetter(sent.language, applicant ?? '', lender),
    })
    await note(work, who, packageId, 'called a request back', titlesOf(sent.items))
    await syncTasks(work, packageId)
    await tell(work, { packageId, what: 'judged' })
  })

/** Gives a request a new link and sends its letter again; the link before is good for nothing. @throws Refused */
export const sendAgain = (who: Person, packageId: string, id: string, recipient: string): Promise<void> =>
  inTurn(packageId, async (work) => {
    if (!address.safeParse(recipient).success) throw new Refused('Say to which address it goes.')
    const sent = { ...(await heldSent(work, who, packageId, id)), recipient }
    await makeLink(work, id, sent.due)
    await work.update(requests).set({ recipient }).where(eq(requests.id, id))
    const program = await programOf(work, (await hold(work, packageId))!)
    await queueMail(work, await letterOf(work, sent, program, sent.items))
    await note(work, who, packageId, 'sent a request again', `to ${recipient}`)
    await syncTasks(work, packageId)
    await tell(work, { packageId, what: 'judged' })
  })
