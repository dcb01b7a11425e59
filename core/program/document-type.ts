import { type DocumentType, documentTypeSchema } from './schema.ts'

/** The type of pages that fit no other; it has no signs of its own. */
export const unknownType: DocumentType = documentTypeSchema.parse({
  id: 'unknown',
  title: 'Unknown paper',
  short: 'Unknown',
  pages: { min: 1, max: 500 },
  titles: [],
  fields: [],
})

/** The type of that id; pages of a type nobody defined are unknown papers. */
export const typeById = (types: readonly DocumentType[], id: string): DocumentType =>
  types.find((t) => t.id === id) ?? unknownType
