import { and, eq, ne } from 'drizzle-orm'
import { letterLanguage, type AutomaticKind } from '../../core/mail/index.ts'
import { isFilesFault } from '../../engine/box/index.ts'
import { freeName } from '../../engine/input/free-name.ts'
import type { Message } from '../../engine/input/message.ts'
import { lenderOf } from '../access/organisations.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { arrivals, messages, sources, type ArrivedFile } from '../database/schema.ts'
import { tellArrivals } from '../events.ts'
import { cameBack } from '../post/came-back.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { letterReader } from '../jobs/readers.ts'
import { fetchContents, keepBytes } from '../storage/contents.ts'
import { isOurs, type Source } from './sources.ts'
import { contentsOfArrival, follow, noteArrival, place, type Row } from './take.ts'
import { whereTo } from './where-to.ts'

/**
 * Writes down that a message came, whole in the store; a worker opens it. Handed over again under its identity it
 * changes nothing.
 */
export function takeMessage(
  source: Pick<Source, 'id' | 'organisationId'>,
  { identity, sha256, size }: { identity: string; sha256: string; size: number },
): Promise<void> {
  return database().transaction(async (work) => {
    const made = await noteArrival(work, source, {
      identity,
      name: 'a message',
      files: [],
      size,
      message: sha256,
    })
    if (!made) return
    await queueJob(work, 'open_message', { arrivalId: made.id })
    await tellArrivals(work, source.organisationId)
  })
}

/** What is said of a message that no person wrote. A machine's papers are taken as anybody's. */
const LEFT: Record<Exclude<AutomaticKind, 'machine'>, string> = {
  bounce: 'A mail server says that a message could not be delivered.',
  away: 'An answer that says that somebody is away.',
  spam: 'The mail server takes it for spam.',
  list: 'It was sent to a list of people.',
}

/** Opens a message: what it says of itself is noted, and its papers are filed. */
export async function openMessage({ arrivalId }: Jobs['open_message']): Promise<void> {
  const [row] = await database().select().from(arrivals).where(eq(arrivals.id, arrivalId))
  if (row?.outcome !== 'opening' || !row.message) return
  let papers: ArrivedFile[] = []
  let message: Message
  try {
    message = await letterReader().message(await fetchContents(row.message), () => {
      papers = []
      return async ({ name, bytes }) => {
        const free = freeName(
          name,
          papers.map((p) => p.name),
        )
        papers.push({ name: free, ...(await keepBytes(bytes)) })
      }
    })
  } catch (error) {
    if (!isFilesFault(error)) throw error
    return giveUpMessage({ arrivalId }, error)
  }
  const { languages } = await lenderOf(database(), row.organisationId)
  const language = letterLanguage(`${message.subject}\n${message.text}`, {
    named: message.language,
    lender: languages,
  })
  await database().transaction(async (work) => {
    const held = await heldUnopened(work, arrivalId)
    if (!held) return
    await work.insert(messages).values({
      organisationId: held.organisationId,
      arrivalId,
      state: 'came',
      messageId: message.messageId ?? '',
      references: message.references,
      sender: senderOf(message),
      senderName: message.from?.name ?? '',
      recipients: message.to,
      subject: message.subject,
      language,
      automatic: message.automatic,
    })
    const [opened] = await work
      .update(arrivals)
      .set({ name: message.subject || 'without a subject', ...contentsOfArrival(papers), size: held.size })
      .where(eq(arrivals.id, arrivalId))
      .returning()
    await settle(work, opened, message)
    await tellArrivals(work, held.organisationId)
  })
}

/** Whom an answer goes to: known is whoever reads it, not whoever is only named as having written. */
const senderOf = ({ replyTo, from }: Message): string => replyTo ?? from?.address ?? ''

/** A message that cannot be opened stays to be seen with its reason. */
export async function giveUpMessage({ arrivalId }: Jobs['open_message'], error: unknown): Promise<void> {
  await database().transaction(async (work) => {
    const held = await heldUnopened(work, arrivalId)
    if (!held) return
    const problem = isFilesFault(error)
      ? error.message
      : 'A fault of ours kept this message from being opened.'
    await work.update(arrivals).set({ outcome: 'not taken', problem }).where(eq(arrivals.id, arrivalId))
    await tellArrivals(work, held.organisationId)
  })
}

async function heldUnopened(work: Work, arrivalId: string): Promise<Row | null> {
  const [row] = await work.select().from(arrivals).where(eq(arrivals.id, arrivalId)).for('update')
  return row?.outcome === 'opening' ? row : null
}

/** Decides what becomes of a message that is open. */
async function settle(work: Work, row: Row, message: Message): Promise<void> {
  const own = eq(arrivals.id, row.id)
  const [source] = row.sourceId ? await work.select().from(sources).where(eq(sources.id, row.sourceId)) : []
  const why = await reasonToLeave(work, row, message)
  if (why) {
    await work.update(arrivals).set({ outcome: 'left alone', problem: why }).where(own)
    if (message.automatic === 'bounce') await cameBack(work, row.organisationId, message)
    return
  }
  if (!source) {
    const problem = 'Where it came from is not looked after any more.'
    await work.update(arrivals).set({ outcome: 'not taken', problem }).where(own)
    return
  }
  const letter = {
    subject: message.subject,
    sender: message.automatic ? null : senderOf(message),
    references: message.references,
  }
  if (row.files.length > 0) return follow(work, row.id, await place(work, source, row, { who: null, letter }))
  const { packageId, senderKnown } = await whereTo(work, {
    organisationId: row.organisationId,
    names: [message.subject],
    letter,
  })
  // A letter without papers is read beside its package, and makes none.
  if (packageId && senderKnown && !message.damage) {
    await work.update(arrivals).set({ outcome: 'taken', packageId }).where(own)
    await note(work, null, packageId, 'got a letter', `from ${senderOf(message)}`)
    return follow(work, row.id, senderKnown)
  }
  await work
    .update(arrivals)
    .set({
      outcome: message.damage ? 'not taken' : 'left alone',
      problem: message.damage ?? 'There are no papers in it.',
    })
    .where(own)
}

/** Why a message is nothing for anybody, in a sentence; null where it may bring papers. */
async function reasonToLeave(work: Work, row: Row, message: Message): Promise<string | null> {
  if (message.from && isOurs(message.from.address)) return 'It is one of our own letters.'
  if (message.automatic && message.automatic !== 'machine') return LEFT[message.automatic]
  if (!message.messageId) return null
  const [earlier] = await work
    .select({ id: messages.id })
    .from(messages)
    .where(
      and(
        eq(messages.organisationId, row.organisationId),
        eq(messages.messageId, message.messageId),
        eq(messages.state, 'came'),
        ne(messages.arrivalId, row.id),
      ),
    )
    .limit(1)
  return earlier ? 'The same message came before.' : null
}
