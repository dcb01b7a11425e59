import type { FilledField } from '../answers/index.ts'
import { monthIndex, monthName } from '../text/index.ts'
import type { DocumentType } from '../program/index.ts'

/** What a person calls each document: its type, with the month or a number where there are several of a kind. */
export function labelDocuments(
  documents: readonly { type: DocumentType; fields: readonly FilledField[] }[],
): string[] {
  const counts = new Map<string, number>()
  for (const d of documents) counts.set(d.type.id, (counts.get(d.type.id) ?? 0) + 1)
  const base = documents.map(({ type, fields }) => {
    if (type.tellsApart && counts.get(type.id)! > 1) {
      const value = fields.find((f) => f.name === type.tellsApart)?.value
      if (typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value))
        return `${type.short} ${monthName(monthIndex(value))}`
    }
    return type.short
  })
  const seen = new Map<string, number>()
  return base.map((label) => {
    if (base.filter((b) => b === label).length === 1) return label
    const n = (seen.get(label) ?? 0) + 1
    seen.set(label, n)
    return n === 1 ? label : `${label} (${n})`
  })
}
