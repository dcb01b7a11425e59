import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { judgeChecklist, type RequirementResult } from '../check/index.ts'
import { assignOwners, judgeFacts, personsOf, type Paper } from '../dossier/index.ts'
import type { Document, Finding, PackageFile } from '../findings/index.ts'
import type { Answer } from '../answers/index.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { draftItems, rejectedItem, type RequestItem } from './index.ts'

const asOf = '2026-04-10'
const titles = new Map(starterTypes.map((t) => [t.id, t.title]))

function drafted(
  papers: Paper[],
  more: { answers?: Answer[]; findings?: Finding[]; files?: PackageFile[] } = {},
): RequestItem[] {
  const answers = more.answers ?? []
  const persons = personsOf(papers, workingBoatLoan, 'Ottilie Varnham', starterTypes)
  const documents = assignOwners(papers, persons, starterTypes) as Document[]
  const situation = { papers: documents, persons, asOf, titles, currency: 'EUR' }
  return draftItems({
    program: workingBoatLoan,
    situation,
    documents,
    checklist: judgeChecklist(workingBoatLoan, situation, answers),
    facts: judgeFacts(documents, workingBoatLoan, answers),
    checks: [],
    findings: more.findings ?? [],
    files: more.files ?? [],
    fieldTitle: (_, name) => name,
  })
}

const form = (more: Partial<Paper> = {}) =>
  paperOf(
    'form',
    'loan_application',
    { applicant_name: 'Ottilie Varnham', loan_amount: eur('48750.00'), signature_date: '2026-03-20' },
    { signed: true, label: 'Loan application', ...more },
  )
const slip = (month: string) =>
  paperOf(
    `slip ${month}`,
    'payslip',
    { employee_name: 'Ottilie Varnham', period_end: `${month}-28`, pay_date: `${month}-28` },
    { label: `Payslip ${month}` },
  )
const itemOf = (items: readonly RequestItem[], id: string) => items.find((i) => i.id === id)

test('what lacks is asked for with what would do', () => {
  const items = drafted([form()])
  expect(itemOf(items, 'requirement:photo_id')).toMatchObject({
    kind: 'bring',
    why: { kind: 'requirement', status: 'missing' },
    ways: [[{ validOn: asOf }]],
  })
  expect(items.some((i) => i.id === 'requirement:application_form')).toBe(false)
})

test('of several papers a way asks only for those that lack', () => {
  const wanted = itemOf(drafted([form(), slip('2026-02'), slip('2026-03')]), 'requirement:income_proof')
  const papers = (wanted?.ways ?? []).flat()
  expect(papers.every((p) => p.type !== 'Payslip' || (p.months?.lacking.length ?? 0) > 0)).toBe(true)
})

test('of several persons only those whose paper lacks are asked for one', () => {
  const two = form()
  const fields = paperOf('form', 'loan_application', {
    applicant_name: 'Ottilie Varnham',
    co_applicant_name: 'Bram Teasdale',
    loan_amount: eur('48750.00'),
    signature_date: '2026-03-20',
  }).fields
  const card = (name: string, until: string) =>
    paperOf(`card of ${name}`, 'identity_card', { full_name: name, expiry_date: until })
  const wanted = (until: string) =>
    itemOf(
      drafted([{ ...two, fields }, card('Ottilie Varnham', '2030-01-01'), card('Bram Teasdale', until)]),
      'requirement:photo_id',
    )?.ways.flat()[0].whose
  expect(wanted('2020-01-01')).toEqual(['Bram Teasdale'])
  expect(wanted('2030-01-01')).toBeUndefined()
})

test('a month that lacks is asked for by its name, whatever its day', () => {
  const papers = itemOf(
    drafted([form(), slip('2026-01'), slip('2026-03')]),
    'requirement:income_proof',
  )?.ways.flat()
  expect(papers?.find((p) => p.months)).toMatchObject({
    notBefore: null,
    months: { lacking: [2026 * 12 + 1] },
  })
})

test('a paper that is not signed is signed and brought again, page for page', () => {
  const item = itemOf(drafted([form({ signed: false, pages: [4, 5] })]), 'requirement:application_form')
  expect(item).toMatchObject({ kind: 'sign', pages: [4, 5], why: { status: 'unsigned' } })
})

test('what papers say differently is asked with who says what', () => {
  const card = paperOf(
    'card',
    'identity_card',
    { full_name: 'Ottilie Varnham', date_of_birth: '1994-01-04', expiry_date: '2030-01-01' },
    { label: 'Identity card' },
  )
  const application = form()
  const born = paperOf('form', 'loan_application', {
    applicant_name: 'Ottilie Varnham',
    loan_amount: eur('48750.00'),
    signature_date: '2026-03-20',
    date_of_birth: '1994-02-13',
  })
  const items = drafted([{ ...application, fields: born.fields }, card])
  const question = items.find((i) => i.kind === 'say')
  expect(question).toMatchObject({
    why: { kind: 'differs' },
    says: expect.arrayContaining([
      { value: '1994-02-13', papers: ['Loan application'] },
      { value: '1994-01-04', papers: ['Identity card'] },
    ]) as unknown,
  })
})

const poor = (page: number): Finding =>
  ({
    id: `poor:${page}`,
    kind: 'poor_quality',
    severity: 'warning',
    documents: [],
    message: { code: 'all', of: [] },
  }) as unknown as Finding

test('pages that are hard to read are asked for by their number in the paper, papers that count alone', () => {
  const paper = { ...slip('2026-03'), pages: [7, 8] }
  const of = (more: Partial<Paper>) =>
    drafted([form(), { ...paper, ...more }], { findings: [poor(8)] }).find(
      (i) => i.why.kind === 'hard to read',
    )
  expect(of({})).toMatchObject({
    id: 'page:8',
    kind: 'again',
    why: { kind: 'hard to read', paper: 'Payslip 2026-03', pages: [2] },
  })
  expect(of({ copyOf: 'another' })).toBeUndefined()
})

test('files that were set aside are asked for again, and so is a paper that somebody does not take', () => {
  const files = [
    { name: 'a.pdf', sha256: '', pages: 1, problem: null },
    { name: 'locked.pdf', sha256: '', pages: 0, problem: 'It is locked with a password.' },
  ]
  expect(drafted([form()], { files }).filter((i) => i.id.startsWith('file:'))).toMatchObject([
    { id: 'file:locked.pdf', why: { kind: 'unusable file' } },
  ])
  const documents = [form({ pages: [2, 3] })] as Document[]
  expect(rejectedItem(documents, 3, 'The stamp is missing.')).toMatchObject({
    id: 'paper:2',
    why: { kind: 'rejected', reason: 'The stamp is missing.' },
  })
  expect(rejectedItem(documents, 9, 'x')).toBeNull()
})

test('what is waived, or waits to be, is no matter for the applicant', () => {
  const waive: Answer = { kind: 'waive', requirement: 'photo_id', reason: 'Known at the counter.' }
  expect(itemOf(drafted([form()], { answers: [waive] }), 'requirement:photo_id')).toBeUndefined()
})

test('every lacking requirement is an item, and none is asked for twice', () => {
  const items = drafted([form(), slip('2026-02')])
  const ids = items.map((i) => i.id)
  expect(new Set(ids).size).toBe(ids.length)
  const lacking = new Set<RequirementResult['status']>(['missing', 'incomplete', 'expired', 'unsigned'])
  expect(items.every((i) => i.why.kind !== 'requirement' || lacking.has(i.why.status))).toBe(true)
})
