/** What other folders may use of this one; README.md says how it hangs together. */
export { dealDeck, type Choice, type CutOut, type DeckTypes, type OpenStray, type Question } from './deck.ts'
export type { Document } from './document.ts'
export { doubtsOf } from './doubts.ts'
export { recordOf, whatIf, type FieldRecord, type PastReading, type WhatIf } from './field-record.ts'
export type { Finding } from './finding.ts'
export { gatherFindings, type PackageFile } from './findings.ts'
export { labelDocuments } from './label.ts'
export { overriddenIn, waitingFor, type Overridden } from './overridden.ts'
