import { and, eq, gt, inArray, isNull, or, sql } from 'drizzle-orm'
import { answerReferences, answerSubject } from '../../core/mail/index.ts'
import type { Language } from '../../core/lexicon/index.ts'
import { receiptOf, type Receipt, type SentLimit } from '../../core/receipt/index.ts'
import { receiptLetter } from '../../wording/letters/index.ts'
import { organisationName } from '../access/organisations.ts'
import { typesOf } from '../configuration/types.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, files, messages, packages, pages, sources } from '../database/schema.ts'
import { identityOf } from '../packages/identity.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { queueMail } from '../post/outbox.ts'

type Row = typeof arrivals.$inferSelect

/**
 * Seconds after which whoever sent papers is told that they are being worked on, where it is not known yet what they
 * are: forty-five are promised, and mail itself takes some.
 */
const PATIENCE_SECONDS = 25

/** Letters of one thread that are answered within an hour; more are two machines talking. */
const MOST_AN_HOUR = 20

/** Sees to it that whoever sent an arrival is told of it, in time: that runs since it came, not since it was opened. */
export async function queueTelling(work: Work, { id: arrivalId, createdAt }: Row): Promise<void> {
  const age = (Date.now() - createdAt.getTime()) / 1000
  await queueJob(work, 'tell_sender', { arrivalId, late: false })
  await queueJob(
    work,
    'tell_sender',
    { arrivalId, late: true },
    { seconds: Math.max(0, PATIENCE_SECONDS - age) },
  )
}

/** Tells whoever sent papers of a package, now that they are read. */
export async function tellSenders(work: Work, packageId: string): Promise<void> {
  const untold = await work
    .select({ id: arrivals.id })
    .from(arrivals)
    .innerJoin(messages, and(eq(messages.arrivalId, arrivals.id), eq(messages.state, 'came')))
    .where(and(eq(arrivals.packageId, packageId), isNull(arrivals.toldAt)))
  for (const { id } of untold) await queueJob(work, 'tell_sender', { arrivalId: id, late: false })
}

/** Files that came with an arrival; what archives among them held stands for them. */
async function filesOf(work: Work, arrivalId: string) {
  const brought = work.select({ id: files.id }).from(files).where(eq(files.arrivalId, arrivalId))
  const came = await work
    .select({
      id: files.id,
      name: files.name,
      pages: files.pages,
      problem: files.problem,
      state: files.state,
      parentId: files.parentId,
    })
    .from(files)
    .where(or(eq(files.arrivalId, arrivalId), inArray(files.parentId, brought)))
  const unfolded = new Set(came.map((f) => f.parentId))
  return came.filter((f) => !unfolded.has(f.id))
}

/** What is told to whom, by the way that something came. */
interface ReceiptTerms {
  /** Whether the package's list of papers is theirs to know. */
  known: boolean
  limits?: readonly SentLimit[]
  /** The type that was to be put in. */
  expected?: string | null
}

/** What became of an arrival, as whoever sent it may know. */
export async function receiptFor(
  work: Work,
  row: Row,
  { known, limits = [], expected = null }: ReceiptTerms,
): Promise<Receipt> {
  const came = await filesOf(work, row.id)
  const coming = came.some((f) => f.state === 'waiting' || f.state === 'reading')
  const [held] = row.packageId
    ? await work
        .select({
          state: packages.state,
          caseNumber: packages.caseNumber,
          assessment: packages.assessment,
        })
        .from(packages)
        .where(eq(packages.id, row.packageId))
    : []
  const numbers = await work
    .select({ number: pages.number })
    .from(pages)
    .where(
      inArray(
        pages.fileId,
        came.map((f) => f.id),
      ),
    )
  const titles = new Map((await typesOf(work, row.organisationId)).map((t) => [t.id, t.title]))
  const sent = {
    files:
      came.length > 0
        ? came.map(({ name, pages: count, problem, state }) => ({
            name,
            pages: count,
            problem: state === 'unusable' ? problem : null,
          }))
        : row.files.map(({ name }) => ({ name, pages: 0, problem: null })),
    pages: new Set(numbers.map((p) => p.number)),
    limits,
    expected,
    identity: row.packageId ? await identityOf(work, row.packageId) : [],
    known,
    caseNumber: held?.caseNumber ?? null,
    refusal: row.packageId ? null : row.problem,
  }
  return receiptOf(sent, held && held.state !== 'reading' && !coming ? held.assessment : null, titles)
}

/** Tells whoever sent an arrival what became of it; or that it is being worked on, once it is late. */
export async function tellSender({ arrivalId, late }: Jobs['tell_sender']): Promise<void> {
  await database().transaction(async (work) => {
    const [row] = await work.select().from(arrivals).where(eq(arrivals.id, arrivalId)).for('update')
    if (!row || row.toldAt || (row.outcome !== 'taken' && row.outcome !== 'not taken')) return
    const [letter] = await work
      .select()
      .from(messages)
      .where(and(eq(messages.arrivalId, arrivalId), eq(messages.state, 'came')))
    // Nobody is told of a letter without papers, and nothing is answered that a machine wrote.
    if (!letter || letter.automatic || !letter.sender || row.files.length === 0) return
    const receipt = await receiptFor(work, row, { known: letter.known })
    if (receipt.state === 'reading' && (!late || row.toldSomeAt)) return
    const done = receipt.state === 'done'
    await work
      .update(arrivals)
      .set(done ? { toldAt: new Date() } : { toldSomeAt: new Date() })
      .where(eq(arrivals.id, arrivalId))
    if (await goesToAndFro(work, letter)) return
    await queueMail(work, {
      organisationId: row.organisationId,
      packageId: row.packageId,
      arrivalId,
      kind: done ? 'receipt' : 'being worked on',
      sender: await addressOf(work, row),
      recipients: [letter.sender],
      known: letter.known,
      subject: answerSubject(letter.subject),
      references: letter.messageId ? answerReferences(letter) : [],
      language: letter.language,
      text: receiptLetter(receipt, letter.language as Language, await organisationName(row.organisationId)),
    })
  })
}

/** Whether so much was answered within an hour on a thread that nobody can be reading it. */
async function goesToAndFro(
  work: Work,
  { organisationId, messageId, references }: typeof messages.$inferSelect,
): Promise<boolean> {
  const [beginning] = [...references, messageId]
  if (!beginning) return false
  const sent = await work
    .select({ id: messages.id })
    .from(messages)
    .where(
      and(
        eq(messages.organisationId, organisationId),
        inArray(messages.state, ['waiting', 'sent']),
        sql`${messages.references}[1] = ${beginning}`,
        gt(messages.createdAt, sql`now() - interval '1 hour'`),
      ),
    )
    .limit(MOST_AN_HOUR)
  return sent.length >= MOST_AN_HOUR
}

/** The address that an arrival came to. */
async function addressOf(work: Work, row: Row): Promise<string> {
  const [source] = row.sourceId
    ? await work.select({ address: sources.address }).from(sources).where(eq(sources.id, row.sourceId))
    : []
  return source?.address ?? ''
}
