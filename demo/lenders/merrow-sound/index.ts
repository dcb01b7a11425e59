import { type DocumentType, loadLenderSet, type Program } from '../../../core/program/index.ts'
import lenderFile from './lender.json' with { type: 'json' }
import programsFile from './programs.json' with { type: 'json' }
import registersFile from './registers.json' with { type: 'json' }
import typesFile from './types.json' with { type: 'json' }

/**
 * Merrow Sound, a lender on boats on an island of no country. Its types and programs are also what an
 * organisation is offered to begin with.
 */
export const merrowSound = loadLenderSet({
  lender: lenderFile,
  types: typesFile,
  programs: programsFile,
  registers: registersFile,
})

export const starterTypes: readonly DocumentType[] = merrowSound.types
export const starterLender = merrowSound.lender

/** The program of that id. @throws where there is none */
function program(id: string): Program {
  const found = merrowSound.programs.find((p) => p.id === id)
  if (!found) throw new Error(`Merrow Sound has no program ${id}`)
  return found
}

export const workingBoatLoan = program('working-boat-loan')
export const traderAccount = program('trader-account')
