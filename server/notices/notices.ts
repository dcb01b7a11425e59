import { and, asc, desc, eq, inArray, isNotNull, ne } from 'drizzle-orm'
import { setImmediate } from 'node:timers/promises'
import type { Document } from '../../core/findings/index.ts'
import { type Notice, toldBy } from '../../core/notices/index.ts'
import { typeById } from '../../core/program/index.ts'
import { noticeSentence } from '../../wording/en/notices.ts'
import { lenderOf } from '../access/organisations.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { typesOf } from '../configuration/types.ts'
import { database, type Work } from '../database/connection.ts'
import { notices, noticesTold, packages, user } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { sendNotice } from './send.ts'

/** Packages that a rule is tried on, the latest. */
const MOST_TRIED = 200
/** Packages whose verdicts are opened at once: each is large. */
const AT_ONCE = 10

/** The rules of an organisation, the oldest first, with how often each told something. */
export async function noticesOf(organisationId: string) {
  const [rows, told] = await Promise.all([
    database()
      .select({
        id: notices.id,
        body: notices.body,
        on: notices.on,
        triedAt: notices.triedAt,
        changedBy: user.name,
      })
      .from(notices)
      .leftJoin(user, eq(user.id, notices.changedById))
      .where(eq(notices.organisationId, organisationId))
      .orderBy(asc(notices.createdAt)),
    database()
      .select({ noticeId: noticesTold.noticeId, at: noticesTold.at })
      .from(noticesTold)
      .innerJoin(notices, eq(notices.id, noticesTold.noticeId))
      .where(eq(notices.organisationId, organisationId))
      .orderBy(desc(noticesTold.at)),
  ])
  return rows.map((row) => {
    const own = told.filter((t) => t.noticeId === row.id)
    return { ...row, told: own.length, lastToldAt: own[0]?.at ?? null }
  })
}

/** Why a rule cannot be as it is written, in a sentence; null where it can. */
export async function faultOf(organisationId: string, notice: Notice): Promise<string | null> {
  const type = (await typesOf(database(), organisationId)).find((t) => t.id === notice.when.type)
  if (!type) return 'There is no such type of paper.'
  const kindOf = (name: string) => type.fields.find((f) => f.name === name)?.kind
  const { when, says, post } = notice
  for (const name of [when.field, says.from, says.amount, says.due])
    if (name !== null && !kindOf(name)) return `Papers of this type say no “${name}”.`
  if (when.over !== null && (when.field === null || kindOf(when.field) !== 'money'))
    return 'Only an amount can be more than something.'
  if (when.field !== null && when.over === null && when.is === null)
    return 'Say what that value is, or more than what.'
  if (!notice.lead && !notice.first && !notice.task && post === null && notice.mail.length === 0)
    return 'Say whom it tells.'
  if (post !== null && !settings().POST_HOSTS.includes(new URL(post).host))
    return `Nothing may be posted to ${new URL(post).host}. Whoever runs Jigsa names the hosts that may be (POST_HOSTS).`
  return null
}

const own = (who: Person, id: string) =>
  and(eq(notices.id, id), eq(notices.organisationId, who.organisationId))

/** Stores a rule, switched off: it is tried before it tells anybody. @param id null makes a new one @returns its id; null where there is none */
export function storeNotice(who: Person, id: string | null, body: Notice): Promise<string | null> {
  return database().transaction(async (work) => {
    const values = { body, on: false, triedAt: null, changedById: who.id }
    const [stored] = id
      ? await work.update(notices).set(values).where(own(who, id)).returning({ id: notices.id })
      : await work
          .insert(notices)
          .values({ ...values, organisationId: who.organisationId })
          .returning({ id: notices.id })
    if (!stored) return null
    await note(work, who, who, 'stored a notice', body.title)
    return stored.id
  })
}

/** Switches a rule on or off. @returns why it cannot be; null where it is */
export function switchNotice(who: Person, id: string, on: boolean): Promise<string | null> {
  return database().transaction(async (work) => {
    const [row] = await work.select().from(notices).where(own(who, id)).for('update')
    if (!row) return 'There is no such notice any more.'
    if (on && !row.triedAt) return 'Try it on past packages first.'
    await work.update(notices).set({ on }).where(own(who, id))
    await note(work, who, who, on ? 'switched a notice on' : 'switched a notice off', row.body.title)
    return null
  })
}

