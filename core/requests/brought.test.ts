import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { judgeChecklist } from '../check/index.ts'
import { assignOwners, judgeFacts, personsOf, type Paper } from '../dossier/index.ts'
import type { Document } from '../findings/index.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { broughtFor, draftItems, type RequestItem } from './index.ts'

const titles = new Map(starterTypes.map((t) => [t.id, t.title]))
const october = 2026 * 12 + 9

function about(papers: Paper[]) {
  const persons = personsOf(papers, workingBoatLoan, 'Ottilie Varnham', starterTypes)
  const documents = assignOwners(papers, persons, starterTypes) as Document[]
  const situation = { papers: documents, persons, asOf: '2026-11-30', titles, currency: 'EUR' }
  return {
    program: workingBoatLoan,
    situation,
    documents,
    checklist: judgeChecklist(workingBoatLoan, situation, []),
    facts: judgeFacts(documents, workingBoatLoan, []),
    checks: [],
    findings: [],
    files: [],
    fieldTitle: (_: string, name: string) => name,
  }
}
/** What is said of the last of these papers, which came for the others' request. */
function said(papers: Paper[], newer: Paper, sentFor: string | null) {
  const items = draftItems(about(papers))
  const after = about([...papers, newer])
  return broughtFor(after.documents.at(-1)!, sentFor ? items.filter((i) => i.id === sentFor) : items, after)
}

const form = paperOf(
  'form',
  'loan_application',
  { applicant_name: 'Ottilie Varnham', loan_amount: eur('48750.00'), signature_date: '2026-11-20' },
  { signed: true, label: 'Loan application', pages: [1] },
)
const slip = (month: string, more: Partial<Paper> = {}) =>
  paperOf(
    `slip ${month}`,
    'payslip',
    { employee_name: 'Ottilie Varnham', period_end: `${month}-28`, pay_date: `${month}-28` },
    { label: `Payslip ${month}`, pages: [7], ...more },
  )
const card = (until: string, more: Partial<Paper> = {}) =>
  paperOf(
    'card',
    'identity_card',
    { full_name: 'Ottilie Varnham', expiry_date: until },
    { label: 'Identity card', pages: [8], ...more },
  )
const twoSlips = [form, slip('2026-09'), slip('2026-11')]
const INCOME = 'requirement:income_proof'
const IDENTITY = 'requirement:photo_id'

test('the month that was asked for does, and another one is told apart', () => {
  expect(said(twoSlips, slip('2026-10', { id: 'new' }), INCOME)).toEqual({
    title: 'Payslip',
    of: { month: october },
    fits: { kind: 'does', item: INCOME },
  })
  expect(said(twoSlips, slip('2026-08', { id: 'new' }), INCOME)).toMatchObject({
    of: { month: october - 2 },
    fits: { kind: 'another', asked: [{ month: october }] },
  })
})

test('another kind of paper is told with what was asked for', () => {
  expect(said([form], slip('2026-10'), IDENTITY).fits).toEqual({
    kind: 'other type',
    asked: ['Identity card'],
  })
})

test('the right paper may still not do, and says why', () => {
  expect(said([form], card('2026-03-01'), IDENTITY).fits).toMatchObject({
    kind: 'faulty',
    reason: { code: 'paper.ran_out' },
  })
  expect(said([form], card('2030-01-01', { lacking: [2] }), IDENTITY).fits).toMatchObject({
    kind: 'faulty',
    reason: { code: 'paper.lacks_pages' },
  })
})

test('a card of somebody whom nothing names here is looked at by a person', () => {
  const strangers = paperOf('card', 'identity_card', { full_name: 'Ida Quist', expiry_date: '2030-01-01' })
  expect(said([form], { ...strangers, pages: [8] }, IDENTITY).fits).toEqual({
    kind: 'may do',
    item: IDENTITY,
  })
})

test('what came in a heap finds its item', () => {
  expect(said([form], card('2030-01-01'), null).fits).toEqual({ kind: 'does', item: IDENTITY })
  expect(said([form], paperOf('deed', 'vessel_deed', {}, { pages: [8] }), null).fits.kind).toBe(
    'not asked for',
  )
})

test('a copy of what is here is told as such', () => {
  expect(said(twoSlips, slip('2026-11', { id: 'new', copyOf: 'slip 2026-11' }), INCOME).fits).toEqual({
    kind: 'there already',
  })
})

test('nobody is told what is not sure', () => {
  expect(said([form], card('2030-01-01', { typeAsked: true }), IDENTITY).fits).toEqual({ kind: 'not sure' })
  const doubtful = card('2030-01-01')
  const fields = doubtful.fields.map((f) => (f.name === 'expiry_date' ? { ...f, needsReview: true } : f))
  expect(said([form], { ...doubtful, fields }, IDENTITY).fits).toEqual({ kind: 'may do', item: IDENTITY })
})

const again = (why: RequestItem['why']): RequestItem => ({
  id: 'page:7',
  kind: 'again',
  title: 'Payslip',
  why,
  ways: [],
  says: [],
  pages: [7],
})

test('a better copy is one of the same kind, and whole', () => {
  const hard = again({ kind: 'hard to read', paper: 'Payslip', pages: [1] })
  const papers = [form, slip('2026-10')]
  const fits = (newer: Paper) =>
    broughtFor({ ...newer, pages: [9] } as Document, [hard], about([...papers, { ...newer, pages: [9] }]))
      .fits
  expect(fits(slip('2026-10', { id: 'new' }))).toEqual({ kind: 'does', item: 'page:7' })
  expect(fits(slip('2026-10', { id: 'new', lacking: [2] })).kind).toBe('faulty')
  expect(fits(card('2030-01-01'))).toEqual({ kind: 'other type', asked: ['Payslip'] })
})

test('anything may be what somebody asked for in their own words, if it was sent for that', () => {
  const own = { ...again({ kind: 'own words', text: 'A plan of the boat' }), id: 'own:1', pages: [] }
  const papers = about([form, card('2030-01-01')])
  const newer = papers.documents[1]
  expect(broughtFor(newer, [own], papers).fits).toEqual({ kind: 'does', item: 'own:1' })
  expect(broughtFor(newer, [own, { ...own, id: 'own:2' }], papers).fits).toEqual({ kind: 'not asked for' })
})
