/** What the sheets are that are laid between papers before scanning; they cut, and are in no document. */
export interface SeparatorSheet {
  /** What a code on one says: the number of a case, or the word for a mere separator. */
  caseNumber: string
  /** What follows the number where the sheet was printed by the desk: a sign, and an authentication code. */
  authentication: string
  plain: string
  /** Headings, for a sheet whose code a stamp or a fold hides. */
  titles: readonly string[]
  /** A sheet carries no more words than this; a bill with a barcode carries more. */
  mostWords: number
}

export const separatorSheet: SeparatorSheet = {
  caseNumber: '[A-Z]{2,6}-?\\d{2}-?\\d{4,6}',
  authentication: '\\+([A-Z2-7]{8})',
  plain: 'NEW-DOCUMENT',
  titles: [
    'separator sheet',
    'separator page',
    'separator',
    'cover sheet',
    'document separator',
    'batch separator',
    'case cover sheet',
    'barcode sheet',
    'scan separator',
    'divider sheet',
    'intercalaire',
    'hoja separadora',
    'trennblatt',
  ],
  mostWords: 70,
}
