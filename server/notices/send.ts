import { and, eq } from 'drizzle-orm'
import ical, { ICalCalendarMethod } from 'ical-generator'
import type { Notice, Told } from '../../core/notices/index.ts'
import { database, type Work } from '../database/connection.ts'
import { notices, noticesTold, packages } from '../database/schema.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { queueMail } from '../post/outbox.ts'
import { ownAddress } from '../post/own-address.ts'
import { settings } from '../settings.ts'
import { postJson } from '../web/ask-outside.ts'

/** Milliseconds within which an address takes what is posted to it. */
const PATIENCE_MS = 10_000

interface Sending {
  toldId: string
  body: Notice
  told: Told
  text: string
}

const linkTo = (packageId: string, page: number): string =>
  `${settings().BASE_URL}/packages/${packageId}/values?page=${page}`

/** Sends what a rule tells: a letter each, and a job for what is posted. */
export async function sendNotice(
  work: Work,
  row: { id: string; organisationId: string },
  { toldId, body, told, text }: Sending,
): Promise<void> {
  const [{ caseNumber, applicant }] = await work
    .select({ caseNumber: packages.caseNumber, applicant: packages.applicant })
    .from(packages)
    .where(eq(packages.id, row.id))
  const whose = applicant ? `${caseNumber}, ${applicant}` : caseNumber
  for (const address of body.mail)
    await queueMail(work, {
      organisationId: row.organisationId,
      packageId: row.id,
      arrivalId: null,
      kind: 'notice',
      sender: await ownAddress(work, row.organisationId, row.id),
      recipients: [address],
      subject: `${body.title}: ${text}`.slice(0, 200),
      references: [],
      language: 'en',
      text: `${text}.\n${whose}\n${linkTo(row.id, told.page)}`,
      attachments: told.due ? [calendarFile(toldId, told.due, `${text} (${whose})`)] : [],
    })
  if (body.post !== null) await queueJob(work, 'post_notice', { toldId })
}

/** A day as a file that calendars take (RFC 5545). */
function calendarFile(
  id: string,
  day: string,
  summary: string,
): { name: string; type: string; text: string } {
  const calendar = ical({ prodId: '//Jigsa//Notices//EN', method: ICalCalendarMethod.PUBLISH })
  calendar.createEvent({ id, start: new Date(`${day}T00:00:00Z`), allDay: true, timezone: 'UTC', summary })
  return { name: 'due.ics', type: 'text/calendar; method=PUBLISH; charset=utf-8', text: calendar.toString() }
}

/** Posts what a rule told: `{text, title, case, due, link}`; most chats show the first. */
export async function postNotice({ toldId }: Jobs['post_notice']): Promise<void> {
  const [row] = await database()
    .select({
      packageId: noticesTold.packageId,
      page: noticesTold.page,
      text: noticesTold.text,
      due: noticesTold.due,
      body: notices.body,
      caseNumber: packages.caseNumber,
    })
    .from(noticesTold)
    .innerJoin(notices, eq(notices.id, noticesTold.noticeId))
    .innerJoin(packages, eq(packages.id, noticesTold.packageId))
    .where(and(eq(noticesTold.id, toldId), eq(noticesTold.post, 'waiting')))
  const address = row?.body.post
  if (!address) return
  // What was allowed when the rule was stored may not be any more.
  if (!settings().POST_HOSTS.includes(new URL(address).host)) return giveUpPost({ toldId })
  const link = linkTo(row.packageId, row.page)
  await postJson(
    address,
    {
      text: `${row.text} (${row.caseNumber}) ${link}`,
      title: row.body.title,
      case: row.caseNumber,
      due: row.due,
      link,
    },
    PATIENCE_MS,
  )
  await setPost(toldId, 'sent')
}

export const giveUpPost = ({ toldId }: Jobs['post_notice']): Promise<void> => setPost(toldId, 'failed')

async function setPost(toldId: string, post: 'sent' | 'failed'): Promise<void> {
  await database()
    .update(noticesTold)
    .set({ post })
    .where(and(eq(noticesTold.id, toldId), eq(noticesTold.post, 'waiting')))
}
