import { type Lender, lenderSchema } from '../locale/index.ts'

/** A lender of no country, whose papers are in euros with the day before the month, for tests and examples. */
export const euroLender: Lender = lenderSchema.parse({
  name: 'Euro Lender',
  currency: 'EUR',
  dateOrder: 'dmy',
})

/** One in dollars with the month first. */
export const dollarLender: Lender = lenderSchema.parse({
  name: 'Dollar Lender',
  country: 'US',
  currency: 'USD',
  dateOrder: 'mdy',
})
