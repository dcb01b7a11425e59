import { builtInPrograms } from './programs.ts'
import { starterLender } from './lender.ts'
import { builtInTypes } from './types/index.ts'

/**
 * What ships with Jigsa to begin with. Only whoever starts it hands this in; nothing that reads papers knows
 * it by itself.
 */
export const starterSet = { types: builtInTypes, programs: builtInPrograms, lender: starterLender }
