import file from './word-vectors.json' with { type: 'json' }

const words = file.words.split(' ')

/** A vector's bytes are its parts times this. */
const SCALE = 254

/**
 * Vectors of the words that papers use, `dimensions` numbers a word, the most usual words first; `rank` says
 * which word begins at which multiple of `dimensions`.
 */
export const wordVectors: {
  readonly dimensions: number
  readonly rank: ReadonlyMap<string, number>
  readonly at: Float32Array
} = {
  dimensions: file.dimensions,
  rank: new Map(words.map((word, i) => [word, i])),
  at: Float32Array.from(atob(file.vectors), (byte) => ((byte.charCodeAt(0) << 24) >> 24) / SCALE),
}
