import { inWords } from '../../wording/index.ts'
import { and, desc, eq, inArray } from 'drizzle-orm'
import { assess, type Assessment, type VerdictChange, verdictChanges } from '../../core/pipeline/index.ts'
import { type Fault, faultsOf, type Program } from '../../core/program/index.ts'
import { plain } from '../../core/model/index.ts'
import type { Person } from '../access/person.ts'
import { may, refusalOf } from '../access/rights.ts'
import { note } from '../audit.ts'
import { database, type Work } from '../database/connection.ts'
import { packages } from '../database/schema.ts'
import { newestProgram, programAt } from '../configuration/programs.ts'
import { typesOf } from '../configuration/types.ts'
import { judge, situationOf } from './judge.ts'
import { keptReader } from './readings.ts'
import { heldFor, inTurn, Refused } from './states.ts'

/** What is wrong with a draft, by the organisation's own document types. */
export async function faultsIn(who: Person, draft: Program): Promise<Fault[]> {
  return faultsOf(draft, await typesOf(database(), who.organisationId))
}

/** A package's verdict as it is, and as it would be by another form of its program. */
export async function judgedBy(
  work: Work,
  packageId: string,
  draft: Program,
): Promise<{ now: Assessment; then: Assessment }> {
  const situation = await situationOf(work, packageId)
  const { read } = await keptReader(work, packageId, situation)
  return { now: assess(situation, read), then: assess({ ...situation, program: draft }, read) }
}

/** What taking the newest version of its program would change for a package; null where it has it. */
export async function newerFor(
  packageId: string,
  organisationId: string,
): Promise<{ version: number; changes: VerdictChange[] } | null> {
  const [row] = await database()
    .select({ program: packages.program, version: packages.programVersion })
    .from(packages)
    .where(eq(packages.id, packageId))
  const newest = row && (await newestProgram(database(), organisationId, row.program))
  if (!newest || newest.version <= row.version) return null
  const { now, then } = await judgedBy(database(), packageId, newest.body)
  return { version: newest.version, changes: verdictChanges(now, then) }
}

/**
 * Moves a package to another version of its program, and judges it by that. Going back is a lead's, with a reason, and
 * takes no second person away that a version asked for.
 * @throws Refused
 */
export function takeVersion(packageId: string, version: number, who: Person, reason = ''): Promise<void> {
  return inTurn(packageId, async (work) => {
    const row = await heldFor(work, packageId, 'take another version of its program')
    const [from, to] = await Promise.all(
      [row.programVersion, version].map((v) => programAt(work, who.organisationId, row.program, v)),
    )
    if (!to || version === row.programVersion)
      throw new Refused('The package cannot be moved to that version now; look again.')
    if (version < row.programVersion) {
      if (!may(who, 'go back')) throw new Refused(refusalOf('go back'))
      if (reason.trim().length < 3) throw new Refused('Say in three letters or more why it goes back.')
    }
    const signOffKept = row.signOffKept || (from?.signOff.finish ?? false)
    await work
      .update(packages)
      .set({ programVersion: version, signOffKept })
      .where(eq(packages.id, packageId))
    await note(
      work,
      who,
      packageId,
      'moved to another version of the program',
      `from ${row.programVersion} to ${version}${reason ? `: ${reason.trim()}` : ''}`,
    )
    await judge(work, packageId)
  })
}

/** Packages of a program that a draft can be tried on, the latest first. */
export const packagesOf = (who: Person, program: string) =>
  database()
    .select({ id: packages.id, caseNumber: packages.caseNumber, applicant: packages.applicant })
    .from(packages)
    .where(
      and(
        eq(packages.organisationId, who.organisationId),
        eq(packages.program, program),
        inArray(packages.state, ['open', 'review', 'finished']),
      ),
    )
    .orderBy(desc(packages.createdAt))
    .limit(100)

/** How each rule of a draft comes out. */
export interface Outcomes {
  requirements: { id: string; state: string; detail: string }[]
  facts: { id: string; state: string; detail: string }[]
  checks: { id: string; state: string; detail: string }[]
  limits: { id: string; state: string; detail: string }[]
}

/**
 * How every rule of a draft comes out on one package; null where there is no such package. A draft may have
 * faults still: rules that name what is not there find nothing.
 */
export async function outcomesOn(who: Person, draft: Program, packageId: string): Promise<Outcomes | null> {
  const [row] = await database()
    .select({ id: packages.id })
    .from(packages)
    .where(
      and(
        eq(packages.id, packageId),
        eq(packages.organisationId, who.organisationId),
        eq(packages.program, draft.id),
      ),
    )
  if (!row) return null
  const { then } = await judgedBy(database(), packageId, draft)
  const over = new Set(then.findings.map((f) => f.id))
  return {
    requirements: then.checklist.map((c) => ({
      id: c.requirement,
      state: c.status,
      detail: inWords(c.reason),
    })),
    facts: then.facts.map((f) => ({
      id: f.fact,
      state: f.status,
      detail: [...new Set(f.evidence.map((e) => plain(e.value)))].join('; '),
    })),
    checks: then.checks.map((c) => ({ id: c.check, state: c.status, detail: inWords(c.detail) })),
    limits: draft.limits.map((l) => ({
      id: l.id,
      state: over.has(`limit:${l.id}`) ? 'over' : 'not over',
      detail: '',
    })),
  }
}
