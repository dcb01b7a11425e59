import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { packages, pages } from '../database/schema.ts'
import { queueJudgement } from '../jobs/queue.ts'
import { fileAway } from './filing.ts'
import { allows, heldFor, hold, Refused } from './states.ts'

/** What is to be moved: files with all their pages that are here, or pages. */
export type Movable = { files: readonly string[] } | { pages: readonly number[] }

/** Pages of a package that belong to another case. */
export interface Move {
  packageId: string
  pages: number[]
  /** The case that they go to. */
  caseNumber: string
}

/**
 * Moves pages from one package to another; those that are with another case already stay there. Moved back, they are in
 * their own place again.
 * @returns the case that they are in now, and what moves them back
 * @throws Refused
 */
export function movePages(
  who: Person,
  packageId: string,
  what: Movable,
  caseNumber: string,
): Promise<{ caseNumber: string; back: Move }> {
  return database().transaction(async (work) => {
    const [target] = await work
      .select({ id: packages.id })
      .from(packages)
      .where(
        and(
          eq(packages.organisationId, who.organisationId),
          sql`upper(${packages.caseNumber}) = upper(${caseNumber})`,
        ),
      )
    if (!target) throw new Refused(`There is no case ${caseNumber}.`)
    if (target.id === packageId) throw new Refused('They are in this case already.')
    // In one order, whoever moves what where: two at once would wait for one another for ever.
    for (const id of [packageId, target.id].sort()) await hold(work, id)
    const from = await heldFor(work, packageId, 'take pages of another case')
    const to = (await hold(work, target.id))!
    if (!allows(to.state, 'take pages of another case'))
      throw new Refused(`${to.caseNumber} is closed; it takes nothing more.`)
    const own = await work
      .select({ number: pages.number, body: pages.body })
      .from(pages)
      .where(
        and(
          eq(pages.packageId, packageId),
          'files' in what ? inArray(pages.fileId, [...what.files]) : inArray(pages.number, [...what.pages]),
        ),
      )
      .orderBy(asc(pages.number))
    if (own.some((page) => page.body === null))
      throw new Refused('They are still being read; move them once they are.')
    const here = own.filter((page) => page.body!.filedTo === undefined).map((page) => page.number)
    if (here.length === 0) throw new Refused('None of their pages is here any more.')
    const there = await fileAway(work, from, to, here, who)
    await queueJudgement(work, packageId)
    return {
      caseNumber: to.caseNumber,
      back: { packageId: to.id, pages: there, caseNumber: from.caseNumber },
    }
  })
}
