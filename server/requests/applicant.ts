import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { z } from 'zod'
import type { Language } from '../../core/lexicon/index.ts'
import { type Brought, itemOf, type ItemState, type Statement } from '../../core/requests/index.ts'
import { fileProblem } from '../../wording/letters/file-problems.ts'
import { problemWords } from '../../wording/letters/index.ts'
import { askedIn, broughtIn, type Asked } from '../../wording/requests/index.ts'
import { organisationName } from '../access/organisations.ts'
import { note } from '../audit.ts'
import { noteArrival, place } from '../arrivals/take.ts'
import type { Source } from '../arrivals/sources.ts'
import { receiptFor } from '../arrivals/telling.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, packages, requests, sources, statements } from '../database/schema.ts'
import { tell } from '../events.ts'
import type { Kept } from '../packages/intake.ts'
import { judge } from '../packages/judge.ts'
import { allows, inTurn, Refused } from '../packages/states.ts'
import { toAskAbout } from './asking.ts'
import type { RequestRow } from './link.ts'
import { type Colours, lenderColours } from './colours.ts'
import { standingOf, type Standing } from './settle.ts'
import { statementsOf } from './statements.ts'

/** A paper that an applicant sent by the link, and what became of it. */
export interface SentPaper {
  name: string
  at: Date
  /** The item that it was sent for; null where that was left to us. */
  item: string | null
  state: 'reading' | 'read' | 'refused'
  /** What each paper in it was taken for; `good`: nothing speaks against it. */
  found: { text: string; good: boolean }[]
  /** Why it cannot be used, in the applicant's language. */
  problem: string | null
}

/** What an applicant sees of a request: nothing of the package but what they are asked for and what they sent. */
export interface ApplicantView {
  lender: string
  /** The lender's own, legible; null for ours. */
  colours: Colours | null
  language: Language
  due: string | null
  state: 'open' | 'done' | 'closed'
  items: {
    id: string
    asked: Asked
    own: string | null
    state: ItemState
    said: Pick<Statement, 'kind' | 'text'> | null
    /** Whether a copy of the paper that lacks a signature can be had here. */
    form: boolean
    canSay: boolean
  }[]
  papers: SentPaper[]
}

/** The page of a link. @param language null for the one that the request was written in */
export async function applicantView(row: RequestRow, language: Language | null): Promise<ApplicantView> {
  const work = database()
  const [held] = await work
    .select({ state: packages.state })
    .from(packages)
    .where(eq(packages.id, row.packageId))
  const shown = language ?? row.language
  const reading = held.state === 'reading'
  const standing = await standingOf(work, row, await toAskAbout(work, row.packageId), reading)
  const { states, now } = standing
  const said = new Map((await statementsOf(work, [row.id])).map((s) => [s.item, s]))
  return {
    lender: await organisationName(row.organisationId),
    colours: await lenderColours(work, row.organisationId),
    language: shown,
    due: row.due,
    state: row.state === 'done' ? 'done' : takesPapers(held.state) ? 'open' : 'closed',
    items: row.items.map((item) => ({
      id: item.id,
      // What came and does not do yet changes what lacks.
      asked: askedIn(shown, (states.get(item.id) === 'not yet' && now.find((i) => i.id === item.id)) || item),
      // What somebody wrote is in the language that they wrote in.
      own: item.own,
      state: states.get(item.id) ?? 'open',
      said: said.has(item.id) ? { kind: said.get(item.id)!.kind, text: said.get(item.id)!.text } : null,
      form: item.kind === 'sign' && item.pages.length > 0,
      canSay: item.kind === 'say',
    })),
    papers: await papersOf(work, row, shown, standing, reading),
  }
}

const takesPapers = (state: (typeof packages.$inferSelect)['state']): boolean => allows(state, 'bring files')

/** What is said of what came and was read without anything being known in it. */
const NOT_SURE: Brought = { title: '', of: null, fits: { kind: 'not sure' } }

