import type { Page } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { findLabels, generateCandidates } from '../extraction/index.ts'

/** So many values behind their labels, and so large a share of all that the type asks for, speak for it. */
const LEAST = 3
const SHARE = 0.6
/** Evidence that a label and what stands by it belong together. */
const FOUND = 1.5

/**
 * How much of what a type asks for a page answers: the share of its fields, and its signature, that stand
 * there with their labels. A short form with an unheard-of title is told by this, as three right answers of
 * three say more than three of twenty.
 * @returns log-evidence, 0 where too little is answered
 */
export function filledEvidence(page: Page, type: DocumentType): number {
  const signed =
    type.signature !== null &&
    findLabels(page, type).some((l) => l.leads && l.meanings.some((m) => m.role === 'signature'))
  const asked = type.fields.filter((f) => f.kind !== 'table' && !f.optional)
  const shareOf = (found: number) => found / (asked.length + (type.signature ? 1 : 0))
  const enough = (found: number) => found >= LEAST && shareOf(found) >= SHARE
  // Looking for values takes time: not where even a value behind every label would be too few.
  const labelled = new Set(
    findLabels(page, type).flatMap((l) => l.meanings.flatMap((m) => (m.role === 'field' ? [m.field] : []))),
  )
  const crossed = asked.filter((f) => f.kind === 'money' && !labelled.has(f.name)).length
  if (!enough(asked.filter((f) => labelled.has(f.name)).length + crossed + (signed ? 1 : 0))) return 0
  const candidates = generateCandidates([page], type)
  const found =
    asked.filter((f) => candidates.get(f.name)!.some((c) => c.label && c.score > FOUND)).length +
    (signed ? 1 : 0)
  const share = shareOf(found)
  return enough(found) ? (share - SHARE + 0.1) * 7 * Math.min(1, found / 4) : 0
}
