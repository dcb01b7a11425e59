import type { Box } from '../page/geometry.ts'
import type { Page } from '../page/page.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import { byArithmetic, endsOf } from './arithmetic.ts'
import { backByForm } from './backing.ts'
import { boxOf, readingOf, type Candidate } from './candidate.ts'
import { candidatesOf } from './candidates.ts'
import { choose, rank, type Ranked } from './choose.ts'
import { readSignature, type Signature } from './marks.ts'
import { figureSlip, lostDigits } from './figures.ts'
import { probabilityOf } from './probability.ts'
import { isRoster, readRoster } from './roster.ts'
import { fillYears, readTable, type Table } from './table.ts'
import { readTableByContent } from './table-by-content.ts'
import { cents, fromCents, isMoney, type FieldValue, type Money, type Value } from './value.ts'

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
  const tables = new Map(type.fields.filter((f) => f.kind === 'table').map((f) => [f.name, twoReadings(pages, f)]))
  const tablesOf = (name: string) => [tables.get(name)!.byHead(), tables.get(name)!.byContent()].filter((t) => t !== null)
  for (const field of type.fields) if (field.kind === 'table' && isRoster(field)) withoutPeople(candidates, type, tables.get(field.name)!.byHead())
  carriedOver(pages, candidates, type, (name) => tables.get(name)!.byHead())
  for (const guess of byArithmetic(pages, type, candidates, tablesOf)) candidates.get(guess.field)!.push(guess)
  const plainFields = type.fields.filter((f) => f.kind !== 'table')
  const chosen = choose(type, plainFields.map((f) => rank(f, candidates.get(f.name)!)))
  backByForm(pages, type, chosen)
  const value = (name: string) => chosen.get(name)?.ranked[0]?.candidate.value ?? null
  const settled = new Map(type.fields.filter((f) => f.kind === 'table').map((f) => [f.name, bestTable(tables.get(f.name)!, f, type, value)]))
  doubtEnds(type, settled, chosen)
  doubtLostDigits(type, chosen)
  doubtLostCents(chosen)
  const fields = type.fields.map((field) => (field.kind === 'table' ? tableValue(settled.get(field.name)!, field) : fieldValue(field, chosen.get(field.name)!)))
  return { fields, signature: readSignature(pages, type) }
}

/** Days in the rows of a list of people are those people's: no day of the paper itself. */
function withoutPeople(candidates: Map<string, Candidate[]>, type: DocumentType, list: Table | null): void {
  const within = (page: number, box: Box) => list?.places.some((place) => place.page === page && place.box[0] <= box[0] + 0.002 && place.box[1] <= box[1] + 0.002 && place.box[2] >= box[2] - 0.002 && place.box[3] >= box[3] - 0.002)
  for (const field of type.fields) if (field.kind === 'date') candidates.set(field.name, candidates.get(field.name)!.filter((c) => !c.words.every((w) => within(c.page.number, w.box))))
}

/** Log-odds against a balance that one page carries over to the next being one that the account opens or closes with. */
const CARRIED = 3

/** "Carried forward" under the rows of a page that others follow is no closing balance, "brought forward" over those of a later page no opening one. */
function carriedOver(pages: readonly Page[], candidates: ReadonlyMap<string, Candidate[]>, type: DocumentType, tableOf: (name: string) => Table | null): void {
  for (const relation of type.relations) {
    const places = relation.kind === 'running' && pages.length > 1 ? tableOf(relation.table)?.places : undefined
    if (relation.kind !== 'running' || !places || places.length === 0) continue
    const [firstPage, lastPage] = [places[0].page, places.at(-1)!.page]
    const rowsOn = ({ page }: Candidate) => places.filter((p) => p.page === page.number)
    const at = ({ words }: Candidate) => words[0].box[1]
    for (const candidate of candidates.get(relation.closing)!) {
      const rows = rowsOn(candidate)
      if (rows.length > 0 && candidate.page.number !== lastPage && at(candidate) > rows.at(-1)!.box[1]) candidate.score -= CARRIED
    }
    for (const candidate of candidates.get(relation.opening)!) {
      const rows = rowsOn(candidate)
      if (rows.length > 0 && candidate.page.number !== firstPage && at(candidate) < rows[0].box[3]) candidate.score -= CARRIED
    }
  }
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
  if (top.candidate.repaired) return chosen.field.kind === 'iban' ? 'its check digits needed a mended letter' : 'one sign was taken for another, and put right'
  if (readingOf(top.candidate.words) < 0.85) return 'weak print'
  if (chosen.ranked[1] && chosen.ranked[1].probability > top.probability * 0.25) return 'two readings fit'
  return 'its place on the paper is unusual'
}

