import type { Document } from '../findings/index.ts'

/** A file name for each document: its place, its label and whose it is; safe on every file system, none twice. */
export function fileNames(documents: readonly Document[]): Map<string, string> {
  const width = Math.max(2, String(documents.length).length)
  return new Map(
    documents.map((d, i) => {
      const label = d.label
        .normalize('NFKD')
        .replace(/[\u0300-\u036f]/g, '')
        .replace(/[^A-Z0-9]+/gi, '-')
        .replace(/^-|-$/g, '')
      return [d.id, `${String(i + 1).padStart(width, '0')}-${label}.pdf`]
    }),
  )
}
