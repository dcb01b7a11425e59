import type { DocumentType } from '../program/index.ts'
import { plain } from '../model/index.ts'
import { fieldOf, TAKES_PART, type Paper } from './paper.ts'

/** A value of a paper as copies are told by: letters and digits alone. */
interface Said {
  text: string
  confidence: number
}

/**
 * What a paper says for each field of its type; null where it does not, or not surely enough. Said once,
 * compared often.
 */
type Saying = readonly (Said | null)[]

/** Marks papers that repeat an earlier one of their type, value for value: a copy counts as nothing new. */
export function markDuplicates(papers: readonly Paper[], types: ReadonlyMap<string, DocumentType>): Paper[] {
  const kept = new Map<string, { paper: Paper; saying: Saying }[]>()
  return papers.map((paper) => {
    const type = types.get(paper.type)
    // In whose place another was brought is nothing that others repeat.
    if (!type || paper.supersededBy) return paper
    const saying = sayingOf(paper, type)
    const others = kept.get(type.id) ?? []
    const original = others.find(
      (other) => paper.signed === other.paper.signed && repeats(saying, other.saying, type),
    )
    if (original) return { ...paper, copyOf: original.paper.id }
    kept.set(type.id, [...others, { paper, saying }])
    return paper
  })
}

const said = new WeakMap<Paper['fields'], { type: DocumentType; saying: Saying }>()

/**
 * What a paper says, worked out once for fields that stay the same from one judgement to the next; anew for
 * another version of its type, whose fields stand in another order.
 */
function sayingOf(paper: Paper, type: DocumentType): Saying {
  const known = said.get(paper.fields)
  if (known?.type === type) return known.saying
  const saying = readSaying(paper, type)
  said.set(paper.fields, { type, saying })
  return saying
}

const readSaying = (paper: Paper, type: DocumentType): Saying =>
  type.fields.map((field) => {
    const found = field.kind === 'table' ? undefined : fieldOf(paper, field.name)
    return found && found.value !== null && found.confidence >= TAKES_PART
      ? {
          text: plain(found.value)
            .toLowerCase()
            .replace(/[^\p{L}\p{N}]/gu, ''),
          confidence: found.confidence,
        }
      : null
  })

function repeats(paper: Saying, other: Saying, type: DocumentType): boolean {
  let same = 0
  let apart = 0
  for (const [i, field] of type.fields.entries()) {
    const [a, b] = [paper[i], other[i]]
    if (!a || !b) continue
    if (a.text === b.text) same++
    else {
      apart++
      // Another date or amount is another paper, however alike the rest; only a weak reading is forgiven.
      if ((field.kind === 'date' || field.kind === 'money') && Math.min(a.confidence, b.confidence) > 0.9)
        return false
      if (field.name === type.tellsApart) return false
    }
  }
  return same >= 3 && apart <= Math.floor(same / 5)
}
