import type { Document } from '../findings/index.ts'
import { message } from '../model/index.ts'
import type { RequirementResult } from '../check/index.ts'
import { receiptOf } from './index.ts'

const bill = (amount: string, pages: number[]): Document =>
  ({
    type: 'utility_bill',
    pages,
    fields: [{ name: 'amount_due', value: { amount, currency: 'EUR' } }],
  }) as unknown as Document
const requirement = (id: string, status: RequirementResult['status']): RequirementResult => ({
  requirement: id,
  title: id,
  status,
  documents: [],
  reason: message('requirement.not_asked_for'),
})
const sent = {
  files: [{ name: 'scan.pdf', pages: 2, problem: null }],
  pages: new Set([3, 4]),
  limits: [
    { title: 'A bill', field: 'utility_bill.amount_due', most: { amount: '700.00', currency: 'EUR' } },
  ],
  expected: null,
  identity: [],
  known: true,
  caseNumber: 'MSM-26-004001',
  refusal: null,
}
const verdict = {
  documents: [bill('700.01', [3, 4]), bill('9.00', [1])],
  checklist: [
    requirement('address', 'satisfied'),
    requirement('identity', 'missing'),
    requirement('x', 'waived'),
  ],
}
const titles = new Map([['utility_bill', 'Utility bill']])

test('tells of the papers that were sent, and of no others of the package', () => {
  const receipt = receiptOf(sent, verdict, titles)
  expect(receipt.documents).toEqual([{ type: 'utility_bill', title: 'Utility bill', pages: 2 }])
  expect(receipt.required.map((r) => [r.requirement, r.status])).toEqual([
    ['address', 'satisfied'],
    ['identity', 'missing'],
  ])
  expect(receipt.exceeded).toEqual([
    {
      title: 'A bill',
      said: { amount: '700.01', currency: 'EUR' },
      most: { amount: '700.00', currency: 'EUR' },
    },
  ])
})

test('whoever is not known from the package learns nothing of what it needs', () => {
  expect(receiptOf({ ...sent, known: false }, verdict, titles).required).toEqual([])
})

test('is being read until there is a verdict, and over where nothing was taken', () => {
  expect(receiptOf(sent, null, titles).state).toBe('reading')
  expect(receiptOf({ ...sent, refusal: 'It was locked.' }, null, titles).state).toBe('done')
})

test('a paper of another type than was expected is said', () => {
  expect(receiptOf({ ...sent, expected: 'payslip' }, verdict, titles).unexpected).toEqual([
    { title: 'Utility bill', expected: 'payslip' },
  ])
})
