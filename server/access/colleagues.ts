import { randomInt } from 'node:crypto'
import { and, asc, eq } from 'drizzle-orm'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { user, type Role } from '../database/schema.ts'
import { makePerson } from './people.ts'
import type { Person } from './person.ts'

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
  const password = firstPassword()
  if ((await makePerson(name, email, password, role, organisationId)) === null) return null
  await note(database(), who, { organisationId }, 'added a person', `${name}, ${email}, ${role}`)
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
    if (changed) await note(work, who, who, 'changed a role', `${changed.name}: ${role}`)
    return changed !== undefined
  })
}
