/** What other folders may use of this one; README.md says how it hangs together. */
export { fileNames } from './names.ts'
export { reportOf, type Report } from './report.ts'
