/** What other folders may use of this one; README.md says how it hangs together. */
export {
  currencySign,
  isCurrency,
  isCurrencySign,
  minorDigits,
  NO_CURRENCY,
  usualCurrency,
} from './currencies.ts'
export { dateOrders, LENDER_FORM, lenderSchema, type DateOrder, type Lender } from './lender.ts'
export { dateOrderOf, internLocale, localeOfLender, NEUTRAL, perLocale, type Locale } from './locale.ts'
export { countries, countryNamed, usualDateOrder, usualDecimal, usualOrderWith } from './territories.ts'
