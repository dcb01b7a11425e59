import { message, type Message } from '../model/index.ts'
import type { Standing } from '../answers/index.ts'
import type { RequirementResult } from '../check/index.ts'
import type { CheckResult, FactResult, Settled } from '../dossier/index.ts'

/** A decision by a person against what the papers say, and how far it counts. */
export interface Overridden {
  what: 'waive' | 'fact' | 'check'
  subject: string
  title: string
  /** What was decided. */
  decision: Message
  reason: string
  state: Standing['state']
  refusal: string
  documents: string[]
}

const DECISIONS = {
  value: 'decision.value',
  accepted: 'decision.accepted',
  ask: 'decision.ask',
} as const

/**
 * All decisions by people that stand against the papers; what is only to be asked of the applicant overrides
 * nothing.
 */
export function overriddenIn(given: {
  checklist: readonly RequirementResult[]
  facts: readonly FactResult[]
  checks: readonly CheckResult[]
}): Overridden[] {
  const settled = (
    what: 'fact' | 'check',
    subject: string,
    title: string,
    by: Settled<keyof typeof DECISIONS> | null,
    documents: string[],
  ): Overridden[] =>
    by === null || by.decision === 'ask'
      ? []
      : [
          {
            what,
            subject,
            title,
            decision: message(DECISIONS[by.decision]),
            reason: by.reason,
            state: by.state,
            refusal: by.refusal,
            documents,
          },
        ]
  return [
    ...given.checklist.flatMap((c): Overridden[] =>
      c.waiver
        ? [
            {
              what: 'waive',
              subject: c.requirement,
              title: c.title,
              decision: message('decision.waived'),
              ...c.waiver,
              documents: c.documents,
            },
          ]
        : [],
    ),
    ...given.facts.flatMap((f) =>
      settled('fact', f.fact, f.title, f.settled, [...new Set(f.evidence.map((e) => e.document))]),
    ),
    ...given.checks.flatMap((c) => settled('check', c.check, c.title, c.settled, c.documents)),
  ]
}

/** Decisions that count only once a second person agreed. */
export const waitingFor = (given: Parameters<typeof overriddenIn>[0]): Overridden[] =>
  overriddenIn(given).filter((o) => o.state === 'waits')
