import { fold } from '../../text/index.ts'
import type { Field } from '../../program/index.ts'
import { hasPostcode, PARTICLES } from './words.ts'

/** The end of a postal code of letters: a figure and two letters, here with figures where letters must be. */
const FIGURES_IN_CODE = /\b[A-Z]{1,2}\d{1,2}[A-Z]?\s?\d(?:\d[A-Z]|[A-Z]\d|\d\d)$/
/** Letters that stand apart are what is left of a word, or a word that fell to pieces ("st o r"). */
const SPELT_OUT = /^(?:\p{L}{1,2}\s)+\p{Ll}{1,2}$/u
/** "Fair Isabel 11" is the second of its name as likely as the eleventh. */
const ONES = /\p{L} 1{2,3}$/u
const WEB_ADDRESS = /^[\p{L}\d][^\s@]*@[\p{L}\d][^\s@]*\.\p{L}{2,}$/u

/**
 * Whether a value of a scan cannot be what the paper says, by its form alone: somewhere a letter was misread
 * or lost. What it should be is not told by this, so it is asked about.
 */
export function malformed(value: string, kind: Field['kind']): boolean {
  switch (kind) {
    case 'email':
      return !WEB_ADDRESS.test(value)
    case 'address':
      // A letter alone in small print is a speck or a part of a word.
      // A number with no street behind it, or no place behind the street, has lost a line.
      return (
        FIGURES_IN_CODE.test(value) ||
        /\s[b-df-xz]\s/.test(value) ||
        /^\d+\s*,/.test(value) ||
        !hasPostcode(value)
      )
    case 'name': {
      const parts = value.split(/[\s,]+/).filter(Boolean)
      // Nobody signs with half a name: the other part was not read. A letter behind a name is a stroke of the pen.
      return (
        parts.length < 2 ||
        /\s\p{Lu}$/u.test(value) ||
        parts.some(
          (part) =>
            /\d/.test(part) ||
            /ii/i.test(part.slice(0, -1)) ||
            (/^\p{Ll}/u.test(part) && !PARTICLES.has(fold(part)) && !/^[dl]['’]/.test(part)),
        )
      )
    }
    case 'phone':
      // With the code of its country a number has ten figures and more: the last group was not read.
      return value.startsWith('+') && value.replace(/\D/g, '').length < 10
    case 'text':
      return SPELT_OUT.test(value) || ONES.test(value)
    default:
      return false
  }
}
