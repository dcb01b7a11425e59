/** What other folders may use of this one; README.md says how it hangs together. */
export { ask, type Answer } from './ask.ts'
