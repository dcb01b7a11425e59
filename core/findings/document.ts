import type { Locale } from '../locale/index.ts'
import type { Paper } from '../dossier/index.ts'
import type { Signature } from '../extraction/index.ts'
import type { Doubt } from '../classification/index.ts'

/** A paper with what the cut and the type rest on: what screens and reports show of it. */
export interface Document extends Paper {
  /** How it writes amounts and days. */
  locale: Locale
  confidence: number
  needsReview: boolean
  types: { type: string; confidence: number }[]
  cutBefore: number
  /** Pages inside it at which another may begin, and nobody has said. */
  doubts: Doubt[]
  /** The rule by people that the pages contradict, on its type or its first page. */
  contested: string | null
  typeSaid: boolean
  cutSaid: boolean
  signature: (Signature & { said: boolean }) | null
}
