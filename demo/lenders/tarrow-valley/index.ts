import { loadLenderSet } from '../../../core/program/index.ts'
import lenderFile from './lender.json' with { type: 'json' }
import programsFile from './programs.json' with { type: 'json' }
import registersFile from './registers.json' with { type: 'json' }
import typesFile from './types.json' with { type: 'json' }

/** Tarrow Valley, a credit union that lends on cars, in dollars; it shares nothing with the first lender. */
export const tarrowValley = loadLenderSet({
  lender: lenderFile,
  types: typesFile,
  programs: programsFile,
  registers: registersFile,
})
