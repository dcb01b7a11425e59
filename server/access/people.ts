import { randomUUID } from 'node:crypto'
import { eq, isNotNull, sql } from 'drizzle-orm'
import { redirect } from 'react-router'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import {
  account,
  FIRST_ORGANISATION,
  organisations,
  session,
  user,
  verification,
  type Role,
} from '../database/schema.ts'
import { clientOf } from '../web/client.ts'
import { auth } from './auth.ts'
import { setPassword } from './passwords.ts'
import type { Person } from './person.ts'
import { endSessions, IDLE, NOTED } from './sessions.ts'
import { attempt, deviceCookie, forgetTries } from './throttle.ts'

/** Whether a question is somebody's act, or a screen's that is left open: that keeps no session awake. */
export type Asking = 'acts' | 'listens'

/**
 * The person of a request, or null: signed in, not switched off, and not away for so long that somebody else may sit
 * there.
 */
export async function personOf(request: Request, asking: Asking = 'acts'): Promise<SignedIn | null> {
  const found = await auth().api.getSession({ headers: request.headers })
  if (!found) return null
  const { token, updatedAt } = found.session
  const [row] = await database()
    .select({ ...PERSON, secondFactorFor: organisations.secondFactorFor, hasPassword: HAS_PASSWORD })
    .from(user)
    .innerJoin(organisations, eq(organisations.id, user.organisationId))
    .where(eq(user.id, found.user.id))
  const unused = Date.now() - updatedAt.getTime()
  if (!row || row.disabledAt || unused > IDLE) {
    await database().delete(session).where(eq(session.token, token))
    return null
  }
  if (asking === 'acts' && unused > NOTED)
    await database().update(session).set({ updatedAt: new Date() }).where(eq(session.token, token))
  return { ...personIn(row), sessionId: found.session.id, lacksSecondFactor: lacksSecondFactor(row) }
}

/** A person with the session that they ask in. */
export interface SignedIn extends Person {
  sessionId: string
  /** Their role signs in with a second factor, and they have none yet. */
  lacksSecondFactor: boolean
}

const personIn = ({ id, name, email, role, organisationId }: Person): Person => ({
  id,
  name,
  email,
  role,
  organisationId,
})

/** Who has no password comes in by a provider alone, and what else they show there is asked by the provider. */
const lacksSecondFactor = (row: {
  role: Role
  twoFactorEnabled: boolean
  secondFactorFor: Role[]
  hasPassword: boolean
}): boolean => row.secondFactorFor.includes(row.role) && !row.twoFactorEnabled && row.hasPassword

const HAS_PASSWORD = sql<boolean>`exists (
  select 1 from ${account} where ${account.userId} = ${user.id} and ${isNotNull(account.password)})`

const PERSON = {
  id: user.id,
  name: user.name,
  email: user.email,
  role: user.role,
  organisationId: user.organisationId,
  disabledAt: user.disabledAt,
  twoFactorEnabled: user.twoFactorEnabled,
}

/** Where a person sets up how they sign in; it is open to those who must do so first. */
export const OWN_PAGE = '/account'

/**
 * The person of a request; others are sent to sign in and come back after, and whose role signs in with a second
 * factor sets one up first.
 */
export async function signedIn(request: Request): Promise<SignedIn> {
  const person = await personOf(request)
  const { pathname, search } = new URL(request.url)
  const path = pathname.replace(/\.data$/, '')
  if (!person) throw redirect(`/sign-in?to=${encodeURIComponent(path + search)}`)
  if (person.lacksSecondFactor && path !== OWN_PAGE) throw redirect(OWN_PAGE)
  return person
}

/** How a try to sign in ended: signed in, a code of the second factor to come, or a sentence. */
export type SignIn = { headers: Headers; second: boolean } | { problem: string }

const WRONG = 'E-mail address or password is wrong.'
const tooOften = (seconds: number): SignIn => ({
  problem: `Too many tries. Try again in ${Math.ceil(seconds / 60)} minutes.`,
})

const findPerson = async (email: string) =>
  (await database().select(PERSON).from(user).where(eq(user.email, email)))[0]

type Known = Awaited<ReturnType<typeof findPerson>> | undefined

/** Counts a wrong try, and writes it down where it is somebody's. */
async function refused(request: Request, known: Known, wrong: () => Promise<boolean>): Promise<void> {
  const last = await wrong()
  if (!known) return
  await note(database(), known, known, 'could not sign in', `from ${clientOf(request)}`)
  if (last)
    await note(
      database(),
      null,
      known,
      'shut the sign-in for a while',
      `${known.email}, from ${clientOf(request)}`,
    )
}

