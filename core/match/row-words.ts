import type { FilledField } from '../answers/fill.ts'
import type { Page } from '../page/page.ts'
import { isTellingWord, meantBy } from '../page/misspelt.ts'
import { tokens } from '../page/text.ts'
import type { DocumentType } from '../program/schema.ts'
import type { Row } from '../read/value.ts'
import { counts, TAKES_PART, type Paper } from './paper.ts'

/** A word that other rows of such papers have so often was not misread each time in the same way. */
const OFTEN = 4
const MACHINE: ReadonlySet<string> = new Set(['certain', 'asked', 'repaired'])

/**
 * Lets the rows of statements help one another's spelling: a word on a scan that stands in one row alone and is a letter
 * off one that stands often in rows of the same kind ("Chandery" beside many a "Chandlery") is put to a person as these
 * spell it. Sums bear out amounts and no words, so that nothing else would notice.
 */
export function withRowWords(papers: readonly Paper[], pages: ReadonlyMap<number, Page>, types: ReadonlyMap<string, DocumentType>): Paper[] {
  const scanned = papers.filter((paper) => counts(paper) && paper.pages.some((n) => pages.get(n)?.source !== 'text'))
  const tables = scanned.flatMap((paper) => paper.fields.flatMap((field) => {
    // Names of people are no vocabulary: two may truly be a letter apart.
    const columns = types.get(paper.type)?.fields.find((f) => f.name === field.name)?.columns.flatMap((c) => (c.kind === 'text' ? [c.name] : [])) ?? []
    return isRead(field) && columns.length > 0 ? [{ field, columns, key: `${paper.type} ${field.name}` }] : []
  }))
  const changed = new Map<FilledField, FilledField>()
  for (const key of new Set(tables.map((t) => t.key))) {
    const own = tables.filter((t) => t.key === key)
    if (own.length < 2) continue
    const all = countWords(own.flatMap((t) => t.field.value), own[0].columns)
    const often = new Map([...all].flatMap(([key, { word, times }]) => (times >= OFTEN ? [[key, word] as const] : [])))
    const once = new Set([...all].flatMap(([word, { times }]) => (times === 1 ? [word] : [])))
    for (const { field, columns } of own) {
      const rows = mended(field.value, columns, often, once)
      if (rows) changed.set(field, { ...field, value: rows, confidence: Math.min(field.confidence, TAKES_PART), needsReview: true, state: 'asked', repaired: true, reason: field.reason ?? 'other papers of its kind spell some words otherwise' })
    }
  }
  return changed.size === 0 ? [...papers] : papers.map((paper) => ({ ...paper, fields: paper.fields.map((f) => changed.get(f) ?? f) }))
}

type Table = FilledField & { value: Row[] }
const isRead = (field: FilledField): field is Table => Array.isArray(field.value) && field.value.length > 0 && MACHINE.has(field.state)

interface Spelt {
  word: string
  times: number
}

const wordsOf = (row: Row, columns: readonly string[]): string[] => columns.flatMap((name) => { const cell = row[name]; return typeof cell === 'string' ? cell.split(' ') : [] })
const plain = (word: string): string => tokens(word).join('')

function countWords(rows: readonly Row[], columns: readonly string[]): Map<string, Spelt> {
  const found = new Map<string, Spelt>()
  for (const word of rows.flatMap((row) => wordsOf(row, columns))) {
    const key = plain(word)
    if (isTellingWord(key)) found.set(key, { word, times: (found.get(key)?.times ?? 0) + 1 })
  }
  return found
}

/** The rows with the words that stand in no other row spelt as others often are; null where there is none. */
function mended(rows: readonly Row[], columns: readonly string[], often: ReadonlyMap<string, string>, once: ReadonlySet<string>): Row[] | null {
  const meant = new Map([...countWords(rows, columns).keys()].flatMap((key): [string, string][] => {
    if (!once.has(key)) return []
    const near = meantBy(key, [...often.keys()])
    return near ? [[key, often.get(near)!]] : []
  }))
  if (meant.size === 0) return null
  return rows.map((row) => Object.fromEntries(Object.entries(row).map(([name, cell]) => [name, typeof cell === 'string' && columns.includes(name) ? cell.split(' ').map((word) => meant.get(plain(word)) ?? word).join(' ') : cell])))
}
