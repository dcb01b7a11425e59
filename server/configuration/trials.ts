import { and, desc, eq, inArray, lt } from 'drizzle-orm'
import { verdictChanges } from '../../core/pipeline/index.ts'
import type { Program } from '../../core/program/index.ts'
import type { Person } from '../access/person.ts'
import { database } from '../database/connection.ts'
import { packages, trials, type WouldChange } from '../database/schema.ts'
import { queueJob, type Jobs } from '../jobs/queue.ts'
import { judgedBy } from '../packages/program-change.ts'

/** So many packages are judged by a draft, the latest: more would keep whoever writes it waiting. */
const MOST_TRIED = 120
/** What was found is told after so many packages, and what nobody waits for any more is found out. */
const TOLD_EVERY = 4
/** Before the pages of packages that nobody looks at yet. */
const AWAITED = -4
const KEPT_MS = 24 * 3_600_000

/** Has a draft tried on the packages of its program, and what was tried before by the same person given up. */
export function beginTrial(who: Person, draft: Program): Promise<string> {
  return database().transaction(async (work) => {
    await work
      .delete(trials)
      .where(and(eq(trials.organisationId, who.organisationId), eq(trials.createdById, who.id)))
    const [made] = await work
      .insert(trials)
      .values({ organisationId: who.organisationId, createdById: who.id, draft })
      .returning({ id: trials.id })
    await queueJob(work, 'try_draft', { trialId: made.id }, { priority: AWAITED })
    return made.id
  })
}

/** How far a trial is and what it found. Null where the organisation has none of that id, or another took its place. */
export async function trialState(who: Person, id: string) {
  const [row] = await database()
    .select({
      state: trials.state,
      packages: trials.packages,
      tried: trials.tried,
      differing: trials.differing,
    })
    .from(trials)
    .where(and(eq(trials.id, id), eq(trials.organisationId, who.organisationId)))
  return row ?? null
}

/** Judges packages of a program by a draft of it and notes whose verdict differs. */
export async function tryDraft({ trialId }: Jobs['try_draft']): Promise<void> {
  const [trial] = await database().select().from(trials).where(eq(trials.id, trialId))
  if (trial?.state !== 'trying') return
  const rows = await database()
    .select({
      id: packages.id,
      caseNumber: packages.caseNumber,
      applicant: packages.applicant,
      state: packages.state,
    })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, trial.organisationId),
        eq(packages.program, trial.draft.id),
        inArray(packages.state, ['open', 'review', 'finished']),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(MOST_TRIED)
  const differing: WouldChange[] = []
  /** @returns false where nobody waits for it any more */
  const say = async (tried: number): Promise<boolean> => {
    const told = await database()
      .update(trials)
      .set({ tried, differing, packages: rows.length, ...(tried === rows.length ? { state: 'done' } : {}) })
      .where(eq(trials.id, trialId))
      .returning({ id: trials.id })
    return told.length > 0
  }
  for (const [i, { id, ...row }] of rows.entries()) {
    if (i % TOLD_EVERY === 0 && !(await say(i))) return
    const { now, then } = await judgedBy(database(), id, trial.draft)
    const changes = verdictChanges(now, then)
    if (changes.length > 0) differing.push({ packageId: id, ...row, changes })
  }
  await say(rows.length)
}

/** A trial that cannot be ended says so; nobody needs to look after it, for it is tried again by who wants it. */
export async function giveUpTrial({ trialId }: Jobs['try_draft']): Promise<'goes on'> {
  await database().update(trials).set({ state: 'failed' }).where(eq(trials.id, trialId))
  return 'goes on'
}

/** Takes trials away that nobody can be looking at any more. */
export async function forgetTrials(): Promise<void> {
  const old = lt(trials.createdAt, new Date(Date.now() - KEPT_MS))
  await database().delete(trials).where(old)
}
