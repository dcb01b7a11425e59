import type { Word } from '../../model/index.ts'
import {
  endPattern,
  joiningWords,
  legalForms,
  nameParticles,
  noNames,
  organisations,
  streetForms,
  wordsPattern,
  postalCodes,
} from '../../lexicon/index.ts'
import { fold } from '../../text/index.ts'
import { rawOf, type WordsReader } from './reading.ts'

const tidy = (text: string): string =>
  withoutHalfBracket(text.replace(/^[\s:.,;=\-–—_*|]+|[\s:,;=\-–—_|*]+$/g, '').replace(/\s+/g, ' '))

/** "I (Ottilie Varnham, national number …)": a bracket of which only one half was taken belongs to the sentence. */
const withoutHalfBracket = (text: string): string =>
  text.startsWith('(') && !text.includes(')')
    ? text.slice(1)
    : text.endsWith(')') && !text.includes('(')
      ? text.slice(0, -1)
      : text

const withoutLeaders = (words: Word[]): Word[] => words.filter((w) => !/^[._:·…\-–—=|]+$/.test(w.text))

const NOT_A_NAME = wordsPattern(noNames)
/** Small words inside names of persons. */
export const PARTICLES: ReadonlySet<string> = nameParticles

/** How much a text looks like a person's name, 0 to 1. */
export function nameLikeness(text: string): number {
  const parts = text.split(/[\s,]+/).filter(Boolean)
  if (parts.length === 0 || parts.length > 7 || /\d{2}|[@\p{Sc}%<>:]/u.test(text) || text.length > 60)
    return 0
  if (NOT_A_NAME.test(text)) return 0.1
  const good = parts.filter(
    (p) => /^[("]?\p{Lu}[\p{L}'’.\-]*[.)",]?$/u.test(p) || PARTICLES.has(fold(p)),
  ).length
  const share = good / parts.length
  if (parts.length === 1) return 0.35 * share
  return share >= 0.99 ? 1 : share * 0.7
}

const ORG_WORDS = wordsPattern(organisations)

/** The end of a firm's name that says under which law it stands. */
export const LEGAL_FORM = endPattern(legalForms.written)

/** So many words in small letters, small words aside, make a sentence. */
const SPOKEN = 3

/** How much a text looks like a firm's name, 0 to 1. */
export function orgLikeness(text: string): number {
  if (
    !/\p{L}{2}/u.test(text) ||
    text.length > 70 ||
    /[@<>\p{Sc}]|\d{4}/u.test(text) ||
    /^(?:the|an?|of|and|this|le|la|les|el|los)$/i.test(text)
  )
    return 0
  // A sentence about a company is no company.
  if (text.split(/\s+/).filter((w) => /^\p{Ll}{2,}$/u.test(w) && !joiningWords.has(fold(w))).length >= SPOKEN)
    return 0.2
  if (ORG_WORDS.test(fold(text))) return 1
  return /^\p{Lu}/u.test(text) ? 0.6 : 0.3
}

/** Leaves away a title; "M." before a single name is more likely an initial than a monsieur. */
export function withoutTitle(name: string): string {
  const bare = name
    .replace(/^(?:dear|hello|cher|chère|estimado|estimada)\s+(?=\p{Lu})/iu, '')
    .replace(/^(?:mr|mrs|ms|miss|mx|dr|prof|m|mme|mlle|sr|sra|srta|don|doña)\.?\s+(?=\p{Lu})/iu, '')
  return /^m\b/i.test(name) && !bare.includes(' ') ? name : bare
}

/**
 * Behind a comma: a number, or a sentence that goes on ("…, was registered on"). A reader of pictures takes
 * the one capital behind it for a small letter ("Ravensby, wilma").
 */
const goesOn = (word: Word, last: boolean): boolean =>
  /^\d/.test(word.text) ||
  (/^\p{Ll}/u.test(word.text) && !PARTICLES.has(fold(word.text)) && !(last && word.confidence < 1))

/**
 * A capital at the front of a name that a reader of pictures took for the small letter it looks like: no name
 * begins with "lv" or "fñ", and "iNIGO" is all capitals.
 */
const withCapital = (text: string): string =>
  text
    .replace(/^\p{Ll}(?=\p{Lu}{2,}[.,]?$)/u, (small) => (small === 'l' ? 'I' : small.toUpperCase()))
    .replace(/^l(?=[b-df-hj-np-tv-z])/, 'I')
    .replace(/^f(?=[ñn]\p{Ll})/u, 'Í')

/**
 * A word of a name whose first letter a reader of pictures took for a small one, or an initial for a stroke
 * or a figure ("|. Dunbarrow", "0. Maccrae").
 */
const initial = (word: Word, next: Word | undefined): Word => {
  if (word.confidence === 1) return word
  const text = withCapital(word.text)
  if (text !== word.text) return { ...word, text }
  const letter =
    next && /^\p{Lu}\p{L}/u.test(next.text)
      ? { '|.': 'I.', '1.': 'I.', '!.': 'I.', 'l.': 'I.', '0.': 'O.', '©.': 'O.', '5.': 'S.', '8.': 'B.' }[
          word.text
        ]
      : undefined
  return letter ? { ...word, text: letter } : word
}

/** The whole run as a person's name. Titles and notes in brackets behind it are left away. */
export const readNames: WordsReader = (words) => {
  const kept = withoutLeaders(words.map((w, i) => initial(w, words[i + 1])))
  const cut = kept.findIndex(
    (w, i) =>
      i > 0 &&
      (/^\(|\d{3}|@/.test(w.text) ||
        /[;:]$/.test(w.text) ||
        (/,$/.test(kept[i - 1].text) && goesOn(w, i === kept.length - 1))),
  )
  // A full stop ends a name unless it shortens a title or a given name.
  const stop = kept.findIndex(
    (w, i) =>
      i > 0 &&
      i < kept.length - 1 &&
      /\p{L}{3,}\.$/u.test(w.text) &&
      !/^(?:capt|prof|rev|mrs|sra|srta|mme|mlle)\.$/i.test(w.text),
  )
  const run = kept.slice(0, Math.min(cut > 0 ? cut : kept.length, stop >= 0 ? stop + 1 : kept.length))
  const value = withoutTitle(tidy(rawOf(run))).replace(/(?<=\p{Ll}{3})\.$/u, '')
  const fit = nameLikeness(value)
  const own = words.filter((w) => run.some((r) => r.box === w.box))
  return fit > 0 && value.length > 2
    ? [
        {
          value,
          words: own,
          raw: rawOf(own),
          plausibility: fit,
          repaired: run.some((w) => !words.includes(w)),
        },
      ]
    : []
}

/** What weak readers see in an &. */
const AND_SIGNS: ReadonlySet<string> = new Set(['¢', '€', '§'])

/** What closes a firm's name, as weak readers and hasty hands spell it. */
const CLOSING: readonly [RegExp, string][] = [
  [/^[CLlI1i([{]{1,2}[t+][do]\.?$/, 'Ltd'],
  [/^L[il1|]d\.?$/, 'Ltd'],
  [/^Lt[dol]{1,2}$/, 'Ltd'],
  [/^P[LI][LCGO(]$/, 'PLC'],
]

/** The "Ltd" or "PLC" that a last word is a misspelling of; null for other words, and where it is spelt right. */
export const closingOf = (word: string): string | null =>
  CLOSING.find(([form, plain]) => form.test(word) && word.replace(/\.$/, '') !== plain)?.[1] ?? null

/** The last word of a firm's name, put right where it is a misspelt "Ltd" or "PLC". */
function withClosing(run: Word[]): Word[] {
  const last = run.at(-1)
  if (!last || run.length < 2 || last.confidence === 1) return run
  const closing = closingOf(last.text)
  return closing ? [...run.slice(0, -1), { ...last, text: closing }] : run
}

/** "Garvie & Daughters Ltd (SC-201944)": its number behind it is no part of its name. */
function withoutNumber(words: Word[]): Word[] {
  const number = words.findIndex(
    (w, i) => i > 1 && /^\(.*\d/.test(w.text) && /\)[.,;]?$/.test(words.at(-1)!.text),
  )
  return number < 0 ? words : words.slice(0, number)
}

/**
 * A firm's name on a picture without the words behind its legal form: the letterhead and the heading beside
 * it run into one another ("Alder Ropeworks Ltd Employment reference").
 */
export function beforeHeading(words: Word[]): Word[] {
  const end = words.findIndex(
    (w, i) =>
      i > 0 &&
      LEGAL_FORM.test(w.text) &&
      /^\p{Lu}\p{Ll}/u.test(words[i + 1]?.text ?? '') &&
      words[i + 2] !== undefined,
  )
  return end < 0 || !words.some((w) => w.confidence < 1) ? words : words.slice(0, end + 1)
}

export const readOrgs: WordsReader = (words) => {
  const given = beforeHeading(withoutNumber(withoutLeaders(words)))
  const run = withClosing(
    given.map((w) => (w.confidence < 1 && AND_SIGNS.has(w.text) ? { ...w, text: '&' } : w)),
  )
  const value = tidy(rawOf(run))
  const fit = orgLikeness(value)
  return fit > 0
    ? [{ value, words: given, raw: rawOf(given), plausibility: fit, repaired: rawOf(run) !== rawOf(given) }]
    : []
}

export const readTexts: WordsReader = (words) => {
  const kept = withoutLeaders(words)
  // What is put in quotation marks ends with them: “Wave Dancer”, serial no. …
  const closing = /^["“„«]/.test(kept[0]?.text ?? '')
    ? kept.findIndex((w) => /["”»][,.;:)]*$/.test(w.text))
    : -1
  // A full stop before a capital ends the sentence that the words stand in.
  const stop = kept.findIndex(
    (w, i) => /(?:\p{Ll}{3,}|\p{Lu}{4,})\.$/u.test(w.text) && /^\p{Lu}/u.test(kept[i + 1]?.text ?? ''),
  )
  const run = closing >= 0 ? kept.slice(0, closing + 1) : stop >= 0 ? kept.slice(0, stop + 1) : kept
  const value = tidy(rawOf(run))
    .replace(stop >= 0 ? /(?<=\p{L}{3})\.$/u : /(?<=\p{Ll}{4})\.$/u, '')
    .replace(/^["“„«]\s?|\s?["”»]$/g, '')
  if (!/[\p{L}\d]{2}/u.test(value) || value.length > 60) return []
  return [
    {
      value,
      words: run,
      raw: rawOf(run),
      plausibility: value.split(' ').length > 6 ? 0.4 : 0.9,
      repaired: false,
    },
  ]
}

const STREET = wordsPattern(streetForms)

/** A pattern of forms of postal codes, in folded words. */
const formsOf = (forms: readonly string[]): string =>
  `(?:${forms.map((form) => form.replaceAll('A', '[a-z]').replaceAll('9', '\\d').replaceAll(' ', '\\s?')).join('|')})`
// "1200 Main Street" begins with a house; behind a comma four figures before a word are a place's.
const POSTCODE = new RegExp(
  `\\b${formsOf(postalCodes.anywhere)}\\b|,\\s*${formsOf(postalCodes.beforePlace)}\\s+[a-z]{3}|[a-z]{3},?\\s+${formsOf(postalCodes.behindPlace)}$`,
)

/** Whether a text carries a postal code, which ends an address on most papers. */
export const hasPostcode = (text: string): boolean => POSTCODE.test(fold(text))

/** How much a text looks like part of a postal address, 0 to 1. */
export function addressLikeness(text: string): number {
  const plain = fold(text)
  const street = STREET.test(plain) && /\d/.test(plain)
  const code = POSTCODE.test(plain)
  if (street && code) return 1
  if (street || (code && /[a-z]{3}/.test(plain))) return 0.9
  if (STREET.test(plain)) return 0.6
  return /\d/.test(plain) && /[a-z]{3}/.test(plain) ? 0.4 : 0.15
}

export const readAddresses: WordsReader = (words) => {
  const run = withoutLeaders(words)
  const value = tidy(rawOf(run))
  const fit = addressLikeness(value)
  return value.length > 5 ? [{ value, words: run, raw: rawOf(run), plausibility: fit, repaired: false }] : []
}
