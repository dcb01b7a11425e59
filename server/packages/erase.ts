import { and, asc, eq, inArray, isNotNull, isNull, or, sql } from 'drizzle-orm'
import { may, refusalOf, type Right } from '../access/rights.ts'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { forgetSamples } from '../configuration/lessons.ts'
import { database, type Work } from '../database/connection.ts'
import { trials, packageKeys, packages, retentions, user } from '../database/schema.ts'
import { tell } from '../events.ts'
import { noteErased } from '../witness.ts'
import { hold, inTurn, Refused, type Held } from './states.ts'

/** Holds a package, whatever its state, for somebody with a right. @throws Refused */
async function heldBy(work: Work, packageId: string, who: Person, right: Right): Promise<Held> {
  if (!may(who, right)) throw new Refused(refusalOf(right))
  const row = await hold(work, packageId)
  if (!row || row.organisationId !== who.organisationId) throw new Refused('There is no such package.')
  return row
}

const reasoned = (reason: string): string => {
  if (reason.trim().length < 3) throw new Refused('Say in three letters or more why.')
  return reason.trim().slice(0, 500)
}

/** Says that a package must not be erased, and why; without a reason, that nothing holds it any more. */
export const setHold = (packageId: string, who: Person, reason: string | null): Promise<void> =>
  inTurn(packageId, async (work) => {
    await heldBy(work, packageId, who, 'hold')
    const heldBecause = reason === null ? null : reasoned(reason)
    await work.update(packages).set({ heldBecause }).where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      heldBecause ? 'put a hold on the package' : 'took the hold off',
      heldBecause ?? '',
    )
    await tell(work, { packageId, what: 'judged' })
  })

/** Asks for a package to be erased for good; a null reason takes that back. */
export const askErasure = (packageId: string, who: Person, reason: string | null): Promise<void> =>
  inTurn(packageId, async (work) => {
    const row = await heldBy(work, packageId, who, 'erase')
    if (row.heldBecause && reason !== null) throw new Refused(`A hold is on this package: ${row.heldBecause}`)
    await work
      .update(packages)
      .set({
        eraseReason: reason === null ? null : reasoned(reason),
        eraseAskedById: reason === null ? null : who.id,
      })
      .where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      reason === null ? 'took the erasure back' : 'asked for the package to be erased',
      reason ?? '',
    )
    await tell(work, { packageId, what: 'judged' })
  })

/** A second person's agreement to erase a package: it is erased. @throws Refused for whoever asked */
export async function agreeToErase(packageId: string, who: Person): Promise<void> {
  await erasing(packageId, async (work) => {
    const row = await heldBy(work, packageId, who, 'agree to erase')
    if (row.eraseReason === null) throw new Refused('Nobody asks for this package to be erased any more.')
    if (row.eraseAskedById === who.id) throw new Refused('You asked for it; somebody else agrees.')
    await erase(work, row, who, row.eraseReason)
    return true
  })
}

/**
 * Erases a package where `act` does so, and notes it outside once that stands: one that is noted and still there would
 * be erased by a restore.
 * @returns how many are gone, one or none
 */
async function erasing(packageId: string, act: (work: Work) => Promise<boolean>): Promise<number> {
  if (!(await inTurn(packageId, act))) return 0
  await noteErased(packageId)
  return 1
}

/**
 * Erases a package for good: its files, pages, pictures, values, answers and reports, what was learnt of its papers, and
 * the key under which the trail has its words. The acts stay in the trail, without them. Its contents are collected
 * once no other file has them.
 */
async function erase(work: Work, row: Held, who: Person | null, why: string): Promise<void> {
  if (row.heldBecause) throw new Refused(`A hold is on this package: ${row.heldBecause}`)
  await forgetSamples(work, row.organisationId, row.id)
  // They name applicants, and are tried again in a moment.
  await work.delete(trials).where(eq(trials.organisationId, row.organisationId))
  await tell(work, { packageId: row.id, what: 'queue' })
  await work.delete(packages).where(eq(packages.id, row.id))
  await work.delete(packageKeys).where(eq(packageKeys.packageId, row.id))
  await note(work, who, row, 'erased a package', `${row.caseNumber}: ${why}`)
}

/** Erases finished packages that are past the days of their program and not held. @returns how many */
export async function eraseOverdue(): Promise<number> {
  const rows = await database()
    .select({ id: packages.id, days: retentions.days })
    .from(packages)
    .innerJoin(
      retentions,
      and(eq(retentions.organisationId, packages.organisationId), eq(retentions.program, packages.program)),
    )
    .where(
      and(
        eq(packages.state, 'finished'),
        isNull(packages.heldBecause),
        sql`${packages.finishedAt} < now() - make_interval(days => ${retentions.days})`,
      ),
    )
  let erased = 0
  for (const { id, days } of rows)
    erased += await erasing(id, async (work) => {
      const row = await hold(work, id)
      // Opened again or held since it was found.
      if (row?.state !== 'finished' || row.heldBecause) return false
      await erase(work, row, null, `kept for ${days} days`)
      return true
    })
  return erased
}

/** Erases packages that were erased before a backup that has them still was put back. @returns how many were there */
export async function eraseAgain(ids: readonly string[]): Promise<number> {
  let erased = 0
  for (const id of ids)
    erased += await erasing(id, async (work) => {
      const row = await hold(work, id)
      if (row)
        await erase(work, { ...row, heldBecause: null }, null, 'it was erased before the backup was put back')
      return row !== null
    })
  return erased
}

/** For how many days finished packages of each program are kept; null for as long as there is Jigsa. */
export const setRetention = (who: Person, program: string, days: number | null): Promise<void> =>
  database().transaction(async (work) => {
    const at = and(eq(retentions.organisationId, who.organisationId), eq(retentions.program, program))
    await work.delete(retentions).where(at)
    if (days !== null)
      await work.insert(retentions).values({ organisationId: who.organisationId, program, days })
    await note(
      work,
      who,
      who,
      'said how long packages are kept',
      `${program}: ${days === null ? 'always' : `${days} days after they are finished`}`,
    )
  })

/** What the page about keeping shows: days by program, packages on hold, and those that are asked to be erased. */
export async function keepingOf(organisationId: string) {
  const work = database()
  const days = await work.select().from(retentions).where(eq(retentions.organisationId, organisationId))
  const rows = await work
    .select({
      id: packages.id,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
      heldBecause: packages.heldBecause,
      eraseReason: packages.eraseReason,
      askedBy: user.name,
      askedById: packages.eraseAskedById,
    })
    .from(packages)
    .leftJoin(user, eq(user.id, packages.eraseAskedById))
    .where(
      and(
        eq(packages.organisationId, organisationId),
        or(isNotNull(packages.heldBecause), isNotNull(packages.eraseReason)),
        inArray(packages.state, ['empty', 'reading', 'open', 'review', 'finished']),
      ),
    )
    .orderBy(asc(packages.caseNumber))
  return {
    days: new Map(days.map((d) => [d.program, d.days])),
    held: rows.filter((r) => r.heldBecause !== null),
    asked: rows.filter((r) => r.eraseReason !== null),
  }
}
