import { and, eq, isNotNull } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import type { Work } from '../database/connection.ts'
import { failedJobs, packages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJudgement } from '../jobs/queue.ts'
import { inTurn } from './states.ts'

/** Queues the check of a package that could not be checked; that it failed before is no failure any more. */
export async function queueCheck(work: Work, packageId: string): Promise<void> {
  await work.update(packages).set({ problem: null }).where(eq(packages.id, packageId))
  await work
    .delete(failedJobs)
    .where(and(eq(failedJobs.packageId, packageId), eq(failedJobs.task, 'judge_package')))
  await queueJudgement(work, packageId)
}

/** Has a package checked again that could not be; of any other nothing is done. */
export const checkAgain = (packageId: string, who: Person): Promise<void> =>
  inTurn(packageId, async (work) => {
    const [row] = await work
      .select({ id: packages.id })
      .from(packages)
      .where(and(eq(packages.id, packageId), isNotNull(packages.problem)))
      .for('update')
    if (!row) return
    await queueCheck(work, packageId)
    await note(work, who, packageId, 'had the package checked again')
    await tell(work, { packageId, what: 'progress' })
  })
