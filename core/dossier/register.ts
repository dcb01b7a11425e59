import { parseTyped } from '../extraction/index.ts'
import type { Locale } from '../locale/index.ts'
import { message, plain, type Value } from '../model/index.ts'
import { type Agreement, comparerOf } from '../matching/index.ts'
import type { FactResult } from './facts.ts'
import type { Fact, Program, Register } from '../program/index.ts'

/** An entry of a register, with how it was found: by its number, or by likeness of the name from 0 to 1. */
export interface RegisterEntry {
  register: Register
  row: Readonly<Record<string, string>>
  by: 'number' | 'name'
  score: number
}

/** What a register says of one fact, and how that lies to the papers. */
export interface RegisterSide extends Agreement {
  /** What the register is called. */
  register: string
  value: Value
  /** The papers do not say; the register does. */
  completes: boolean
  by: RegisterEntry['by']
  score: number
}

/** The number and the name to look an entry up by, from what the papers agree on; null where they say neither. */
export function soughtIn(
  register: Register,
  facts: readonly FactResult[],
): { key: string | null; name: string | null } | null {
  const say = (column: string | null) => {
    const id = register.columns.find((c) => c.name === column)?.fact
    const fact = id ? facts.find((f) => f.fact === id) : undefined
    return fact && fact.value !== null ? plain(fact.value) : null
  }
  const sought = { key: say(register.number), name: say(register.name) }
  return sought.key || sought.name ? sought : null
}

/**
 * What registers say of the facts of a package. The first entry that says something of a fact counts; a
 * number finds more surely than a name.
 * @param locale how the organisation writes days and amounts: a register is a table of its own
 */
export function registerSides(
  entries: readonly RegisterEntry[],
  facts: readonly FactResult[],
  program: Program,
  locale: Locale,
): Map<string, RegisterSide> {
  const sides = new Map<string, RegisterSide>()
  for (const entry of [...entries].sort(
    (a, b) => Number(b.by === 'number') - Number(a.by === 'number') || b.score - a.score,
  ))
    for (const column of entry.register.columns) {
      const fact = program.facts.find((f) => f.id === column.fact)
      const said = fact && registered(fact, entry.row[column.name] ?? '', locale)
      if (!said || !fact || sides.has(fact.id)) continue
      const result = facts.find((f) => f.fact === fact.id)
      const value: Value = result?.value ?? null
      const agreement: Agreement =
        value === null
          ? { relation: 'same', why: message('agreement.not_said') }
          : compareWith(fact, value, said)
      sides.set(fact.id, {
        ...agreement,
        register: entry.register.title,
        value: said,
        completes: value === null,
        by: entry.by,
        score: entry.score,
      })
    }
  return sides
}

/**
 * What a cell of a register says of a fact, in the fact's normal form: days and amounts are written there as
 * the organisation writes them. Null where it says nothing that can be read.
 */
export function registered(fact: Pick<Fact, 'kind'>, cell: string, locale: Locale): Value {
  const text = cell.trim()
  if (fact.kind !== 'date' && fact.kind !== 'money') return text || null
  const typed = parseTyped(fact.kind, text, locale)
  return 'value' in typed ? typed.value : null
}

const compareWith = (fact: Fact, value: Value, said: Value): Agreement =>
  comparerOf(fact)({ value, confidence: 1 }, { value: said, confidence: 1 })
