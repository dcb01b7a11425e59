/** What other folders may use of this one; README.md says how it hangs together. */
export type { FieldValue } from './field-value.ts'
export {
  boxAround,
  encloses,
  grow,
  inside,
  overlap,
  touches,
  turnBox,
  type Box,
  type Place,
  type Rotation,
} from './geometry.ts'
export { packInk, strokesIn, strokesOn, unpackInk, type InkGrid, type Strokes } from './ink-grid.ts'
export type { AgreementMessages } from './messages/agreement.ts'
export type { Age, ChecklistMessages } from './messages/checklist.ts'
export type { CheckMessages } from './messages/checks.ts'
export type { DeckMessages } from './messages/deck.ts'
export type { FindingMessages } from './messages/findings.ts'
export {
  allOf,
  figuresIn,
  message,
  type Message,
  type MessageCode,
  type Messages,
} from './messages/message.ts'
export type { Inner } from './messages/parameters.ts'
export type { ValueMessages } from './messages/values.ts'
export { localeOf, type Page, type PageCode, type PenMark, type Word } from './page.ts'
export {
  cents,
  fromCents,
  groupThousands,
  isMoney,
  isOver,
  sameCurrency,
  severalCurrencies,
  plain,
  type Money,
  type Row,
  type Value,
} from './value.ts'
