import { and, asc, desc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import type { Replacement } from '../../core/dossier/index.ts'
import type { Work } from '../database/connection.ts'
import { arrivals, files, pages, requests, statements } from '../database/schema.ts'
import { archives, arrivalOfFile } from './brought.ts'

/** What an applicant said of each item, the last of each; older words stay in the table. */
export async function statementsOf(work: Work, requestIds: readonly string[]) {
  if (requestIds.length === 0) return []
  const rows = await work
    .select()
    .from(statements)
    .where(inArray(statements.requestId, [...requestIds]))
    .orderBy(asc(statements.id))
  return [...new Map(rows.map((r) => [`${r.requestId} ${r.item}`, r])).values()]
}

/** All that the applicant of a package said, the latest first. */
export const statementsAbout = (work: Work, packageId: string) =>
  work
    .select({ item: statements.item, kind: statements.kind, text: statements.text, at: statements.at })
    .from(statements)
    .innerJoin(requests, eq(requests.id, statements.requestId))
    .where(eq(requests.packageId, packageId))
    .orderBy(desc(statements.id))

/**
 * What the applicant said of facts and checks since somebody decided on them last, by `fact:ID` and `check:ID`: what
 * was decided with their words before one's eyes is not asked again.
 */
export async function newStatements(work: Work, packageId: string): Promise<Map<string, string>> {
  const rows = await work
    .select({ item: statements.item, text: statements.text })
    .from(statements)
    .innerJoin(requests, eq(requests.id, statements.requestId))
    .where(
      sql`${requests.packageId} = ${packageId} and not exists (
        select 1 from answer where answer.package_id = ${packageId} and answer.undone_at is null
          and answer.created_at > ${statements.at}
          and ${statements.item} = (answer.body ->> 'kind') || ':' || coalesce(answer.body ->> 'fact', answer.body ->> 'check'))`,
    )
    .orderBy(asc(statements.id))
  return new Map(rows.map((r) => [r.item, r.text]))
}

/** Pages that were asked for once more by a request of a package, and what came for them by its link. */
export async function replacementsIn(work: Work, packageId: string): Promise<Replacement[]> {
  const asked = await work
    .select({ id: requests.id, items: requests.items })
    .from(requests)
    .where(and(eq(requests.packageId, packageId), isNotNull(requests.sentAt)))
  const again = asked.flatMap(({ id, items }) =>
    items.filter((i) => i.pages.length > 0).map((i) => ({ requestId: id, item: i.id, pages: i.pages })),
  )
  if (again.length === 0) return []
  const came = await work
    .select({ number: pages.number, requestId: arrivals.requestId, item: arrivals.requestItem })
    .from(pages)
    .innerJoin(files, eq(files.id, pages.fileId))
    .leftJoin(archives, eq(archives.id, files.parentId))
    .innerJoin(arrivals, eq(arrivals.id, arrivalOfFile))
    .where(and(eq(pages.packageId, packageId), isNotNull(arrivals.requestId)))
    .orderBy(asc(pages.number))
  return again.flatMap(({ requestId, item, pages: old }) => {
    const theirs = came.filter((c) => c.requestId === requestId)
    return [item, null].flatMap((sentFor) => {
      const by = theirs.filter((c) => c.item === sentFor).map((c) => c.number)
      return by.length > 0 ? [{ pages: old, by, meant: sentFor !== null }] : []
    })
  })
}
