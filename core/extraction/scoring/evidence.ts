import { isMoney, plain } from '../../model/index.ts'
import { isTicked } from '../../program/index.ts'
import { ibanHolds } from '../parsers/iban.ts'
import fitted from './evidence.json' with { type: 'json' }
import type { Candidate } from './candidate.ts'
import type { Ranked } from './joint-assignment.ts'

/** What speaks for a chosen value or against it, besides where it stands and how well it was read. */
export const EVIDENCE = [
  /** Check digits of a machine-readable zone hold. */
  'proven',
  /** A sum or a period that comes out bears it out. */
  'backed',
  /** Arithmetic shows that its figures were read right, if not that they are this field's. */
  'well_read',
  /** A sum that fails makes it questionable. */
  'doubted',
  /** Check digits hold its reading against itself. */
  'checked',
  /** So does a list of choices. */
  'listed',
  /** Check digits fail: it was misread, however clear the print. */
  'digits_fail',
  /** A character of it was mended. */
  'repaired',
  /** More of it may stand beside what was read. */
  'partial',
  /** One of two readers alone made it out. */
  'one_reader',
] as const
export type Evidence = (typeof EVIDENCE)[number]

/** What evidence speaks of: that a value stands at the right place, or that it was read right. */
export const SPEAKS_OF = {
  place: ['proven', 'backed', 'doubted', 'partial'],
  reading: ['proven', 'backed', 'well_read', 'checked', 'listed', 'digits_fail', 'repaired', 'one_reader'],
} as const satisfies Record<string, readonly Evidence[]>

/** How likely a value stands at the right place, and was read right. */
export interface Likelihood {
  place: number
  reading: number
}

/** Log-odds that are added, by what the evidence speaks of. */
export type Weights = Record<keyof Likelihood, Partial<Record<Evidence, number>>>

/** What shows that something is wrong with a paper or its reading, however sure each value of it is. */
export const CONTRADICTS: ReadonlySet<Evidence> = new Set(['doubted', 'digits_fail'])

/** "3" where an amount is wanted, on a picture: likely all that was read of it. */
const bareFigure = ({ value, raw, page }: Candidate): boolean =>
  isMoney(value) && /^\D*\d{1,2}\D*$/.test(raw) && page.source !== 'text'

/** What speaks for the first choice of a field, or against it. */
export function evidenceFor({ field, ranked, backed, wellRead, doubted }: Ranked): Evidence[] {
  const [top] = ranked
  if (!top) return []
  const { candidate } = top
  const digits = field.kind === 'iban' ? ibanHolds(plain(candidate.value)) : null
  const said: Record<Evidence, boolean> = {
    proven: candidate.proven === true,
    backed,
    well_read: wellRead && !backed,
    doubted,
    checked: digits === true,
    listed: isTicked(field),
    digits_fail: digits === false,
    // A sum that comes out shows that nothing is missing of its parts, and that they were mended rightly.
    repaired: candidate.repaired && !backed,
    partial: (candidate.partial === true || bareFigure(candidate)) && !backed,
    one_reader: candidate.words.some((w) => w.hand),
  }
  return EVIDENCE.filter((e) => said[e])
}

/** Nothing is surer than this: papers prove no certainty. */
const SUREST = 0.995

/** How likely a value is right once evidence is heard: that it stands at its place, times that it was read right. */
export const withEvidence = (
  { place, reading }: Likelihood,
  said: readonly Evidence[],
  weights: Weights = fitted.weights,
): number => Math.min(SUREST, heard(place, said, weights.place) * heard(reading, said, weights.reading))

/** A probability with the weights of all that was said added to its log-odds. */
function heard(probability: number, said: readonly Evidence[], weights: Weights['place']): number {
  const added = said.reduce((sum, e) => sum + (weights[e] ?? 0), 0)
  return added === 0 || probability <= 0
    ? probability
    : 1 / (1 + Math.exp(-added) * Math.exp(-logit(probability)))
}

/** As near to a certainty as log-odds go, either way. */
const EDGE = 1e-4

/** The log-odds of a probability. */
export function logit(probability: number): number {
  const p = Math.min(1 - EDGE, Math.max(EDGE, probability))
  return Math.log(p / (1 - p))
}
