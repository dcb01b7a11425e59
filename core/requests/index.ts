/** What other folders may use of this one; README.md says how it hangs together. */
export { broughtFor, itemOf, type Brought, type Fits, type Of } from './brought.ts'
export { draftItems, rejectedItem, type ToAskAbout } from './draft.ts'
export type { RequestItem, WantedPaper, Why } from './item.ts'
export { isAnswered, progressOf, type ItemState, type Statement } from './progress.ts'
