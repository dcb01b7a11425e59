import { and, asc, eq, isNull } from 'drizzle-orm'
import type { Answer } from '../../core/answers/index.ts'
import type { Work } from '../database/connection.ts'
import { answers } from '../database/schema.ts'

/** People's answers that stand, in the order they were given. */
export async function answersOf(work: Work, packageId: string): Promise<Answer[]> {
  const rows = await work
    .select({ body: answers.body })
    .from(answers)
    .where(and(eq(answers.packageId, packageId), isNull(answers.undoneAt)))
    .orderBy(asc(answers.id))
  return rows.map((r) => r.body)
}
