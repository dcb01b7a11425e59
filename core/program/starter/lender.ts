import { type Lender, lenderSchema } from '../../locale/index.ts'

/** How papers for the starter set are written: its country is made up. */
export const starterLender: Lender = lenderSchema.parse({
  name: 'Merrow Sound Maritime Finance',
  country: null,
  currency: 'EUR',
  dateOrder: 'dmy',
  languages: ['en', 'fr', 'es'],
})
