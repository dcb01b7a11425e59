/** What other folders may use of this one; README.md says how it hangs together. */
export { addDays, addMonths, dayName, daysBetween, monthIndex, monthName } from './calendar.ts'
export { grouped } from './grouped.ts'
export { memoize } from './memoize.ts'
export { editDistance, fold, nearlyWord, squeeze, tokens } from './normalize.ts'
export { wellFormed } from './well-formed.ts'
export { isDistinctiveWord, likelyWord } from './spelling.ts'
