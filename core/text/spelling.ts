import { editDistance } from './normalize.ts'

/** Letters of a word at least that is likelier misread than another word: "Stor" and "Stop" may both be meant. */
const LONG_WORD = 5

/** Whether a word is long enough to be known again with a letter misread. @param word folded, without marks */
export const isDistinctiveWord = (word: string): boolean => word.length >= LONG_WORD && !/\d/.test(word)

/**
 * The one of several words that another is likely a misreading of: a letter off, with rn for the m that it
 * looks like. Null where there is none, or more than one. A plural is another word.
 * @param read and `words` folded, without marks
 */
export function likelyWord(read: string, words: readonly string[]): string | null {
  const near = words.filter(
    (word) => read !== `${word}s` && word !== `${read}s` && editDistance(asSeen(read), asSeen(word), 1) <= 1,
  )
  return near.length === 1 ? near[0] : null
}

const asSeen = (word: string): string => word.replaceAll('rn', 'm')
