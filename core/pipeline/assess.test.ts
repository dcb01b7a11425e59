import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../testing/lender.ts'
import { message } from '../model/messages/message.ts'
import { inWords } from '../../wording/index.ts'
import Ajv from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { readFileSync } from 'node:fs'
import type { Answer } from '../answers/answer.ts'
import { answerSchema } from '../answers/answer.ts'
import { assess, type Situation } from './assess.ts'
import { reportOf } from '../handover/report.ts'
import { pageOf } from '../testing/page-of.ts'
import { segmentPages } from '../classification/segment.ts'
import { pageReader } from './readings.ts'

const pages = [
  pageOf([
    'Application for a working-boat loan',
    'Application number | MSM-26-004817',
    'Name of applicant | Ottilie Varnham',
    'Date of birth | 14/03/1980',
    'National number | 140380-2211',
    'Home address | 12 Gannet Row, Port Ellery SK4 2QD',
    'Employment status | Employed',
    'Employer | Cormorant Slipway Ltd',
    'Monthly net income | EUR 2,140.00',
    'Loan amount | EUR 47,850.00',
    'Purchase price | EUR 61,250.00',
    'Deposit | EUR 12,500.00',
  ]),
  pageOf([
    'Petrel Slipways Ltd',
    'Payslip',
    'Employee | O. Varnham',
    'Pay period | 01/01/2026 - 31/01/2026',
    'Pay date | 30/01/2026',
    'Gross pay | 2,755.00',
    'Net pay | 2,140.55',
    'Year to date gross | 2,755.00',
    'National number | 140380-2211',
  ]),
  pageOf(['Saltholm Choir', 'Rehearsals are on Thursdays in the net loft.']),
].map((p, i) => ({ ...p, number: i + 1, filePage: i + 1 }))

const situation = (answers: Answer[] = []): Situation => ({
  files: [{ name: 'a.pdf', sha256: 'x'.repeat(64), pages: 3, problem: null }],
  pages,
  pieces: segmentPages(pages, starterTypes),
  program: workingBoatLoan,
  types: starterTypes,
  lender: euroLender,
  answers,
  asOf: '2026-02-10',
})
const before = assess(situation())

test('the papers, the applicant, the conflict, the sum that does not add up and the unknown page are found', () => {
  expect(before.documents.map((d) => d.type)).toEqual(['loan_application', 'payslip', 'unknown'])
  expect(before.persons.applicant).toBe('Ottilie Varnham')
  expect(before.facts.find((f) => f.fact === 'employer_name')?.status).toBe('conflict')
  expect(before.checks.find((c) => c.check === 'loan_equals_price_less_deposit')?.status).toBe('failed')
  expect(before.findings.map((f) => f.kind)).toEqual(
    expect.arrayContaining(['conflict', 'arithmetic', 'unknown_pages', 'missing_document']),
  )
})
test('a paper whose reading fails is asked about with the reason, and costs the others nothing', () => {
  const { documents } = assess(situation(), (numbers, type) => {
    if (type.id === 'payslip') throw new Error('a line without words')
    return pageReader(pages, euroLender)(numbers, type)
  })
  const [form, payslip] = documents
  expect(form.fields.find((f) => f.name === 'applicant_name')!.value).toBe('Ottilie Varnham')
  expect(payslip.fields.every((f) => f.value === null && f.needsReview)).toBe(true)
  expect(payslip.fields[0].reason).toEqual(message('value.reader_failed', { fault: 'a line without words' }))
})
test('the same situation gives the same assessment', () => expect(assess(situation())).toEqual(before))
test('every choice of every question stores an answer that can be stored', () => {
  for (const question of before.deck)
    for (const choice of question.choices)
      if (choice.needs === 'nothing') expect(answerSchema.safeParse(choice.answer).success).toBe(true)
})
test('giving the first answer to a question closes it', () => {
  for (const question of before.deck) {
    const { answer, needs } = question.choices[0]
    if (needs === 'type' || needs === 'value') continue
    const after = assess(
      situation(['reason' in answer ? { ...answer, reason: 'as the papers say' } : answer]),
    )
    expect(after.deck.map((q) => q.id)).not.toContain(question.id)
  }
})
test('answering everything empties the deck', () => {
  const answers: Answer[] = []
  for (let round = 0; round < 60; round++) {
    const [question] = assess(situation(answers)).deck
    if (!question) break
    const choice =
      question.choices.find((c) => c.needs === 'nothing') ??
      question.choices.find((c) => c.needs === 'reason')!
    answers.push('reason' in choice.answer ? { ...choice.answer, reason: 'settled' } : choice.answer)
  }
  expect(assess(situation(answers)).deck).toEqual([])
})
test('a cut that is joined again, a value that is said again: the last word holds', () => {
  const said: Answer = {
    kind: 'value',
    page: 2,
    field: 'net_pay',
    value: { amount: '1.00', currency: 'EUR' },
    state: 'corrected',
    at: null,
  }
  const value = (answers: Answer[]) =>
    assess(situation(answers)).documents[1].fields.find((f) => f.name === 'net_pay')!.value
  expect(value([said])).toEqual({ amount: '1.00', currency: 'EUR' })
  expect(value([said, { ...said, value: { amount: '2140.55', currency: 'EUR' } }])).toEqual({
    amount: '2140.55',
    currency: 'EUR',
  })
})
test('where no place for a signature was found, the report says that it is a guess, and the deck asks', () => {
  expect(before.documents[0]).toMatchObject({ signed: false, signedAsked: true })
  expect(reportOf(situation(), before, inWords).documents[0].signedNeedsReview).toBe(true)
  expect(before.deck.map((q) => q.id)).toContain('signed:1')
  const after = assess(situation([{ kind: 'signed', page: 1, signed: true }]))
  expect(after.documents[0]).toMatchObject({ signed: true, signedAsked: false })
})
test('the deck begins with what settles most: cuts and types before values', () => {
  const weights = before.deck.map((q) => q.weight)
  expect(weights).toEqual([...weights].sort((a, b) => b - a))
})

test('the report is valid against the published schema', () => {
  const ajv = new Ajv({ strict: false })
  addFormats(ajv)
  const validate = ajv.compile(JSON.parse(readFileSync('docs/report.schema.json', 'utf8')) as object)
  const report = JSON.parse(JSON.stringify(reportOf(situation(), before, inWords, { wall: 1 }))) as unknown
  expect(validate(report) ? [] : validate.errors).toEqual([])
})
