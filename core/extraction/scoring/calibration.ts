import type { Ranked } from './joint-assignment.ts'
import { readingOf } from './candidate.ts'
import { evidenceFor, type Likelihood, withEvidence } from './evidence.ts'
import { type FieldKind, isTicked } from '../../program/index.ts'
import fitted from './calibration.json' with { type: 'json' }

/** The probability that a chosen value is right, after all that speaks for it or against it. */
export const probabilityOf = (chosen: Ranked): number =>
  withEvidence(likelihoodOf(chosen), evidenceFor(chosen))

/** How likely a chosen value stands at the right place, and was read right, before evidence is heard. */
export function likelihoodOf({ field, ranked: [top] }: Ranked): Likelihood {
  if (!top) return { place: 0, reading: 0 }
  return {
    place: calibrate(top.probability, isTicked(field) ? TICKED_RIGHT : PROVED_RIGHT),
    reading: readingFit(readingOf(top.candidate.words), field.kind),
  }
}

/** Kinds whose every sign counts and that no spelling helps to read. */
const EXACT: ReadonlySet<FieldKind> = new Set<FieldKind>(['id', 'money', 'phone', 'number'])
export const isExact = (kind: FieldKind): boolean => EXACT.has(kind)

/**
 * How likely every letter of a value is right when its weakest word was read with `sure`; digits have no
 * spelling to lean on.
 */
function readingFit(sure: number, kind: FieldKind): number {
  if (sure >= 0.999) return 1
  return calibrate(sure, isExact(kind) ? READ_RIGHT.exact : READ_RIGHT.words)
}

type Curve = readonly (readonly [score: number, right: number])[]

/** From the share of score of a first choice to the share that proved right; straight lines between the points. */
export const PROVED_RIGHT: Curve = fitted.curve as unknown as Curve

/** From how surely the weakest word of a value was read, on a picture, to the share of such values read right. */
const READ_RIGHT = fitted.reading as unknown as { exact: Curve; words: Curve }

/** The same for ticked boxes, whose scores are those of rules: measured when these were set, and not fitted since. */
const TICKED_RIGHT: Curve = fitted.ticked as unknown as Curve

export function calibrate(score: number, curve: Curve): number {
  const at = curve.findIndex(([x], i) => i > 0 && score <= x)
  if (at < 0) return curve.at(-1)![1]
  const [[x0, y0], [x1, y1]] = [curve[at - 1], curve[at]]
  return y0 + ((score - x0) / (x1 - x0)) * (y1 - y0)
}

/** A probability as it is stored and shown: to a thousandth. */
export const round = (p: number): number => Math.round(p * 1000) / 1000
