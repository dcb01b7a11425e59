import type { ParsedMail, Attachment } from 'mailparser'
import { automaticKind, messageIds, type AutomaticKind } from '../../core/mail/index.ts'
import { wellFormed } from '../../core/text/index.ts'
import type { Budget } from './budget.ts'
import type { IncomingFile } from './incoming-file.ts'

/** A message as its head and its text say; its attachments are handed over one by one besides. */
export interface Message {
  /** `<id@host>`; null where it has none. */
  messageId: string | null
  /** Ids of the messages that it answers, the latest last. */
  references: string[]
  from: { name: string; address: string } | null
  /** Where answers to it go. */
  replyTo: string | null
  to: string[]
  subject: string
  /** ISO 8601; null where its head says none. */
  sentAt: string | null
  /** `Content-Language` of its head. */
  language: string | undefined
  automatic: AutomaticKind | null
  /** Ids of messages that it says were not delivered (RFC 3464). */
  undelivered: string[]
  text: string
  /** Why what it carries cannot be told, in a sentence; null where it can. */
  damage: string | null
  /** Its letter as HTML that runs nothing and fetches nothing; null where it came as plain text. */
  html: string | null
}

/** Signs of a letter that are kept; a longer one is hardly a letter. */
const MOST_TEXT = 200_000
/** Pictures within a letter smaller than this are logos and signatures; larger ones are photographed papers. */
const LOGO_BYTES = 100_000

/** Takes a message apart. @throws Error where it cannot be */
export async function parseMessage(bytes: Uint8Array): Promise<ParsedMail> {
  const { simpleParser } = await import('mailparser')
  return simpleParser(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length), {
    skipTextToHtml: true,
    skipImageLinks: true,
    maxHtmlLengthToParse: 2 * 1024 * 1024,
  })
}

/** What a message says of itself. */
export async function messageOf(mail: ParsedMail): Promise<Message> {
  // The first of several counts: the last server on the way wrote it, and those below may be anybody's.
  const heads = new Map(
    mail.headerLines.toReversed().map(({ key, line }) => [key, line.slice(key.length + 1).trim()]),
  )
  const [from] = mail.from?.value ?? []
  const [replyTo] = mail.replyTo?.value ?? []
  const [messageId] = messageIds(heads.get('message-id') ?? '')
  const field = (name: string) => (name === 'subject' ? mail.subject : heads.get(name))
  return {
    messageId: messageId ?? null,
    references: [
      ...new Set([
        ...messageIds(heads.get('references') ?? ''),
        ...messageIds(heads.get('in-reply-to') ?? ''),
      ]),
    ],
    from: from?.address
      ? { name: wellFormed(from.name ?? ''), address: wellFormed(from.address).toLowerCase() }
      : null,
    replyTo: replyTo?.address ? wellFormed(replyTo.address).toLowerCase() : null,
    to: (Array.isArray(mail.to) ? mail.to : mail.to ? [mail.to] : []).flatMap(({ value }) =>
      value.flatMap(({ address }) => (address ? [wellFormed(address).toLowerCase()] : [])),
    ),
    subject: wellFormed(mail.subject ?? '').slice(0, 500),
    sentAt: mail.date && !Number.isNaN(mail.date.getTime()) ? mail.date.toISOString() : null,
    language: heads.get('content-language'),
    automatic: automaticKind(field),
    undelivered: automaticKind(field) === 'bounce' ? undeliveredIn(mail) : [],
    damage:
      /^multipart\//i.test(heads.get('content-type') ?? '') &&
      mail.attachments.length === 0 &&
      !mail.text?.trim() &&
      !mail.html
        ? 'The parts of this message cannot be told apart: it is damaged.'
        : null,
    text: wellFormed(mail.text ?? '').slice(0, MOST_TEXT),
    html: mail.html ? await safeHtml(mail.html) : null,
  }
}

/** Parts of a report that say what it is about, and the head of that. */
const REPORT_PARTS = /^(?:message\/(?:delivery-status|rfc822|global)|text\/rfc822-headers)/i
/** Signs of a part that are looked at: the head of what came back stands at its beginning. */
const MOST_OF_PART = 20_000
const NOT_YET = /^action:\s*(?:delayed|relayed|expanded|delivered)\b/im
const FAILED = /^action:\s*failed\b/im

/** Which messages a report says were not delivered; none where it only says that it takes longer. */
function undeliveredIn(mail: ParsedMail): string[] {
  const parts = mail.attachments
    .filter(({ contentType }) => REPORT_PARTS.test(contentType))
    .map(({ content }) => content.subarray(0, MOST_OF_PART).toString('latin1'))
  if (parts.some((part) => NOT_YET.test(part)) && !parts.some((part) => FAILED.test(part))) return []
  return parts.flatMap((part) =>
    [...part.matchAll(/^(?:original-)?message-id:\s*(<[^<>\s]{1,250}>)/gim)].map(([, id]) => id),
  )
}

/** What is left of a letter's HTML: words and their arrangement; nothing runs, nothing is fetched, no link is followed. */
async function safeHtml(html: string): Promise<string> {
  const { default: sanitize } = await import('sanitize-html')
  const plain = sanitize(html, {
    allowedTags: [...sanitize.defaults.allowedTags, 'center', 'font'].filter((tag) => tag !== 'a'),
    allowedAttributes: {
      '*': ['align', 'dir', 'lang'],
      td: ['colspan', 'rowspan'],
      th: ['colspan', 'rowspan'],
    },
  })
  return wellFormed(plain).trim().slice(0, MOST_TEXT)
}

const isPaper = ({ content, related }: Attachment): boolean =>
  content.length > 0 && (!related || content.length >= LOGO_BYTES)

/**
 * The papers that a message carries, under the names that it gives them, without folders.
 * @throws UnusableFile where there are more than one upload may have
 */
export function* attachmentsOf(mail: ParsedMail, budget: Budget): Generator<IncomingFile> {
  for (const [i, attached] of mail.attachments.filter(isPaper).entries()) {
    budget.take(attached.content.length)
    const ending = attached.contentType === 'message/rfc822' ? '.eml' : ''
    const given = attached.filename?.split(/[/\\]/).findLast((part) => part.replace(/\./g, '').trim() !== '')
    yield {
      name: wellFormed(given ?? `attachment-${i + 1}${ending}`),
      bytes: new Uint8Array(attached.content),
    }
  }
}
