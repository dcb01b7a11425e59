import type { Box, Place } from './geometry.ts'
import type { Message } from './messages/message.ts'
import type { Value } from './value.ts'

/** What a paper says for one field, where, and how sure that is. */
export interface FieldValue {
  name: string
  value: Value
  /** As read. */
  raw: string | null
  confidence: number
  needsReview: boolean
  /** Why it is asked about; null where it is not. */
  reason: Message | null
  /** Runners-up, the likeliest first. */
  others: { value: Value; raw: string; page: number; box: Box }[]
  /** An impossible reading was mended by its one likely explanation. */
  repaired: boolean
  page: number | null
  box: Box | null
  /** Where its label stands and a value would, where none was found. */
  beside?: Place
  /** Places of a table's rows, in their order; absent for other kinds. */
  rowPlaces?: { page: number; box: Box }[]
}
