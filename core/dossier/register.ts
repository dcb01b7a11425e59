import { message, plain, type Value } from '../model/index.ts'
import { type Agreement, comparerOf } from '../matching/index.ts'
import type { FactResult } from './facts.ts'
import type { Fact, Program } from '../program/index.ts'

/** Registers outside that papers are compared with. */
export const registerKinds = ['customers', 'employers', 'vessels'] as const
export type RegisterKind = (typeof registerKinds)[number]

/** How a register is searched: its number, its name, and which of its columns say which facts. */
export interface RegisterShape {
  title: string
  /** The fact that finds an entry for sure. */
  key: string | null
  /** The fact that finds it by likeness. */
  name: string
  /** Facts by column. */
  columns: Readonly<Record<string, string>>
}

export const REGISTERS: Readonly<Record<RegisterKind, RegisterShape>> = {
  customers: {
    title: 'Customers',
    key: 'national_number',
    name: 'applicant_name',
    columns: {
      name: 'applicant_name',
      national_number: 'national_number',
      date_of_birth: 'date_of_birth',
      address: 'home_address',
      iban: 'iban',
    },
  },
  employers: { title: 'Employers', key: null, name: 'employer_name', columns: { name: 'employer_name' } },
  vessels: {
    title: 'Vessels',
    key: 'hull_number',
    name: 'vessel_name',
    columns: { hull_number: 'hull_number', name: 'vessel_name', owner: 'applicant_name' },
  },
}

/** An entry of a register, with how it was found: by its number, or by likeness of the name from 0 to 1. */
export interface RegisterEntry {
  kind: RegisterKind
  row: Readonly<Record<string, string>>
  by: 'number' | 'name'
  score: number
}

/** What a register says of one fact, and how that lies to the papers. */
export interface RegisterSide extends Agreement {
  kind: RegisterKind
  value: string
  /** The papers do not say; the register does. */
  completes: boolean
  by: RegisterEntry['by']
  score: number
}

/** The number and the name to look an entry up by, from what the papers agree on; null where they say neither. */
export function soughtIn(
  kind: RegisterKind,
  facts: readonly FactResult[],
): { key: string | null; name: string | null } | null {
  const say = (id: string | null) => {
    const fact = id ? facts.find((f) => f.fact === id) : undefined
    return fact && fact.value !== null ? plain(fact.value) : null
  }
  const { key, name } = REGISTERS[kind]
  const sought = { key: say(key), name: say(name) }
  return sought.key || sought.name ? sought : null
}

/**
 * What registers say of the facts of a package. The first entry that says something of a fact counts; a
 * number finds more surely than a name.
 */
export function registerSides(
  entries: readonly RegisterEntry[],
  facts: readonly FactResult[],
  program: Program,
): Map<string, RegisterSide> {
  const sides = new Map<string, RegisterSide>()
  for (const entry of [...entries].sort(
    (a, b) => Number(b.by === 'number') - Number(a.by === 'number') || b.score - a.score,
  ))
    for (const [column, id] of Object.entries(REGISTERS[entry.kind].columns)) {
      const said = entry.row[column]?.trim()
      const fact = program.facts.find((f) => f.id === id)
      // The owner in a register of vessels is the seller until the boat is bought: it says nothing of the applicant.
      if (!said || !fact || sides.has(id) || (entry.kind === 'vessels' && column === 'owner')) continue
      const result = facts.find((f) => f.fact === id)
      const value: Value = result?.value ?? null
      const agreement: Agreement =
        value === null
          ? { relation: 'same', why: message('agreement.not_said') }
          : compareWith(fact, value, said)
      sides.set(id, {
        ...agreement,
        kind: entry.kind,
        value: said,
        completes: value === null,
        by: entry.by,
        score: entry.score,
      })
    }
  return sides
}

const compareWith = (fact: Fact, value: Value, said: string): Agreement =>
  comparerOf(fact)({ value, confidence: 1 }, { value: said, confidence: 1 })
