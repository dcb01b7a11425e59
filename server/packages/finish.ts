import { and, eq, isNull, sql } from 'drizzle-orm'
import type { Person } from '../access/person.ts'
import { may, refusalOf } from '../access/rights.ts'
import { note } from '../audit.ts'
import { programAt } from '../configuration/programs.ts'
import type { Work } from '../database/connection.ts'
import { answers, pages } from '../database/schema.ts'
import { tell } from '../events.ts'
import { jobWaits, judgementKey } from '../jobs/queue.ts'
import { freeze } from '../handover/finished.ts'
import { syncTasks } from '../tasks/tasks.ts'
import { heldFor, inTurn, move, Refused } from './states.ts'

/**
 * Says that the work is done. Where the program asks for it, or decisions wait, a second person looks at it
 * first.
 */
export const finish = (packageId: string, who: Person): Promise<void> =>
  told(packageId, async (work) => {
    const row = await heldFor(work, packageId, 'be done')
    if (await stillWorkedOn(work, packageId))
      throw new Refused('Its papers are being checked again; finish it in a moment.')
    const program = await programAt(work, who.organisationId, row.program, row.programVersion)
    const second = (program?.signOff.finish ?? false) || row.signOffKept || row.toSign > 0
    const { looseCount: loose } = row
    const left = loose > 0 ? `${loose} loose ${loose === 1 ? 'piece was' : 'pieces were'} left` : ''
    if (second) {
      await move(work, packageId, 'be done', 'review', { finishAskedById: who.id })
      await note(work, who, packageId, 'said that the work is done', left || 'a second person looks at it')
      return
    }
    await move(work, packageId, 'be done', 'finished', { finishAskedById: who.id, finishedAt: new Date() })
    await note(work, who, packageId, 'finished the package', left)
    await freeze(work, packageId)
  })

/**
 * A second person's agreement to a package whose work is done.
 * @throws Refused for whoever did any of the work, or may not sign, or while decisions wait
 */
export const signOff = (packageId: string, who: Person): Promise<void> =>
  told(packageId, async (work) => {
    const row = await heldFor(work, packageId, 'be signed off')
    if (!may(who, 'sign')) throw new Refused(refusalOf('sign'))
    if (row.finishAskedById === who.id || (await workedOn(work, packageId, who)))
      throw new Refused('You worked on this package yourself; somebody else signs it off.')
    if (row.toSign > 0)
      throw new Refused('Decisions in it still wait for a second person; look at them first.')
    // Once signed, it is signed again whatever happens to it: opened by one person, it is not closed by them alone.
    await move(work, packageId, 'be signed off', 'finished', { finishedAt: new Date(), signOffKept: true })
    await note(work, who, packageId, 'signed the package off')
    await freeze(work, packageId)
  })

/** Gives a package back to be worked on, with what is to be done. */
export const sendBack = (packageId: string, who: Person, reason: string): Promise<void> =>
  told(packageId, async (work) => {
    const row = await heldFor(work, packageId, 'be sent back')
    if (!may(who, 'sign') && row.finishAskedById !== who.id) throw new Refused(refusalOf('sign'))
    await move(work, packageId, 'be sent back', 'open', { finishAskedById: null })
    await note(work, who, packageId, 'sent the package back', reason)
  })

/** Opens a finished package again. What was finished stays to be looked up; finished anew, it is another round. */
export const openAgain = (packageId: string, who: Person): Promise<void> =>
  told(packageId, async (work) => {
    const row = await heldFor(work, packageId, 'be opened again')
    if (row.signOffKept && !may(who, 'open what was signed'))
      throw new Refused(refusalOf('open what was signed'))
    await move(work, packageId, 'be opened again', 'open', { finishedAt: null, finishAskedById: null })
    await note(work, who, packageId, 'opened the package again')
  })

const told = (packageId: string, act: (work: Work) => Promise<void>): Promise<void> =>
  inTurn(packageId, async (work) => {
    await act(work)
    await syncTasks(work, packageId)
    await tell(work, { packageId, what: 'judged' })
  })

/** Whether pages are being read another way, or a judgement is under way: what is seen is not yet what will be. */
async function stillWorkedOn(work: Work, packageId: string): Promise<boolean> {
  const turning = await work
    .select({ number: pages.number })
    .from(pages)
    .where(and(eq(pages.packageId, packageId), eq(pages.again, true)))
    .limit(1)
  if (turning.length > 0) return true
  return jobWaits(work, judgementKey(packageId))
}

/** Whether somebody gave an answer that stands, other than a second person's word. */
async function workedOn(work: Work, packageId: string, who: Person): Promise<boolean> {
  const own = await work
    .select({ id: answers.id })
    .from(answers)
    .where(
      and(
        eq(answers.packageId, packageId),
        eq(answers.userId, who.id),
        isNull(answers.undoneAt),
        sql`${answers.body}->>'kind' <> 'sign'`,
      ),
    )
    .limit(1)
  return own.length > 0
}
