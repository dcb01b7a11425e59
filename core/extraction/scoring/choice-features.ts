import { isMoney } from '../../model/index.ts'
import { type Candidate, readingOf } from './candidate.ts'
import { FEATURES } from './features.ts'
import type { Ranked } from './joint-assignment.ts'

/**
 * What is known of the value chosen for a field, in the order in which the model of choices takes it: how it
 * stands to the others, how it was read, what arithmetic says of it, and all that it was weighed by.
 */
export const CHOICE_FEATURES = [
  'share',
  'next_share',
  'readings',
  'places',
  'backed',
  'well_read',
  'doubted',
  'partial',
  'unsettled',
  'hangs',
  'bare_figure',
  'weakest',
  'weakest_but_one',
  ...FEATURES,
] as const

/** Probabilities nearer to 0 or 1 than this are as good as that. */
const EDGE = 1e-4
const logOdds = (p: number): number => {
  const within = Math.min(1 - EDGE, Math.max(EDGE, p))
  return Math.log(within / (1 - within))
}

/** Readings less likely than this are no rivals. */
const RIVAL = 0.02

/** Describes the value chosen for a field. @returns null where it was not weighed: it was ticked, or is none */
export function choiceFeatures(chosen: Ranked, sure = readingOf): Float32Array | null {
  const [top, next] = chosen.ranked
  if (!top?.candidate.features) return null
  const { candidate } = top
  return Float32Array.from([
    logOdds(top.probability),
    logOdds(next?.probability ?? 0),
    chosen.ranked.filter((r) => r.probability > RIVAL).length,
    Math.log1p(top.elsewhere.length),
    chosen.backed ? 1 : 0,
    chosen.wellRead ? 1 : 0,
    chosen.doubted ? 1 : 0,
    candidate.partial ? 1 : 0,
    candidate.unsettled ? 1 : 0,
    candidate.hangs ? 1 : 0,
    isBareFigure(candidate) ? 1 : 0,
    sure(candidate.words),
    sure(withoutWeakest(candidate)),
    ...candidate.features!,
  ])
}

const withoutWeakest = ({ words }: Candidate): Candidate['words'] =>
  [...words].sort((a, b) => a.confidence - b.confidence).slice(1)

/** "3" where an amount is wanted, on a scan: likely all that was read of it. */
export const isBareFigure = ({ value, raw, page }: Candidate): boolean =>
  isMoney(value) && /^\D*\d{1,2}\D*$/.test(raw) && page.source !== 'text'
