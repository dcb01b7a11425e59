import { otherLabels } from '../../lexicon/index.ts'
import type { DocumentType } from '../../program/index.ts'
import { memoize } from '../../text/index.ts'
import { DIMENSIONS, type Meaning, meaningOf, weightOf, weightOfAll } from './meaning.ts'

/** So many wordings of a field are compared with captions: later ones repeat the first. */
const WORDINGS = 24

/** Wordings that captions are compared with, in groups: those of a field, or of what is no field. */
class CaptionWordings {
  private readonly vectors: Float32Array
  private readonly groupOf: Int32Array
  private readonly rankOf: Int32Array
  private readonly weights: Float64Array
  private readonly byWord = new Map<string, number[]>()
  private readonly size: number

  constructor(groups: readonly (readonly string[])[]) {
    const all = groups.flatMap((wordings, group) =>
      wordings.map((w, rank) => ({ group, rank, meaning: meaningOf(w) })),
    )
    this.size = groups.length
    this.groupOf = Int32Array.from(all, (w) => w.group)
    this.rankOf = Int32Array.from(all, (w) => w.rank)
    this.weights = Float64Array.from(all, (w) => weightOfAll(w.meaning.words))
    this.vectors = new Float32Array(all.length * DIMENSIONS)
    all.forEach(({ meaning }, i) => {
      if (meaning.vector) this.vectors.set(meaning.vector, i * DIMENSIONS)
      for (const word of meaning.words) this.byWord.set(word, [...(this.byWord.get(word) ?? []), i])
    })
  }

  /**
   * How near a caption comes to each group, in words and meaning, and in words alone; of bilingual captions the
   * better half counts.
   */
  near(caption: string): Nearness {
    const near = new Float32Array(this.size)
    const overlap = new Float32Array(this.size)
    const rank = new Int32Array(this.size).fill(UNLISTED)
    for (const part of caption.includes('/') ? caption.split('/') : [caption])
      if (part) this.compare(meaningOf(part), { near, overlap, rank })
    return { near, overlap, rank }
  }

  private compare({ words, vector }: Meaning, { near, overlap, rank }: Nearness): void {
    const common = new Float64Array(this.weights.length)
    for (const word of words) for (const i of this.byWord.get(word) ?? []) common[i] += weightOf(word)
    const own = weightOfAll(words)
    for (let i = 0; i < this.weights.length; i++) {
      const share = common[i] === 0 ? 0 : common[i] / (own + this.weights[i] - common[i])
      const cosine = vector ? dot(vector, this.vectors, i * DIMENSIONS) : 0
      const group = this.groupOf[i]
      if (share > overlap[group]) overlap[group] = share
      if (share > LISTED && this.rankOf[i] < rank[group]) rank[group] = this.rankOf[i]
      const both = (share + cosine) / 2
      if (both > near[group]) near[group] = both
    }
  }
}

/**
 * The product of a vector with one of many that lie behind one another. Four sums are gathered side by side, since
 * each addition waits for the one before: captions are compared more often than anything else.
 */
function dot(vector: Float32Array, many: Float32Array, from: number): number {
  let [a, b, c, d] = [0, 0, 0, 0]
  let k = 0
  for (const end = DIMENSIONS - 3; k < end; k += 4) {
    a += vector[k] * many[from + k]
    b += vector[k + 1] * many[from + k + 1]
    c += vector[k + 2] * many[from + k + 2]
    d += vector[k + 3] * many[from + k + 3]
  }
  for (; k < DIMENSIONS; k++) a += vector[k] * many[from + k]
  return a + b + c + d
}

/** How near a caption comes to groups of wordings, 0 to 1. */
export interface Nearness {
  near: Float32Array
  overlap: Float32Array
  /** The place of the wording that it says, the likeliest first; UNLISTED where it says none. */
  rank: Int32Array
}

/** Words in common that make a caption a listed wording, and the rank of one that is none. */
const LISTED = 0.999
export const UNLISTED = 30

const known = new WeakMap<DocumentType, (caption: string) => Nearness>()
const noField = new CaptionWordings([otherLabels])
const nearNoField = memoize((caption) => noField.near(caption).near[0])

/**
 * How near captions come to the fields of a type, in their order, and last to labels of what is no field of it.
 * What was compared is kept with the type.
 */
export function captionLikeness(type: DocumentType): (caption: string) => Nearness {
  const found = known.get(type)
  if (found) return found
  const last = type.fields.length
  const wordings = new CaptionWordings([
    ...type.fields.map((f) => [f.title, ...f.labels].slice(0, WORDINGS)),
    type.others,
  ])
  const likeness = memoize((caption) => {
    const nearness = wordings.near(caption)
    nearness.near[last] = Math.max(nearness.near[last], nearNoField(caption))
    return nearness
  })
  known.set(type, likeness)
  return likeness
}
