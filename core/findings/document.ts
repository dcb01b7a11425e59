import type { Paper } from '../match/paper.ts'
import type { Signature } from '../read/marks.ts'

/** A paper with what the cut and the type rest on: what screens and reports show of it. */
export interface Document extends Paper {
  confidence: number
  needsReview: boolean
  types: { type: string; confidence: number }[]
  cutBefore: number
  typeSaid: boolean
  cutSaid: boolean
  signature: (Signature & { said: boolean }) | null
}
