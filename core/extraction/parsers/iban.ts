import { getCountrySpecifications } from 'ibantools'
import { confusions } from '../../lexicon/index.ts'
import type { Word } from '../../model/index.ts'
import { readSpans, type WordsReader } from './reading.ts'

/**
 * What stands behind country and check digits: `a` letters, `n` digits, `c` either, each with its count.
 * Source: IBAN registry of ISO 13616 (SWIFT).
 */
const STRUCTURES: Record<string, string> = {
  AT: 'n16',
  BE: 'n12',
  BG: 'a4n6c8',
  CH: 'n5c12',
  CY: 'n8c16',
  CZ: 'n20',
  DE: 'n18',
  DK: 'n14',
  EE: 'n16',
  ES: 'n20',
  FI: 'n14',
  FO: 'n14',
  FR: 'n10c11n2',
  GB: 'a4n14',
  GI: 'a4c15',
  GL: 'n14',
  GR: 'n7c16',
  HR: 'n17',
  HU: 'n24',
  IE: 'a4n14',
  IS: 'n22',
  IT: 'a1n10c12',
  LI: 'n5c12',
  LT: 'n16',
  LU: 'n3c13',
  LV: 'a4c13',
  MC: 'n10c11n2',
  MT: 'a4n5c18',
  NL: 'a4n10',
  NO: 'n11',
  PL: 'n24',
  PT: 'n21',
  RO: 'a4c16',
  SE: 'n20',
  SI: 'n15',
  SK: 'n20',
  SM: 'a1n10c12',
}

/** Each class of signs of an account number, as it is written in a pattern. */
const CLASSES: Readonly<Record<string, string>> = { '[0-9]': 'n', '[A-Z]': 'a', '[A-Z0-9]': 'c' }

const SPECIFIED = getCountrySpecifications()

/** What stands behind the check digits; of countries that are not listed above, as ibantools has it. */
function structureOf(country: string): string | null {
  if (STRUCTURES[country]) return STRUCTURES[country]
  const pattern = (SPECIFIED as Readonly<Record<string, { bban_regexp?: string | null }>>)[country]
    ?.bban_regexp
  return pattern
    ? [...pattern.matchAll(/(\[[^\]]+\])\{(\d+)\}/g)]
        .map(([, set, count]) => `${CLASSES[set] ?? 'c'}${count}`)
        .join('')
    : null
}

/** For each place of an account number of a country what may stand there. */
function placesOf(country: string): string | null {
  const structure = structureOf(country)
  return structure
    ? `aann${structure.replace(/([anc])(\d+)/g, (_, kind: string, count: string) => kind.repeat(Number(count)))}`
    : null
}

/** Check digits of ISO 13616 (modulus 97 of ISO 7064). */
export function ibanHolds(iban: string): boolean {
  const turned = iban.slice(4) + iban.slice(0, 4)
  let rest = 0
  for (const c of turned) {
    const n = parseInt(c, 36)
    if (Number.isNaN(n)) return false
    rest = (rest * (n > 9 ? 100 : 10) + n) % 97
  }
  return rest === 1
}

/** The shortest has fifteen signs, most of them digits, of which a weak reader leaves some. */
const roomForIban = (words: readonly Word[]): boolean => {
  const text = words
    .map((w) => w.text)
    .join('')
    .replace(/[^\p{L}\d]/gu, '')
  return text.length >= 15 && text.replace(/\D/g, '').length >= 4
}

/**
 * Account numbers of ISO 13616, grouped or not; letters read where digits must stand are these digits, and
 * one sign mixed up otherwise is mended, and said.
 */
