import type { Line, PhraseHit, Segment } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'

/**
 * What a wording means in a type: the label of a field, of a signature, or of something that is none of its
 * fields.
 */
export type LabelMeaning =
  | { role: 'field'; field: string; rank: number }
  | { role: 'signature' }
  | { role: 'title' }
  | { role: 'other' }
  | { role: 'column' }
  | { role: 'surname' }
  | { role: 'given' }

export interface LabelHit extends PhraseHit<LabelMeaning> {
  page: Page
  /** Stands where labels stand: first in its segment. */
  leads: boolean
  /** A colon follows. */
  colon: boolean
  /** Said in two languages. */
  twice?: boolean
  /** Its segment holds nothing else. */
  alone: boolean
  /** The last line of a label that its column was too narrow for. */
  lastLine?: number
  /**
   * How well the whole label says what it is taken for: 1 for a known wording, less where words are left over
   * or differ.
   */
  similarity: number
  segment: Segment
  lineOf: Line
}
