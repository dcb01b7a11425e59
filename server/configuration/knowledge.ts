import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { LRUCache } from 'lru-cache'
import type { Knowledge, Learnt } from '../../core/classification/index.ts'
import type { Work } from '../database/connection.ts'
import { answers, lessons, packages, rules } from '../database/schema.ts'
import { queueJudgement } from '../jobs/queue.ts'

/** Lessons by their id: what is ready never changes, and what is built upon it is kept with it. */
const knownLessons = new LRUCache<string, Learnt>({ max: 8 })

/** What an organisation has switched on: its rules, oldest first, and its lesson. */
export async function knowledgeOf(work: Work, organisationId: string): Promise<Knowledge> {
  const on = await work
    .select({ body: rules.body })
    .from(rules)
    .where(and(eq(rules.organisationId, organisationId), eq(rules.on, true)))
    .orderBy(asc(rules.createdAt), asc(rules.id))
  const [lesson] = await work
    .select({ id: lessons.id })
    .from(lessons)
    .where(and(eq(lessons.organisationId, organisationId), eq(lessons.on, true)))
  return { rules: on.map((r) => r.body), learnt: lesson ? await lessonOf(work, lesson.id) : null }
}

async function lessonOf(work: Work, id: string): Promise<Learnt | null> {
  const known = knownLessons.get(id)
  if (known) return known
  const [row] = await work.select({ body: lessons.body }).from(lessons).where(eq(lessons.id, id))
  if (row?.body) knownLessons.set(id, row.body)
  return row?.body ?? null
}

/**
 * Has the open packages cut anew in which nobody has said anything yet: what was switched on is for them too.
 * Where people have begun, the cut under their answers stays as it is until they ask for another.
 */
export async function recutUntouched(work: Work, organisationId: string): Promise<number> {
  const rows = await work
    .select({ id: packages.id })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, organisationId),
        eq(packages.state, 'open'),
        sql`not exists (select 1 from ${answers} where ${answers.packageId} = ${packages.id} and ${isNull(answers.undoneAt)})`,
      ),
    )
  for (const { id } of rows) await queueJudgement(work, id, true)
  return rows.length
}
