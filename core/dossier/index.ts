/** What other folders may use of this one; README.md says how it hangs together. */
export { accepted, judgeChecks, type CheckResult, type Term } from './checks.ts'
export { findCoApplicant, withCoApplicant } from './co-applicant.ts'
export { markDuplicates } from './duplicates.ts'
export { judgeFacts, type Evidence, type FactResult, type Settled } from './facts.ts'
export {
  TAKES_PART,
  counting,
  counts,
  fieldOf,
  isAnothers,
  splitReference,
  usable,
  usableText,
  valueIn,
  type Paper,
} from './paper.ts'
export { applicantOf, assignOwners, personsOf, type Persons } from './persons.ts'
export { guessRegister, type SaidOfColumns } from './guess-register.ts'
export { registered, registerSides, soughtIn, type RegisterEntry, type RegisterSide } from './register.ts'
export { markReplaced, type Replacement } from './replacements.ts'
export { timeLineOf, type Lane, type TimeLine } from './time-line.ts'
export { markVersions } from './versions.ts'
