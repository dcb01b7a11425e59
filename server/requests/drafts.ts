import { and, desc, eq, inArray } from 'drizzle-orm'
import { z } from 'zod'
import { addDays } from '../../core/text/index.ts'
import { rejectedItem, type RequestItem } from '../../core/requests/index.ts'
import { LANGUAGES } from '../../core/lexicon/index.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { packages, requests, type ItemChoice, type SentItem } from '../database/schema.ts'
import { tell } from '../events.ts'
import { heldFor, inTurn, Refused, type Held } from '../packages/states.ts'
import { askedPackage, itemsNow, programOf } from './asking.ts'
import { lastRecipient, ownWords, threadOf, usualLanguage, variablesOf } from './letters.ts'
import type { RequestRow } from './link.ts'

const today = (): string => new Date().toISOString().slice(0, 10)

/** An item of a draft: as it would be sent, and whether it is. */
export type DraftItem = SentItem & { on: boolean }

/** Requests of a package, the latest first. */
export const requestsOf = (work: Work, packageId: string): Promise<RequestRow[]> =>
  work.select().from(requests).where(eq(requests.packageId, packageId)).orderBy(desc(requests.createdAt))

/** The draft of a package, or the one that waits for a second person. */
export async function draftOf(work: Work, packageId: string): Promise<RequestRow | null> {
  const [row] = await work
    .select()
    .from(requests)
    .where(and(eq(requests.packageId, packageId), inArray(requests.state, ['draft', 'to sign'])))
  return row ?? null
}

/** A draft as far as it was looked at: nobody has touched it while it has no id. */
export type Draft = Pick<
  RequestRow,
  | 'organisationId'
  | 'packageId'
  | 'language'
  | 'recipient'
  | 'opening'
  | 'closing'
  | 'due'
  | 'choices'
  | 'added'
  | 'edition'
> & { id: string | null }

/** What a request begins with. */
export async function freshDraft(
  work: Work,
  row: Pick<Held, 'id' | 'organisationId' | 'program' | 'programVersion'>,
): Promise<Draft> {
  const { requests: asking } = await programOf(work, row)
  const thread = await threadOf(work, row.id)
  return {
    id: null,
    organisationId: row.organisationId,
    packageId: row.id,
    language: thread?.language ?? (await usualLanguage(work, row.organisationId)),
    recipient: (await lastRecipient(work, row.id)) ?? thread?.recipient ?? '',
    opening: '',
    closing: '',
    due: addDays(today(), asking.dueDays),
    choices: {},
    added: [],
    edition: 0,
  }
}

/** Begins a request, where none is begun: all that lacks or differs is in it. */
export async function beginDraft(work: Work, who: Person | null, row: Held): Promise<RequestRow> {
  const known = await draftOf(work, row.id)
  if (known) return known
  const { id: _none, ...fresh } = await freshDraft(work, row)
  const [made] = await work
    .insert(requests)
    .values({ ...fresh, createdById: who?.id ?? null })
    .returning()
  return made
}

/** What a draft would ask for as the package stands now, with what somebody made of each item. */
export async function draftItemsOf(work: Work, draft: Draft): Promise<DraftItem[]> {
  const now = await itemsNow(work, draft.packageId)
  const asked = await askedBefore(work, draft)
  const waiting = await waitingItems(work, draft.packageId)
  const program = await programOf(work, await askedPackage(work, draft.packageId))
  const variables = await variablesOf(work, draft, program)
  return [...now, ...draft.added].map((item) => {
    const choice: ItemChoice | undefined = draft.choices[item.id]
    return {
      ...item,
      // What waits for an answer already is asked again only where somebody wants that.
      on: choice?.on ?? !waiting.has(item.id),
      own: ownWords(item, choice?.own ?? null, program, draft.language, variables),
      askedOn: asked.get(item.id) ?? null,
    }
  })
}

/** Items that a request which was sent waits for. */
async function waitingItems(work: Work, packageId: string): Promise<Set<string>> {
  const sent = await work
    .select({ items: requests.items })
    .from(requests)
    .where(and(eq(requests.packageId, packageId), eq(requests.state, 'sent')))
  return new Set(sent.flatMap(({ items }) => items.map((i) => i.id)))
}

