import type { Page } from '../page/page.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import { boxOf, readingOf } from './candidate.ts'
import { candidatesOf } from './candidates.ts'
import { choose, rank, type Ranked } from './choose.ts'
import { readSignature, type Signature } from './marks.ts'
import { probabilityOf } from './probability.ts'
import { fillYears, readTable, type Table } from './table.ts'
import { readTableByContent } from './table-by-content.ts'
import { cents, isMoney, type FieldValue, type Value } from './value.ts'

/** All that is read from one document. */
export interface DocumentReading {
  fields: FieldValue[]
  signature: Signature | null
}

/**
 * Reads every field of a document of a known type from its pages, in reading order.
 * Nothing found is a value too: `null`, asked about unless the field may well be absent.
 */
export function readDocument(pages: readonly Page[], type: DocumentType): DocumentReading {
  const candidates = candidatesOf(pages, type)
  const plainFields = type.fields.filter((f) => f.kind !== 'table')
  const chosen = choose(type, plainFields.map((f) => rank(f, candidates.get(f.name)!)))
  const fields = type.fields.map((field) => (field.kind === 'table' ? tableValue(pages, field, type, chosen) : fieldValue(field, chosen.get(field.name)!)))
  return { fields, signature: readSignature(pages, type) }
}

function fieldValue(field: Field, chosen: Ranked): FieldValue {
  const top = chosen.ranked[0]
  const probability = probabilityOf(chosen)
  if (!top || probability < 0.12) {
    return { name: field.name, value: null, raw: null, confidence: field.optional ? 0.93 : 0.4, needsReview: !field.optional, reason: field.optional ? null : 'not found', others: [], repaired: false, page: null, box: null }
  }
  const { candidate } = top
  const needsReview = probability < field.threshold
  return {
    name: field.name,
    value: candidate.value,
    raw: candidate.raw,
    confidence: round(probability),
    needsReview,
    reason: needsReview ? reasonOf(chosen) : null,
    others: chosen.ranked.slice(1, 4).filter((r) => r.probability > 0.02).map((r) => ({ value: r.candidate.value, raw: r.candidate.raw, page: r.candidate.page.number, box: boxOf(r.candidate) })),
    repaired: candidate.repaired,
    page: candidate.page.number,
    box: boxOf(candidate),
  }
}

function reasonOf(chosen: Ranked): string {
  const top = chosen.ranked[0]
  if (chosen.doubted) return 'does not fit the other values of this paper'
  if (top.candidate.repaired) return chosen.field.kind === 'iban' ? 'its check digits needed a mended letter' : 'a letter was read as a digit'
  if (readingOf(top.candidate.words) < 0.85) return 'weak print'
  if (chosen.ranked[1] && chosen.ranked[1].probability > top.probability * 0.25) return 'two readings fit'
  return 'its place on the paper is unusual'
}

const round = (p: number): number => Math.round(p * 1000) / 1000

function tableValue(pages: readonly Page[], field: Field, type: DocumentType, chosen: Map<string, Ranked>): FieldValue {
  const value = (name: string) => chosen.get(name)?.ranked[0]?.candidate.value ?? null
  const { table, proof } = bestTable(pages, field, type, value)
  const empty = { name: field.name, value: null, raw: null, others: [], repaired: false, page: null, box: null }
  if (!table) return { ...empty, confidence: 0.4, needsReview: true, reason: 'no table was found' }
  const complete = table.rows.every((row) => field.columns.every((c) => c.optional || row[c.name] !== null))
  let confidence = proof === true ? 0.985 : proof === false ? (table.sure >= 0.999 && complete ? 0.8 : 0.35) : complete ? 0.85 : 0.5
  confidence *= table.sure >= 0.999 ? 1 : Math.max(0.5, proof === true ? 0.97 : 0.6 + 0.4 * table.sure)
  if (table.rows.length === 0) confidence = 0.3
  if (!complete || !multiplies(table, field) || (proof !== true && table.unexplained > 0)) confidence = Math.min(confidence, 0.55)
  return {
    ...empty,
    value: table.rows,
    raw: null,
    confidence: round(confidence),
    needsReview: confidence < field.threshold,
    reason: confidence < field.threshold ? (table.rows.length === 0 ? 'no rows were found' : proof === false ? 'its rows do not add up' : 'some cells could not be read') : null,
    repaired: table.repaired,
    page: table.places[0]?.page ?? table.head.page,
    box: table.places[0]?.box ?? table.head.box,
    rowPlaces: table.places,
  }
}

/** Whether each row's quantity times its price is its amount, where the table has these columns. */
function multiplies(table: Table, field: Field): boolean {
  const quantity = field.columns.find((c) => c.kind === 'number')?.name
  const [price, amount] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!quantity || !amount) return true
  const wrong = table.rows.filter((row) => {
    const [q, p, a] = [row[quantity], row[price], row[amount]]
    return !(typeof q === 'string' && isMoney(p) && isMoney(a) && Math.abs(Number(q) * cents(p) - cents(a)) <= 1)
  })
  // One odd row may be the seller's slip, which the arithmetic of the paper tells; several are ours.
  return wrong.length <= 1
}

/** The table by its head, or by what its rows hold where that proves right and the head does not. */
function bestTable(pages: readonly Page[], field: Field, type: DocumentType, value: (name: string) => Value): { table: Table | null; proof: boolean | null } {
  const dated = field.columns.find((c) => c.kind === 'date')
  const ends = type.relations.find((r) => r.kind === 'not_after')
  const judged = (table: Table | null) => {
    if (table && dated && ends?.kind === 'not_after') fillYears(table, dated.name, value(ends.first) as string | null, value(ends.second) as string | null)
    return { table, proof: table && provenBy(table, field, type, value) }
  }
  const byHead = judged(readTable(pages, field))
  if (byHead.proof === true) return byHead
  const byContent = judged(readTableByContent(pages, field))
  if (!byContent.table) return byHead
  const better = byContent.proof === true || !byHead.table || byHead.table.rows.length < byContent.table.rows.length
  return better ? byContent : byHead
}

/** Whether the arithmetic of the paper itself bears the rows out; null where it has none to compare with. */
function provenBy(table: Table, field: Field, type: DocumentType, value: (name: string) => unknown): boolean | null {
  for (const relation of type.relations) {
    if (relation.kind === 'running' && relation.table === field.name) {
      const [opening, closing] = [value(relation.opening), value(relation.closing)]
      if (!isMoney(opening) || !isMoney(closing)) return null
      firstSign(table, cents(opening))
      const sum = table.rows.reduce((total, row) => total + (isMoney(row.amount) ? cents(row.amount) : NaN), cents(opening))
      return sum === cents(closing)
    }
    if (relation.kind === 'lines_sum' && relation.table === field.name) {
      const total = value(relation.total)
      if (!isMoney(total)) return null
      const sum = table.rows.reduce((t, row) => t + (isMoney(row.amount) ? cents(row.amount) : NaN), 0)
      return sum === cents(total)
    }
  }
  return null
}

/** The first row has no row before it: the opening balance says which way its amount went. */
function firstSign(table: Table, opening: number): void {
  const row = table.rows[0]
  if (row && isMoney(row.amount) && isMoney(row.balance) && cents(row.balance) - opening === -cents(row.amount)) {
    row.amount = { ...row.amount, amount: row.amount.amount.startsWith('-') ? row.amount.amount.slice(1) : `-${row.amount.amount}` }
  }
}
