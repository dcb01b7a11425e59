import { confusions } from '../lexicon/index.ts'
import { editDistance } from '../text/index.ts'
import { WEAK, type Side } from './agreement.ts'

/** All that a word may be if exactly one look-alike in it was taken for the other (folded, without spaces). */
export function* confusionsOf(word: string): Generator<string> {
  for (const [x, y] of confusions.pairs)
    for (const [from, to] of [
      [x, y],
      [y, x],
    ])
      for (let at = word.indexOf(from); at >= 0; at = word.indexOf(from, at + 1))
        yield word.slice(0, at) + to + word.slice(at + from.length)
}

/** Whether exactly one look-alike turns `a` into `b` (both folded, without spaces). */
export function isOneConfusion(a: string, b: string): boolean {
  for (const other of confusionsOf(a)) if (other === b) return true
  return false
}

/**
 * Whether a reading slip explains the difference: the reading of at least one side was weak, and one likely
 * confusion (or, for words, one lost or added letter) leads from one to the other.
 */
export function isConfusion(a: string, b: string, sides: readonly [Side, Side], words = false): boolean {
  if (Math.min(sides[0].confidence, sides[1].confidence) >= WEAK) return false
  return isOneConfusion(a, b) || (words && Math.min(a.length, b.length) >= 6 && editDistance(a, b, 1) <= 1)
}
