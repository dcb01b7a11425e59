import type { Locale } from '../../locale/index.ts'
import type { FieldKind } from '../../program/index.ts'
import { parseDate } from './date.ts'
import { plainNumber } from './id.ts'
import { ibanHolds } from './iban.ts'
import { parseMoney } from './money.ts'
import type { Value } from '../../model/index.ts'

/** What a person typed for a field, in its normal form, or why it is none. */
export type Typed = { value: Value } | { problem: string }

/** The same day in each order. */
const EXAMPLES = { dmy: '14/03/2026', mdy: '03/14/2026', ymd: '2026-03-14' } as const

/** Reads what a person typed or picked, as strictly as the field's kind allows, and as the paper beside it is written. */
export function parseTyped(kind: FieldKind, text: string, locale: Locale): Typed {
  const given = text.trim().replace(/\s+/g, ' ')
  if (given === '') return { problem: 'Type a value, or choose “The paper does not say”.' }
  switch (kind) {
    case 'date': {
      const date = parseDate(given, locale)
      return date
        ? { value: date.value }
        : { problem: `This is not a day. Write it like ${EXAMPLES[locale.dateOrder]} or 14 March 2026.` }
    }
    case 'money': {
      const money = parseMoney(given, locale)
      return money ? { value: money.value } : { problem: 'This is not an amount. Write it like 48,750.00.' }
    }
    case 'number':
    case 'percent': {
      const [, minus, figures] = /^(-?)(\d[\d.,'’ ]*)%?$/.exec(given) ?? []
      const number = figures === undefined ? '' : plainNumber(figures.trim(), locale)
      return /^\d+(?:\.\d+)?$/.test(number) ? { value: minus + number } : { problem: 'This is not a number.' }
    }
    case 'iban': {
      const iban = given.replace(/\s/g, '').toUpperCase()
      return ibanHolds(iban)
        ? { value: iban }
        : { problem: 'The check digits of this IBAN do not hold. Compare it with the page.' }
    }
    case 'id':
      return { value: given.replace(/\s/g, '') }
    case 'email':
      return /^[^\s@]+@[^\s@.]+(?:\.[^\s@.]+)+$/.test(given)
        ? { value: given.toLowerCase() }
        : { problem: 'This is not an e-mail address.' }
    case 'yesno':
      return /^(?:y|yes)$/i.test(given)
        ? { value: true }
        : /^(?:n|no)$/i.test(given)
          ? { value: false }
          : { problem: 'Write yes or no.' }
    case 'table':
      return { problem: 'A table is corrected row by row.' }
    default:
      return { value: given }
  }
}
