import type { Page } from '../../model/index.ts'
import type { DocumentType } from '../../program/index.ts'
import type { Candidate } from './candidate.ts'
import { UNLISTED } from '../labels/caption-likeness.ts'
import { type Featured, featured, FEATURES, type Rows } from './features.ts'
import { fittedTrees } from './trees.ts'
import file from './value-model.json' with { type: 'json' }

const logOdds = fittedTrees(file, FEATURES)

/** What is less likely than this, as log-odds, is not carried on. */
const HOPELESS = -6

/**
 * Weighs all that may be a value of each field by what is known of it: candidates get fitted log-odds in place
 * of what the rules gave them, and values that no rule found are candidates too. Fields read by marks keep
 * the log-odds of their rules.
 */
export function weigh(
  pages: readonly Page[],
  type: DocumentType,
  ruled: ReadonlyMap<string, readonly Candidate[]>,
  rows: Rows,
): Map<string, Candidate[]> {
  const found = featured(pages, type, ruled, rows)
  return new Map(
    [...ruled].map(([field, candidates]) => [field, weighed(found.get(field)) ?? [...candidates]]),
  )
}

const RANK = FEATURES.indexOf('wording_rank')
/**
 * Wordings listed so much later than another that the paper has as well are those of papers that lack it: a
 * "date of issue" beside a "valid from" is no beginning. No paper that weights were fitted on has both.
 */
const [LATER, LATE] = [5, -6]

function weighed(found: readonly Featured[] | undefined): Candidate[] | undefined {
  const first = Math.min(...(found ?? []).map(({ features }) => features[RANK]))
  return found
    ?.map(({ candidate, features }) => {
      const late = features[RANK] < UNLISTED && features[RANK] >= first + LATER
      return { ...candidate, score: logOdds(features, HOPELESS) + (late ? LATE : 0) }
    })
    .filter(({ score }) => score > HOPELESS)
}
