import { randomInt } from 'node:crypto'
import { and, asc, eq, max } from 'drizzle-orm'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { organisations, session, twoFactor, user, type Role } from '../database/schema.ts'
import { passwordLink } from './links.ts'
import { makePerson } from './people.ts'
import type { Person } from './person.ts'
import { endSessions } from './sessions.ts'

/** The people of an organisation, by name, and when each was last seen. */
export const peopleOf = (organisationId: string) =>
  database()
    .select({
      id: user.id,
      name: user.name,
      email: user.email,
      role: user.role,
      disabledAt: user.disabledAt,
      secondFactor: user.twoFactorEnabled,
      seen: max(session.updatedAt),
    })
    .from(user)
    .leftJoin(session, eq(session.userId, user.id))
    .where(and(eq(user.organisationId, organisationId), eq(user.isSystem, false)))
    .groupBy(user.id)
    .orderBy(asc(user.name), asc(user.id))

/** Signs that are not taken for one another when somebody reads a password out. */
const CLEAR_SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789'
const GROUPS = 4

/** A password, in groups that can be read out: 80 bits. */
const madePassword = (): string =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: 4 }, () => CLEAR_SIGNS[randomInt(CLEAR_SIGNS.length)]).join(''),
  ).join('-')

/** Who did it; null for a command on the machine itself. */
type By = Pick<Person, 'id' | 'name'> | null

/** What a colleague is made with. */
export interface NewColleague {
  name: string
  email: string
  role: Role
}

/**
 * Makes a colleague who can sign in.
 * @returns their first password, which is kept nowhere else; null where somebody has the address already
 */
export async function addColleague(
  who: By,
  organisationId: string,
  { name, email, role }: NewColleague,
): Promise<string | null> {
  const password = madePassword()
  if ((await makePerson(name, email, password, role, organisationId)) === null) return null
  await note(database(), who, { organisationId }, 'added a person', `${name}, ${email}, ${role}`)
  return password
}

/** As `addColleague`, who chooses a password by a link. @returns the link; null where somebody has the address */
export async function inviteColleague(
  who: By,
  organisationId: string,
  { name, email, role }: NewColleague,
): Promise<string | null> {
  const id = await makePerson(name, email, madePassword(), role, organisationId)
  if (id === null) return null
  await note(database(), who, { organisationId }, 'invited a person', `${name}, ${email}, ${role}`)
  return passwordLink(id)
}

/** Does something to a person of an organisation. @returns null where the organisation has no such person */
const to = <T>(
  organisationId: string,
  id: string,
  act: (work: Work, person: typeof user.$inferSelect) => Promise<T>,
): Promise<T | null> =>
  database().transaction(async (work) => {
    const [person] = await work
      .select()
      .from(user)
      .where(and(eq(user.id, id), eq(user.organisationId, organisationId), eq(user.isSystem, false)))
      .for('update')
    return person ? act(work, person) : null
  })

const changed = (work: Work, id: string, set: Partial<typeof user.$inferInsert>) =>
  work
    .update(user)
    .set({ ...set, updatedAt: new Date() })
    .where(eq(user.id, id))

/** Gives a colleague another role. @returns false where the organisation has no such person */
export const setRole = async (who: By, organisationId: string, id: string, role: Role): Promise<boolean> =>
  (await to(organisationId, id, async (work, person) => {
    await changed(work, id, { role })
    await note(work, who, { organisationId }, 'changed a role', `${person.name}: ${role}`)
    return true
  })) ?? false

/** Lets a colleague sign in no more, and ends their sessions; or lets them again. */
export const setDisabled = async (
  who: By,
  organisationId: string,
  id: string,
  disabled: boolean,
): Promise<boolean> =>
  (await to(organisationId, id, async (work, person) => {
    await changed(work, id, { disabledAt: disabled ? new Date() : null })
    if (disabled) await endSessions(work, id)
    await note(
      work,
      who,
      { organisationId },
      disabled ? 'switched a person off' : 'switched a person on',
      person.name,
    )
    return true
  })) ?? false

/** Ends all sessions of a colleague. */
export const endSessionsOf = async (who: By, organisationId: string, id: string): Promise<boolean> =>
  (await to(organisationId, id, async (work, person) => {
    await endSessions(work, id)
    await note(work, who, { organisationId }, 'ended the sessions of a person', person.name)
    return true
  })) ?? false

/**
 * Has a colleague choose another password by a link, and takes a second factor away that they may have lost. Until then
 * the old ones hold; their sessions end at once.
 */
export async function resetColleague(who: By, organisationId: string, id: string): Promise<string | null> {
  const found = await to(organisationId, id, async (work, person) => {
    await endSessions(work, id)
    await work.delete(twoFactor).where(eq(twoFactor.userId, id))
    await changed(work, id, { twoFactorEnabled: false })
    await note(work, who, { organisationId }, 'reset the sign-in of a person', person.name)
    return true
  })
  return found ? passwordLink(id) : null
}

/** Says whose people sign in with a second factor. */
export async function demandSecondFactor(who: Person, secondFactorFor: Role[]): Promise<void> {
  await database().transaction(async (work) => {
    await work.update(organisations).set({ secondFactorFor }).where(eq(organisations.id, who.organisationId))
    await note(
      work,
      who,
      who,
      'said who signs in with a second factor',
      secondFactorFor.length > 0 ? secondFactorFor.join(', ') : 'nobody',
    )
  })
}

/** Roles of an organisation whose people sign in with a second factor. */
export async function secondFactorFor(organisationId: string): Promise<Role[]> {
  const [row] = await database()
    .select({ roles: organisations.secondFactorFor })
    .from(organisations)
    .where(eq(organisations.id, organisationId))
  return row?.roles ?? []
}
