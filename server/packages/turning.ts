import { and, asc, eq, isNotNull, or, inArray } from 'drizzle-orm'
import { turnsOf } from '../../core/answers/index.ts'
import type { Work } from '../database/connection.ts'
import { pages } from '../database/schema.ts'
import { queueJob } from '../jobs/queue.ts'
import { answersOf } from './answers-given.ts'

/** Has those pages read again that people's standing answers turn another way than they were read. */
export async function queueTurns(work: Work, packageId: string): Promise<void> {
  const wanted = turnsOf(await answersOf(work, packageId))
  const rows = await work
    .select({ number: pages.number, turned: pages.turned })
    .from(pages)
    .where(
      and(
        eq(pages.packageId, packageId),
        or(isNotNull(pages.turned), inArray(pages.number, [...wanted.keys(), 0])),
      ),
    )
    .orderBy(asc(pages.number))
  for (const { number, turned } of rows) {
    const rotation = wanted.get(number) ?? null
    if (rotation === turned) continue
    await work
      .update(pages)
      .set({ turned: rotation, again: true })
      .where(and(eq(pages.packageId, packageId), eq(pages.number, number)))
    await queueJob(work, 'read_page_again', { packageId, number }, { priority: -10 })
  }
}
