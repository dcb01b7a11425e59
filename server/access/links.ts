import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { and, eq, gt, isNull, like } from 'drizzle-orm'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { user, verification } from '../database/schema.ts'
import { settings } from '../settings.ts'
import { setPassword } from './passwords.ts'
import { endSessions } from './sessions.ts'

/** Days that a link to choose a password by is good for. */
const DAYS = 7
const DAY = 24 * 60 * 60_000
const PREFIX = 'password-link:'

const identifierOf = (token: string): string => PREFIX + createHash('sha256').update(token).digest('hex')

/**
 * A link by which a person chooses a password, once: 192 bits of which the database has the digest alone. Earlier ones
 * of the person are no good any more.
 */
export async function passwordLink(personId: string): Promise<string> {
  const token = randomBytes(24).toString('base64url')
  await database().transaction(async (work) => {
    await work
      .delete(verification)
      .where(and(eq(verification.value, personId), like(verification.identifier, `${PREFIX}%`)))
    await work.insert(verification).values({
      id: randomUUID(),
      identifier: identifierOf(token),
      value: personId,
      expiresAt: new Date(Date.now() + DAYS * DAY),
    })
  })
  return `${settings().BASE_URL}/welcome/${token}`
}

/** Whom a link is for; null where it is used, too old, or none. */
export async function personOfLink(
  token: string,
): Promise<{ id: string; name: string; email: string } | null> {
  const [row] = await database()
    .select({ id: user.id, name: user.name, email: user.email })
    .from(verification)
    .innerJoin(user, eq(user.id, verification.value))
    .where(
      and(
        eq(verification.identifier, identifierOf(token)),
        gt(verification.expiresAt, new Date()),
        isNull(user.disabledAt),
      ),
    )
  return row ?? null
}

/** Chooses a password by a link, which is used up, and ends all sessions. @returns whether the link was good */
export async function choosePassword(token: string, password: string): Promise<boolean> {
  const who = await personOfLink(token)
  if (!who) return false
  return database().transaction(async (work) => {
    const used = await work
      .delete(verification)
      .where(eq(verification.identifier, identifierOf(token)))
      .returning({ id: verification.id })
    if (used.length === 0) return false
    await setPassword(work, who.id, password)
    await endSessions(work, who.id)
    const [{ organisationId }] = await work
      .select({ organisationId: user.organisationId })
      .from(user)
      .where(eq(user.id, who.id))
    await note(work, who, { organisationId }, 'chose a password')
    return true
  })
}
