import type { Program } from '../schema.ts'
import { traderAccount } from './trader-account.ts'
import { workingBoatLoan } from './working-boat-loan.ts'

/** The programs that ship with Jigsa. */
export const builtInPrograms: Program[] = [workingBoatLoan, traderAccount]

/** The program of that id, or undefined. */
export const programById = (id: string): Program | undefined => builtInPrograms.find((p) => p.id === id)
