import type { DocumentType } from '../program/index.ts'
import { contentWords } from '../extraction/index.ts'

/**
 * How much more each sign of a type weighs that was described in few words: a paper can say no more for it
 * than its description has. What strangers say for a type by chance grows with the logarithm of its wordings:
 * `BY_CHANCE` at one, and `EACH` for each factor of e. Fitted on papers of four designers, of types with 1, 3,
 * 10 and all of their wordings, so that no stranger comes nearer to a type than to none
 * (`bench/pared-types.ts`).
 */
const [BY_CHANCE, EACH] = [1.75, 0.29]
/** What strangers say by chance for types described in full, on which all other weights rest. */
const IN_FULL = 3.4
/** A type of hardly any words is told by these no more surely than so. */
const MOST = 1.5

/** Wordings of a type that say different things: titles, words that speak for it, labels, heads of columns. */
const wordingsOf = (type: DocumentType): number =>
  new Set(
    [
      ...type.titles,
      ...type.signs.map((sign) => sign.words),
      ...type.fields.flatMap((f) => [...f.labels, ...f.columns.flatMap((c) => c.labels)]),
    ].map((wording) => [...contentWords(wording)].sort().join(' ')),
  ).size

/** By how much the evidence for a type is scaled, 1 or more. */
export const evidenceScale = (type: DocumentType): number =>
  Math.min(MOST, Math.max(1, IN_FULL / (BY_CHANCE + EACH * Math.log(Math.max(1, wordingsOf(type))))))
