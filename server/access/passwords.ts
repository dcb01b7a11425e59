import { randomUUID } from 'node:crypto'
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import * as common from '@zxcvbn-ts/language-common'
import { and, eq } from 'drizzle-orm'
import type { Work } from '../database/connection.ts'
import { account } from '../database/schema.ts'
import { auth } from './auth.ts'

/** The fewest letters of a password. */
export const SHORTEST = 10
const LONGEST = 200
/** 0 to 4; 4 takes ten thousand million guesses and more: what is made of one's own name and a year takes fewer. */
const LEAST_SCORE = 4

const guesser = new ZxcvbnFactory({ dictionary: common.dictionary, graphs: common.adjacencyGraphs })

/**
 * Why a password is not taken: too short, or among those that are tried first, as common ones, rows of keys and what
 * the person is called are.
 * @returns null where it is good
 */
export function weaknessOf(
  password: string,
  { name, email }: { name: string; email: string },
): string | null {
  if (password.length < SHORTEST) return `A password has ${SHORTEST} letters or more.`
  if (password.length > LONGEST) return `A password has at most ${LONGEST} letters.`
  const own = [...name.split(/\s+/), ...email.split(/[@.]/), 'jigsa'].map((word) => word.toLowerCase())
  return guesser.check(password, own).score < LEAST_SCORE
    ? 'That is a password which is tried first by whoever guesses. Take several words that nothing ties together.'
    : null
}

/** Gives a person a password, or another one. */
export async function setPassword(work: Work, personId: string, password: string): Promise<void> {
  const hash = await (await auth().$context).password.hash(password)
  const changed = await work
    .update(account)
    .set({ password: hash, updatedAt: new Date() })
    .where(and(eq(account.userId, personId), eq(account.providerId, 'credential')))
    .returning({ id: account.id })
  if (changed.length > 0) return
  await work.insert(account).values({
    id: randomUUID(),
    userId: personId,
    accountId: personId,
    providerId: 'credential',
    password: hash,
  })
}

/** Whether a password is a person's. */
export async function isPasswordOf(work: Work, personId: string, password: string): Promise<boolean> {
  const [row] = await work
    .select({ hash: account.password })
    .from(account)
    .where(and(eq(account.userId, personId), eq(account.providerId, 'credential')))
  return Boolean(row?.hash && (await (await auth().$context).password.verify({ hash: row.hash, password })))
}
