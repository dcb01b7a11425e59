import { and, asc, eq, inArray, isNull, lt, or, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { rightsOf } from '../access/rights.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { packages, requests, tasks, user, type TaskKind } from '../database/schema.ts'
import { causesOf } from './causes.ts'

/**
 * Makes the tasks of a package those that its state calls for: what has no cause any more ends, what has one that is
 * not a task yet becomes one. Called wherever that state changes, in the same transaction.
 */
export async function syncTasks(work: Work, packageId: string): Promise<void> {
  const found = await causesOf(work, packageId)
  if (!found) return
  const open = await work
    .select({ id: tasks.id, kind: tasks.kind, cause: tasks.cause })
    .from(tasks)
    .where(and(eq(tasks.packageId, packageId), isNull(tasks.endedAt)))
  const key = (t: { kind: string; cause: string }) => `${t.kind} ${t.cause}`
  const wanted = new Set(found.causes.map(key))
  const gone = open.filter((t) => !wanted.has(key(t)))
  if (gone.length > 0)
    await work
      .update(tasks)
      .set({ endedAt: new Date() })
      .where(
        inArray(
          tasks.id,
          gone.map((t) => t.id),
        ),
      )
  const there = new Set(open.map(key))
  const fresh = found.causes.filter((c) => !there.has(key(c)))
  if (fresh.length > 0)
    await work
      .insert(tasks)
      .values(
        fresh.map((cause) => ({
          ...cause,
          organisationId: found.organisationId,
          packageId,
          ownerId: found.ownerId,
        })),
      )
      .onConflictDoNothing()
}

/** Requests whose day has passed become tasks, though nothing happens to their packages. */
export async function syncOverdue(): Promise<void> {
  const overdue = await database()
    .select({ packageId: requests.packageId })
    .from(requests)
    .where(
      and(
        eq(requests.state, 'sent'),
        lt(requests.due, sql`current_date`),
        sql`not exists (select 1 from ${tasks} where ${tasks.packageId} = ${requests.packageId}
          and ${tasks.kind} = 'request overdue' and ${tasks.cause} = ${requests.id}::text)`,
      ),
    )
  for (const { packageId } of overdue) await database().transaction((work) => syncTasks(work, packageId))
}

/** A task as people see it. */
export interface Task {
  id: string
  kind: TaskKind
  reason: string
  place: string
  due: Date | null
  createdAt: Date
  packageId: string
  caseNumber: string
  applicant: string | null
  owner: string | null
  mine: boolean
}

/** Tasks shown at once. */
const MOST_SHOWN = 200

/** Tasks that somebody may do, the one that is due first at the top; the first of them where they are very many. */
export async function tasksOf(who: Person): Promise<Task[]> {
  const rows = await database()
    .select({
      id: tasks.id,
      kind: tasks.kind,
      reason: tasks.reason,
      place: tasks.place,
      due: tasks.due,
      createdAt: tasks.createdAt,
      packageId: tasks.packageId,
      ownerId: tasks.ownerId,
      owner: user.name,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
    })
    .from(tasks)
    .innerJoin(packages, eq(packages.id, tasks.packageId))
    .leftJoin(user, eq(user.id, tasks.ownerId))
    .where(forWhom(who))
    .orderBy(asc(tasks.due), asc(tasks.createdAt))
    .limit(MOST_SHOWN)
  return rows.map(({ ownerId, ...task }) => ({ ...task, mine: ownerId === who.id }))
}

const forWhom = (who: Person) =>
  and(
    eq(tasks.organisationId, who.organisationId),
    isNull(tasks.endedAt),
    or(isNull(tasks.right), inArray(tasks.right, rightsOf(who))),
  )

/** How many tasks somebody may do. */
export const countTasks = (who: Person): Promise<number> => database().$count(tasks, forWhom(who))

/** Says that a task is done that no state of its package ends. @returns false where there is none */
export function endTask(who: Person, id: string): Promise<boolean> {
  return database().transaction(async (work) => {
    const [ended] = await work
      .update(tasks)
      .set({ endedAt: new Date(), endedById: who.id })
      .where(and(eq(tasks.id, id), forWhom(who)))
      .returning({ packageId: tasks.packageId, reason: tasks.reason })
    if (!ended) return false
    await note(work, who, ended.packageId, 'did a task', ended.reason)
    return true
  })
}
