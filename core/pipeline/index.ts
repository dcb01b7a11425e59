/** What other folders may use of this one; README.md says how it hangs together. */
export { ASSESSMENT_FORM, assess, packageSteps, type Assessment, type Situation } from './assess.ts'
export type { Step } from './passes.ts'
export { forgetPages, keepingReader, pageReader, readingKey, type Reader, type Readings } from './readings.ts'
export { verdictChanges, type VerdictChange } from './verdict.ts'
