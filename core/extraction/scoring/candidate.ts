import { type Box, boxAround, type Page, type Value, type Word } from '../../model/index.ts'

/** One possible value of one field, with its evidence as log-odds. */
export interface Candidate {
  field: string
  value: Value
  raw: string
  words: Word[]
  page: Page
  score: number
  repaired: boolean
  /** How it lies to its label, where it has one. */
  relation?: 'inline' | 'right' | 'below' | 'above'
  /** Stands straight behind its label with no colon between, and may be the label's own end. */
  hangs?: boolean
  /** Read as a stretch of days, of which the field takes one end and another field may take the other. */
  period?: boolean
  /**
   * It may be a part of the value only, or have a letter misread: more stands beside it that could not be
   * read, or its form is not one of its kind.
   */
  partial?: boolean
  /** Whatever bears it out, a person is to see it: sums say nothing of the currency that was read another way. */
  unsettled?: boolean
  /** Its label is a known wording that stands where labels stand. */
  label?: boolean
  /** A machine-readable zone whose check digits hold says so. */
  proven?: boolean
  /** Read from a place that holds many values at once (a machine-readable zone), which other fields may share. */
  shared?: boolean
}

/** The place of a value; dots that lead to it are no part of it. */
export function boxOf({ words }: Candidate): Box {
  const said = words.filter((w) => /[\p{L}\p{N}]/u.test(w.text))
  return boxAround((said.length ? said : words).map((w) => w.box))
}

/** How sure the weakest word of a value was read, 0 to 1; a value is as good as its worst letter. */
export const readingOf = (words: readonly Word[]): number =>
  words.reduce((least, w) => Math.min(least, w.confidence), 1)
