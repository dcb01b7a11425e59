import { linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { tokens } from '../text/index.ts'
import type { DocumentType } from '../program/index.ts'

/** Shorter words, and whatever has figures in it, are values or tell nothing. */
const WORD = /^[a-z]{2,}$/

/** The words of a page and the pairs that stand side by side in it, each once. */
export function pageWordsOf(page: Page): ReadonlySet<string> {
  const found = new Set<string>()
  for (const { segments } of linesOf(page))
    for (const { words } of segments) {
      let before: string | null = null
      for (const word of words.flatMap((w) => tokens(w.text))) {
        if (!WORD.test(word)) continue
        found.add(word)
        if (before) found.add(`${before} ${word}`)
        before = word
      }
    }
  return found
}

/** The weights of a type's page words: `bias` is what a page of none of them says. */
interface Weights {
  bias: number
  words: ReadonlyMap<string, number>
}

/** Weights are written in thousandths. */
const UNIT = 1000
const parsed = new WeakMap<DocumentType, Weights | null>()

function weightsOf(type: DocumentType): Weights | null {
  const known = parsed.get(type)
  if (known !== undefined) return known
  const words = new Map<string, number>()
  for (const line of (type.pageWords ?? '').split('\n')) {
    const [, word, weight] = /^(.*) (-?\d+)$/.exec(line) ?? []
    if (word) words.set(word, Number(weight) / UNIT)
  }
  const bias = words.get(BIAS)
  const weights = bias === undefined ? null : { bias, words }
  parsed.set(type, weights)
  return weights
}

/** Stands for the bias in a type's page words; no word of a page is written so. */
const BIAS = '*'

/**
 * How far the words of a page speak for a type whose page words were fitted, as the margin of a linear
 * classifier over them, the length of the page taken out; null where none were. Source: Joachims, "Text
 * categorization with support vector machines", 1998.
 */
export function pageWordMargin(words: ReadonlySet<string>, type: DocumentType): number | null {
  const weights = weightsOf(type)
  if (!weights) return null
  let sum = 0
  for (const word of words) sum += weights.words.get(word) ?? 0
  return weights.bias + sum / Math.sqrt(Math.max(1, words.size))
}
