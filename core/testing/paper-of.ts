import type { Money } from '../model/index.ts'
import { euroLender } from './lender.ts'
import type { FilledField } from '../answers/fill.ts'
import type { Value } from '../model/value.ts'
import type { Paper } from '../dossier/paper.ts'

/** A paper with these certain values, for tests and examples. */
export function paperOf(
  id: string,
  type: string,
  values: Record<string, Value>,
  more: Partial<Paper> = {},
): Paper {
  const fields = Object.entries(values).map(([name, value]): FilledField => ({
    name,
    value,
    raw: null,
    confidence: 0.99,
    needsReview: false,
    reason: null,
    others: [],
    repaired: false,
    page: 1,
    box: [0, 0, 1, 1],
    state: 'certain',
  }))
  return {
    id,
    type,
    typeAsked: false,
    label: id,
    pages: [1],
    fields,
    signed: null,
    signedAsked: false,
    owner: 'nobody',
    ownerAsked: false,
    lacking: [],
    copyOf: null,
    supersededBy: null,
    ...more,
  }
}

export const eur = (amount: string): Money => ({ amount, currency: euroLender.currency })
