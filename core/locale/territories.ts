import { fold } from '../text/index.ts'
import data from './currencies.json' with { type: 'json' }
import type { DateOrder } from './lender.ts'

/** What is usual in a country. Source: Unicode CLDR, as `Intl` carries it. */

/** The likeliest language of a country with the country: `en-US`. @returns null for what is no country */
function localeOf(country: string): string | null {
  if (!/^[A-Z]{2}$/.test(country)) return null
  const { language } = new Intl.Locale(`und-${country}`).maximize()
  return `${language}-${country}`
}

/** The order of day, month and year of a country; null where it is not known. */
export function usualDateOrder(country: string | null): DateOrder | null {
  const locale = country && localeOf(country)
  if (!locale) return null
  const parts = new Intl.DateTimeFormat(locale, { year: 'numeric', month: '2-digit', day: '2-digit' })
    .formatToParts(0)
    .flatMap((p) => (p.type === 'day' || p.type === 'month' || p.type === 'year' ? [p.type[0]] : []))
    .join('')
  return parts === 'dmy' || parts === 'mdy' || parts === 'ymd' ? parts : null
}

const orderOf = new Map<string, DateOrder | null>()

/** The order of day and month in most countries whose tender a currency is; null where there are none. */
export function usualOrderWith(currency: string): DateOrder | null {
  let order = orderOf.get(currency)
  if (order === undefined) {
    const counts = new Map<DateOrder, number>()
    for (const [country, tender] of Object.entries(data.tender)) {
      const own = tender === currency ? usualDateOrder(country) : null
      if (own) counts.set(own, (counts.get(own) ?? 0) + 1)
    }
    order = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
    orderOf.set(currency, order)
  }
  return order
}

/** The decimal sign of a country; null where it is not known. */
export function usualDecimal(country: string | null): '.' | ',' | null {
  const locale = country && localeOf(country)
  if (!locale) return null
  const sign = new Intl.NumberFormat(locale, { numberingSystem: 'latn' })
    .formatToParts(1.5)
    .find((p) => p.type === 'decimal')?.value
  return sign === '.' || sign === ',' ? sign : null
}

/** Languages in which papers name countries. */
const NAMED_IN = ['en', 'fr', 'es', 'de', 'pt', 'it', 'nl', 'pl']

let byName: ReadonlyMap<string, string> | undefined

/** The country that a text names and nothing else, in one of the languages that name it; null for other texts. */
export function countryNamed(text: string): string | null {
  if (text.length < 3 || text.length > 60) return null
  byName ??= new Map(
    NAMED_IN.flatMap((language) => {
      const names = new Intl.DisplayNames(language, { type: 'region' })
      return Object.keys(data.tender).map((code) => [fold(names.of(code) ?? code), code] as const)
    }),
  )
  return byName.get(fold(text)) ?? null
}

/** All countries by code and English name, for choosing one. */
export function countries(): { code: string; name: string }[] {
  const names = new Intl.DisplayNames('en', { type: 'region' })
  return Object.keys(data.tender)
    .flatMap((code) => {
      const name = names.of(code)
      return name && name !== code ? [{ code, name }] : []
    })
    .sort((a, b) => a.name.localeCompare(b.name))
}
