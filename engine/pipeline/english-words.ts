import { createRequire } from 'node:module'

let words: ReadonlySet<string> | undefined

/**
 * The words of English, in small letters. Loaded when they are first asked for: only rows on pictures are
 * held against them.
 */
export const englishWords = (): ReadonlySet<string> =>
  (words ??= new Set(createRequire(import.meta.url)('an-array-of-english-words') as string[]))
