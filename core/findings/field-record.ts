import { plain, type Value } from '../model/index.ts'

/** One field on one paper of the past: what the machine read, how sure, and what a person made of it. */
export interface PastReading {
  field: string
  value: Value
  confidence: number
  needsReview: boolean
  /** What a person said, null where nobody had to. */
  said: { value: Value; state: string } | null
}

/** How a field did over the papers of the past. */
export interface FieldRecord {
  field: string
  papers: number
  asked: number
  /** Read for certain and corrected all the same: the worst there is. */
  wrongUnasked: number
  /** Asked, and it was right. */
  askedInVain: number
}

const isWrong = ({ value, said }: PastReading): boolean =>
  said !== null && said.state !== 'unreadable' && plain(said.value) !== plain(value)

export function recordOf(field: string, past: readonly PastReading[]): FieldRecord {
  const own = past.filter((p) => p.field === field)
  const asked = own.filter((p) => p.needsReview)
  return {
    field,
    papers: own.length,
    asked: asked.length,
    wrongUnasked: own.filter((p) => !p.needsReview && isWrong(p)).length,
    askedInVain: asked.filter((p) => p.said !== null && !isWrong(p)).length,
  }
}

/** What a threshold would have done: questions asked, and wrong values that would have passed. */
export interface WhatIf {
  threshold: number
  questions: number
  passed: number
}

/**
 * Runs thresholds over the readings of the past. A value that nobody corrected is taken for right: what a
 * person saw on a finished package and left alone.
 */
export const whatIf = (past: readonly PastReading[], thresholds: readonly number[]): WhatIf[] =>
  thresholds.map((threshold) => ({
    threshold,
    questions: past.filter((p) => p.confidence < threshold).length,
    passed: past.filter((p) => p.confidence >= threshold && isWrong(p)).length,
  }))
