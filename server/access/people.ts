import { randomInt } from 'node:crypto'
import { and, asc, eq } from 'drizzle-orm'
import { redirect } from 'react-router'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { note } from '../audit.ts'
import { connections, database } from '../database/connection.ts'
import { FIRST_ORGANISATION, roles, user, type Role } from '../database/schema.ts'
import { auth } from './auth.ts'

/** Who is asking. */
export interface Person {
  id: string
  name: string
  email: string
  role: Role
  organisationId: string
}

/** The person of a request, or null. */
export async function personOf(request: Request): Promise<Person | null> {
  const found = await auth().api.getSession({ headers: request.headers })
  if (!found) return null
  const { id, name, email } = found.user
  const role = roles.find((r) => r === (found.user as { role?: string }).role) ?? 'processor'
  const organisationId = (found.user as { organisationId?: string }).organisationId ?? FIRST_ORGANISATION
  return { id, name, email, role, organisationId }
}

/** The person of a request; others are sent to sign in and come back after. */
export async function signedIn(request: Request): Promise<Person> {
  const person = await personOf(request)
  if (person) return person
  const { pathname, search } = new URL(request.url)
  throw redirect(`/sign-in?to=${encodeURIComponent(pathname.replace(/\.data$/, '') + search)}`)
}

let limiter: RateLimiterPostgres | null = null
const attempts = (): RateLimiterPostgres =>
  (limiter ??= new RateLimiterPostgres({
    storeClient: connections(),
    tableName: 'sign_in_attempt',
    tableCreated: true,
    points: 8,
    duration: 15 * 60,
    keyPrefix: 'sign-in',
  }))

/** How a try to sign in ended. */
export type SignIn = { headers: Headers } | { problem: string }

/** Signs a person in. Eight wrong tries for one address within a quarter of an hour close it for the rest of it. */
export async function signIn(request: Request, email: string, password: string): Promise<SignIn> {
  const key = email.trim().toLowerCase()
  try {
    await attempts().consume(key)
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused
    return { problem: `Too many tries. Try again in ${Math.ceil(refused.msBeforeNext / 60_000)} minutes.` }
  }
  const response = await auth().api.signInEmail({
    body: { email: key, password },
    headers: request.headers,
    asResponse: true,
  })
  if (!response.ok) return { problem: 'E-mail address or password is wrong.' }
  await attempts().delete(key)
  return { headers: cookiesOf(response) }
}

export async function signOut(request: Request): Promise<Headers> {
  return cookiesOf(await auth().api.signOut({ headers: request.headers, asResponse: true }))
}

function cookiesOf(response: Response): Headers {
  const headers = new Headers()
  for (const cookie of response.headers.getSetCookie()) headers.append('Set-Cookie', cookie)
  return headers
}

/** Makes a person who can sign in; does nothing where the address is taken. */
export async function addPerson(
  name: string,
  email: string,
  password: string,
  role: Role,
  organisationId = FIRST_ORGANISATION,
): Promise<string> {
  const [known] = await database().select({ id: user.id }).from(user).where(eq(user.email, email))
  if (known) return known.id
  const made = await auth().api.signUpEmail({ body: { name, email, password } })
  await database().update(user).set({ role, organisationId }).where(eq(user.id, made.user.id))
  return made.user.id
}

/** The people of an organisation, by name. */
export const peopleOf = (organisationId: string) =>
  database()
    .select({ id: user.id, name: user.name, email: user.email, role: user.role })
    .from(user)
    .where(eq(user.organisationId, organisationId))
    .orderBy(asc(user.name), asc(user.id))

/** Signs that are not taken for one another when somebody reads a password out. */
const CLEAR_SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789'
const GROUPS = 4

/** A first password, in groups that can be read out: 80 bits. */
const firstPassword = (): string =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: 4 }, () => CLEAR_SIGNS[randomInt(CLEAR_SIGNS.length)]).join(''),
  ).join('-')

/**
 * Makes a colleague who can sign in.
 * @returns their first password, which is kept nowhere else; null where somebody has the address already
 */
export async function addColleague(
  who: Pick<Person, 'id' | 'name'> | null,
  organisationId: string,
  { name, email, role }: { name: string; email: string; role: Role },
): Promise<string | null> {
  const address = email.toLowerCase()
  const [taken] = await database().select({ id: user.id }).from(user).where(eq(user.email, address))
  if (taken) return null
  const password = firstPassword()
  await addPerson(name, address, password, role, organisationId)
  await note(database(), who, null, 'added a person', `${name}, ${address}, ${role}`)
  return password
}

/** Gives a colleague another role. @returns false where the organisation has no such person */
export async function setRole(who: Person, id: string, role: Role): Promise<boolean> {
  return database().transaction(async (work) => {
    const [changed] = await work
      .update(user)
      .set({ role, updatedAt: new Date() })
      .where(and(eq(user.id, id), eq(user.organisationId, who.organisationId)))
      .returning({ name: user.name })
    if (changed) await note(work, who, null, 'changed a role', `${changed.name}: ${role}`)
    return changed !== undefined
  })
}
