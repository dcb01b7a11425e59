import type { Candidate } from '../scoring/candidate.ts'
import { isMoney } from '../../model/index.ts'

const SIGN = /[€£$]/
const LETTERS = /[A-Z]{3}/i
/** What an amount without a sign is taken to be in. */
const UNSAID = 'EUR'

/** One amount in so many that reads in euros says that the others are. */
const EUROS_AMONG = 3

/**
 * Papers are in one currency, and a weak print of "€" reads as "£", or as nothing: on pictures, an amount
 * whose sign is another than most amounts' is in theirs, and asked about. Where the others have no sign at
 * all, it stays what it is and is asked about. A currency in letters is believed.
 */
export function inOneCurrency(found: Map<string, Candidate[]>): void {
  const amounts = [...found.values()].flat().filter((c) => c.page.source !== 'text' && isMoney(c.value))
  const signed = new Set(amounts.filter((c) => SIGN.test(c.raw)))
  const currencyOf = (c: Candidate): string => (isMoney(c.value) ? c.value.currency : UNSAID)
  const votes = new Map<string, number>()
  // A place that is a candidate of several fields is one amount.
  for (const currency of new Map([...signed].map((c) => [c.words[0], currencyOf(c)])).values())
    votes.set(currency, (votes.get(currency) ?? 0) + 1)
  const [first, second] = [...votes].sort((a, b) => b[1] - a[1])
  if (!first) return
  const unsaid = !second && first[0] !== UNSAID && amounts.some((c) => !signed.has(c) && !LETTERS.test(c.raw))
  if (!second && !unsaid) return
  // A weak € reads as £ more easily than a £ as €: some of them among others are what all are.
  const euros = (votes.get('EUR') ?? 0) * EUROS_AMONG >= first[1]
  const usual = !second ? null : euros ? 'EUR' : first[0]
  const inUsual = (c: Candidate): Candidate => {
    if (!signed.has(c) || currencyOf(c) === usual || !isMoney(c.value)) return c
    return {
      ...c,
      value: { ...c.value, currency: usual ?? c.value.currency },
      partial: true,
      repaired: c.repaired || usual !== null,
      unsettled: usual !== first[0],
    }
  }
  for (const [name, candidates] of found) found.set(name, candidates.map(inUsual))
}