export function removeNotice(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const [gone] = await work.delete(notices).where(own(who, id)).returning({ body: notices.body })
    if (!gone) return false
    await note(work, who, who, 'removed a notice', gone.body.title)
    return true
  })
}

/** What a rule would have told of a past package. */
export interface WouldTell {
  packageId: string
  caseNumber: string
  applicant: string | null
  page: number
  text: string
}

/** Tries a rule on the latest packages, and notes that it was tried. @returns null where there is none */
export async function tryNotice(
  who: Person,
  id: string,
): Promise<{ packages: number; tells: WouldTell[] } | null> {
  const [row] = await database().select().from(notices).where(own(who, id))
  if (!row) return null
  const { currency } = await lenderOf(database(), who.organisationId)
  const types = await typesOf(database(), who.organisationId)
  const candidates = await database()
    .select({ id: packages.id })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        ne(packages.state, 'sample'),
        isNotNull(packages.assessment),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(MOST_TRIED)
  const tells: WouldTell[] = []
  for (let from = 0; from < candidates.length; from += AT_ONCE) {
    const some = await database()
      .select({
        id: packages.id,
        caseNumber: packages.caseNumber,
        applicant: packages.applicant,
        assessment: packages.assessment,
      })
      .from(packages)
      .where(
        inArray(
          packages.id,
          candidates.slice(from, from + AT_ONCE).map((c) => c.id),
        ),
      )
    for (const { id: packageId, caseNumber, applicant, assessment } of some)
      for (const told of toldBy(row.body, assessment?.documents ?? [], currency))
        tells.push({
          packageId,
          caseNumber,
          applicant,
          page: told.page,
          text: noticeSentence(told, typeById(types, told.type).title),
        })
    await setImmediate()
  }
  // Somebody may have changed it meanwhile: then it was not tried.
  await database()
    .update(notices)
    .set({ triedAt: new Date() })
    .where(and(own(who, id), eq(notices.body, row.body)))
  return { packages: candidates.length, tells }
}

/** Tells of papers what the rules that are on say of them, each paper once. Packages of samples tell nobody anything. */
export async function tellNotices(
  work: Work,
  row: { id: string; organisationId: string; state: string },
  documents: readonly Document[],
): Promise<{ lead: boolean; first: boolean }> {
  if (row.state === 'sample') return { lead: false, first: false }
  const on = await work
    .select({ id: notices.id, body: notices.body })
    .from(notices)
    .where(and(eq(notices.organisationId, row.organisationId), eq(notices.on, true)))
  const fresh: { id: string; body: Notice; told: ReturnType<typeof toldBy>[number] }[] = []
  if (on.length > 0) {
    const { currency } = await lenderOf(work, row.organisationId)
    for (const { id, body } of on)
      for (const told of toldBy(body, documents, currency)) fresh.push({ id, body, told })
  }
  if (fresh.length > 0) await tellFresh(work, row, fresh)
  const told = await work
    .select({ lead: noticesTold.lead, body: notices.body })
    .from(noticesTold)
    .innerJoin(notices, eq(notices.id, noticesTold.noticeId))
    .where(eq(noticesTold.packageId, row.id))
  return { lead: told.some((t) => t.lead), first: told.some((t) => t.body.first) }
}

async function tellFresh(
  work: Work,
  row: { id: string; organisationId: string },
  fresh: readonly { id: string; body: Notice; told: ReturnType<typeof toldBy>[number] }[],
): Promise<void> {
  const types = await typesOf(work, row.organisationId)
  for (const { id, body, told } of fresh) {
    const text = noticeSentence(told, typeById(types, told.type).title)
    const [made] = await work
      .insert(noticesTold)
      .values({
        noticeId: id,
        packageId: row.id,
        document: told.document,
        page: told.page,
        text,
        due: told.due,
        lead: body.lead,
        post: body.post === null ? null : 'waiting',
      })
      .onConflictDoNothing()
      .returning({ id: noticesTold.id })
    if (!made) continue
    await note(work, null, row.id, 'told of a paper', `${body.title}: ${text}`)
    await sendNotice(work, row, { toldId: made.id, body, told, text })
  }
}
