import type { Page } from '../model/index.ts'
import { separatorSheetOn } from './separator-sheets.ts'

/** Pages of one file that lie behind a sheet with the number of another case. */
export interface Stray {
  /** The sheet's page. */
  sheet: number
  caseNumber: string
  code: string | null
  pages: number[]
}

/**
 * Which pages may belong to other cases: a sheet with a case's number speaks of what follows it in its file, up to the
 * next such sheet. A sheet that only parts papers changes nothing of that.
 * @param own the number of the case that the pages came to
 * @param pages by number, the pages of a file one behind the other
 */
export function straysAmong(own: string, pages: readonly Page[]): Stray[] {
  const found: Stray[] = []
  let file: string | null = null
  let stray: Stray | null = null
  for (const page of pages) {
    if (page.file !== file) [file, stray] = [page.file, null]
    const sheet = page.separator && !page.filedTo ? separatorSheetOn(page) : null
    if (sheet?.caseNumber) {
      const { caseNumber, code } = sheet
      stray = caseNumber === own ? null : { sheet: page.number, caseNumber, code, pages: [] }
      if (stray) found.push(stray)
    } else if (!page.separator && !page.filedTo) stray?.pages.push(page.number)
  }
  return found.filter((one) => one.pages.length > 0)
}
