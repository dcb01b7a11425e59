import type { DocumentType } from '../../program/index.ts'
import { endBalances } from './sums.ts'
import type { Candidate } from '../scoring/candidate.ts'
import type { Ranked } from '../scoring/joint-assignment.ts'
import { isTruncated } from '../scoring/digit-slips.ts'
import type { SelectedTable } from '../tables/select.ts'
import { PRINTED } from '../tables/table.ts'
import { cents, encloses, fromCents, isMoney, type Money } from '../../model/index.ts'

/**
 * Amounts that a weak print likely shortened: each is asked about, with what was lost where the paper's own
 * arithmetic says that.
 */

/** The most likely reading of an amount, with the figures that were lost in front of it. */
function restore(chosen: Ranked, meant: number): void {
  const [top, ...others] = chosen.ranked
  chosen.ranked = [
    {
      ...top,
      candidate: {
        ...top.candidate,
        value: fromCents(meant, (top.candidate.value as Money).currency),
        repaired: true,
      },
    },
    ...others,
  ]
}

/** A reading less likely than the first is not taken for a balance, whatever the rows say; below the second it is asked about. */
const [POSSIBLE, THINKABLE] = [0.002, 0.05]

/**
 * Takes the balance that the rows lead on from, or to, where it is printed outside them and another amount was
 * chosen for it: a chain of rows that comes out to the cent knows its ends. It may be a paper that says two things of
 * one balance: unless what was chosen is the other end's, or this is thinkable by itself, a person sees it.
 * @returns whether one was taken
 */
function takePrinted(
  end: Ranked,
  meant: readonly number[],
  others: readonly number[],
  inRows: (c: Candidate) => boolean,
): boolean {
  const [top] = end.ranked
  const at = end.ranked.findIndex(
    ({ candidate, probability }) =>
      probability > POSSIBLE && isMoney(candidate.value) && meant.includes(cents(candidate.value)),
  )
  const reading = end.ranked[at]
  const places = reading ? [reading.candidate, ...reading.elsewhere].filter((c) => !inRows(c)) : []
  if (places.length === 0) return false
  const [candidate, ...elsewhere] = places
  end.ranked.splice(at, 1)
  end.ranked.unshift({ candidate, elsewhere, probability: Math.max(reading.probability, top.probability) })
  if (reading.probability < THINKABLE && !others.includes(cents(top.candidate.value as Money)))
    end.doubted = true
  return true
}

/**
 * Where rows lead from one to the next and yet not from opening to closing, one of these was taken from the wrong
 * place, or misread on a weak print: if figures lost in front explain it, the rows say which they were.
 * @returns whether one was put right, so that the rows are to be judged again
 */
export function restoreEndBalances(
  type: DocumentType,
  settled: ReadonlyMap<string, SelectedTable>,
  chosen: ReadonlyMap<string, Ranked>,
): boolean {
  let mended = false
  for (const relation of type.relations) {
    if (relation.kind !== 'running') continue
    const { table, proof } = settled.get(relation.table)!
    const field = type.fields.find((f) => f.name === relation.table)!
    const ends = table && proof === false ? endBalances(table, field) : null
    if (!ends) continue
    const inRows = (candidate: Candidate) =>
      table!.rows.some(
        ({ place }) =>
          place.page === candidate.page.number && candidate.words.every((w) => encloses(place.box, w.box)),
      )
    for (const [name, meant, others] of [
      [relation.opening, ends.openings, [ends.closing]],
      [relation.closing, [ends.closing], ends.openings],
    ] as const) {
      const end = chosen.get(name)!
      const read = end.ranked[0]?.candidate.value ?? null
      if (!isMoney(read) || meant.includes(cents(read))) continue
      if (takePrinted(end, meant, others, inRows)) {
        mended = true
        continue
      }
      if (table!.confidence >= PRINTED) continue
      // It may be a paper that truly does not add up: whoever sees the print says.
      end.doubted = true
      const whole = meant.filter((amount) => isTruncated(cents(read), amount))
      if (whole.length !== 1) continue
      restore(end, whole[0])
      mended = true
    }
  }
  return mended
}

/**
 * Where a sum does not come out and a part of it, as printed weakly or not, would by digits lost in front,
 * these were lost in reading; a person sees it.
 */
export function flagTruncatedAmounts(type: DocumentType, chosen: ReadonlyMap<string, Ranked>): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'sum') continue
    const names = [...relation.parts, relation.total]
    const tops = names.map((name) => chosen.get(name)!.ranked[0]?.candidate)
    if (!tops.every((top) => top && isMoney(top.value))) continue
    const amounts = tops.map((top) => cents(top.value as Money))
    const missing = amounts.at(-1)! - amounts.slice(0, -1).reduce((sum, a) => sum + a, 0)
    if (missing === 0) continue
    const lost = names.flatMap((name, i) => {
      const meant = amounts[i] + (i < names.length - 1 ? missing : -missing)
      return tops[i].page.source !== 'text' && isTruncated(amounts[i], meant) ? [{ name, meant }] : []
    })
    for (const { name, meant } of lost) {
      chosen.get(name)!.doubted = true
      if (lost.length === 1) restore(chosen.get(name)!, meant)
    }
  }
}

const CENTS = /[.,]\s?\d{2}(?!\d)/

/**
 * Who writes one amount with its cents writes them all so: on a picture one without may have lost them
 * ("€28,910" of "€28,910.40").
 */
export function flagMissingCents(chosen: ReadonlyMap<string, Ranked>): void {
  const amounts = [...chosen.values()].filter((c) => c.ranked[0] && isMoney(c.ranked[0].candidate.value))
  const rawOf = (c: Ranked): string => c.ranked[0].candidate.raw
  if (!amounts.some((c) => CENTS.test(rawOf(c)))) return
  for (const c of amounts)
    if (c.ranked[0].candidate.page.source !== 'text' && !CENTS.test(rawOf(c))) c.doubted = true
}
