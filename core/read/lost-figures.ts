import type { DocumentType } from '../program/schema.ts'
import { endsOf } from './arithmetic.ts'
import type { Ranked } from './choose.ts'
import { lostDigits } from './figures.ts'
import type { Settled } from './table-choice.ts'
import { cents, isMoney, type Money } from './value.ts'

/** Amounts that a weak print likely shortened: each is doubted, so that it is asked about. */

/** Where weakly printed rows lead from one to the next and yet not from opening to closing, one of these was misread. */
export function doubtEnds(type: DocumentType, settled: ReadonlyMap<string, Settled>, chosen: ReadonlyMap<string, Ranked>): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'running') continue
    const { table, proof } = settled.get(relation.table)!
    const ends = table && proof === false && table.sure < 0.999 ? endsOf(table) : null
    if (!ends) continue
    const told = (name: string) => chosen.get(name)!.ranked[0]?.candidate.value ?? null
    const [opening, closing] = [told(relation.opening), told(relation.closing)]
    if (isMoney(opening) && !ends.openings.includes(cents(opening))) chosen.get(relation.opening)!.doubted = true
    if (isMoney(closing) && ends.closing !== cents(closing)) chosen.get(relation.closing)!.doubted = true
  }
}

/** Where a sum does not come out and a part of it, as printed weakly or not, would by digits lost in front, these were lost in reading. */
export function doubtLostDigits(type: DocumentType, chosen: ReadonlyMap<string, Ranked>): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'sum') continue
    const names = [...relation.parts, relation.total]
    const tops = names.map((name) => chosen.get(name)!.ranked[0]?.candidate)
    if (!tops.every((top) => top && isMoney(top.value))) continue
    const amounts = tops.map((top) => cents(top.value as Money))
    const missing = amounts.at(-1)! - amounts.slice(0, -1).reduce((sum, a) => sum + a, 0)
    if (missing === 0) continue
    names.forEach((name, i) => {
      const meant = amounts[i] + (i < names.length - 1 ? missing : -missing)
      if (tops[i].page.source !== 'text' && lostDigits(amounts[i], meant)) chosen.get(name)!.doubted = true
    })
  }
}

const CENTS = /[.,]\s?\d{2}(?!\d)/

/** Who writes one amount with its cents writes them all so: on a picture one without may have lost them ("€28,910" of "€28,910.40"). */
export function doubtLostCents(chosen: ReadonlyMap<string, Ranked>): void {
  const amounts = [...chosen.values()].filter((c) => c.ranked[0] && isMoney(c.ranked[0].candidate.value))
  const rawOf = (c: Ranked): string => c.ranked[0].candidate.raw
  if (!amounts.some((c) => CENTS.test(rawOf(c)))) return
  for (const c of amounts) if (c.ranked[0].candidate.page.source !== 'text' && !CENTS.test(rawOf(c))) c.doubted = true
}
