/** What other folders may use of this one; README.md says how it hangs together. */
export { chooseValues, collect, extractDocument, type DocumentReading } from './fields/extract.ts'
export { generateCandidates } from './fields/generate.ts'
export { readMrz } from './fields/mrz.ts'
export { periodOf } from './fields/periods.ts'
export { extractUntyped, type UntypedValue } from './fields/untyped.ts'
export { columnsOf, type UntypedColumn } from './fields/untyped-columns.ts'
export { findLabels, labelTextsOf } from './labels/find-labels.ts'
export { labelBeside, withLearntLabels, wordingsBeside } from './labels/learn-labels.ts'
export { Wordings, contentWords } from './labels/wording-similarity.ts'
export { inkNeeded, type NeedsInk } from './marks/ink-needed.ts'
export { SIGNATURE_SURE, type Signature } from './marks/signature.ts'
export { kindReaders } from './parsers/index.ts'
export { asDigits } from './parsers/reading.ts'
export { parseTyped } from './parsers/typed-input.ts'
export { nameLikeness } from './parsers/words.ts'
export { isExact, likelihoodOf } from './scoring/calibration.ts'
export {
  type Evidence,
  evidenceFor,
  type Likelihood,
  SPEAKS_OF,
  type Weights,
  withEvidence,
} from './scoring/evidence.ts'
export { readingOf } from './scoring/candidate.ts'
export { rankCandidates } from './scoring/joint-assignment.ts'
export { weigh } from './scoring/weigh.ts'
export { FEATURES, featured } from './scoring/features.ts'
export { fittedTrees } from './scoring/trees.ts'
export { isTruncated } from './scoring/digit-slips.ts'
export { firstGrid, readByGrid, type Grid } from './tables/by-grid.ts'
export { centsIn } from './tables/columns.ts'
export { newestFirst } from './tables/row-order.ts'