export const readIbans: WordsReader = (words) =>
  !roomForIban(words)
    ? []
    : readSpans(words, 10, (text) => {
        const given = text
          .replace(/[\s.\-]+/g, '')
          .replace(/^IBAN:?/i, '')
          .toUpperCase()
        const readings = countriesOf(given).map((country) => fitted(country + given.slice(2)))
        const value = readings.find(ibanHolds) ?? readings[0]
        if (!/^[A-Z]{2}[0-9OISB]{2}[A-Z0-9]{11,30}$/.test(value)) return null
        // Which signs are letters is known of each country, and the check digits bear it out: that is
        // reading, not mending. Another letter for a letter of the country is a guess for all that.
        const guessed = /^[A-Z]{2}/.test(given) && value.slice(0, 2) !== given.slice(0, 2)
        if (ibanHolds(value)) return { value, plausibility: value === given ? 1 : 0.95, repaired: guessed }
        const doubled = withoutDoubled(given)
        const mended = (doubled.length > 0 ? doubled : mendOnce(value)).filter(standsAs)
        if (mended.length === 1) return { value: mended[0], plausibility: 0.7, repaired: true }
        return /^[A-Z]{2}/.test(given) && figures(given.slice(0, value.length)) >= FEWEST
          ? { value, plausibility: 0.35, repaired: false }
          : null
      })

/**
 * "Debits drawn by Alder Bay" has a country at its front and letters that figures look like: without
 * figures of its own it is no number.
 */
const FEWEST = 6
const figures = (text: string): number => text.replace(/\D/g, '').length

/** Account numbers are capitals and figures. */
const AS_DIGIT: Readonly<Record<string, string>> = { ...confusions.digits, ...confusions.digitsInCapitals }

/**
 * The countries that the first two signs may name ("1824" is IE24, or would be IB24 in a country that is
 * none); they themselves where they name one, or none that is known.
 */
function countriesOf(text: string): string[] {
  if (placesOf(text.slice(0, 2)) !== null) return [text.slice(0, 2)]
  const lettersOf = (sign: string): string[] => [...(confusions.letters[sign] ?? sign)]
  const countries =
    text.length < 15
      ? []
      : lettersOf(text[0])
          .flatMap((a) => lettersOf(text[1]).map((b) => a + b))
          .filter((c) => c in STRUCTURES)
  return countries.length > 0 ? countries : [text.slice(0, 2)]
}

const asLetter = (sign: string): string => (/\d/.test(sign) ? (confusions.letters[sign]?.[0] ?? sign) : sign)

/**
 * The text with digits where its country has digits and letters where it has letters, and no longer than its
 * country's numbers are.
 */
function fitted(text: string): string {
  const places = placesOf(text.slice(0, 2))
  if (!places || text.length < places.length) return text
  return [...text.slice(0, places.length)]
    .map((c, i) => (places[i] === 'n' ? (AS_DIGIT[c] ?? c) : places[i] === 'a' ? asLetter(c) : c))
    .join('')
}

/** Whether letters and digits stand where the country of a number has them. */
function standsAs(iban: string): boolean {
  const places = placesOf(iban.slice(0, 2))
  return !places || [...iban].every((c, i) => places[i] === 'c' || (places[i] === 'n') === /\d/.test(c))
}

/**
 * A stroke that a reader saw twice ("IE591ISSB…" for "IE59ISSB…"): the number one sign shorter whose check
 * digits hold.
 */
function withoutDoubled(text: string): string[] {
  if (text.length !== (placesOf(text.slice(0, 2))?.length ?? 0) + 1) return []
  const shorter = [...text].flatMap((sign, i) =>
    STROKES.has(sign) && STROKES.has(text[i + 1])
      ? [text.slice(0, i) + text.slice(i + 1), text.slice(0, i + 1) + text.slice(i + 2)]
      : [],
  )
  return [...new Set(shorter.map(fitted))].filter(ibanHolds)
}
const STROKES: ReadonlySet<string> = new Set(['1', 'I', 'L', '|', 'T', 'J'])

/**
 * All account numbers whose check digits hold, one sign away from a text, letters and digits as its country
 * has them.
 */
function mendOnce(iban: string): string[] {
  const places = placesOf(iban.slice(0, 2))
  const found = new Set<string>()
  for (let i = 0; i < iban.length; i++)
    for (const other of confusions.inCodes[iban[i]] ?? '') {
      if (places && places[i] !== 'c' && (places[i] === 'n') !== /\d/.test(other)) continue
      const tried = iban.slice(0, i) + other + iban.slice(i + 1)
      if (ibanHolds(tried)) found.add(tried)
    }
  return [...found]
}
