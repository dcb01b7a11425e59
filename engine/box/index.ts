/** What other folders may use of this one; README.md says how it hangs together. */
export { sweepScratch } from './scratch.ts'
export { ReaderEnded, ReaderFault } from './limits.ts'
export { ReaderPool } from './pool.ts'
