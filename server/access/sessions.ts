import { and, desc, eq, gt, ne } from 'drizzle-orm'
import { database, type Work } from '../database/connection.ts'
import { session } from '../database/schema.ts'

/** Milliseconds after which a session that nobody uses ends, and between two notes of its use. */
export const IDLE = 60 * 60_000
export const NOTED = 5 * 60_000
/** Seconds from signing in to the end of a session, whatever is done meanwhile. */
export const LONGEST = 12 * 60 * 60

/** Ends all sessions of a person, or all but one. */
export async function endSessions(work: Work, personId: string, but?: string): Promise<void> {
  const own = eq(session.userId, personId)
  await work.delete(session).where(but ? and(own, ne(session.id, but)) : own)
}

/** Ends one session of a person. */
export async function endSession(personId: string, id: string): Promise<void> {
  await database()
    .delete(session)
    .where(and(eq(session.userId, personId), eq(session.id, id)))
}

/** A person's sessions that stand, the last used first. */
export const sessionsOf = (personId: string) =>
  database()
    .select({
      id: session.id,
      from: session.ipAddress,
      device: session.userAgent,
      since: session.createdAt,
      used: session.updatedAt,
    })
    .from(session)
    .where(
      and(
        eq(session.userId, personId),
        gt(session.expiresAt, new Date()),
        gt(session.updatedAt, new Date(Date.now() - IDLE)),
      ),
    )
    .orderBy(desc(session.updatedAt))
