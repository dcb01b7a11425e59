import { starterTypes, traderAccount, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../testing/lender.ts'
import { inWords } from '../../wording/index.ts'
import type { Answer } from '../answers/answer.ts'
import { assess } from './assess.ts'
import { overriddenIn, waitingFor } from '../findings/overridden.ts'
import { pageOf } from '../testing/page-of.ts'
import { segmentPages } from '../classification/segment.ts'
import { verdictChanges } from './verdict.ts'

const pages = [
  pageOf([
    'Payslip',
    'Petrel Slipways Ltd',
    'Employee | O. Varnham',
    'Pay period | 01/01/2026 - 31/01/2026',
    'Pay date | 30/01/2026',
    'Gross pay | 2,755.00',
    'Net pay | 2,140.55',
  ]),
]
const judged = (program = workingBoatLoan, answers: Answer[] = []) =>
  assess({
    files: [],
    pages,
    pieces: segmentPages(pages, starterTypes),
    program,
    types: starterTypes,
    lender: euroLender,
    answers,
    asOf: '2026-02-10',
  })

test('the same verdict changes nothing', () => expect(verdictChanges(judged(), judged())).toEqual([]))
test('a requirement that is no longer asked for, and one that is new, are told', () => {
  const fewer = {
    ...workingBoatLoan,
    requirements: workingBoatLoan.requirements.filter((r) => r.id !== 'mandate'),
  }
  expect(verdictChanges(judged(), judged(fewer))).toEqual([
    {
      what: 'requirement',
      id: 'mandate',
      title: 'Direct debit mandate',
      before: 'missing',
      after: 'not asked',
    },
  ])
  expect(verdictChanges(judged(fewer), judged())).toMatchObject([{ before: 'not asked', after: 'missing' }])
})
test('another count asks for other things of the same papers', () => {
  const one = structuredClone(workingBoatLoan)
  one.requirements.find((r) => r.id === 'income_proof')!.ways.at(-1)!.needs[0].months!.count = 1
  expect(verdictChanges(judged(), judged(one))).toMatchObject([
    { id: 'income_proof', before: 'incomplete', after: 'satisfied' },
  ])
})
test('another program is another verdict altogether', () =>
  expect(verdictChanges(judged(), judged(traderAccount)).length).toBeGreaterThan(15))

test('decisions against the papers are listed with how far they count; what is asked of the applicant is none', () => {
  const answers: Answer[] = [
    { kind: 'waive', requirement: 'berth', reason: 'a trailer boat' },
    { kind: 'waive', requirement: 'mandate', reason: 'paid in cash' },
    { kind: 'sign', what: 'waive', subject: 'mandate', agreed: true, reason: '' },
    { kind: 'check', check: 'quote_adds_up', decision: 'ask', reason: 'to be asked of the applicant' },
  ]
  const found = judged(workingBoatLoan, answers)
  expect(overriddenIn(found).map((o) => [o.subject, inWords(o.decision), o.state])).toEqual([
    ['berth', 'waived', 'waits'],
    ['mandate', 'waived', 'holds'],
  ])
  expect(waitingFor(found).map((o) => o.reason)).toEqual(['a trailer boat'])
})
