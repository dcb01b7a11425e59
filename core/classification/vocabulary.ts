import type { Line } from '../layout/index.ts'
import type { DocumentType } from '../program/index.ts'
import { contentWords } from '../extraction/index.ts'

/** How much a word of a title, of a sign and of a label tells beside one another. */
const FROM = { title: 1, sign: 0.8, label: 0.35 } as const

/**
 * The single words that a type's wordings are made of. A heading or a sentence that nobody listed ("I
 * authorise enquiries about my credit record") still uses them, and what only few types say speaks for those.
 */
export class Vocabulary {
  private readonly weights = new Map<string, [type: number, weight: number][]>()

  constructor(private readonly types: readonly DocumentType[]) {
    types.forEach((type, index) => {
      const best = new Map<string, number>()
      const put = (wording: string, weight: number) =>
        contentWords(wording).forEach(
          (word) => word.length > 2 && best.set(word, Math.max(best.get(word) ?? 0, weight)),
        )
      type.titles.forEach((t) => put(t, FROM.title))
      type.signs.forEach((s) => put(s.words, FROM.sign))
      type.fields.forEach((f) =>
        [...f.labels, ...f.columns.flatMap((c) => c.labels)].forEach((l) => put(l, FROM.label)),
      )
      for (const [word, weight] of best)
        this.weights.set(word, [...(this.weights.get(word) ?? []), [index, weight]])
    })
  }

  /** By type, how much the words of the lines speak for it; each word counts once. */
  speaksFor(lines: readonly Line[]): number[] {
    const scores = new Array<number>(this.types.length).fill(0)
    for (const word of new Set(lines.flatMap((l) => l.words.flatMap((w) => contentWords(w.text))))) {
      const users = this.weights.get(word)
      if (!users) continue
      const rare = Math.log(1 + this.types.length / users.length) / Math.log(1 + this.types.length)
      for (const [type, weight] of users) scores[type] += 0.5 * weight * rare ** 2
    }
    return scores
  }
}
