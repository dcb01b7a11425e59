import { translations, wordVectors } from '../../lexicon/index.ts'
import { memoize, tokens } from '../../text/index.ts'
import { contentWords } from './wording-similarity.ts'

/** What a wording means: the direction its words point to together, and the words themselves. */
export interface Meaning {
  words: readonly string[]
  /** Of length 1; null where no word of it has a vector. */
  vector: Float32Array | null
}

const { dimensions, rank, at } = wordVectors
/** Numbers in the vector of a meaning. */
export const DIMENSIONS = dimensions

/**
 * A word among the most usual ones says little: the weight of the word of rank r is r / (r + USUAL). Source:
 * Arora, Liang & Ma, "A simple but tough-to-beat baseline for sentence embeddings", 2017.
 */
const USUAL = 60
/** What a word weighs in the overlap that no vector is known of. */
const UNKNOWN = 1

const english = (word: string): string => translations.get(word) ?? word
/** What a word weighs where wordings are compared, 0 to 1. */
export const weightOf = (word: string): number => {
  const r = rank.get(word)
  return r === undefined ? UNKNOWN : (r + 1) / (r + 1 + USUAL)
}

/** The meaning of a wording; kept, since captions repeat on page after page. */
export const meaningOf = memoize((text): Meaning => {
  const sum = new Float32Array(dimensions)
  let known = 0
  for (const token of tokens(text)) {
    const word = english(token)
    const r = rank.get(word)
    if (r === undefined) continue
    const weight = weightOf(word)
    known += weight
    for (let i = 0, from = r * dimensions; i < dimensions; i++) sum[i] += weight * at[from + i]
  }
  const words = contentWords(text)
  if (known === 0) return { words, vector: null }
  let length = 0
  for (const x of sum) length += x * x
  length = Math.sqrt(length) || 1
  for (let i = 0; i < dimensions; i++) sum[i] /= length
  return { words, vector: sum }
})

/** What words weigh together. */
export const weightOfAll = (words: readonly string[]): number =>
  words.reduce((sum, word) => sum + weightOf(word), 0)
