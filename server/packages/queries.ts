import { and, asc, count, desc, eq, gt, ilike, inArray, isNull, ne, or, type SQL, sql } from 'drizzle-orm'
import { z } from 'zod'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { programsOf } from '../configuration/programs.ts'
import { database } from '../database/connection.ts'
import {
  files,
  packages,
  packageStates,
  pages,
  pictures,
  type RequestState,
  user,
} from '../database/schema.ts'
import { tell } from '../events.ts'

export const queueQuery = z.object({
  words: z.string().max(100).catch(''),
  state: z
    .enum([...packageStates, 'all', 'working', 'to_sign', 'flagged', 'asked', 'overdue', 'answered'])
    .catch('working'),
  owner: z.enum(['all', 'mine', 'nobody']).catch('all'),
  sort: z.enum(['age', 'case', 'applicant', 'pages', 'loose', 'state']).catch('age'),
  turn: z.enum(['up', 'down']).catch('up'),
  page: z.coerce.number().int().min(1).catch(1),
})
export type QueueQuery = z.infer<typeof queueQuery>
export const QUEUE_PAGE = 25

const sentRequest = sql`select 1 from request where request.package_id = ${packages.id} and request.state = 'sent'`
/** What a package waits for of its applicant. */
const ASKED = {
  asked: sql`exists (${sentRequest})`,
  overdue: sql`exists (${sentRequest} and request.due < current_date)`,
  answered: sql`exists (select 1 from task where task.package_id = ${packages.id} and task.ended_at is null
    and task.kind = 'request answered')`,
} as const satisfies Record<string, SQL>

/** A page of the queue. */
export async function queue(query: QueueQuery, who: Person) {
  const where: (SQL | undefined)[] = [
    eq(packages.organisationId, who.organisationId),
    query.state === 'all'
      ? ne(packages.state, 'sample')
      : query.state === 'to_sign'
        ? or(eq(packages.state, 'review'), and(eq(packages.state, 'open'), gt(packages.toSign, 0)))
        : query.state === 'asked' || query.state === 'overdue' || query.state === 'answered'
          ? ASKED[query.state]
          : query.state === 'flagged'
            ? and(eq(packages.flagged, true), inArray(packages.state, ['open', 'review']))
            : query.state === 'working'
              ? inArray(packages.state, ['empty', 'reading', 'open', 'review'])
              : eq(packages.state, query.state),
    query.owner === 'mine'
      ? eq(packages.ownerId, who.id)
      : query.owner === 'nobody'
        ? isNull(packages.ownerId)
        : undefined,
    query.words.trim()
      ? or(ilike(packages.caseNumber, like(query.words)), ilike(packages.applicant, like(query.words)))
      : undefined,
  ]
  const column = {
    age: packages.createdAt,
    case: packages.caseNumber,
    applicant: packages.applicant,
    pages: packages.pageCount,
    loose: packages.looseCount,
    state: packages.state,
  }[query.sort]
  const titles = new Map(
    (await programsOf(database(), who.organisationId)).map((p) => [p.body.id, p.body.title]),
  )
  const [rows, [{ total }]] = await Promise.all([
    database()
      .select({
        id: packages.id,
        caseNumber: packages.caseNumber,
        program: packages.program,
        applicant: packages.applicant,
        state: packages.state,
        pageCount: packages.pageCount,
        pagesRead: packages.pagesRead,
        toSign: packages.toSign,
        flagged: packages.flagged,
        first: packages.first,
        asked: sql<'overdue' | 'asked' | 'answered' | null>`case
          when ${ASKED.overdue} then 'overdue' when ${ASKED.asked} then 'asked'
          when ${ASKED.answered} then 'answered' end`,
        looseCount: packages.looseCount,
        openRequirements: packages.openRequirements,
        createdAt: packages.createdAt,
        ownerId: packages.ownerId,
        owner: user.name,
      })
      .from(packages)
      .leftJoin(user, eq(packages.ownerId, user.id))
      .where(and(...where))
      .orderBy(query.turn === 'up' ? asc(column) : desc(column), asc(packages.id))
      .limit(QUEUE_PAGE)
      .offset((query.page - 1) * QUEUE_PAGE),
    database()
      .select({ total: count() })
      .from(packages)
      .where(and(...where)),
  ])
  return { rows: rows.map((r) => ({ ...r, program: titles.get(r.program) ?? r.program })), total }
}

const like = (words: string): string => `%${words.trim().replace(/[\\%_]/g, '\\$&')}%`

/**
 * Takes the package that has waited longest and belongs to nobody; null where none waits. Two people never
 * get the same one.
 */
export function takeNext(who: Person): Promise<string | null> {
  return database().transaction(async (work) => {
    const [next] = await work
      .select({ id: packages.id })
      .from(packages)
      .where(
        and(
          eq(packages.organisationId, who.organisationId),
          eq(packages.state, 'open'),
          isNull(packages.ownerId),
        ),
      )
      .orderBy(desc(packages.first), asc(packages.createdAt))
      .limit(1)
      .for('update', { skipLocked: true })
    if (!next) return null
    await work.update(packages).set({ ownerId: who.id }).where(eq(packages.id, next.id))
    await note(work, who, next.id, 'took the package')
    await tell(work, { packageId: next.id, what: 'queue' })
    return next.id
  })
}

