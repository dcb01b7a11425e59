import { writeFile } from 'node:fs/promises'
import currencyData from 'cldr-core/supplemental/currencyData.json' with { type: 'json' }

/**
 * Writes `core/locale/currencies.json`: what papers print for each currency of ISO 4217, and which is legal
 * tender where, from the Unicode CLDR (`cldr-core`, and what `Intl` carries of it). Asking `Intl` each time
 * takes a third of a second, which every reading thread would pay.
 */

/** Languages in which amounts have the currency's name behind them. */
const NAMED_IN = ['en', 'fr', 'es'] as const

const part = (locale: string, currency: string, currencyDisplay: string, amount = 2): string =>
  new Intl.NumberFormat(locale, {
    style: 'currency',
    currency,
    currencyDisplay: currencyDisplay as 'name',
  })
    .formatToParts(amount)
    .find((p) => p.type === 'currency')!.value

interface Tender {
  _from?: string
  _to?: string
  _tender?: string
}
const regions = currencyData.supplemental.currencyData.region as unknown as Record<
  string,
  Record<string, Tender>[]
>

/** The newest legal tender of a country. */
const tenderOf = (country: string): string | undefined =>
  regions[country]
    .flatMap((entry) => Object.entries(entry))
    .filter(([, tender]) => tender._to === undefined && tender._tender !== 'false')
    .sort(([, a], [, b]) => (b._from ?? '').localeCompare(a._from ?? ''))[0]?.[0]

const currencies = Object.fromEntries(
  Intl.supportedValuesOf('currency').map((code) => {
    const sign = part('en', code, 'symbol')
    const own = sign !== code
    const words = NAMED_IN.flatMap((language) =>
      [1, 2].map((amount) => part(language, code, 'name', amount).toLowerCase()),
    )
    const digits =
      new Intl.NumberFormat('en', { style: 'currency', currency: code }).resolvedOptions()
        .maximumFractionDigits ?? 2
    return [
      code,
      {
        sign: own ? sign : undefined,
        narrow: part('en', code, 'narrowSymbol'),
        names: own ? [...new Set(words)] : undefined,
        digits: digits === 2 ? undefined : digits,
      },
    ]
  }),
)

const tender = Object.fromEntries(
  Object.keys(regions)
    .sort()
    .flatMap((country) => {
      const code = tenderOf(country)
      return code && code in currencies ? [[country, code]] : []
    }),
)

await writeFile(
  'core/locale/currencies.json',
  JSON.stringify({
    about: `Currencies of ISO 4217 and the countries whose tender they are. Source: Unicode CLDR ${process.versions.cldr} and cldr-core, by bench/make-currencies.ts. sign: what English texts print where that is no code; narrow: what stands beside amounts where the country is plain; names: as they stand behind amounts; digits: behind the decimal sign, where these are not two.`,
    currencies,
    tender,
  }),
)