const round = (p: number): number => Math.round(p * 1000) / 1000

/** A table as its head shows it and as what its rows hold shows it. */
interface TwoReadings {
  byHead: () => Table | null
  byContent: () => Table | null
}

/** The reading of a table that holds, and whether the paper's own arithmetic bears it out; null where it has none. */
interface Settled {
  table: Table | null
  proof: boolean | null
}

/** Each is read when it is first asked for: most papers are settled by one of them. */
function twoReadings(pages: readonly Page[], field: Field): TwoReadings {
  const once = (read: () => Table | null) => {
    let found: Table | null | undefined
    return () => (found === undefined ? (found = read()) : found)
  }
  if (isRoster(field)) return { byHead: once(() => readRoster(pages, field)), byContent: () => null }
  return { byHead: once(() => readTable(pages, field)), byContent: once(() => readTableByContent(pages, field)) }
}

/** Where weakly printed rows lead from one to the next and yet not from opening to closing, one of these was misread. */
function doubtEnds(type: DocumentType, settled: ReadonlyMap<string, Settled>, chosen: ReadonlyMap<string, Ranked>): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'running') continue
    const { table, proof } = settled.get(relation.table)!
    const ends = table && proof === false && table.sure < 0.999 ? endsOf(table) : null
    if (!ends) continue
    const told = (name: string) => chosen.get(name)!.ranked[0]?.candidate.value ?? null
    const [opening, closing] = [told(relation.opening), told(relation.closing)]
    if (isMoney(opening) && !ends.openings.includes(cents(opening))) chosen.get(relation.opening)!.doubted = true
    if (isMoney(closing) && ends.closing !== cents(closing)) chosen.get(relation.closing)!.doubted = true
  }
}

/** Where a sum does not come out and a part of it, as printed weakly or not, would by digits lost in front, these were lost in reading. */
function doubtLostDigits(type: DocumentType, chosen: ReadonlyMap<string, Ranked>): void {
  for (const relation of type.relations) {
    if (relation.kind !== 'sum') continue
    const names = [...relation.parts, relation.total]
    const tops = names.map((name) => chosen.get(name)!.ranked[0]?.candidate)
    if (!tops.every((top) => top && isMoney(top.value))) continue
    const amounts = tops.map((top) => cents(top.value as Money))
    const missing = amounts.at(-1)! - amounts.slice(0, -1).reduce((sum, a) => sum + a, 0)
    if (missing === 0) continue
    names.forEach((name, i) => {
      const meant = amounts[i] + (i < names.length - 1 ? missing : -missing)
      if (tops[i].page.source !== 'text' && lostDigits(amounts[i], meant)) chosen.get(name)!.doubted = true
    })
  }
}

const CENTS = /[.,]\s?\d{2}(?!\d)/

/** Who writes one amount with its cents writes them all so: on a picture one without may have lost them ("€28,910" of "€28,910.40"). */
function doubtLostCents(chosen: ReadonlyMap<string, Ranked>): void {
  const amounts = [...chosen.values()].filter((c) => c.ranked[0] && isMoney(c.ranked[0].candidate.value))
  const rawOf = (c: Ranked): string => c.ranked[0].candidate.raw
  if (!amounts.some((c) => CENTS.test(rawOf(c)))) return
  for (const c of amounts) if (c.ranked[0].candidate.page.source !== 'text' && !CENTS.test(rawOf(c))) c.doubted = true
}

function tableValue({ table, proof }: Settled, field: Field): FieldValue {
  const empty = { name: field.name, value: null, raw: null, others: [], repaired: false, page: null, box: null }
  if (!table) return { ...empty, confidence: 0.4, needsReview: true, reason: 'no table was found' }
  const complete = table.rows.every((row) => field.columns.every((c) => c.optional || row[c.name] !== null))
  let confidence = proof === true ? 0.985 : proof === false ? ((table.sure >= 0.999 && complete && !leadsOn(table)) || (complete && slipsItself(table, field)) ? 0.8 : 0.35) : complete ? 0.85 : 0.5
  confidence *= table.sure >= 0.999 ? 1 : Math.max(0.5, proof === true ? 0.97 : 0.6 + 0.4 * table.sure)
  if (table.rows.length === 0) confidence = 0.3
  // Sums bear out the amounts, not the words beside them.
  if (table.spelt < SPELT) confidence = Math.min(confidence, 0.55)
  const ordered = table.sure >= 0.999 || followsDays(table, field)
  if (!complete || !ordered || !multiplies(table, field) || (proof !== true && table.unexplained.length > 0)) confidence = Math.min(confidence, 0.55)
  return {
    ...empty,
    value: table.rows,
    raw: null,
    confidence: round(confidence),
    needsReview: confidence < field.threshold,
    reason: confidence < field.threshold ? (table.rows.length === 0 ? 'no rows were found' : proof === false ? 'its rows do not add up' : complete && !ordered ? 'its days do not follow one another' : 'some cells could not be read') : null,
    repaired: table.repaired,
    page: table.places[0]?.page ?? table.head.page,
    box: table.places[0]?.box ?? table.head.box,
    rowPlaces: table.places,
  }
}

