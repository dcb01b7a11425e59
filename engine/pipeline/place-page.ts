import type { Page } from '../../core/model/index.ts'
import { separatorSheetOn } from '../../core/classification/index.ts'
import type { ReadPage } from '../input/source.ts'

/** Where a page stands. */
export type PagePlace = Pick<Page, 'number' | 'file' | 'filePage' | 'filedTo'>

/** A page as its package has it: what was read, where it stands, and whether it only parts the others. */
export const placePage = (read: ReadPage, { number, file, filePage, filedTo }: PagePlace): Page => ({
  ...read,
  number,
  file,
  filePage,
  separator: filedTo !== undefined || separatorSheetOn(read) !== null,
  ...(filedTo === undefined ? {} : { filedTo }),
})

/** A page that no reader could open stays in its place, empty, and is said to be poor. */
export const unreadable = (error: unknown): ReadPage => ({
  width: 595,
  height: 842,
  rotation: 0,
  source: 'none',
  blank: false,
  words: [],
  skew: 0,
  ink: null,
  qualityProblem: `it cannot be read (${error instanceof Error ? error.message.replace(/\.$/, '') : 'unknown fault'})`,
})
