import type { FilledField } from '../answers/index.ts'
import type { Message, MessageCode } from '../model/index.ts'
import fitted from './told.json' with { type: 'json' }

/** What other papers may tell against a value, as it is said to a person. */
const AGAINST = [
  'value.others_say_so',
  'value.others_have_a_word_more',
  'value.others_alike',
  'value.others_differ_by_letter',
  'value.end_lost',
  'value.front_figure_lost',
  'value.number_of_something_else',
  'value.too_short',
  'value.beginning_lost',
  'value.letter_for_figure',
  'value.own_currency',
  'value.day_to_come',
  'value.kind_differs_by_letter',
] as const satisfies readonly MessageCode[]

/** What other papers may tell of a value: that two of them say the same, or one of the things against it. */
export const TOLD = ['confirmed', ...AGAINST] as const
export type Told = (typeof TOLD)[number]

/** The share of values that are right of which other papers tell so, as it was counted. */
export const rightWhen: Readonly<Record<Told, number>> = fitted.right

export const isTold = (code: string): code is Told => (TOLD as readonly string[]).includes(code)

/** A value that a person is asked about for what other papers tell of it. */
export function askedFor(field: FilledField, reason: Message): FilledField {
  if (!isTold(reason.code)) throw new Error(`${reason.code} is nothing that other papers tell`)
  return {
    ...field,
    confidence: Math.min(field.confidence, rightWhen[reason.code]),
    needsReview: true,
    state: 'asked',
    reason,
  }
}
