import { eq } from 'drizzle-orm'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { twoFactor, user } from '../database/schema.ts'
import { auth } from './auth.ts'
import { cookiesOf } from './people.ts'
import type { Person } from './person.ts'

/** What a second device is given to make codes from, and spare codes for when it is lost. Shown once. */
export interface Beginning {
  /** `otpauth://` (RFC 6238), which devices read as a square code. */
  uri: string
  spare: string[]
}

/** Begins a second factor; it is asked for once a first code of it was right. Null where the password is wrong. */
export async function beginSecondFactor(request: Request, password: string): Promise<Beginning | null> {
  const response = await auth().api.enableTwoFactor({
    body: { password },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok) return null
  const { totpURI, backupCodes } = (await response.json()) as { totpURI: string; backupCodes: string[] }
  return { uri: totpURI, spare: backupCodes }
}

/** Takes the first code of a second factor, which is asked for from now on. @returns null where it is wrong */
export async function confirmSecondFactor(
  request: Request,
  who: Person,
  code: string,
): Promise<Headers | null> {
  const response = await auth().api.verifyTOTP({ body: { code }, headers: request.headers, asResponse: true })
  if (!response.ok) return null
  await note(database(), who, who, 'set up a second factor')
  return cookiesOf(response)
}

/** Takes a person's own second factor away. @returns null where the password is wrong */
export async function endSecondFactor(
  request: Request,
  who: Person,
  password: string,
): Promise<Headers | null> {
  const response = await auth().api.disableTwoFactor({
    body: { password },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok) return null
  await note(database(), who, who, 'took their second factor away')
  return cookiesOf(response)
}

/** Whether a code is asked of a person, and whether one was begun and never confirmed. */
export async function secondFactorOf(id: string): Promise<{ on: boolean; begun: boolean }> {
  const [row] = await database()
    .select({ on: user.twoFactorEnabled, begun: twoFactor.id })
    .from(user)
    .leftJoin(twoFactor, eq(twoFactor.userId, user.id))
    .where(eq(user.id, id))
  return { on: row?.on ?? false, begun: Boolean(row?.begun) }
}
