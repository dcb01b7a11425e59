import { memoize } from '../text/index.ts'
import { NO_CURRENCY } from './currencies.ts'
import type { DateOrder, Lender } from './lender.ts'
import { usualDateOrder, usualDecimal } from './territories.ts'

/** How one paper writes amounts and days. */
export interface Locale {
  /** ISO 4217: what an amount without a sign is in, and which of those that share a sign is meant. */
  currency: string
  /** Weak print alone says that it is another than the lender's: its amounts are asked about. */
  currencyOpen: boolean
  dateOrder: DateOrder
  /** Both orders stay possible, and nothing says which: days that read either way are asked about. */
  orderOpen: boolean
  /** What parts whole units from their parts; null where the paper shows neither. */
  decimal: '.' | ',' | null
}

const interned = new Map<string, Locale>()

/** The one object for a locale, so that answers can be remembered by it. */
export function internLocale(locale: Locale): Locale {
  const key = `${locale.currency} ${locale.currencyOpen} ${locale.dateOrder} ${locale.orderOpen} ${locale.decimal}`
  const known = interned.get(key)
  if (known) return known
  const frozen = Object.freeze({ ...locale })
  interned.set(key, frozen)
  return frozen
}

/** What holds where nothing is known of lender or paper. */
export const NEUTRAL: Locale = internLocale({
  currency: NO_CURRENCY,
  currencyOpen: false,
  dateOrder: 'dmy',
  orderOpen: false,
  decimal: null,
})

/** The order of day and month of a lender: what it says, or what is usual in its country. */
export const dateOrderOf = ({ dateOrder, country }: Pick<Lender, 'dateOrder' | 'country'>): DateOrder =>
  dateOrder ?? usualDateOrder(country) ?? NEUTRAL.dateOrder

/** What holds for a paper of a lender that shows nothing of its own. */
export const localeOfLender = (lender: Lender): Locale =>
  internLocale({
    currency: lender.currency,
    currencyOpen: false,
    dateOrder: dateOrderOf(lender),
    orderOpen: false,
    decimal: usualDecimal(lender.country),
  })

/** A pure function of a text and a locale that remembers its answers, as `memoize` does for texts alone. */
export function perLocale<T>(work: (text: string, locale: Locale) => T): (text: string, locale: Locale) => T {
  const known = new WeakMap<Locale, (text: string) => T>()
  return (text, locale) => {
    let own = known.get(locale)
    if (!own) known.set(locale, (own = memoize((t) => work(t, locale))))
    return own(text)
  }
}
