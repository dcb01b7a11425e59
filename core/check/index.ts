/** What other folders may use of this one; README.md says how it hangs together. */
export {
  faultOf,
  holds,
  judgeChecklist,
  type Lack,
  lackingBy,
  needsOf,
  personsLacking,
  type RequirementResult,
  type Situation,
  statuses,
  type Status,
} from './checklist.ts'
