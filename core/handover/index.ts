/** What other folders may use of this one; README.md says how it hangs together. */
export { reportOf, type Report } from './report.ts'
