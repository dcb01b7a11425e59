/** What other folders may use of this one; README.md says how it hangs together. */
export { clearScratch, makeScratch, sweepScratch } from './scratch.ts'
export { BOX_LIMITS, isFilesFault, ReaderFault } from './limits.ts'
export { ReaderPool } from './pool.ts'
