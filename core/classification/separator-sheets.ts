import { linesOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'
import { tokens } from '../text/index.ts'
import { separatorSheet, type SeparatorSheet } from '../program/index.ts'

/** What a separator sheet says. */
export interface Separator {
  /** The case whose papers follow; null where it only parts papers. */
  caseNumber: string | null
  /** The authentication code beside the number, by which the desk knows a sheet for its own; not checked here. */
  code: string | null
}

/**
 * Whether a page is a sheet laid between papers: its code says so, or names a case on a page with hardly any
 * words, or a heading names it where no code could be read.
 */
export function separatorSheetOn(
  page: Pick<Page, 'words' | 'codes'>,
  sheet: SeparatorSheet = separatorSheet,
): Separator | null {
  const words = page.words.filter((w) => /[\p{L}\d]{2}/u.test(w.text)).length
  if (words > sheet.mostWords) return null
  const form = new RegExp(`^${sheet.caseNumber}$`)
  const withCode = new RegExp(`^(${sheet.caseNumber})(?:${sheet.authentication})?$`)
  const codes = (page.codes ?? []).map((c) => c.text.trim().toUpperCase())
  const named = codes.map((text) => withCode.exec(text)).find((match) => match !== null)
  if (named) return { caseNumber: named[1], code: named[2] ?? null }
  if (codes.includes(sheet.plain)) return { caseNumber: null, code: null }
  const lines = linesOf(page as Page)
  const titled = lines.some(
    (line) => line.words.length <= 6 && sheet.titles.some((title) => tokens(line.text).join(' ') === title),
  )
  if (!titled) return null
  // One figure misread would file the pages to a stranger's case: of a scan only a code, which checks itself,
  // names one.
  const printed = lines
    .flatMap((l) => l.words)
    .filter((w) => w.confidence === 1)
    .map((w) => w.text.toUpperCase().replace(/[.,:;]$/, ''))
    .find((text) => form.test(text))
  return { caseNumber: printed ?? null, code: null }
}
