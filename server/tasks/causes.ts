import { and, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import { type Finding, waitingFor } from '../../core/findings/index.ts'
import { inWords } from '../../wording/index.ts'
import { shortList } from '../../wording/en/words.ts'
import type { Right } from '../access/rights.ts'
import type { Work } from '../database/connection.ts'
import {
  messages,
  notices,
  noticesTold,
  packages,
  requests,
  statements,
  tasks,
  type TaskKind,
} from '../database/schema.ts'

/** What makes a task, as long as it holds. */
export interface Cause {
  kind: TaskKind
  cause: string
  reason: string
  /** A view of the package: `checklist`, `values?page=4`. */
  place: string
  right: Right | null
  due: Date | null
}

const DAY = 24 * 60 * 60_000

/**
 * What calls for somebody, as a package stands: decisions and requests that wait for a second person, letters that came
 * back, requests past their day, answers that nobody has looked at, poor copies, amounts over a limit, and what rules
 * say. What a person said is done is not called for again, as long as its cause is the same.
 */
export async function causesOf(
  work: Work,
  packageId: string,
): Promise<{ organisationId: string; ownerId: string | null; causes: Cause[] } | null> {
  const [row] = await work.select().from(packages).where(eq(packages.id, packageId))
  if (!row || row.state === 'sample') return null
  const { organisationId, ownerId, assessment } = row
  if (row.state === 'finished') return { organisationId, ownerId, causes: [] }
  const own = await work.select().from(requests).where(eq(requests.packageId, packageId))
  const causes: Cause[] = []
  const add = (kind: TaskKind, cause: string, reason: string, place: string, more: Partial<Cause> = {}) =>
    causes.push({ kind, cause, reason, place, right: null, due: null, ...more })
  if (row.state === 'review')
    add('sign off', 'package', 'The work is done; a second person looks at it.', 'hand-over', {
      right: 'sign',
    })
  for (const waits of assessment ? waitingFor(assessment) : [])
    add(
      'sign a decision',
      `${waits.what} ${waits.subject}`,
      `A decision waits for a second person: ${waits.title}.`,
      'hand-over',
      {
        right: 'sign',
      },
    )
  for (const request of own) {
    if (request.state === 'to sign')
      add('sign a request', request.id, 'A request to the applicant waits for a second person.', 'request', {
        right: 'sign',
      })
    if (request.state === 'sent' && request.due && Date.parse(request.due) + DAY < Date.now())
      add(
        'request overdue',
        request.id,
        `The applicant was asked to answer by ${request.due} and has not.`,
        'request',
      )
    if (request.state === 'done')
      add('request answered', request.id, 'The applicant has answered; look at what came.', 'deck')
  }
  const waiting = own.filter((r) => r.state === 'sent').map((r) => r.id)
  if (waiting.length > 0) {
    const said = await work
      .select({ requestId: statements.requestId })
      .from(statements)
      .where(inArray(statements.requestId, waiting))
      .limit(1)
    for (const { requestId } of said)
      add(
        'request answered',
        `${requestId} said`,
        'The applicant answered a question; look at what they say.',
        'request',
      )
  }
  const failed = await work
    .select({ id: messages.id, recipients: messages.recipients, problem: messages.problem })
    .from(messages)
    .where(
      and(
        eq(messages.packageId, packageId),
        eq(messages.state, 'failed'),
        inArray(messages.kind, ['request', 'reminder', 'receipt', 'thanks']),
        // A letter to a better address ends it.
        sql`not exists (select 1 from message later where later.package_id = ${packageId} and later.kind = ${messages.kind}
          and later.state in ('waiting', 'sent') and later.created_at > ${messages.createdAt})`,
      ),
    )
  for (const { id, recipients, problem } of failed)
    add(
      'mail came back',
      id,
      `A letter to ${recipients.join(', ')} did not arrive. ${problem ?? ''}`.trim(),
      'request',
    )
  for (const finding of assessment?.findings ?? []) {
    if (finding.id.startsWith('limit:'))
      add('high amount', finding.id, inWords(finding.message), 'values', { right: 'give away' })
  }
  const poor = poorPages(assessment?.findings ?? [])
  if (poor.length > 0)
    add(
      'poor copy',
      poor.join(','),
      `Hard to read: ${poor.length === 1 ? 'page' : 'pages'} ${shortList(poor.map(String))}.`,
      `values?page=${poor[0]}`,
    )
  const told = await work
    .select({ id: noticesTold.id, text: noticesTold.text, page: noticesTold.page, body: notices.body })
    .from(noticesTold)
    .innerJoin(notices, eq(notices.id, noticesTold.noticeId))
    .where(eq(noticesTold.packageId, packageId))
  for (const { id, text, page, body } of told)
    if (body.task) add('notice', id, `${body.title}: ${text}.`, `values?page=${page}`)
  return { organisationId, ownerId, causes: await withoutDone(work, packageId, causes) }
}

/** Pages that are hard to read, of papers: one task for all of them. */
const poorPages = (findings: readonly Finding[]): number[] =>
  findings.flatMap((f) =>
    f.kind === 'poor_quality' && f.documents.length > 0 ? [Number(f.id.split(':')[1])] : [],
  )

/** Causes that somebody has not said to be done. */
async function withoutDone(work: Work, packageId: string, causes: Cause[]): Promise<Cause[]> {
  const done = await work
    .select({ kind: tasks.kind, cause: tasks.cause })
    .from(tasks)
    .where(and(eq(tasks.packageId, packageId), isNotNull(tasks.endedById)))
  const known = new Set(done.map((d) => `${d.kind} ${d.cause}`))
  return causes.filter((c) => !known.has(`${c.kind} ${c.cause}`))
}
