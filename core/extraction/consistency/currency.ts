import type { Candidate } from '../scoring/candidate.ts'
import type { Locale } from '../../locale/index.ts'
import { parseMoney } from '../parsers/money.ts'
import { isMoney } from '../../model/index.ts'

const SIGN = /\p{Sc}/u
const LETTERS = /[A-Z]{3}/i

/**
 * Papers are in one currency, and a weak print of "€" reads as "£", or as nothing: on pictures, an amount
 * whose sign is another than the paper's is in the paper's, and asked about. Where weak signs alone say what
 * the paper is in, all of its amounts are asked about. A currency in letters is believed, but for a word that
 * several share ("francs", "pesos"), which is asked about on any paper.
 */
export function inOneCurrency(found: Map<string, Candidate[]>, locale: Locale): void {
  const { currency, currencyOpen } = locale
  const settled = (c: Candidate): Candidate => {
    if (isMoney(c.value) && parseMoney(c.raw, locale)?.certain === false)
      return { ...c, partial: true, unsettled: true }
    if (c.page.source === 'text' || !isMoney(c.value) || LETTERS.test(c.raw)) return c
    if (currencyOpen) return { ...c, partial: true, unsettled: true }
    return SIGN.test(c.raw) && c.value.currency !== currency
      ? { ...c, value: { ...c.value, currency }, partial: true, repaired: true, unsettled: true }
      : c
  }
  for (const [name, candidates] of found) found.set(name, candidates.map(settled))
}
