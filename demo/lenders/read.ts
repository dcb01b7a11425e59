import { type Lender } from '../../core/locale/index.ts'
import {
  type DocumentType,
  loadLender,
  loadProgram,
  loadTypes,
  type Program,
} from '../../core/program/index.ts'

/** A lender of the demo: the files that its administrator would export, as any lender's are. */
export interface DemoLender {
  lender: Lender
  types: readonly DocumentType[]
  programs: readonly Program[]
}

/** A lender from its files. @throws UnreadableFile */
export const readLender = (files: { lender: unknown; types: unknown; programs: unknown[] }): DemoLender => ({
  lender: loadLender(files.lender).value,
  types: loadTypes(files.types).value,
  programs: files.programs.map((file) => loadProgram(file).value),
})
