import { cents, isMoney, type Page } from '../../model/index.ts'
import type { DocumentType } from '../../program/index.ts'
import { leaves } from './sums.ts'
import type { Ranked } from '../scoring/joint-assignment.ts'

/**
 * Backs values that bear one another out: a period that is a whole month to the day, which no other days of a
 * paper are by chance, and the reading of an amount that other amounts of the paper, taken from a larger one,
 * leave to the cent.
 */
export function confirmByForm(
  pages: readonly Page[],
  type: DocumentType,
  chosen: ReadonlyMap<string, Ranked>,
): void {
  const told = (name: string) => chosen.get(name)?.ranked[0]?.candidate.value ?? null
  const back = (...names: string[]) => names.forEach((name) => (chosen.get(name)!.backed = true))
  for (const relation of type.relations) {
    if (relation.kind === 'not_after' && isPeriod(type, relation.first) && isPeriod(type, relation.second)) {
      const [start, end] = [told(relation.first), told(relation.second)]
      if (typeof start === 'string' && typeof end === 'string' && wholeMonth(start, end))
        back(relation.first, relation.second)
    }
    if (relation.kind === 'deductions') {
      const [whole, rest] = [told(relation.from), told(relation.leaves)]
      // The sums of the year so far come out as well as this month's: no figure was misread, whichever they are.
      if (isMoney(whole) && isMoney(rest) && leaves(pages, cents(whole), cents(rest)))
        for (const name of [relation.from, relation.leaves]) chosen.get(name)!.wellRead = true
    }
  }
}

/** Whether a field is one end of a stretch of days. */
export const isPeriod = (type: DocumentType, name: string): boolean =>
  type.fields.some((f) => f.name === name && f.sources.some((source) => source.startsWith('period_')))

/** Whether two ISO days are the first and the last of one month. */
export function wholeMonth(start: string, end: string): boolean {
  const next = new Date(`${end}T00:00:00Z`)
  next.setUTCDate(next.getUTCDate() + 1)
  return start.endsWith('-01') && start.slice(0, 7) === end.slice(0, 7) && next.getUTCDate() === 1
}
