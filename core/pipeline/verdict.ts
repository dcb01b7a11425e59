import type { Assessment } from './assess.ts'
import { accepted } from '../dossier/index.ts'

/** One thing that two verdicts on the same papers see otherwise. */
export interface VerdictChange {
  what: 'requirement' | 'fact' | 'check' | 'limit'
  id: string
  title: string
  before: string
  after: string
}

const NOT_THERE = 'not asked'

/** What differs between two verdicts: requirements by their status, facts, checks and limits by how they stand. */
export function verdictChanges(before: Assessment, after: Assessment): VerdictChange[] {
  const limits = (a: Assessment) =>
    a.findings.flatMap((f) =>
      f.message.code === 'finding.limit' ? [{ id: f.id, title: f.message.title, state: 'over' }] : [],
    )
  return [
    ...differing(
      'requirement',
      before.checklist.map((c) => ({ id: c.requirement, title: c.title, state: c.status })),
      after.checklist.map((c) => ({ id: c.requirement, title: c.title, state: c.status })),
    ),
    ...differing(
      'fact',
      before.facts.map((f) => ({ id: f.fact, title: f.title, state: f.status })),
      after.facts.map((f) => ({ id: f.fact, title: f.title, state: f.status })),
    ),
    ...differing(
      'check',
      before.checks.map((c) => ({ id: c.check, title: c.title, state: accepted(c) ? 'accepted' : c.status })),
      after.checks.map((c) => ({ id: c.check, title: c.title, state: accepted(c) ? 'accepted' : c.status })),
    ),
    ...differing('limit', limits(before), limits(after)),
  ]
}

interface State {
  id: string
  title: string
  state: string
}

function differing(
  what: VerdictChange['what'],
  before: readonly State[],
  after: readonly State[],
): VerdictChange[] {
  const [was, is] = [new Map(before.map((s) => [s.id, s])), new Map(after.map((s) => [s.id, s]))]
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((id) => {
    const [a, b] = [was.get(id), is.get(id)]
    return a?.state === b?.state
      ? []
      : [{ what, id, title: (b ?? a)!.title, before: a?.state ?? NOT_THERE, after: b?.state ?? NOT_THERE }]
  })
}
