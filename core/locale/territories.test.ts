import { countries, countryNamed, usualDateOrder, usualDecimal, usualOrderWith } from './territories.ts'
import { lenderSchema } from './lender.ts'
import { internLocale, localeOfLender, NEUTRAL } from './locale.ts'

test('what is usual in a country', () => {
  expect(['US', 'IE', 'JP', 'nowhere', null].map(usualDateOrder)).toEqual(['mdy', 'dmy', 'ymd', null, null])
  expect(['US', 'DE', null].map(usualDecimal)).toEqual(['.', ',', null])
})
test('what is usual with a currency', () =>
  expect(['EUR', 'USD', 'XXX'].map(usualOrderWith)).toEqual(['dmy', 'mdy', null]))
test('countries are named in several languages, alone in their text', () => {
  expect(
    ['United States', 'Estados Unidos', 'ÉTATS-UNIS', 'Deutschland', 'Juniper Lane'].map(countryNamed),
  ).toEqual(['US', 'US', 'US', 'DE', null])
  expect(countries()).toContainEqual({ code: 'IE', name: 'Ireland' })
})
test('a lender says its currency; what it leaves out is usual in its country', () => {
  const lender = lenderSchema.parse({ name: 'Mesa', country: 'US', currency: 'USD' })
  expect(localeOfLender(lender)).toMatchObject({ currency: 'USD', dateOrder: 'mdy', decimal: '.' })
  expect(lenderSchema.safeParse({ name: 'Mesa', currency: 'DOLLARS' }).success).toBe(false)
  expect(lenderSchema.safeParse({ name: 'Mesa', currency: 'QQQ' }).error?.issues[0].message).toContain('4217')
})
test('locales that say the same are the same', () =>
  expect(internLocale({ ...NEUTRAL, currency: 'USD' })).toBe(internLocale({ ...NEUTRAL, currency: 'USD' })))
