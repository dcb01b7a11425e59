import type { Ranked } from './joint-assignment.ts'
import { readingOf, type Candidate } from './candidate.ts'
import { ibanHolds } from '../parsers/iban.ts'
import { isMoney } from '../../model/index.ts'
import { type FieldKind, isTicked } from '../../program/index.ts'
import fitted from './calibration.json' with { type: 'json' }

/**
 * The probability that a chosen value is right: that it is the right place, times that it was read right.
 * Values backed by arithmetic or check digits are surer of both.
 */
export function probabilityOf(chosen: Ranked): number {
  const top = chosen.ranked[0]
  if (!top) return 0
  const { candidate } = top
  if (candidate.proven) return 0.99
  let place = calibrate(top.probability, isTicked(chosen.field) ? TICKED_RIGHT : PROVED_RIGHT)
  const hand = candidate.words.some((w) => w.hand)
  let reading = hand
    ? handFit(readingOf(candidate.words), chosen.field.kind)
    : readingFit(readingOf(candidate.words), chosen.field.kind)
  if (chosen.backed) place = 1 - (1 - place) * 0.15
  if (chosen.backed || chosen.wellRead) reading = 1 - (1 - reading) * (hand ? HAND_BACKED : 0.1)
  if (candidate.repaired && !chosen.backed) reading *= 0.75
  if ((candidate.partial || bareFigure(candidate)) && !chosen.backed) reading = Math.min(reading, 0.6)
  // Check digits that fail prove a misreading, however clear the print: it is always asked about.
  if (chosen.field.kind === 'iban' && typeof candidate.value === 'string' && !ibanHolds(candidate.value))
    reading = Math.min(reading, 0.3)
  if (chosen.doubted) place = Math.min(place, 0.45)
  return Math.min(candidate.unsettled ? 0.6 : 0.995, place * reading)
}

/** Kinds whose every sign counts and that no spelling helps to read. */
const EXACT: ReadonlySet<FieldKind> = new Set<FieldKind>(['id', 'money', 'phone', 'number'])
export const isExact = (kind: FieldKind): boolean => EXACT.has(kind)

/** "3" where an amount is wanted, on a scan: likely all that was read of it. */
const bareFigure = ({ value, raw, page }: Candidate): boolean =>
  isMoney(value) && /^\D*\d{1,2}\D*$/.test(raw) && page.source !== 'text'

/** A check digit or a list of choices holds a reading against itself: it is wrong in as few of the cases. */
const CHECKED = 0.3

/**
 * How likely every letter of a value is right when its weakest word was read with `sure`; digits have no
 * spelling to lean on.
 */
function readingFit(sure: number, kind: FieldKind): number {
  if (sure >= 0.999) return 1
  const right = calibrate(sure, isExact(kind) ? READ_RIGHT.exact : READ_RIGHT.words)
  return kind === 'iban' || isTicked({ kind }) ? 1 - (1 - right) * CHECKED : right
}

/** The same hand writes the same figure alike: a sum comes out with both its ends misread, so it bears out less. */
const HAND_BACKED = 0.6

/** How likely a value is right that one reader alone made out, by its least sure word. */
const handFit = (sure: number, kind: FieldKind): number =>
  Math.max(0.3, 1 - Math.max(0, 0.99 - sure) * (isExact(kind) ? 2.6 : 1.6) - 0.03)

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
