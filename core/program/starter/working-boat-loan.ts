import file from './programs/working-boat-loan.json' with { type: 'json' }
import { programSchema, type Program } from '../schema.ts'

/** Loans for working boats at Merrow Sound Mutual: a file as any lender exports and takes in. */
export const workingBoatLoan: Program = programSchema.parse(file)
