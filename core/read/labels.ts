import { linesOf, type Line, type Segment } from '../page/layout.ts'
import type { Page } from '../page/page.ts'
import { PhraseBook, type PhraseHit } from '../page/phrases.ts'
import type { DocumentType } from '../program/schema.ts'

/** What a wording means in a type: the label of a field, of a signature, or of something that is none of its fields. */
export type LabelMeaning = { role: 'field'; field: string; rank: number } | { role: 'signature' } | { role: 'title' } | { role: 'other' } | { role: 'column' } | { role: 'surname' } | { role: 'given' }

export interface LabelHit extends PhraseHit<LabelMeaning> {
  page: Page
  /** Stands where labels stand: first in its segment. */
  leads: boolean
  /** A colon follows. */
  colon: boolean
  /** Its segment holds nothing else. */
  alone: boolean
  segment: Segment
  lineOf: Line
}

/** Wordings that are labels on papers of many kinds but of no field here; they keep shorter labels from matching inside them. */
const OTHER_LABELS = [
  'due date', 'payment due', 'payment due date', 'print date', 'reading date', 'next reading', 'previous reading', 'present reading', 'vat number', 'vat no', 'vat reg no', 'company number', 'company no', 'registered number',
  'registered office', 'reg office', 'telephone', 'website', 'fax', 'tax code', 'date joined', 'place of birth', 'sex', 'height', 'authority', 'issuing authority', 'port of registry', 'home port', 'year of build', 'length overall',
  'length', 'breadth', 'gross tonnage', 'net tonnage', 'tonnage', 'call sign', 'engine', 'builder', 'department', 'employee number', 'employee no', 'staff number', 'payroll number', 'works number', 'job title', 'position', 'hours',
  'rate', 'income tax', 'social insurance', 'pension', 'total deductions', 'deductions', 'basic pay', 'overtime', 'allowance', 'tax to date', 'tax year to date', 'net year to date', 'year to date tax', 'year to date net', 'total in', 'total out', 'total money in', 'total money out', 'total debits', 'total credits', 'sheet number', 'statement number', 'statement no',
  'currency', 'bic', 'sort code', 'branch', 'account type', 'overdraft', 'payment terms', 'terms', 'delivery', 'delivery date', 'delivery time', 'salesperson', 'contact', 'signature of seller', 'registrar', 'official stamp', 'excess', 'deductible', 'cruising area', 'navigation limits', 'insurer', 'underwriter', 'underwriters', 'broker', 'use',
  'type of vessel', 'vessel type', 'type of boat', 'kind of boat', 'year built', 'built', 'third party liability', 'liability', 'crew', 'co-applicant date of birth', 'co-applicant address', 'monthly payment', 'lender', 'marital status', 'dependants', 'occupation', 'trade', 'purpose', 'purpose of loan', 'previous balance', 'meter number', 'meter no', 'meter', 'tariff', 'usage',
  'standing charge', 'direct debit date', 'collection date', 'payment reference', 'billing period', 'period of supply', 'charges this period', 'balance from last bill', 'last bill', 'payments received', 'witness', 'witness signature', 'name of witness', 'page', 'of', 'invoice number', 'bill number', 'invoice no', 'bill no', 'facture n°', 'factura n°', 'date limite', 'date limite de paiement', 'fecha límite', 'vencimiento',
  'place of issue', 'place', 'interest rate', 'interest', 'annual salary', 'contract start', 'signature of lender', 'for office use', 'office use only', 'received', 'checked by', 'case officer', 'place of registry', 'employment since', 'employed since', 'years at address', 'time at address', 'years with employer', 'material', 'date of build', 'date built', 'model', 'make', 'horsepower', 'propulsion',
]

const SURNAMES = ['surname', 'family name', 'last name', 'nom', 'apellidos', 'surnames', 'primary identifier']
const GIVEN = ['given names', 'given name', 'first name', 'first names', 'forenames', 'forename', 'prénoms', 'prénom', 'nombres', 'christian names', 'secondary identifier']

const books = new WeakMap<DocumentType, PhraseBook<LabelMeaning>>()

function bookOf(type: DocumentType): PhraseBook<LabelMeaning> {
  let book = books.get(type)
  if (!book) {
    const phrases: [string, LabelMeaning][] = []
    for (const field of type.fields) field.labels.forEach((wording, rank) => phrases.push([wording, { role: 'field', field: field.name, rank }]))
    for (const wording of type.signature?.labels ?? []) phrases.push([wording, { role: 'signature' }])
    for (const wording of type.titles) phrases.push([wording, { role: 'title' }])
    for (const wording of OTHER_LABELS) phrases.push([wording, { role: 'other' }])
    for (const wording of SURNAMES) phrases.push([wording, { role: 'surname' }])
    for (const wording of GIVEN) phrases.push([wording, { role: 'given' }])
    for (const field of type.fields) for (const column of field.columns) for (const wording of column.labels) phrases.push([wording, { role: 'column' }])
    books.set(type, (book = new PhraseBook(phrases)))
  }
  return book
}

/** Whether a value cannot run on past this label: it heads something of its own. Column heads are too common as words for that. */
export const ends = (label: LabelHit): boolean => (label.leads || label.colon) && label.meanings.some((m) => m.role !== 'column')

/** Every label of the type on a page, in reading order. */
export function labelsOn(page: Page, type: DocumentType): LabelHit[] {
  const lines = linesOf(page)
  return bookOf(type).find(page).map((hit) => {
    const line = lines[hit.line]
    const first = line.words[hit.from]
    const last = line.words[hit.to - 1]
    const segment = line.segments.find((s) => s.words.includes(first)) ?? line.segments[0]
    const place = segment.words.indexOf(first)
    const before = segment.words.slice(0, Math.max(0, place))
    const next = line.words[hit.to]
    return {
      ...hit,
      page,
      lineOf: line,
      segment,
      leads: before.every((w) => /^[\d.()•·\-–*☐☒□■]+$/.test(w.text) || /[:|/]$/.test(w.text)),
      colon: /:$/.test(last.text) || next?.text === ':',
      alone: segment.words.at(-1) === last && place === before.length && before.length === 0,
    }
  })
}