/** Signs a person in. What was tried too often from one place waits there; others, and known devices, go on. */
export async function signIn(request: Request, email: string, password: string): Promise<SignIn> {
  const key = email.trim().toLowerCase()
  const { shutFor, wrong } = await attempt(request, key)
  if (shutFor !== null) return tooOften(shutFor)
  const known = await findPerson(key)
  const response = await auth().api.signInEmail({
    body: { email: key, password },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok || known?.disabledAt) {
    await refused(request, known, wrong)
    if (known?.disabledAt) await endSessions(database(), known.id)
    return { problem: WRONG }
  }
  const second = Boolean(
    ((await response.clone().json()) as { twoFactorRedirect?: boolean }).twoFactorRedirect,
  )
  const headers = cookiesOf(response)
  return second ? { headers, second } : letIn(request, headers, known, '')
}

/** What is done whichever way somebody came in. @param how what the trail says of the way, before where from */
async function letIn(request: Request, headers: Headers, known: Known, how: string): Promise<SignIn> {
  if (known) {
    await forgetTries(request, known.email)
    headers.append('Set-Cookie', deviceCookie(known.email))
    await note(database(), known, known, 'signed in', `${how}from ${clientOf(request)}`)
  }
  return { headers, second: false }
}

/** The second step of signing in: a code of the second factor, or one of the codes for when that is lost. */
export async function signInByCode(request: Request, code: string): Promise<SignIn> {
  const words = code.replace(/\s/g, '')
  const asked = { body: { code: words }, headers: request.headers, asResponse: true } as const
  const response = /^\d{6}$/.test(words)
    ? await auth().api.verifyTOTP(asked)
    : await auth().api.verifyBackupCode(asked)
  if (!response.ok) {
    const known = await halfSignedIn(request)
    if (known)
      await note(
        database(),
        known,
        known,
        'could not sign in',
        `with a wrong code, from ${clientOf(request)}`,
      )
    return { problem: 'This code is wrong or too old. After some wrong ones, sign in again.' }
  }
  const { user: signed } = (await response.clone().json()) as { user: { email: string } }
  return letIn(request, cookiesOf(response), await findPerson(signed.email), 'with a second factor, ')
}

/** Who gave the right password and no code yet, by the cookie that the sign-in library remembers them by. */
async function halfSignedIn(request: Request): Promise<Known> {
  const said = /(?:^|; )[^=;]*two_factor=([^;]+)/.exec(request.headers.get('cookie') ?? '')?.[1]
  if (!said) return undefined
  const [row] = await database()
    .select(PERSON)
    .from(verification)
    .innerJoin(user, eq(user.id, verification.value))
    // Its signature follows a dot.
    .where(eq(verification.identifier, decodeURIComponent(said).split('.')[0]))
  return row
}

export async function signOut(request: Request): Promise<Headers> {
  const who = await personOf(request)
  if (who) await note(database(), who, who, 'signed out')
  const headers = cookiesOf(await auth().api.signOut({ headers: request.headers, asResponse: true }))
  // Pictures of papers must not stay in the browser of a machine that others use.
  headers.set('Clear-Site-Data', '"cache"')
  return headers
}

export function cookiesOf(response: Response): Headers {
  const headers = new Headers()
  for (const cookie of response.headers.getSetCookie()) headers.append('Set-Cookie', cookie)
  return headers
}

/**
 * Makes a person who can sign in, in one step: broken off half way, they would be in another organisation or
 * without a password.
 * @returns their id; null where the address is taken
 */
export async function makePerson(
  name: string,
  email: string,
  password: string,
  role: Role,
  organisationId: string,
): Promise<string | null> {
  const id = randomUUID()
  return database().transaction(async (work) => {
    const made = await work
      .insert(user)
      // An administrator names the address; nobody signs up for one that is not theirs.
      .values({ id, name, email: email.toLowerCase(), emailVerified: true, role, organisationId })
      .onConflictDoNothing()
      .returning({ id: user.id })
    if (made.length === 0) return null
    await setPassword(work, id, password)
    return id
  })
}

/** As `makePerson`, or who has the address already: for what is set up again and again. */
export async function addPerson(
  name: string,
  email: string,
  password: string,
  role: Role,
  organisationId = FIRST_ORGANISATION,
): Promise<string> {
  const made = await makePerson(name, email, password, role, organisationId)
  if (made) return made
  const [known] = await database()
    .select({ id: user.id })
    .from(user)
    .where(eq(user.email, email.toLowerCase()))
  return known.id
}
