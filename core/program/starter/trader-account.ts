import file from './programs/trader-account.json' with { type: 'json' }
import { programSchema, type Program } from '../schema.ts'

/** Accounts for harbour traders at Merrow Sound Mutual: a file as any lender exports and takes in. */
export const traderAccount: Program = programSchema.parse(file)
