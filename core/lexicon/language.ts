import { fold } from '../text/index.ts'
import smallWords from './small-words.json' with { type: 'json' }

/** Languages that papers are read in and letters are written in, by ISO 639-1. */
export const LANGUAGES = ['en', 'fr', 'es'] as const
export type Language = (typeof LANGUAGES)[number]

const SMALL: Record<Language, readonly string[]> = smallWords

const users = new Map<string, Language[]>()
for (const language of LANGUAGES)
  for (const word of SMALL[language]) users.set(word, [...(users.get(word) ?? []), language])

/** So many small words, and twice as many as of any other language, make a page's language. */
const FEWEST = 3

/**
 * The language of a page by its small words; null where they are too few or mixed, as on a card or a table of
 * figures.
 */
export function languageOf(words: readonly { text: string }[]): Language | null {
  const counts: Record<Language, number> = { en: 0, fr: 0, es: 0 }
  for (const { text } of words) {
    const of = users.get(fold(text).replace(/[^a-z]/g, ''))
    for (const language of of ?? []) counts[language] += 1 / of!.length
  }
  const [first, second] = [...LANGUAGES].sort((a, b) => counts[b] - counts[a])
  return counts[first] >= FEWEST && counts[first] >= 2 * counts[second] ? first : null
}