const uuid = z.uuid()

/** A package with what all its views share; null where the organisation has none of that id. */
export async function packageRow(id: string, who: Pick<Person, 'organisationId'>) {
  if (!uuid.safeParse(id).success) return null
  const [row] = await database()
    .select({
      id: packages.id,
      caseNumber: packages.caseNumber,
      program: packages.program,
      programVersion: packages.programVersion,
      asOf: packages.asOf,
      toSign: packages.toSign,
      finishAskedById: packages.finishAskedById,
      heldBecause: packages.heldBecause,
      eraseReason: packages.eraseReason,
      state: packages.state,
      applicant: packages.applicant,
      ownerId: packages.ownerId,
      pageCount: packages.pageCount,
      pagesRead: packages.pagesRead,
      version: packages.version,
      problem: packages.problem,
      createdAt: packages.createdAt,
      finishedAt: packages.finishedAt,
      assessment: packages.assessment,
      /** How far the latest request to its applicant is; null where there is none. */
      request: sql<RequestState | null>`(select state from request where request.package_id = package.id
        order by request.created_at desc limit 1)`,
    })
    .from(packages)
    .where(and(eq(packages.id, id), eq(packages.organisationId, who.organisationId)))
  return row ?? null
}

/** Sizes of pages in points, and whether they are blank or hard to read. */
export const pageSheets = (packageId: string) =>
  database()
    .select({
      number: pages.number,
      width: pages.width,
      height: pages.height,
      blank: sql<boolean>`coalesce((${pages.body}->>'blank')::boolean, false)`,
      separator: sql<boolean>`coalesce((${pages.body}->>'separator')::boolean, false)`,
      filedTo: sql<string | null>`${pages.body}->>'filedTo'`,
      poor: sql<string | null>`${pages.body}->>'qualityProblem'`,
      language: sql<'en' | 'fr' | 'es' | null>`${pages.body}->>'language'`,
      rotation: sql<number>`coalesce((${pages.body}->>'rotation')::int, 0)`,
      again: pages.again,
      read: sql<boolean>`${pages.body} is not null`,
      drawn: sql<boolean>`exists (select 1 from picture drawn where drawn.package_id = page.package_id and drawn.page = page.number)`,
    })
    .from(pages)
    .where(eq(pages.packageId, packageId))
    .orderBy(asc(pages.number))

/** How many files of a package are of no use, and how many are still to be opened or are being opened. */
export async function fileCounts(packageId: string): Promise<{ unusable: number; coming: number }> {
  const rows = await database()
    .select({ state: files.state, n: count() })
    .from(files)
    .where(eq(files.packageId, packageId))
    .groupBy(files.state)
  const of = (...states: string[]) =>
    rows.filter((r) => states.includes(r.state)).reduce((sum, r) => sum + r.n, 0)
  return { unusable: of('unusable'), coming: of('waiting', 'reading') }
}

/** The files of a package with their state, in the order they came. */
export const filesIn = (packageId: string) =>
  database()
    .select({
      id: files.id,
      name: files.name,
      size: files.size,
      pages: files.pages,
      pagesRead: sql<number>`(select count(*)::int from ${pages} where ${pages.fileId} = ${files.id} and ${pages.body} is not null)`,
      state: files.state,
      problem: files.problem,
      notices: files.notices,
      createdAt: files.createdAt,
      parentId: files.parentId,
      arrivalId: files.arrivalId,
      /** Cases that all its pages are with now, instead of here. */
      movedTo: sql<string | null>`(
        select string_agg(distinct ${pages.body} ->> 'filedTo', ', ') from ${pages}
        where ${pages.fileId} = ${files.id} having bool_and(${pages.body} ? 'filedTo'))`,
    })
    .from(files)
    .where(eq(files.packageId, packageId))
    .orderBy(asc(files.createdAt))

/**
 * A picture of a page; the small one stands in while the large one is not drawn yet. Before the page is read
 * it may yet be turned.
 */
export async function pictureOf(
  packageId: string,
  page: number,
  size: 'small' | 'large',
): Promise<{ bytes: Buffer; final: boolean } | null> {
  const rows = await database()
    .select({ size: pictures.size, bytes: pictures.bytes })
    .from(pictures)
    .where(
      and(
        eq(pictures.packageId, packageId),
        eq(pictures.page, page),
        inArray(pictures.size, size === 'large' ? ['large', 'small'] : ['small']),
      ),
    )
  const exact = rows.find((r) => r.size === size)
  const any = exact ?? rows[0]
  if (!any) return null
  const [{ read }] = await database()
    .select({ read: sql<boolean>`${pages.body} is not null` })
    .from(pages)
    .where(and(eq(pages.packageId, packageId), eq(pages.number, page)))
  return { bytes: any.bytes, final: exact !== undefined && read }
}

/** Words of one page, for picking values from it. */
export async function wordsOf(packageId: string, page: number) {
  const [row] = await database()
    .select({ body: pages.body })
    .from(pages)
    .where(and(eq(pages.packageId, packageId), eq(pages.number, page)))
  return row?.body?.words ?? null
}
