import { and, eq } from 'drizzle-orm'
import nodemailer from 'nodemailer'
import { organisationName } from '../access/organisations.ts'
import { database, type Work } from '../database/connection.ts'
import { messages, requests, type LetterAttachment } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { log } from '../log.ts'
import { addressOf, withGoodLink } from '../requests/link.ts'
import { syncTasks } from '../tasks/tasks.ts'
import { settings } from '../settings.ts'
import { isLoopback } from '../web/addresses.ts'

/** A letter of ours. */
export type NewMail = Pick<
  typeof messages.$inferInsert,
  | 'organisationId'
  | 'packageId'
  | 'arrivalId'
  | 'sender'
  | 'recipients'
  | 'known'
  | 'subject'
  | 'references'
  | 'language'
  | 'requestId'
> & {
  /** What it is for: an arrival is told of once of each kind. */
  kind: string
  text: string
  attachments?: LetterAttachment[]
}

/** Stands in the words of a letter for the link of its request: no link lies in the database. */
export const LINK = '{link}'

/** Queues a letter inside the caller's transaction; one of its kind for its arrival that is there already stays alone. */
export async function queueMail(work: Work, mail: NewMail): Promise<void> {
  const host = mail.sender.split('@')[1] ?? 'jigsa.invalid'
  const [made] = await work
    .insert(messages)
    .values({ ...mail, state: 'waiting', messageId: `<${crypto.randomUUID()}@${host}>` })
    .onConflictDoNothing()
    .returning({ id: messages.id })
  if (made) await queueJob(work, 'send_mail', { mailId: made.id })
}

/** Seconds until a letter that could not be sent is tried again: twice as long each time, and no longer than the most. */
const [AGAIN_SECONDS, MOST_SECONDS] = [15, 1800]
/** Tries that are made: with these waits about a day. */
const MOST_TRIES = 54
/** From here on a mail server refuses for good (RFC 5321, 4.2.1). */
const FOR_GOOD = 500
/** What of a letter it may so refuse; a name or a password that it does not accept is ours to mend, and no letter's. */
const OF_THE_LETTER = new Set(['EENVELOPE', 'EMESSAGE'])
/** Milliseconds within which a mail server answers: one that hangs must not hold up all letters. */
const ANSWER_MS = 30_000
/** TLS is not left to a server on the network to offer. */
const transportOf = (server: string) =>
  nodemailer.createTransport({
    url: server,
    requireTLS: !isLoopback(new URL(server).hostname),
    connectionTimeout: ANSWER_MS,
    greetingTimeout: ANSWER_MS,
    socketTimeout: ANSWER_MS,
  })

/**
 * Sends a letter. Killed between the sending and the note of it, it is sent again under the same Message-ID, by which
 * mail servers know it.
 */
export async function sendMail({ mailId }: Jobs['send_mail']): Promise<void> {
  const [mail] = await database().select().from(messages).where(eq(messages.id, mailId))
  if (mail?.state !== 'waiting') return
  const server = settings().MAIL_SERVER
  if (!server) return giveUpMail({ mailId }, 'No mail server is set.')
  const text = await wordsOf(mail)
  if (text === null)
    return giveUpMail({ mailId }, 'What it asks for was not asked for any more before it went out.')
  try {
    await transportOf(server).sendMail({
      from: { name: await organisationName(mail.organisationId), address: mail.sender },
      to: mail.recipients,
      subject: mail.subject,
      text,
      attachments: mail.attachments.map(({ name, type, text }) => ({
        filename: name,
        contentType: type,
        content: text,
      })),
      messageId: mail.messageId,
      date: mail.createdAt,
      inReplyTo: mail.references.at(-1),
      references: mail.references,
      headers: BY_A_PERSON.has(mail.kind ?? '')
        ? {}
        : {
            'Auto-Submitted': mail.references.length > 0 ? 'auto-replied' : 'auto-generated',
            'X-Auto-Response-Suppress': 'All',
          },
    })
    await database()
      .update(messages)
      .set({ state: 'sent', sentAt: new Date(), problem: null })
      .where(eq(messages.id, mailId))
  } catch (error) {
    const { responseCode, code } = error as { responseCode?: number; code?: string }
    log.warn({ mail: mailId, code: responseCode ?? code }, 'a letter is not sent')
    if (responseCode && responseCode >= FOR_GOOD && OF_THE_LETTER.has(code ?? ''))
      return giveUpMail({ mailId }, 'The mail server refuses it; the address may be wrong.')
    const tries = mail.tries + 1
    if (tries > MOST_TRIES) return giveUpMail({ mailId }, 'The mail server could not be reached for a day.')
    await database().transaction(async (work) => {
      await work
        .update(messages)
        .set({
          tries,
          problem:
            code === 'EAUTH'
              ? 'The mail server does not accept our name and password; it is tried again.'
              : 'The mail server cannot be reached just now; it is tried again.',
        })
        .where(and(eq(messages.id, mailId), eq(messages.state, 'waiting')))
      const seconds = Math.min(MOST_SECONDS, AGAIN_SECONDS * 2 ** mail.tries)
      await queueJob(work, 'send_mail', { mailId }, { seconds })
    })
  }
}

/** Kinds of letters that a person wrote, or read before they went: no machine answers in their place (RFC 3834). */
const BY_A_PERSON: ReadonlySet<string> = new Set(['request'])

/** The words of a letter as they go out, with the link of its request; null where that is not asked any more. */
async function wordsOf({ text, requestId }: typeof messages.$inferSelect): Promise<string | null> {
  if (!text?.includes(LINK) || !requestId) return text ?? ''
  const [row] = await database().select().from(requests).where(eq(requests.id, requestId))
  return row?.state === 'sent' ? text.replaceAll(LINK, addressOf(await withGoodLink(database(), row))) : null
}

/** A letter that cannot be sent says so where it stands. */
export async function giveUpMail({ mailId }: Jobs['send_mail'], why: unknown): Promise<void> {
  const problem = typeof why === 'string' ? why : 'A fault of ours kept it from being sent.'
  await database().transaction(async (work) => {
    const [failed] = await work
      .update(messages)
      .set({ state: 'failed', problem })
      .where(and(eq(messages.id, mailId), eq(messages.state, 'waiting')))
      .returning({ packageId: messages.packageId })
    if (!failed?.packageId) return
    await syncTasks(work, failed.packageId)
    await tell(work, { packageId: failed.packageId, what: 'judged' })
  })
}
