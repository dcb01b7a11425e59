import { isMoney } from '../../model/index.ts'
import type { Field } from '../../program/index.ts'
import { fold } from '../../text/index.ts'
import { malformed } from '../parsers/malformed.ts'
import { repairDigits, repairNumeral } from '../parsers/numeral.ts'
import { repairPostcode } from '../parsers/postcode.ts'
import type { Reading } from '../parsers/reading.ts'
import type { Candidate } from './candidate.ts'

/**
 * A candidate as it may stand for a field, whoever found it; null where its words never are the field's. Without
 * this one way to find a value would pass what another asks about.
 */
export function admit(candidate: Candidate, field: Field): Candidate | null {
  if (typeof candidate.value === 'string' && field.never.includes(fold(candidate.value))) return null
  return candidate.page.source === 'text' ? candidate : mendedForm(candidate, field)
}

/**
 * Where the form of a value says that, or what, a reader of pictures took for something else. A text layer
 * spells what the paper says.
 */
function mendedForm(candidate: Candidate, field: Field): Candidate {
  if (typeof candidate.value !== 'string') return candidate
  const value =
    field.kind === 'address'
      ? repairPostcode(candidate.value)
      : SPELT.has(field.kind)
        ? repairNumeral(candidate.value)
        : field.kind === 'id'
          ? repairDigits(candidate.value)
          : candidate.value
  const partial =
    candidate.partial ||
    malformed(value, field.kind) ||
    (field.pattern !== undefined && !new RegExp(`^${field.pattern}$`).test(value))
  return value === candidate.value
    ? { ...candidate, partial }
    : { ...candidate, value, partial, repaired: true }
}

/** Kinds whose values are spelt words, in which figures may stand for letters. */
const SPELT: ReadonlySet<string> = new Set(['name', 'org', 'text'])

/** A dash before an amount that is never below nothing is no sign; whether it is a figure, a person sees. */
export const withoutSign = (reading: Reading): Reading =>
  isMoney(reading.value) && reading.value.amount.startsWith('-')
    ? {
        ...reading,
        value: { ...reading.value, amount: reading.value.amount.slice(1) },
        plausibility: reading.plausibility * 0.7,
        repaired: true,
      }
    : reading
