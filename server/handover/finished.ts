import { createHash } from 'node:crypto'
import { desc, eq } from 'drizzle-orm'
import { reportOf } from '../../core/handover/index.ts'
import type { Document } from '../../core/findings/index.ts'
import { assess, ASSESSMENT_FORM, type Assessment } from '../../core/pipeline/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { inWords } from '../../wording/index.ts'
import { historyOf, note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { finishedReports, packages } from '../database/schema.ts'
import { trailHead } from '../trail.ts'
import { situationOf } from '../packages/judge.ts'
import { hold, inTurn } from '../packages/states.ts'

/** What goes out of a package. */
export interface HandedOver {
  /** `report.json`, to the letter. */
  report: string
  documents: readonly Document[]
  /** The types that they were read by. */
  types: readonly DocumentType[]
  /** `history.json`: who did what until it was finished, or until now. */
  history: string
  /** When it was finished, or now. */
  at: Date
}

const written = (value: unknown): string => JSON.stringify(value, null, 1)

async function verdictOf(work: Work, packageId: string): Promise<Assessment> {
  const [row] = await work
    .select({ assessment: packages.assessment })
    .from(packages)
    .where(eq(packages.id, packageId))
  if (!row?.assessment) throw new Error(`package ${packageId} was never judged`)
  return row.assessment
}

async function lastRound(work: Work, packageId: string) {
  const [row] = await work
    .select()
    .from(finishedReports)
    .where(eq(finishedReports.packageId, packageId))
    .orderBy(desc(finishedReports.round))
    .limit(1)
  return row
}

/**
 * Keeps a package that is finished as it stands: the report as people saw it, the types that it was read by, and how
 * far its history goes. The report's digest goes into the trail, where nobody can change it with the report.
 */
export async function freeze(work: Work, packageId: string): Promise<void> {
  const verdict = await verdictOf(work, packageId)
  const situation = await situationOf(work, packageId)
  const report = written(reportOf(situation, verdict, inWords))
  const sha256 = createHash('sha256').update(report).digest('hex')
  const round = ((await lastRound(work, packageId))?.round ?? 0) + 1
  await note(work, null, packageId, 'kept the report as it was finished', `round ${round}, SHA-256 ${sha256}`)
  const [last] = (await historyOf(packageId, work)).slice(-1)
  await work.insert(finishedReports).values({
    packageId,
    round,
    report,
    sha256,
    types: [...situation.types],
    lastAct: last.id,
  })
}

/** The last round of a finished package; one that was finished before rounds were kept is kept from now on. */
async function keptRound(packageId: string) {
  const round = await lastRound(database(), packageId)
  if (round) return round
  return inTurn(packageId, async (work) => {
    const row = await hold(work, packageId)
    if (row?.state === 'finished' && !(await lastRound(work, packageId))) await freeze(work, packageId)
    return lastRound(work, packageId)
  })
}

/** What goes out of a package: of a finished one what was finished, the same for ever; of another, how it stands. */
export async function handedOver(packageId: string): Promise<HandedOver> {
  const work = database()
  const [row] = await work
    .select({ state: packages.state, finishedAt: packages.finishedAt, assessment: packages.assessment })
    .from(packages)
    .where(eq(packages.id, packageId))
  const kept = row?.state === 'finished' ? await keptRound(packageId) : undefined
  const acts = await historyOf(packageId)
  if (row?.assessment && kept) {
    const history = acts.filter((act) => act.id <= kept.lastAct)
    // The digest leaves the house with the package: a trail written anew would not have it.
    return {
      report: kept.report,
      documents: row.assessment.documents,
      types: kept.types,
      history: written({ digest: history.at(-1)?.digest, history }),
      at: row.finishedAt ?? kept.createdAt,
    }
  }
  const verdict = await verdictOf(work, packageId)
  const situation = await situationOf(work, packageId)
  return {
    report: written(reportOf(situation, verdict, inWords)),
    documents: verdict.documents,
    types: situation.types,
    history: written({ ...(await trailHead()), history: acts }),
    at: new Date(),
  }
}

/**
 * The verdict on a package that takes no more judgements, in the form that screens know: one of an older form is worked
 * out anew by the types that it was finished with, and not stored.
 */
export async function verdictToday(packageId: string, stored: Assessment): Promise<Assessment> {
  if (stored.form === ASSESSMENT_FORM) return stored
  const kept = await lastRound(database(), packageId)
  const situation = await situationOf(database(), packageId)
  return assess(kept ? { ...situation, types: kept.types } : situation)
}
