import type { FieldValue } from '../model/index.ts'
import type { Answer } from './answer.ts'

/** How a field's value came to be what it is. */
export type FieldState =
  'certain' | 'asked' | 'confirmed' | 'corrected' | 'repaired' | 'empty' | 'unreadable' | 'absent'

export interface FilledField extends FieldValue {
  state: FieldState
}

const machineState = (field: FieldValue): FieldState =>
  field.needsReview ? 'asked' : field.value === null ? 'absent' : field.repaired ? 'repaired' : 'certain'

const known = new WeakMap<readonly FieldValue[], FilledField[]>()

/**
 * Fields that nobody said anything of. The same reading gives the same fields at every judgement, so that
 * what is worked out of them is too.
 */
function untouched(fields: readonly FieldValue[]): FilledField[] {
  let found = known.get(fields)
  if (!found) known.set(fields, (found = fields.map((field) => ({ ...field, state: machineState(field) }))))
  return found
}

/** A document's fields with people's answers put over what the machine read; the last answer on a field holds. */
export function fill(
  fields: readonly FieldValue[],
  pages: readonly number[],
  answers: readonly Answer[],
): FilledField[] {
  const said = new Map<string, Answer & { kind: 'value' }>()
  for (const answer of answers)
    if (answer.kind === 'value' && pages.includes(answer.page)) said.set(answer.field, answer)
  const plain = untouched(fields)
  if (said.size === 0) return plain
  return fields.map((field, i) => {
    const answer = said.get(field.name)
    if (!answer) return plain[i]
    const none = answer.state === 'empty' || answer.state === 'unreadable'
    return {
      ...field,
      value: none ? null : answer.value,
      page: answer.at?.page ?? field.page,
      box: answer.at?.box ?? field.box,
      rowPlaces:
        answer.places ??
        (Array.isArray(answer.value) && answer.value.length === field.rowPlaces?.length
          ? field.rowPlaces
          : undefined),
      confidence: 1,
      needsReview: false,
      reason: null,
      repaired: false,
      state: answer.state,
    }
  })
}
