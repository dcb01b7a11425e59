import type { Document } from '../findings/index.ts'
import { message } from '../model/index.ts'
import type { RequirementResult } from '../check/index.ts'
import { receiptOf } from './index.ts'

const bill = (amount: string, pages: number[], change: object = {}): Document =>
  ({
    type: 'utility_bill',
    pages,
    fields: [{ name: 'amount_due', value: { amount, currency: 'EUR' }, needsReview: false }],
    typeAsked: false,
    ...change,
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
  expect(receipt.documents).toEqual([{ type: 'utility_bill', title: 'Utility bill', pages: 2, sure: true }])
  expect(receipt.required.map((r) => [r.requirement, r.status])).toEqual([
    ['address', 'satisfied'],
    ['identity', 'missing'],
  ])
  expect(receipt.exceeded).toEqual([
    {
      title: 'A bill',
      said: { amount: '700.01', currency: 'EUR' },
      most: { amount: '700.00', currency: 'EUR' },
      sure: true,
    },
  ])
})

test('what is in doubt is told as doubtful, and no limit is held against it in silence', () => {
  const of = (document: Document) => receiptOf(sent, { ...verdict, documents: [document] }, titles)
  expect(of(bill('1.00', [3], { typeAsked: true })).documents[0].sure).toBe(false)
  expect(of(bill('1.00', [3])).documents[0].sure).toBe(true)
  const doubtful = bill('900.00', [3])
  doubtful.fields[0].needsReview = true
  expect(of(doubtful).exceeded).toMatchObject([{ title: 'A bill', sure: false }])
  expect(of(doubtful).unchecked).toEqual([])
  doubtful.fields[0].value = { amount: '9.00', currency: 'EUR' }
  expect([of(doubtful).exceeded, of(doubtful).unchecked]).toEqual([[], [{ title: 'A bill' }]])
  expect(of(bill('1.00', [3], { fields: [] })).unchecked).toEqual([{ title: 'A bill' }])
  const foreign = bill('9.00', [3])
  foreign.fields[0].value = { amount: '9.00', currency: 'NOK' }
  expect(of(foreign).unchecked).toEqual([{ title: 'A bill' }])
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
