import type { Content } from '../../core/receivers/index.ts'

/** What goes out, in a word and in a sentence. */
export const CONTENT_WORDS: Record<Content, { short: string; long: string }> = {
  documents: { short: 'PDFs', long: 'A searchable PDF for each document' },
  whole: { short: 'one PDF', long: 'One PDF of all, with contents, bookmarks and page labels' },
  report: { short: 'JSON', long: 'report.json: every value with its place and how sure it is' },
  csv: { short: 'CSV', long: 'values.csv: every value a line' },
  xlsx: { short: 'spreadsheet', long: 'values.xlsx: a sheet for each type, tables on sheets of their own' },
  xml: { short: 'XML', long: 'package.xml: by the elements that you name below' },
  history: { short: 'history', long: 'history.json: who did what' },
}
