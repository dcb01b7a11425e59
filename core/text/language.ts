import { fold } from './normalize.ts'

export type Language = 'en' | 'fr' | 'es'

/** Small words that every paper of the language uses; none is a word of the other two. */
const SMALL: Record<Language, readonly string[]> = {
  en: [
    'the',
    'of',
    'and',
    'for',
    'is',
    'this',
    'by',
    'your',
    'with',
    'from',
    'to',
    'we',
    'are',
    'number',
    'name',
    'page',
    'amount',
    'account',
    'address',
  ],
  fr: [
    'le',
    'du',
    'des',
    'et',
    'pour',
    'est',
    'cette',
    'par',
    'votre',
    'avec',
    'au',
    'aux',
    'nous',
    'sur',
    'numero',
    'nom',
    'montant',
    'compte',
    'adresse',
    'les',
    'prenom',
    'naissance',
  ],
  es: [
    'el',
    'los',
    'las',
    'y',
    'para',
    'esta',
    'por',
    'su',
    'con',
    'del',
    'al',
    'numero',
    'nombre',
    'importe',
    'cuenta',
    'direccion',
    'fecha',
    'una',
    'nacimiento',
    'apellidos',
    'vencimiento',
  ],
}

const languages = Object.keys(SMALL) as Language[]
const users = new Map<string, Language[]>()
for (const language of languages)
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
  const [first, second] = [...languages].sort((a, b) => counts[b] - counts[a])
  return counts[first] >= FEWEST && counts[first] >= 2 * counts[second] ? first : null
}
