import { and, asc, eq, isNull } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { may, refusalOf } from '../access/rights.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { packages, user } from '../database/schema.ts'
import { tell } from '../events.ts'
import { hold, inTurn, Refused } from './states.ts'

/**
 * Whether somebody may make `next` the owner: leads may always, others take what is nobody's and put back
 * their own.
 */
export const mayGive = (
  who: Pick<Person, 'id' | 'role'>,
  owner: string | null,
  next: string | null,
): boolean =>
  may(who, 'give away') || (owner === null && next === who.id) || (owner === who.id && next === null)

/** People a package can be given to by `who`, and its owner. */
export async function ownersFor(
  who: Person,
  ownerId: string | null,
): Promise<{ id: string; name: string }[]> {
  const people = await database()
    .select({ id: user.id, name: user.name })
    .from(user)
    .where(and(eq(user.organisationId, who.organisationId), isNull(user.disabledAt)))
    .orderBy(asc(user.name))
  return people.filter((p) => p.id === ownerId || mayGive(who, ownerId, p.id))
}

/**
 * Gives a package to a person or back to nobody.
 * @throws Refused where the person does not exist, or it is not for `who` to give by now
 */
export function assign(packageId: string, ownerId: string | null, who: Person): Promise<void> {
  return inTurn(packageId, async (work) => {
    const row = await hold(work, packageId)
    const [owner] = ownerId
      ? await work
          .select({ name: user.name })
          .from(user)
          .where(
            and(eq(user.id, ownerId), eq(user.organisationId, who.organisationId), isNull(user.disabledAt)),
          )
      : []
    if (!row || (ownerId && !owner)) throw new Refused('There is no such person.')
    if (row.ownerId === ownerId) return
    // Judged under the lock: two who take one package at once are not both told that it is theirs.
    if (!mayGive(who, row.ownerId, ownerId)) {
      const [has] = row.ownerId
        ? await work.select({ name: user.name }).from(user).where(eq(user.id, row.ownerId))
        : []
      throw new Refused(
        has ? `${has.name} has this package. ${refusalOf('give away')}` : refusalOf('give away'),
      )
    }
    await work.update(packages).set({ ownerId }).where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      ownerId === null
        ? 'put the package back'
        : ownerId === who.id
          ? 'took the package'
          : 'gave the package away',
      ownerId && ownerId !== who.id ? `to ${owner.name}` : '',
    )
    await tell(work, { packageId, what: 'queue' })
  })
}
