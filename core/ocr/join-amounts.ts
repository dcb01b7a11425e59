import { overlap, type Word } from '../model/index.ts'

/** In heights of letters: what stands further apart is two words. */
const GAP = 0.9

/** Thousands in groups and one decimal: no amount is so written, but half of one is. */
const GROUPED = /\d[.,]\d{3}[.,]\d$/

/**
 * Puts amounts together that a reader of pictures parts at their decimal sign, as it does with the wide point
 * of typewriter faces: "123. 57". A day and its month ("12. 05 2026") stay apart.
 */
export function joinSplitAmounts(words: readonly Word[], shape: number): Word[] {
  const ends = new Map<Word, Word>()
  for (const word of words) {
    // Of "6,749.0 4" the last figure alone stands apart.
    const lacking = /^\D{0,3}\d[\d.,]*[.,](\d?)$/.exec(word.text)?.[1].length
    if (lacking === undefined || (lacking === 1 && !GROUPED.test(word.text))) continue
    // The rest may stand anywhere in the list: a reader that sees two columns lists one after the other.
    const rest = words.find(
      (w) => (lacking === 1 ? /^\d$/ : /^\d{2}\D?$/).test(w.text) && besides(word, w, shape),
    )
    if (rest && !words.some((w) => /^[./-]?(?:19|20)\d\d/.test(w.text) && besides(rest, w, shape)))
      ends.set(word, rest)
  }
  const taken = new Set(ends.values())
  return words.flatMap((word) => {
    const rest = ends.get(word)
    if (!rest) return taken.has(word) ? [] : [word]
    const [a, b] = [word.box, rest.box]
    return [
      {
        text: word.text + rest.text,
        confidence: Math.min(word.confidence, rest.confidence),
        box: [a[0], Math.min(a[1], b[1]), b[2], Math.max(a[3], b[3])] as Word['box'],
      },
    ]
  })
}

/** Whether a word stands close behind another in its line. @param shape width of the page over its height */
function besides({ box: a }: Word, { box: b }: Word, shape: number): boolean {
  const tall = Math.max(a[3] - a[1], b[3] - b[1])
  const gap = (b[0] - a[2]) * shape
  return (
    gap >= -tall * 0.3 &&
    gap < tall * GAP &&
    overlap(a[1], a[3], b[1], b[3]) > 0.4 * Math.min(a[3] - a[1], b[3] - b[1])
  )
}