async function papersOf(
  work: Work,
  row: RequestRow,
  language: Language,
  { brought }: Standing,
  reading: boolean,
): Promise<SentPaper[]> {
  const came = await work
    .select()
    .from(arrivals)
    .where(eq(arrivals.requestId, row.id))
    .orderBy(asc(arrivals.createdAt))
  const papers: SentPaper[] = []
  for (const arrival of came) {
    const receipt = await receiptFor(work, arrival, { known: false })
    const problem = receipt.refusal ?? receipt.files.find((f) => f.problem !== null)?.problem ?? null
    papers.push({
      name: arrival.name,
      at: arrival.createdAt,
      item: arrival.requestItem,
      state: problem ? 'refused' : receipt.state === 'reading' ? 'reading' : 'read',
      found: (reading ? [] : (brought.get(arrival.id) ?? [NOT_SURE])).map((one) => ({
        text: broughtIn(language, one),
        good: itemOf(one.fits) !== null || one.fits.kind === 'not sure',
      })),
      // The sentence for the desk may name another case.
      problem: problem ? problemWords(language)[fileProblem(problem)] : null,
    })
  }
  return papers
}

/** Where papers that come by links are listed among arrivals. */
async function linkSource(work: Work, { organisationId }: RequestRow): Promise<Source> {
  const own = and(eq(sources.organisationId, organisationId), eq(sources.kind, 'link'))
  const [known] = await work.select().from(sources).where(own)
  if (known) return known
  await work
    .insert(sources)
    .values({ organisationId, kind: 'link', address: 'requests', name: 'Answers by link' })
    .onConflictDoNothing()
  return (await work.select().from(sources).where(own))[0]
}

/**
 * Takes a file that came whole by a link into the package, once: whoever takes it again, not knowing that it was taken,
 * changes nothing. One that came whole after the request ended stays to be seen, and is in no package.
 * @param comingId by which it is known again
 * @returns what it was taken as, and why it was refused
 */
export async function takePaper(
  row: RequestRow,
  { comingId, item, kept }: { comingId: string; item: string | null; kept: Kept },
): Promise<{ arrivalId: string; problem: string | null }> {
  const taken = await inTurn(row.packageId, async (work) => {
    const source = await linkSource(work, row)
    const made = await noteArrival(work, source, {
      identity: comingId,
      name: kept.name,
      files: [kept],
      requestId: row.id,
      requestItem: item,
    })
    const [now] = await work.select({ state: requests.state }).from(requests).where(eq(requests.id, row.id))
    if (made && now?.state !== 'sent')
      await work
        .update(arrivals)
        .set({ outcome: 'not taken', problem: 'It came when nothing was asked for any more.' })
        .where(eq(arrivals.id, made.id))
    else if (made) await place(work, source, made, { who: null, letter: null, packageId: row.packageId })
    const [placed] = await work
      .select()
      .from(arrivals)
      .where(and(eq(arrivals.sourceId, source.id), eq(arrivals.identity, comingId)))
    await work
      .update(requests)
      .set({ openedAt: sql`coalesce(${requests.openedAt}, now())` })
      .where(eq(requests.id, row.id))
    return placed
  })
  return { arrivalId: taken.id, problem: taken.problem }
}

export const statementSchema = z.object({
  item: z.string().max(300),
  kind: z.enum(['value', 'words', 'cannot']),
  text: z.string().trim().min(1).max(1000),
})

/** Takes what an applicant says in place of papers. @throws Refused where nothing like it is asked */
export const takeStatement = (row: RequestRow, said: z.infer<typeof statementSchema>): Promise<void> =>
  inTurn(row.packageId, async (work) => {
    const [now] = await work.select().from(requests).where(eq(requests.id, row.id)).for('update')
    const item = now?.items.find((i) => i.id === said.item)
    if (now?.state !== 'sent' || !item) throw new Refused('This is not asked for any more.')
    if (said.kind !== 'cannot' && item.kind !== 'say') throw new Refused('This is not asked for.')
    await work.insert(statements).values({ requestId: row.id, ...said })
    await note(work, null, row.packageId, 'the applicant said', `${item.title}: ${said.text}`)
    // What was asked of the applicant is asked of a person again, with their words.
    await judge(work, row.packageId)
  })

/** Notes that an applicant opened their request. */
export async function noteOpened(row: RequestRow): Promise<void> {
  if (row.openedAt) return
  const opened = await database()
    .update(requests)
    .set({ openedAt: new Date() })
    .where(and(eq(requests.id, row.id), isNull(requests.openedAt)))
    .returning({ id: requests.id })
  if (opened.length === 0) return
  await note(database(), null, row.packageId, 'the applicant opened the request')
  await tell(database(), { packageId: row.packageId, what: 'judged' })
}
