/** What other folders may use of this one; README.md says how it hangs together. */
export { deskewed, skewed } from './deskew.ts'
export { findText, type Hit } from './find.ts'
export { isProse, isSentence, levelOf, linesOf, typicalHeight, type Line, type Segment } from './lines.ts'
export { pageDiff } from './page-diff.ts'
export {
  bareNumberOf,
  isNumberDisputed,
  isPageNumber,
  missingAround,
  numberPlaceOf,
  pageNumberOf,
  type PageNumber,
} from './page-numbers.ts'
export { PhraseIndex, type PhraseHit } from './phrase-index.ts'
export { isPrint, printedOn, surelyPrintedOn, usualWord } from './printed-area.ts'
