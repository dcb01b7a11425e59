import data from './currencies.json' with { type: 'json' }
import signsFile from './currency-signs.json' with { type: 'json' }

/**
 * Currencies of ISO 4217 by what papers print for them: codes, signs and names. `currencies.json` is of the
 * Unicode CLDR, `currency-signs.json` has what papers print besides.
 */

interface Currency {
  sign?: string
  narrow: string
  names?: string[]
  digits?: number
}
const currencies: Readonly<Record<string, Currency>> = data.currencies
const printedFor: Readonly<Record<string, readonly string[]>> = signsFile.signs
const slips: Readonly<Record<string, readonly string[]>> = signsFile.slips

/** What may stand for currencies, by how it is printed. The likeliest meaning stands first. */
type Signs = ReadonlyMap<string, readonly string[]>

function signsOf(): Signs {
  const meanings = new Map<string, string[]>()
  const mean = (sign: string, code: string) => {
    const all = meanings.get(sign)
    if (!all) meanings.set(sign, [code])
    else if (!all.includes(code)) all.push(code)
  }
  const all = Object.entries(currencies)
  // Currencies that English texts have a sign for come first: that is whom a sign means that several share.
  for (const [code, { sign }] of all) if (sign) mean(sign, code)
  for (const [code, { narrow }] of all) {
    mean(code, code)
    mean(narrow, code)
    for (const sign of printedFor[code] ?? []) mean(sign, code)
  }
  for (const [code, { names = [] }] of all)
    for (const name of names) {
      // "dollars" of "US dollars" and of "dollars des États-Unis".
      const words = name.split(' ')
      for (const spoken of [name, words.at(-1)!, words[0], code.toLowerCase()]) mean(spoken, code)
    }
  return meanings
}

let known: Signs | undefined
/** Built when it is first asked for. */
const signs = (): Signs => (known ??= signsOf())

/** A sign of a currency as it is printed beside an amount. */
export interface CurrencySign {
  /** As printed, with the spaces around it. */
  printed: string
  /** ISO 4217. */
  currency: string
  /** Whether it means no other, or the paper's own. */
  certain: boolean
}

/** What stands before the first figure, bracket or sign of an amount, and behind the last. */
const AHEAD = /^[^\d()+\-−–]+/
const BEHIND = /(?<=[\d()+\-−–][.,]?)[^\d()+\-−–.,][^\d()+\-−–]*$/

/** A sign of so few plain letters ("R", "kr", "Rs") is one where the paper's currency has it. */
const SHORT = /^[a-z]{1,2}\.?$/i

/**
 * The sign of a currency that a text begins or ends with; null where it does neither.
 * @param own the currency that the paper is in: of several that share a sign it is the one that is meant
 */
export function currencySign(text: string, side: 'ahead' | 'behind', own: string): CurrencySign | null {
  const printed = (side === 'ahead' ? AHEAD : BEHIND).exec(text)?.[0] ?? ''
  const sign = printed.trim()
  if (sign === '') return null
  const meant = signs().get(sign) ?? signs().get(sign.toLowerCase()) ?? signs().get(sign.replace(/[.:]$/, ''))
  if (!meant) return slips[own]?.includes(sign) ? { printed, currency: own, certain: true } : null
  if (meant.includes(own)) return { printed, currency: own, certain: true }
  if (SHORT.test(sign)) return null
  return { printed, currency: meant[0], certain: meant.length === 1 || currencies[meant[0]].sign === sign }
}

/** Whether a word is a sign, a code or a name of some currency and nothing else. */
export const isCurrencySign = (word: string): boolean => signs().has(word)

/**
 * Digits behind the decimal sign of an amount, never fewer than two: papers print cents of currencies that
 * have none.
 */
export const minorDigits = (currency: string): number => Math.max(2, currencies[currency]?.digits ?? 2)

/** The currency that is legal tender in a country, ISO 4217; null where there is none. */
export const usualCurrency = (country: string | null): string | null =>
  (data.tender as Readonly<Record<string, string>>)[country ?? ''] ?? null

/** ISO 4217's code for no currency: where neither paper nor lender says one. */
export const NO_CURRENCY = 'XXX'

/** Whether ISO 4217 has a code. */
export const isCurrency = (code: string): boolean => code in currencies
