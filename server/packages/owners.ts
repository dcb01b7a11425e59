import { and, asc, eq } from 'drizzle-orm'
import type { Person } from '../access/people.ts'
import { may } from '../access/rights.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { packages, user } from '../database/schema.ts'
import { tell } from '../events.ts'

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
    .where(eq(user.organisationId, who.organisationId))
    .orderBy(asc(user.name))
  return people.filter((p) => p.id === ownerId || mayGive(who, ownerId, p.id))
}

/** Gives a package to a person or back to nobody; false where the person does not exist. */
export function assign(packageId: string, ownerId: string | null, who: Person): Promise<boolean> {
  return database().transaction(async (work) => {
    const [owner] = ownerId
      ? await work
          .select({ name: user.name })
          .from(user)
          .where(and(eq(user.id, ownerId), eq(user.organisationId, who.organisationId)))
      : []
    if (ownerId && !owner) return false
    await work.update(packages).set({ ownerId }).where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      ownerId === null
        ? 'put the package back'
        : ownerId === who.id
          ? 'took the package'
          : `gave the package to ${owner.name}`,
    )
    await tell(work, { packageId, what: 'queue' })
    return true
  })
}