/** Whether the days of rows go one way, up or down: one that does not was likely misread ("8 January" before the 3rd), and no sum tells. */
function followsDays(table: Table, field: Field): boolean {
  const day = field.columns.find((c) => c.kind === 'date')?.name
  const days = table.rows.flatMap((row) => (day && typeof row[day] === 'string' ? [row[day]] : []))
  return days.every((d, i) => i === 0 || d >= days[i - 1]) || days.every((d, i) => i === 0 || d <= days[i - 1])
}

/** Words read less surely than this are likely misspelt somewhere. */
const SPELT = 0.7

/** Every balance follows from the one before: then it is the ends that were misread, and the first row's sign with them. */
const leadsOn = (table: Table): boolean => endsOf(table) !== null

/** Print read this surely is fair. */
const FAIR = 0.8

/** Whether the one row that breaks the running balance is the paper's own slip: read fairly, and further off than a misreading goes. */
function slipsItself(table: Table, field: Field): boolean {
  const [amount, balance] = field.columns.filter((c) => c.kind === 'money').map((c) => c.name)
  if (!amount || !balance || !field.columns.some((c) => c.kind === 'date')) return false
  const at = (i: number, name: string) => { const cell = table.rows[i][name]; return isMoney(cell) ? cents(cell) : NaN }
  const breaks = table.rows.flatMap((_, i) => (i > 0 && at(i - 1, balance) + at(i, amount) !== at(i, balance) ? [i] : []))
  if (breaks.length !== 1) return false
  const [i] = breaks
  const [before, step, after] = [at(i - 1, balance), at(i, amount), at(i, balance)]
  return Math.min(table.rowSure[i - 1], table.rowSure[i]) >= FAIR && !figureSlip(step, after - before) && !figureSlip(after, before + step) && !figureSlip(before, after - step)
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
  // One odd row in clear print may be the seller's slip, which the arithmetic of the paper tells; several are ours.
  return wrong.length <= (table.sure >= 0.999 ? 1 : 0)
}

/** The table by its head, or by what its rows hold where that proves right and the head does not. */
function bestTable(readings: TwoReadings, field: Field, type: DocumentType, value: (name: string) => Value): Settled {
  const dated = field.columns.find((c) => c.kind === 'date')
  const ends = type.relations.find((r) => r.kind === 'not_after')
  const totals = new Set(type.fields.map((f) => value(f.name)).filter(isMoney).map(cents))
  const judged = (table: Table | null) => {
    // A total that its wording does not give away is known by its amount.
    if (table) table.unexplained = table.unexplained.filter((amounts) => !amounts.some((a) => totals.has(a)))
    if (table && dated && ends?.kind === 'not_after') fillYears(table, dated.name, value(ends.first) as string | null, value(ends.second) as string | null)
    return { table, proof: table && provenBy(table, field, type, value) }
  }
  const byHead = judged(readings.byHead())
  if (byHead.proof === true) return byHead
  const byContent = judged(readings.byContent())
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
      if (sum === cents(closing) && table.sure < 0.999) followAmounts(table, cents(opening))
      return sum === cents(closing)
    }
    if (relation.kind === 'column_sum' && relation.table === field.name) {
      const sum = table.rows.reduce((total, row) => total + Number(row[relation.column] ?? NaN), 0)
      return Math.abs(sum - relation.is) < 0.05
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

/** Amounts that lead from opening to closing to the cent are right, whatever a weak print made of the balances between. */
function followAmounts(table: Table, opening: number): void {
  let balance = opening
  for (const row of table.rows) {
    balance += cents(row.amount as never)
    if (isMoney(row.balance) && cents(row.balance) === balance) continue
    row.balance = fromCents(balance, (row.amount as Money).currency)
    table.repaired = true
  }
}

/** The first row has no row before it: the opening balance says which way its amount went. */
function firstSign(table: Table, opening: number): void {
  const row = table.rows[0]
  if (row && isMoney(row.amount) && isMoney(row.balance) && cents(row.balance) - opening === -cents(row.amount)) {
    row.amount = { ...row.amount, amount: row.amount.amount.startsWith('-') ? row.amount.amount.slice(1) : `-${row.amount.amount}` }
  }
}
