import { languageOf, LANGUAGES, type Language } from '../lexicon/index.ts'

const isKnown = (language: string): language is Language =>
  (LANGUAGES as readonly string[]).includes(language)

/** The first language of a list, such as `Content-Language` or a lender's, that letters are written in. */
const firstKnown = (languages: readonly string[]): Language | null =>
  languages.map((l) => l.trim().slice(0, 2).toLowerCase()).find(isKnown) ?? null

/**
 * The language to answer a letter in: the one it is written in where that shows, or that its head names, or the
 * lender's own.
 */
export function letterLanguage(
  text: string,
  { named, lender }: { named: string | undefined; lender: readonly string[] },
): Language {
  const words = text.split(/\s+/).map((word) => ({ text: word }))
  return languageOf(words) ?? firstKnown((named ?? '').split(',')) ?? firstKnown(lender) ?? 'en'
}
