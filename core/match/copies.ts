import type { DocumentType } from '../program/schema.ts'
import { plain } from '../read/value.ts'
import { fieldOf, TAKES_PART, type Paper } from './paper.ts'

/** Marks papers that repeat an earlier one of their type, value for value: a copy counts as nothing new. */
export function withCopies(papers: readonly Paper[], types: ReadonlyMap<string, DocumentType>): Paper[] {
  const kept: Paper[] = []
  return papers.map((paper) => {
    const type = types.get(paper.type)
    const original = type ? kept.find((other) => other.type === paper.type && repeats(paper, other, type)) : undefined
    if (!original) kept.push(paper)
    return original ? { ...paper, copyOf: original.id } : paper
  })
}

function repeats(paper: Paper, other: Paper, type: DocumentType): boolean {
  let same = 0
  let apart = 0
  for (const field of type.fields) {
    if (field.kind === 'table') continue
    const [a, b] = [fieldOf(paper, field.name), fieldOf(other, field.name)]
    if (!a || !b || a.value === null || b.value === null || Math.min(a.confidence, b.confidence) < TAKES_PART) continue
    const squeezed = (v: typeof a) => plain(v.value).toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')
    if (squeezed(a) === squeezed(b)) same++
    else {
      apart++
      // Another date or amount is another paper, however alike the rest; only a weak reading is forgiven.
      if ((field.kind === 'date' || field.kind === 'money') && Math.min(a.confidence, b.confidence) > 0.9) return false
      if (field.name === type.tellsApart) return false
    }
  }
  return same >= 3 && apart <= Math.floor(same / 5) && paper.signed === other.signed
}
