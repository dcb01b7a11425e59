import { useState } from 'react'
import { faultsOf, idFrom, type Program, programSchema, type TypeShape } from '../../core/program/index.ts'
import type { Outcome } from './rows.tsx'

/** A program before anything is said of it: whoever the first type with a person names applies. */
export function emptyProgram(types: readonly TypeShape[]): Program {
  const named = types.find((t) => t.person)
  return programSchema.parse({
    id: 'new',
    title: '',
    persons: { applicant: named ? `${named.id}.${named.person}` : NOBODY },
    requirements: [],
    facts: [],
    checks: [],
  })
}
/** Names no type: it stands as a fault until a value is chosen. */
const NOBODY = 'no_type.no_value'

/** The lists of rules that a program has, by what one of them is called. */
const RULES = { requirements: 'requirement', facts: 'fact', checks: 'check', limits: 'limit' } as const
export type List = keyof typeof RULES
type Rule<L extends List> = Program[L][number]

/** How the rules of a draft come out on one package. */
export type Outcomes = Record<List, Outcome[]>

/** A rule that is new is known by its name; one that is stored keeps what it is known by, for answers name it so. */
export function named<T extends { id: string; title: string }>(
  next: T,
  before: T,
  others: readonly { id: string }[],
  isNew: boolean,
): T {
  if (!isNew || next.title === before.title) return next
  const id = idFrom(next.title)
  return { ...next, id: id && !others.some((o) => o.id === id) ? id : before.id }
}

/** A program being written: what is wrong with it, and what its rows change. */
export function useDraft(stored: Program | null, types: readonly TypeShape[]) {
  const [begun] = useState<Program>(() => stored ?? emptyProgram(types))
  const [draft, setDraft] = useState<Program>(begun)
  const faults = faultsOf(draft, types)
  const change = (part: Partial<Program>) => setDraft((d) => ({ ...d, ...part }))
  const changeList = <L extends List>(list: L, next: (rules: Rule<L>[]) => Rule<L>[]) =>
    setDraft((d) => ({ ...d, [list]: next(d[list]) }))
  return {
    draft,
    change,
    faults,
    /** Faults that no row of a list shows. */
    general: faults.filter((f) => !Object.values(RULES).some((rule) => f.where.startsWith(`${rule} “`))),
    changed: JSON.stringify(draft) !== JSON.stringify(begun),
    add: <L extends List>(list: L, rule: object) =>
      changeList(list, (rules) => [
        ...rules,
        { id: `new_${rules.length + 1}`, title: '', ...rule } as unknown as Rule<L>,
      ]),
    row: <L extends List>(list: L, rule: Rule<L>, at: number, outcomes: Outcomes | undefined) => ({
      faults: faults.filter((f) => f.where.startsWith(`${RULES[list]} “${rule.title || rule.id}”`)),
      outcome: outcomes?.[list].find((o) => o.id === rule.id),
      onChange: (next: Rule<L>) =>
        changeList(list, (rules) =>
          rules.with(at, named(next, rule, rules, !stored?.[list].some((s) => s.id === rule.id))),
        ),
      onRemove: () => changeList(list, (rules) => rules.toSpliced(at, 1)),
      onMove: (by: number) =>
        changeList(list, (rules) => {
          const rest = rules.toSpliced(at, 1)
          return rest.toSpliced(Math.max(0, at + by), 0, rules[at])
        }),
    }),
  }
}
export type Draft = ReturnType<typeof useDraft>
