import { tokens } from '../text/index.ts'
import { confusionsOf } from '../matching/index.ts'
import type { ReadWord } from './known-phrases.ts'

/** Shorter words have too many neighbours. */
const LONG = 5
/** A word read less surely than this may have any one letter misread, not only one that looks like another. */
const WEAK = 0.9
const LETTERS = 'abcdefghijklmnopqrstuvwxyz'

/**
 * What a word was likely meant for that is no word: "Chandiery" is chandlery, "Hydraukic" hydraulic. Null
 * where it is one, where nothing is near, or where two words are as near as each other.
 * @param isWord whether letters are a word or a name that the papers have, in small letters
 */
export function dictionaryWord(
  { text, confidence: sure }: ReadWord,
  isWord: (letters: string) => boolean,
): string | null {
  const [letters, ...more] = tokens(text)
  if (more.length > 0 || !letters || letters.length < LONG || !/^[a-z]+$/.test(letters) || isWord(letters))
    return null
  const alike = wordsAmong([...confusionsOf(letters), ...onceOrTwice(letters)], isWord)
  const [near, other] = alike.size > 0 || sure >= WEAK ? alike : wordsAmong(oneLetterOff(letters), isWord)
  return near === undefined || other !== undefined ? null : text.replace(/\p{L}+/u, (own) => cased(near, own))
}

/** Two like letters side by side are read as one, and one as two: "setlement", "harbbour". */
function* onceOrTwice(word: string): Generator<string> {
  for (let at = 0; at < word.length; at++) {
    yield word.slice(0, at) + word[at] + word.slice(at)
    if (word[at] === word[at + 1]) yield word.slice(0, at) + word.slice(at + 1)
  }
}

function* oneLetterOff(word: string): Generator<string> {
  for (let at = 0; at < word.length; at++)
    for (const letter of LETTERS)
      if (letter !== word[at]) yield word.slice(0, at) + letter + word.slice(at + 1)
}

const wordsAmong = (tried: Iterable<string>, isWord: (letters: string) => boolean): Set<string> =>
  new Set([...tried].filter(isWord))

/** Letters in the case of a text: small, with a capital, or capitals. */
const cased = (letters: string, text: string): string =>
  /^\P{Ll}*$/u.test(text)
    ? letters.toUpperCase()
    : /^\p{Lu}/u.test(text)
      ? letters[0].toUpperCase() + letters.slice(1)
      : letters
