import { and, eq, isNotNull } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { note } from '../audit.ts'
import { database } from '../database/connection.ts'
import { packages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { queueJudgement } from '../jobs/queue.ts'

/** Has a package checked again that could not be; of any other nothing is done. */
export async function checkAgain(packageId: string, who: Person): Promise<void> {
  await database().transaction(async (work) => {
    const [row] = await work
      .update(packages)
      .set({ problem: null })
      .where(and(eq(packages.id, packageId), isNotNull(packages.problem)))
      .returning({ id: packages.id })
    if (!row) return
    await queueJudgement(work, packageId)
    await note(work, who, packageId, 'had the package checked again')
    await tell(work, { packageId, what: 'progress' })
  })
}
