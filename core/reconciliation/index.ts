/** What other folders may use of this one; README.md says how it hangs together. */
export { reachConsensus } from './consensus.ts'
export { isTold, TOLD, type Told } from './told.ts'
export { isHardlyReadable } from './places.ts'
export { flagOutliers } from './outliers.ts'
export { repairRowSpelling } from './row-spelling.ts'
export { readNamesWhole } from './whole-names.ts'
export { chainStatements } from './statement-chain.ts'
