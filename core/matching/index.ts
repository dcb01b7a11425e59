/** What other folders may use of this one; README.md says how it hangs together. */
export { WEAK, same, type Agreement, type Comparer } from './agreement.ts'
export { comparerOf, comparers } from './comparers.ts'
export { confusionsOf, isOneConfusion } from './confusions.ts'
export { shareNoWord } from './names.ts'
export { brokenOff, mostAlike, nearMiss, wordMore } from './near-miss.ts'
