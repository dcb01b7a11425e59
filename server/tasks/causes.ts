import { and, eq, inArray, isNotNull, isNull, max, or, sql } from 'drizzle-orm'
import { type Finding, waitingFor } from '../../core/findings/index.ts'
import { dayName } from '../../core/text/index.ts'
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

type Row = Pick<typeof packages.$inferSelect, 'id' | 'organisationId' | 'ownerId' | 'state' | 'assessment'>

const cause = (
  kind: TaskKind,
  of: string,
  reason: string,
  place: string,
  { right = null, due = null }: Partial<Pick<Cause, 'right' | 'due'>> = {},
): Cause => ({ kind, cause: of, reason, place, right, due })

/**
 * What calls for somebody, as a package stands: decisions and requests that wait for a second person, letters that came
 * back, requests past their day, answers that nobody has looked at, poor copies, amounts over a limit, and what rules
 * say. What a person said is done is not called for again, as long as its cause is the same.
 */
export async function causesOf(
  work: Work,
  packageId: string,
): Promise<{ organisationId: string; ownerId: string | null; causes: Cause[] } | null> {
  const [row] = await work
    .select({
      id: packages.id,
      organisationId: packages.organisationId,
      ownerId: packages.ownerId,
      state: packages.state,
      assessment: packages.assessment,
    })
    .from(packages)
    .where(eq(packages.id, packageId))
  if (!row || row.state === 'sample') return null
  const { organisationId, ownerId } = row
  if (row.state === 'finished') return { organisationId, ownerId, causes: [] }
  const causes = [
    ...ofVerdict(row),
    ...(await ofRequests(work, packageId)),
    ...(await ofLetters(work, packageId)),
    ...(await ofNotices(work, packageId)),
  ]
  return { organisationId, ownerId, causes: await withoutDone(work, packageId, causes) }
}

function ofVerdict({ state, assessment }: Row): Cause[] {
  const findings = assessment?.findings ?? []
  const poor = poorPages(findings)
  return [
    ...(state === 'review'
      ? [
          cause('sign off', 'package', 'The work is done; a second person looks at it.', 'hand-over', {
            right: 'sign',
          }),
        ]
      : []),
    ...(assessment ? waitingFor(assessment) : []).map(({ what, subject, title }) =>
      cause(
        'sign a decision',
        `${what} ${subject}`,
        `A decision waits for a second person: ${title}.`,
        'hand-over',
        { right: 'sign' },
      ),
    ),
    ...findings
      .filter((f) => f.id.startsWith('limit:'))
      .map((f) => cause('high amount', f.id, inWords(f.message), 'values', { right: 'give away' })),
    ...(poor.length > 0
      ? [
          cause(
            'poor copy',
            poor.join(','),
            `Hard to read: ${poor.length === 1 ? 'page' : 'pages'} ${shortList(poor.map(String))}.`,
            `values?page=${poor[0]}`,
          ),
        ]
      : []),
  ]
}

async function ofRequests(work: Work, packageId: string): Promise<Cause[]> {
  const own = await work
    .select({ id: requests.id, state: requests.state, due: requests.due })
    .from(requests)
    .where(eq(requests.packageId, packageId))
  const said = await work
    .select({ requestId: statements.requestId, latest: max(statements.id) })
    .from(statements)
    .where(
      inArray(
        statements.requestId,
        own.filter((r) => r.state === 'sent').map((r) => r.id),
      ),
    )
    .groupBy(statements.requestId)
  return [
    ...own.flatMap(({ id, state, due }) => {
      const dueEnd = due ? new Date(Date.parse(due) + DAY) : null
      if (state === 'to sign')
        return cause(
          'sign a request',
          id,
          'A request to the applicant waits for a second person.',
          'request',
          {
            right: 'sign',
          },
        )
      if (state === 'done')
        return cause('request answered', id, 'The applicant has answered; look at what came.', 'deck')
      if (state === 'sent' && dueEnd && dueEnd < new Date())
        return cause(
          'request overdue',
          id,
          `The applicant was asked to answer by ${dayName(due!)} and has not.`,
          'request',
          { due: dueEnd },
        )
      return []
    }),
    // Each further word of theirs is something to look at, though the one before was looked at.
    ...said.map(({ latest }) =>
      cause(
        'request answered',
        `statement ${latest}`,
        'The applicant answered a question; look at what they say.',
        'request',
      ),
    ),
  ]
}

/** Letters that did not arrive, as long as what they were for is waited for and no later one went. */
async function ofLetters(work: Work, packageId: string): Promise<Cause[]> {
  const failed = await work
    .select({ id: messages.id, recipients: messages.recipients, problem: messages.problem })
    .from(messages)
    .leftJoin(requests, eq(requests.id, messages.requestId))
    .where(
      and(
        eq(messages.packageId, packageId),
        eq(messages.state, 'failed'),
        inArray(messages.kind, ['request', 'reminder', 'receipt']),
        or(isNull(messages.requestId), eq(requests.state, 'sent')),
        sql`not exists (select 1 from message later where later.package_id = ${packageId}
          and later.request_id is not distinct from ${messages.requestId}
          and later.state in ('waiting', 'sent') and later.created_at > ${messages.createdAt})`,
      ),
    )
  return failed.map(({ id, recipients, problem }) =>
    cause(
      'mail came back',
      id,
      `A letter to ${recipients.join(', ')} did not arrive. ${problem ?? ''}`.trim(),
      'request',
    ),
  )
}

async function ofNotices(work: Work, packageId: string): Promise<Cause[]> {
  const told = await work
    .select({ id: noticesTold.id, text: noticesTold.text, page: noticesTold.page, body: notices.body })
    .from(noticesTold)
    .innerJoin(notices, eq(notices.id, noticesTold.noticeId))
    .where(eq(noticesTold.packageId, packageId))
  return told
    .filter(({ body }) => body.task)
    .map(({ id, text, page, body }) => cause('notice', id, `${body.title}: ${text}.`, `values?page=${page}`))
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
