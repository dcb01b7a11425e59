import { createHash, randomBytes } from 'node:crypto'
import { and, eq, gt, inArray } from 'drizzle-orm'
import { database, type Work } from '../database/connection.ts'
import { requests } from '../database/schema.ts'
import { codeOf } from '../keys.ts'
import { settings } from '../settings.ts'
import { clientOf } from '../web/client.ts'
import { count, type Rate } from '../web/rate-limits.ts'

export type RequestRow = typeof requests.$inferSelect

/** Days that a link is good for behind the day by which an answer is asked for. */
const GRACE_DAYS = 30
const DAY = 24 * 60 * 60_000
/** 256 bits in base64url. */
const TOKEN = /^[\w-]{43}$/

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex')

/** The token of a request's link: it can be made again for a reminder, and nobody finds it in the database. */
const tokenOf = ({ id, linkSalt }: Pick<RequestRow, 'id' | 'linkSalt'>): string =>
  codeOf('request link', id, linkSalt ?? '').toString('base64url')

/** Gives a request a link; an earlier one of it is good for nothing from now on. @param due ISO day */
export async function makeLink(work: Work, id: string, due: string | null): Promise<void> {
  const linkSalt = randomBytes(16).toString('hex')
  const from = due ? Date.parse(`${due}T00:00:00Z`) : Date.now()
  await work
    .update(requests)
    .set({
      linkSalt,
      tokenHash: hashOf(tokenOf({ id, linkSalt })),
      linkEnds: new Date(Math.max(from, Date.now()) + GRACE_DAYS * DAY),
    })
    .where(eq(requests.id, id))
}

/** A request with a link that opens: one that was made under another secret of the installation is made anew. */
export async function withGoodLink(work: Work, row: RequestRow): Promise<RequestRow> {
  if (row.tokenHash === hashOf(tokenOf(row))) return row
  await makeLink(work, row.id, row.due)
  return (await work.select().from(requests).where(eq(requests.id, row.id)))[0]
}

/** The address that an applicant opens. */
export const addressOf = (row: Pick<RequestRow, 'id' | 'linkSalt'>): string =>
  `${settings().BASE_URL}/r/${tokenOf(row)}`

/** Links from one place that are none: whoever tries more is guessing. */
const GUESSES: Rate = { name: 'request-link', points: 20, duration: 60 * 60 }

/** What a link leads to, or why to nothing. */
export type Opened = { row: RequestRow } | { shut: 'none' | 'too many' }

/**
 * The request of a link. A link that was called back or is too old is told apart from one that never was by nobody:
 * only whoever has a good one learns anything.
 */
export async function openLink(request: Request, token: string): Promise<Opened> {
  const [row] = TOKEN.test(token)
    ? await database()
        .select()
        .from(requests)
        .where(
          and(
            eq(requests.tokenHash, hashOf(token)),
            gt(requests.linkEnds, new Date()),
            inArray(requests.state, ['sent', 'done']),
          ),
        )
    : []
  if (row) return { row }
  // Whoever has a good link gets in from wherever somebody else is guessing.
  const { allowed } = await count(GUESSES, clientOf(request))
  return { shut: allowed ? 'none' : 'too many' }
}
