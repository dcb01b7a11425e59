import { and, eq, inArray, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { files, packages, pages } from '../database/schema.ts'
import { fileAway } from './filing.ts'
import { queueJudgement } from '../jobs/queue.ts'
import { hold, allows, heldFor, Refused } from './states.ts'

/** What was moved, and what moves it back. */
export interface Moved {
  /** The case that it is in now. */
  caseNumber: string
  back: { packageId: string; files: string[]; caseNumber: string }
}

/**
 * Moves files from one package to another: every page of them that is not with another case already. Moved back, they
 * are in their own place again.
 * @throws Refused
 */
export function moveFiles(
  who: Person,
  packageId: string,
  fileIds: readonly string[],
  caseNumber: string,
): Promise<Moved> {
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
      .select({
        number: pages.number,
        fileId: files.id,
        sha256: files.sha256,
        state: files.state,
        body: pages.body,
      })
      .from(pages)
      .innerJoin(files, eq(files.id, pages.fileId))
      .where(and(eq(pages.packageId, packageId), inArray(files.id, [...fileIds])))
    if (own.some((page) => page.body === null))
      throw new Refused('They are still being read; move them once they are.')
    const moved = own.filter((page) => page.body!.filedTo === undefined)
    if (moved.length === 0) throw new Refused('None of their pages is here any more.')
    await fileAway(
      work,
      from,
      to,
      moved.map((page) => page.number).sort((a, b) => a - b),
      who,
    )
    await queueJudgement(work, packageId)
    const there = await work
      .selectDistinctOn([files.id], { id: files.id })
      .from(files)
      .innerJoin(pages, eq(pages.fileId, files.id))
      .where(
        and(
          eq(files.packageId, to.id),
          inArray(
            files.sha256,
            moved.flatMap((page) => page.sha256 ?? []),
          ),
          sql`not ${pages.body} ? 'filedTo'`,
        ),
      )
    return {
      caseNumber: to.caseNumber,
      back: { packageId: to.id, files: there.map((f) => f.id), caseNumber: from.caseNumber },
    }
  })
}