/** The day on which each item was last asked for by an earlier request, ISO. */
async function askedBefore(work: Work, { packageId }: Draft): Promise<Map<string, string>> {
  const earlier = await work
    .select({ items: requests.items, sentAt: requests.sentAt })
    .from(requests)
    .where(and(eq(requests.packageId, packageId), inArray(requests.state, ['sent', 'done'])))
    .orderBy(requests.sentAt)
  return new Map(
    earlier.flatMap(({ items, sentAt }) =>
      items.map((i): [string, string] => [i.id, (sentAt ?? new Date()).toISOString().slice(0, 10)]),
    ),
  )
}

const words = z.string().trim().max(5000)
export const draftSchema = z.object({
  language: z.enum(LANGUAGES),
  recipient: z.union([z.literal(''), z.email('An address of mail has a form like name@example.org.')]),
  opening: words,
  closing: words,
  due: z.iso.date('Choose a day.').nullable(),
  choices: z.record(z.string().max(300), z.object({ on: z.boolean(), own: words.nullable() })),
})
export type DraftChange = z.infer<typeof draftSchema>

/** A package that its applicant can be asked about and its draft, held. @throws Refused */
export async function heldWithDraft(
  work: Work,
  who: Person,
  packageId: string,
): Promise<{ row: Held; draft: RequestRow }> {
  const row = await heldFor(work, packageId, 'ask the applicant')
  if (row.organisationId !== who.organisationId) throw new Refused('There is no such package.')
  return { row, draft: await beginDraft(work, who, row) }
}

/** Holds the draft of a package. @throws Refused where there is none, or it waits for a second person */
async function heldDraft(work: Work, who: Person, packageId: string): Promise<RequestRow> {
  const { draft } = await heldWithDraft(work, who, packageId)
  if (draft.state !== 'draft')
    throw new Refused('A second person looks at this request; take it back to change it.')
  return draft
}

/**
 * Keeps what somebody made of a draft.
 * @param edition the draft that they changed; null where it is no matter
 * @throws Refused where somebody else changed it meanwhile
 */
export const changeDraft = (
  who: Person,
  packageId: string,
  change: DraftChange,
  edition: number | null = null,
): Promise<void> =>
  inTurn(packageId, async (work) => {
    const draft = await heldDraft(work, who, packageId)
    if (edition !== null && edition !== draft.edition && draft.changedById !== who.id)
      throw new Refused('Somebody else changed this request just now; what you wrote last is not stored.')
    await work
      .update(requests)
      .set({ ...change, edition: draft.edition + 1, changedById: who.id })
      .where(eq(requests.id, draft.id))
    await tell(work, { packageId, what: 'judged' })
  })

/** Adds to a draft what no verdict asks for. @throws Refused */
const addItem = (who: Person, packageId: string, item: RequestItem): Promise<void> =>
  inTurn(packageId, async (work) => {
    const draft = await heldDraft(work, who, packageId)
    const added = [...draft.added.filter((i) => i.id !== item.id), item]
    await work.update(requests).set({ added }).where(eq(requests.id, draft.id))
    await tell(work, { packageId, what: 'judged' })
  })

/** Asks for something in words of one's own. @throws Refused */
export const addOwnItem = (who: Person, packageId: string, title: string, text: string): Promise<void> =>
  addItem(who, packageId, {
    id: `own:${crypto.randomUUID()}`,
    kind: 'bring',
    title,
    why: { kind: 'own words', text },
    ways: [],
    says: [],
    pages: [],
  })

/** Does not take a paper, and asks for another in its place. @param page any of the paper's @throws Refused */
export async function rejectPaper(
  who: Person,
  packageId: string,
  page: number,
  reason: string,
): Promise<void> {
  const [row] = await database()
    .select({ assessment: packages.assessment })
    .from(packages)
    .where(and(eq(packages.id, packageId), eq(packages.organisationId, who.organisationId)))
  const item = rejectedItem(row?.assessment?.documents ?? [], page, reason)
  if (!item) throw new Refused('There is no such paper any more.')
  await addItem(who, packageId, item)
  await note(database(), who, packageId, 'did not take a paper', `${item.title}: ${reason}`)
}

/** Takes out of a draft what was added by hand. @throws Refused */
export const dropItem = (who: Person, packageId: string, itemId: string): Promise<void> =>
  inTurn(packageId, async (work) => {
    const draft = await heldDraft(work, who, packageId)
    const added = draft.added.filter((i) => i.id !== itemId)
    await work.update(requests).set({ added }).where(eq(requests.id, draft.id))
    await tell(work, { packageId, what: 'judged' })
  })
