import { writeFile } from 'node:fs/promises'
import {
  chooseValues,
  type Evidence,
  evidenceFor,
  type Likelihood,
  likelihoodOf,
  SPEAKS_OF,
  type Weights,
  withEvidence,
} from '../../core/extraction/index.ts'
import type { Lender } from '../../core/locale/index.ts'
import type { DocumentType } from '../../core/program/index.ts'
import { equalValues } from '../score.ts'
import type { DesignersPapers } from './corpora.ts'
import { keptCases, papersOf } from './kept-pages.ts'

/** A value that was chosen: how likely it was before evidence was heard, what was said of it, and whether it is right. */
export interface Heard {
  likelihood: Likelihood
  said: readonly Evidence[]
  right: boolean
}

const ODDS = (times: number) => Math.round(Math.log(times) * 100) / 100

/**
 * What evidence is worth before anything is counted, in log-odds: check digits of an account let one misreading in 97
 * pass, those of a machine-readable zone one in ten for each of two, a sum to the cent one in a hundred. Papers of a
 * fit have few values that were misread and that a sum or check digits bear out all the same.
 */
const BEFOREHAND: Record<keyof Likelihood, Partial<Record<Evidence, number>>> = {
  place: { proven: ODDS(100), backed: ODDS(10), doubted: ODDS(1 / 3), partial: ODDS(1 / 20) },
  reading: {
    proven: ODDS(100),
    backed: ODDS(100),
    well_read: ODDS(100),
    checked: ODDS(97),
    listed: ODDS(10),
    digits_fail: ODDS(1 / 97),
    repaired: ODDS(1 / 3),
    one_reader: ODDS(1 / 3),
  },
}
/** How far from there weights may lie: a handful of values moves them a little. */
const SPREAD = 1
/** Weights are looked for in steps of this, in log-odds, as far away as that. */
const [STEP, REACH] = [0.05, 4]
/** Looks at all weights one after the other, of which a few already settle them. */
const PASSES = 6
/** Values less likely than this are not taken at all. */
const TAKEN = 0.12

/** One weight that is looked for, with the values of which its evidence was said. */
interface Sought {
  of: keyof Likelihood
  evidence: Evidence
  beforehand: number
  heard: readonly Heard[]
}

/**
 * The weight of each kind of evidence in log-odds: the most likely one given the values and what it was worth
 * beforehand, one after the other until they settle. What speaks for a value never comes to speak against it, nor the
 * other way round. How much better papers are read that the model has seen is taken up by a weight of its own, and not
 * kept.
 */
export function evidenceWeights(heard: readonly Heard[]): Weights {
  const sought = (Object.keys(SPEAKS_OF) as (keyof Likelihood)[]).flatMap((of) =>
    SPEAKS_OF[of].map((evidence): Sought => ({
      of,
      evidence,
      beforehand: BEFOREHAND[of][evidence] ?? 0,
      heard: heard.filter(({ said }) => said.includes(evidence)),
    })),
  )
  const weights = structuredClone(BEFOREHAND)
  let seen = 0
  const loss = (values: readonly Heard[]): number =>
    values.reduce((sum, { likelihood, said, right }) => {
      const place = 1 / (1 + Math.exp(-seen) * (1 / Math.max(1e-4, likelihood.place) - 1))
      const p = withEvidence({ ...likelihood, place }, said, weights)
      return sum - Math.log(Math.max(1e-6, right ? p : 1 - p))
    }, 0)
  const best = (from: number, to: number, cost: (weight: number) => number): number => {
    let [found, least] = [from, Infinity]
    for (let weight = from; weight <= to + 1e-9; weight += STEP) {
      const now = cost(weight)
      if (now < least) [found, least] = [weight, now]
    }
    return Math.round(found * 100) / 100
  }
  for (let pass = 0; pass < PASSES; pass++) {
    seen = best(-REACH, REACH, (weight) => ((seen = weight), loss(heard)))
    for (const { of, evidence, beforehand, heard: own } of sought) {
      const [least, most] =
        beforehand > 0
          ? [Math.max(0, beforehand - REACH), beforehand + REACH]
          : [beforehand - REACH, Math.min(0, beforehand + REACH)]
      weights[of][evidence] = best(least, most, (weight) => {
        weights[of][evidence] = weight
        return loss(own) + (weight - beforehand) ** 2 / (2 * SPREAD ** 2)
      })
    }
  }
  return weights
}

/** Counts what evidence is worth on kept pages and stores the weights. */
export async function fitEvidence(
  file: string,
  cache: string,
  papers: readonly DesignersPapers[],
  types: readonly DocumentType[],
  lender: Lender,
): Promise<void> {
  const heard: Heard[] = []
  for (const { name } of papers)
    for await (const kept of keptCases(cache, name))
      for (const { type, paper, own } of papersOf(kept, types)) {
        for (const chosen of chooseValues(own, type, lender).chosen.values()) {
          const likelihood = likelihoodOf(chosen)
          if (likelihood.place * likelihood.reading < TAKEN) continue
          const truly = paper.fields[chosen.field.name]
          heard.push({
            likelihood,
            said: evidenceFor(chosen),
            right: truly !== undefined && equalValues(chosen.ranked[0].candidate.value, truly.value),
          })
        }
      }
  console.log(`evidence of ${heard.length} values`)
  const about =
    'What each kind of evidence within a paper adds to the log-odds that a value is right; counted by bench/fit/evidence.ts on papers of all designers.'
  await writeFile(file, JSON.stringify({ about, weights: evidenceWeights(heard) }))
}
