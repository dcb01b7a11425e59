import { randomUUID } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { redirect } from 'react-router'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { connections, database } from '../database/connection.ts'
import { account, FIRST_ORGANISATION, roles, user, type Role } from '../database/schema.ts'
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
