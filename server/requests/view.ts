import { eq } from 'drizzle-orm'
import type { Language } from '../../core/lexicon/index.ts'
import { withVariables } from '../../core/program/index.ts'
import type { Assessment } from '../../core/pipeline/index.ts'
import type { ToAskAbout } from '../../core/requests/index.ts'
import { askedIn, linesIn, usualClosing, usualOpening } from '../../wording/requests/index.ts'
import { organisationName } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { typesOf } from '../configuration/types.ts'
import { database } from '../database/connection.ts'
import { packages, user } from '../database/schema.ts'
import { programOf, toAskAbout } from './asking.ts'
import { lenderColours } from './colours.ts'
import { draftItemsOf, draftOf, freshDraft, requestsOf, type DraftItem } from './drafts.ts'
import { letterOf, threadOf, variablesOf } from './letters.ts'
import { addressOf, type RequestRow } from './link.ts'
import { standingOf } from './settle.ts'
import { statementsOf } from './statements.ts'

/** A request of a package that was sent, as the desk sees it. */
export type SentView = Awaited<ReturnType<typeof sentView>>

/** All that the desk sees of the requests of a package. */
export async function requestsView(who: Person, packageId: string) {
  const work = database()
  const [row] = await work.select().from(packages).where(eq(packages.id, packageId))
  const all = await requestsOf(work, packageId)
  const about = await toAskAbout(work, packageId)
  const people = new Map(
    (
      await work
        .select({ id: user.id, name: user.name })
        .from(user)
        .where(eq(user.organisationId, who.organisationId))
    ).map((p) => [p.id, p.name]),
  )
  const sent = all.filter((r) => r.state !== 'draft' && r.state !== 'to sign')
  return {
    draft: await draftView(who, row),
    sent: await Promise.all(sent.map((r) => sentView(r, about, row.state === 'reading', people))),
  }
}

/** What a draft looks like before anybody touched it is not stored: looking at it begins nothing. */
async function draftView(who: Person, row: typeof packages.$inferSelect) {
  const work = database()
  const stored = await draftOf(work, row.id)
  const program = await programOf(work, row)
  const draft = stored ?? (await freshDraft(work, row))
  const { language } = draft
  const thread = await threadOf(work, row.id)
  const items =
    stored?.state === 'to sign'
      ? stored.items.map((item) => ({ ...item, on: true }))
      : await draftItemsOf(work, draft)
  const lender = await organisationName(row.organisationId)
  const variables = await variablesOf(work, draft, program)
  const lenders = (words: string | undefined) => (words ? withVariables(words, variables) : null)
  const letter = await letterOf(
    work,
    draft,
    program,
    items.filter((i) => i.on),
  )
  return {
    state: stored?.state ?? 'draft',
    language,
    recipient: draft.recipient,
    opening: draft.opening,
    closing: draft.closing,
    usual: {
      opening: lenders(program.requests.opening[language]) ?? usualOpening(language, row.applicant ?? ''),
      closing: lenders(program.requests.closing[language]) ?? usualClosing(language, lender),
    },
    due: draft.due,
    choices: draft.choices,
    edition: draft.edition,
    items: items.map((item) => itemView(item, language)),
    added: draft.added.map((i) => i.id),
    mine: stored?.createdById === who.id,
    needsSecond: program.signOff.requests,
    /** Addresses that may be the applicant's: who wrote, and what papers say. */
    addresses: await addressesOf(row.organisationId, row.assessment, thread?.recipient ?? null),
    letter: { subject: letter.subject, text: letter.text },
    lender,
    colours: await lenderColours(work, row.organisationId),
  }
}

const itemView = (item: DraftItem, language: Language) => ({
  id: item.id,
  kind: item.kind,
  title: item.title,
  on: item.on,
  own: item.own,
  askedOn: item.askedOn,
  lines: linesIn(language, item),
  asked: askedIn(language, item),
  page: item.pages[0] ?? null,
})

/** Addresses of mail that papers say, the applicant's own papers first, and the one that wrote. */
async function addressesOf(
  organisationId: string,
  assessment: Assessment | null,
  wrote: string | null,
): Promise<string[]> {
  const types = new Map((await typesOf(database(), organisationId)).map((t) => [t.id, t]))
  const said = (assessment?.documents ?? []).flatMap((document) =>
    document.fields.flatMap(({ name, value }) =>
      types.get(document.type)?.fields.find((f) => f.name === name)?.kind === 'email' &&
      typeof value === 'string'
        ? [value]
        : [],
    ),
  )
  return [...new Set([...(wrote ? [wrote] : []), ...said])]
}

async function sentView(
  row: RequestRow,
  about: ToAskAbout | null,
  reading: boolean,
  people: ReadonlyMap<string, string>,
) {
  const { states } = await standingOf(database(), row, about, reading)
  const said = await statementsOf(database(), [row.id])
  return {
    id: row.id,
    state: row.state,
    recipient: row.recipient,
    due: row.due,
    sentAt: row.sentAt,
    sentBy: row.sentById ? (people.get(row.sentById) ?? null) : null,
    openedAt: row.openedAt,
    remindAt: row.remindAt,
    reminders: row.reminders,
    endedAt: row.endedAt,
    link: row.state === 'sent' ? addressOf(row) : null,
    items: row.items.map((item) => ({
      id: item.id,
      title: item.title,
      lines: item.own === null ? linesIn(row.language, item) : [item.own],
      state: states.get(item.id) ?? 'open',
      said:
        said.filter((s) => s.item === item.id).map((s) => ({ kind: s.kind, text: s.text, at: s.at }))[0] ??
        null,
    })),
  }
}
