import { randomUUID } from 'node:crypto'
import { and, eq, ne } from 'drizzle-orm'
import { redirect } from 'react-router'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { account, FIRST_ORGANISATION, session, user, type Role } from '../database/schema.ts'
import { clientOf } from '../web/client.ts'
import { auth } from './auth.ts'
import type { Person } from './person.ts'
import { attempt, deviceCookie } from './throttle.ts'

/** Milliseconds after which a session that nobody uses ends, and between two notes of its use. */
const [IDLE, NOTED] = [60 * 60_000, 5 * 60_000]

/** Whether a question is somebody's act, or a screen's that is left open: that keeps no session awake. */
export type Asking = 'acts' | 'listens'

/**
 * The person of a request, or null: signed in, not switched off, and not away for so long that somebody else may sit
 * there.
 */
export async function personOf(request: Request, asking: Asking = 'acts'): Promise<Person | null> {
  const found = await auth().api.getSession({ headers: request.headers })
  if (!found) return null
  const { token, updatedAt } = found.session
  const [row] = await database().select(PERSON).from(user).where(eq(user.id, found.user.id))
  const unused = Date.now() - updatedAt.getTime()
  if (!row || row.disabledAt || unused > IDLE) {
    await database().delete(session).where(eq(session.token, token))
    return null
  }
  if (asking === 'acts' && unused > NOTED)
    await database().update(session).set({ updatedAt: new Date() }).where(eq(session.token, token))
  const { disabledAt: _, ...person } = row
  return person
}

const PERSON = {
  id: user.id,
  name: user.name,
  email: user.email,
  role: user.role,
  organisationId: user.organisationId,
  disabledAt: user.disabledAt,
}

/** The person of a request; others are sent to sign in and come back after. */
export async function signedIn(request: Request): Promise<Person> {
  const person = await personOf(request)
  if (person) return person
  const { pathname, search } = new URL(request.url)
  throw redirect(`/sign-in?to=${encodeURIComponent(pathname.replace(/\.data$/, '') + search)}`)
}

/** How a try to sign in ended. */
export type SignIn = { headers: Headers } | { problem: string }

const WRONG = 'E-mail address or password is wrong.'

/** Signs a person in. What was tried too often from one place waits there; others, and known devices, go on. */
export async function signIn(request: Request, email: string, password: string): Promise<SignIn> {
  const key = email.trim().toLowerCase()
  const { shutFor, wrong, right } = await attempt(request, key)
  if (shutFor !== null) return { problem: `Too many tries. Try again in ${Math.ceil(shutFor / 60)} minutes.` }
  const [known] = await database().select(PERSON).from(user).where(eq(user.email, key))
  const response = await auth().api.signInEmail({
    body: { email: key, password },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok || known?.disabledAt) {
    const last = await wrong()
    if (known) {
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
    if (known?.disabledAt) await endSessions(known.id)
    return { problem: WRONG }
  }
  await right()
  const headers = cookiesOf(response)
  headers.append('Set-Cookie', deviceCookie(key))
  if (known) await note(database(), known, known, 'signed in', `from ${clientOf(request)}`)
  return { headers }
}

/** Ends all sessions of a person, or all but one. */
export async function endSessions(personId: string, but?: string): Promise<void> {
  const own = eq(session.userId, personId)
  await database()
    .delete(session)
    .where(but ? and(own, ne(session.id, but)) : own)
}

export async function signOut(request: Request): Promise<Headers> {
  const who = await personOf(request)
  if (who) await note(database(), who, who, 'signed out')
  const headers = cookiesOf(await auth().api.signOut({ headers: request.headers, asResponse: true }))
  // Pictures of papers must not stay in the browser of a machine that others use.
  headers.set('Clear-Site-Data', '"cache"')
  return headers
}

function cookiesOf(response: Response): Headers {
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
  const hash = await (await auth().$context).password.hash(password)
  const id = randomUUID()
  return database().transaction(async (work) => {
    const made = await work
      .insert(user)
      .values({ id, name, email: email.toLowerCase(), role, organisationId })
      .onConflictDoNothing()
      .returning({ id: user.id })
    if (made.length === 0) return null
    const now = new Date()
    await work.insert(account).values({
      id: randomUUID(),
      userId: id,
      accountId: id,
      providerId: 'credential',
      password: hash,
      createdAt: now,
      updatedAt: now,
    })
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
