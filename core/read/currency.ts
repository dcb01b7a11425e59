import type { Candidate } from './candidate.ts'
import { isMoney } from './value.ts'

/**
 * Papers are in one currency, and a weak print of "€" reads as "£": on pictures, an amount whose sign is another than most
 * amounts' is in theirs, and asked about. A currency in letters is believed.
 */
export function inOneCurrency(found: Map<string, Candidate[]>): void {
  const signed = [...found.values()].flat().filter((c) => c.page.source !== 'text' && isMoney(c.value) && /[€£$]/.test(c.raw))
  const said = new Map(signed.flatMap((c) => (isMoney(c.value) ? [[c.words[0], c.value.currency] as const] : [])))
  const votes = new Map<string, number>()
  for (const currency of said.values()) votes.set(currency, (votes.get(currency) ?? 0) + 1)
  if (votes.size < 2) return
  const [usual] = [...votes].sort((a, b) => b[1] - a[1])[0]
  for (const [name, candidates] of found)
    found.set(name, candidates.map((c) => (signed.includes(c) && isMoney(c.value) && c.value.currency !== usual ? { ...c, value: { ...c.value, currency: usual }, partial: true, repaired: true } : c)))
}
