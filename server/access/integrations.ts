import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { and, desc, eq, gt, isNull, lt, or, sql } from 'drizzle-orm'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { integrations, user, type Scope } from '../database/schema.ts'
import type { Person } from './person.ts'

/** What every key begins with, so that one that got into a log or a repository is found. */
const MARK = 'jigsa_'
const KEY_BYTES = 32
/** Letters of a key that are kept to tell it by. */
const SHOWN = 4
/** Minutes within which a key that is used again was used just now. */
const USED_MINUTES = 1

const hashOf = (key: string): string => createHash('sha256').update(key).digest('hex')

/** What a key is made with. */
export interface NewIntegration {
  name: string
  scopes: Scope[]
  expiresAt: Date | null
  /** The device that it is the key of. */
  sourceId?: string
}

/** Makes a key for another system. @returns the key, which is kept nowhere and shown once */
export async function addIntegration(
  who: Person | null,
  organisationId: string,
  { name, scopes, expiresAt, sourceId }: NewIntegration,
): Promise<string> {
  const key = `${MARK}${randomBytes(KEY_BYTES).toString('base64url')}`
  await database().transaction(async (work) => {
    // A device has one key: with a new one the old one is good for nothing.
    if (sourceId)
      await work
        .update(integrations)
        .set({ revokedAt: new Date() })
        .where(and(eq(integrations.sourceId, sourceId), isNull(integrations.revokedAt)))
    const userId = randomUUID()
    // It acts as nobody who can sign in, and has the rights of those who work on packages.
    await work.insert(user).values({
      id: userId,
      name,
      email: `${userId}@integration.invalid`,
      role: 'processor',
      organisationId,
      isSystem: true,
      disabledAt: new Date(),
    })
    await work.insert(integrations).values({
      organisationId,
      userId,
      name,
      scopes,
      sourceId,
      expiresAt,
      keyHash: hashOf(key),
      keyEnd: key.slice(-SHOWN),
      createdById: who?.id ?? null,
    })
    await note(work, who, { organisationId }, 'made a key', `${name}: ${scopes.join(', ')}`)
  })
  return key
}

/** The keys of an organisation, the newest first. */
export const integrationsOf = (organisationId: string) =>
  database()
    .select({
      id: integrations.id,
      name: integrations.name,
      keyEnd: integrations.keyEnd,
      scopes: integrations.scopes,
      expiresAt: integrations.expiresAt,
      lastUsedAt: integrations.lastUsedAt,
      revokedAt: integrations.revokedAt,
      createdAt: integrations.createdAt,
    })
    .from(integrations)
    .where(and(eq(integrations.organisationId, organisationId), isNull(integrations.sourceId)))
    .orderBy(desc(integrations.createdAt))

/** Takes a key away; the next request with it is refused. @returns false where there is none to take away */
export function revokeIntegration(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const [gone] = await work
      .update(integrations)
      .set({ revokedAt: new Date() })
      .where(
        and(
          eq(integrations.id, id),
          eq(integrations.organisationId, who.organisationId),
          isNull(integrations.revokedAt),
        ),
      )
      .returning({ name: integrations.name })
    if (!gone) return false
    await note(work, who, who, 'took a key away', gone.name)
    return true
  })
}

/** Another system that asks, as the person that it acts as. */
export interface Caller extends Person {
  integrationId: string
  scopes: Scope[]
  /** The device that asks; null for another system. */
  sourceId: string | null
}

/** Who comes by a key; null for one that is not, or no longer, good. */
export async function callerBy(key: string): Promise<Caller | null> {
  if (!key.startsWith(MARK)) return null
  const [found] = await database()
    .select({
      id: user.id,
      name: user.name,
      email: user.email,
      role: user.role,
      organisationId: integrations.organisationId,
      integrationId: integrations.id,
      scopes: integrations.scopes,
      sourceId: integrations.sourceId,
    })
    .from(integrations)
    .innerJoin(user, eq(user.id, integrations.userId))
    .where(
      and(
        eq(integrations.keyHash, hashOf(key)),
        isNull(integrations.revokedAt),
        or(isNull(integrations.expiresAt), gt(integrations.expiresAt, sql`now()`)),
      ),
    )
  if (!found) return null
  const used = sql`now() - make_interval(mins => ${USED_MINUTES})`
  await database()
    .update(integrations)
    .set({ lastUsedAt: sql`now()` })
    .where(
      and(
        eq(integrations.id, found.integrationId),
        or(isNull(integrations.lastUsedAt), lt(integrations.lastUsedAt, used)),
      ),
    )
  return found
}
