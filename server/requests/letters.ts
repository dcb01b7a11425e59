import { and, desc, eq, isNotNull, ne } from 'drizzle-orm'
import { answerReferences, answerSubject, letterLanguage } from '../../core/mail/index.ts'
import type { Language } from '../../core/lexicon/index.ts'
import { withVariables, type Program } from '../../core/program/index.ts'
import type { RequestItem } from '../../core/requests/index.ts'
import { askedIn, requestLetter, requestSubject } from '../../wording/requests/index.ts'
import { figuresOf } from '../../wording/requests/figures.ts'
import { lenderOf, organisationName } from '../access/organisations.ts'
import type { Work } from '../database/connection.ts'
import { messages, packages, requests, type SentItem } from '../database/schema.ts'
import { ownAddress } from '../post/own-address.ts'
import { LINK, type NewMail } from '../post/outbox.ts'
import type { RequestRow } from './link.ts'

/** What a letter of a request is made of. */
type Asking = Pick<
  RequestRow,
  'organisationId' | 'packageId' | 'language' | 'recipient' | 'opening' | 'closing' | 'due'
> & { id: string | null }

/** The thread that a package came by, or was last written about: whom to write to, and what that answers. */
export interface Thread {
  recipient: string
  subject: string
  references: string[]
  language: Language
}

/** The latest letter that came for a package from somebody who is known there; null where none did. */
export async function threadOf(work: Work, packageId: string): Promise<Thread | null> {
  const [letter] = await work
    .select()
    .from(messages)
    .where(
      and(
        eq(messages.packageId, packageId),
        eq(messages.state, 'came'),
        eq(messages.known, true),
        ne(messages.sender, ''),
      ),
    )
    .orderBy(desc(messages.createdAt))
    .limit(1)
  return letter
    ? {
        recipient: letter.sender,
        subject: answerSubject(letter.subject),
        references: letter.messageId ? answerReferences(letter) : letter.references,
        language: letter.language as Language,
      }
    : null
}

/** Whom the latest request about a package went to; null where none was sent. */
export async function lastRecipient(work: Work, packageId: string): Promise<string | null> {
  const [last] = await work
    .select({ recipient: requests.recipient })
    .from(requests)
    .where(and(eq(requests.packageId, packageId), isNotNull(requests.sentAt)))
    .orderBy(desc(requests.sentAt))
    .limit(1)
  return last?.recipient ?? null
}

/** The last letter that we sent to somebody about a package: what follows is on its thread. */
async function lastSent(work: Work, packageId: string, recipient: string): Promise<Thread | null> {
  const sent = await work
    .select()
    .from(messages)
    .where(and(eq(messages.packageId, packageId), eq(messages.kind, 'request')))
    .orderBy(desc(messages.createdAt))
  const last = sent.find((m) => m.recipients.includes(recipient))
  return last
    ? {
        recipient,
        subject: answerSubject(last.subject),
        references: answerReferences(last),
        language: last.language as Language,
      }
    : null
}

/** The language to write to an applicant in, where neither a thread nor a person says one. */
export async function usualLanguage(work: Work, organisationId: string): Promise<Language> {
  const { languages } = await lenderOf(work, organisationId)
  return letterLanguage('', { named: undefined, lender: languages })
}

/** What a lender's own words may name. */
export async function variablesOf(work: Work, row: Asking, program: Program) {
  const [held] = await work
    .select({ caseNumber: packages.caseNumber, applicant: packages.applicant })
    .from(packages)
    .where(eq(packages.id, row.packageId))
  return {
    applicant: held.applicant ?? '',
    case: held.caseNumber,
    due: row.due ? figuresOf(row.language).day(row.due) : '',
    lender: await organisationName(row.organisationId),
    program: program.title,
  }
}

/** What is said of an item in place of the usual words: somebody's own, or the program's. */
export function ownWords(
  item: Pick<RequestItem, 'id'>,
  own: string | null,
  { requests }: Program,
  language: Language,
  variables: Awaited<ReturnType<typeof variablesOf>>,
): string | null {
  const words = own ?? requests.items[item.id.replace(/^requirement:/, '')]?.[language]
  return words ? withVariables(words, variables) : null
}

/** The letter of a request, as it is previewed and sent. @param remindsOf ISO day that it reminds of; null for the first */
export async function letterOf(
  work: Work,
  row: Asking,
  program: Program,
  items: readonly SentItem[],
  remindsOf: string | null = null,
): Promise<NewMail> {
  const variables = await variablesOf(work, row, program)
  const { requests: own } = program
  const words = (text: string | undefined) => (text ? withVariables(text, variables) : '')
  const thread =
    (await lastSent(work, row.packageId, row.recipient)) ??
    (await threadOf(work, row.packageId).then((t) => (t?.recipient === row.recipient ? t : null)))
  return {
    organisationId: row.organisationId,
    packageId: row.packageId,
    arrivalId: null,
    requestId: row.id,
    kind: remindsOf ? 'reminder' : 'request',
    sender: await ownAddress(work, row.organisationId, row.packageId),
    recipients: [row.recipient],
    known: true,
    subject: thread?.subject ?? requestSubject(row.language, variables.lender, variables.case),
    references: thread?.references ?? [],
    language: row.language,
    text: requestLetter({
      language: row.language,
      lender: variables.lender,
      applicant: variables.applicant,
      opening: words(row.opening || own.opening[row.language]),
      closing: words(row.closing || own.closing[row.language]),
      items: items.map((item) => ({
        asked: askedIn(row.language, item),
        own: item.own,
        askedOn: item.askedOn,
      })),
      due: row.due,
      link: LINK,
      remindsOf,
    }),
  }
}
