import { type Lender, lenderSchema } from '../locale/index.ts'
import lenders from './lenders.json' with { type: 'json' }

/** A lender of no country, whose papers are in euros with the day before the month, for tests and examples. */
export const euroLender: Lender = lenderSchema.parse(lenders.euro)

/** One in dollars with the month first. */
export const dollarLender: Lender = lenderSchema.parse(lenders.dollar)
