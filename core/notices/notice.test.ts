import type { Document } from '../findings/index.ts'
import { noticeSchema, toldBy, type Notice } from './index.ts'

const notice = (change: object = {}): Notice =>
  noticeSchema.parse({
    title: 'Large bills',
    when: { type: 'utility_bill', field: 'amount_due', over: 500, is: null },
    says: { from: 'provider', amount: 'amount_due', due: 'due_date' },
    mail: ['desk@lender.example'],
    post: null,
    lead: false,
    first: false,
    task: false,
    ...change,
  })
const bill = (amount: string, change: object = {}, currency = 'EUR'): Document =>
  ({
    type: 'utility_bill',
    pages: [3, 4],
    copyOf: null,
    typeAsked: false,
    fields: [
      { name: 'provider', value: 'Skerrow Electric', needsReview: false },
      { name: 'amount_due', value: { amount, currency }, needsReview: false },
      { name: 'due_date', value: '2026-12-14', needsReview: false },
    ],
    ...change,
  }) as unknown as Document
const told = (document: Document, rule = notice()) => toldBy(rule, [document], 'EUR')

test('a bill of more than the limit is told, with whom it is from, how much and when', () => {
  expect(told(bill('500.01'))).toEqual([
    {
      document: '3,4',
      page: 3,
      type: 'utility_bill',
      from: 'Skerrow Electric',
      amount: { amount: '500.01', currency: 'EUR' },
      due: '2026-12-14',
    },
  ])
  expect(told(bill('500.00'))).toEqual([])
  expect(told(bill('600.00', { type: 'payslip' }))).toEqual([])
})

test('a limit is in the whole units of its currency, however many parts these have', () => {
  const dinars = (amount: string) => toldBy(notice(), [bill(amount, {}, 'KWD')], 'KWD')
  expect([dinars('500.001').length, dinars('499.999').length]).toEqual([1, 0])
})

test('an amount in another currency cannot be held against the limit, and is told', () => {
  expect(told(bill('3.00', {}, 'NOK'))).toHaveLength(1)
})

test('what is in doubt waits until it is settled; copies are told of once', () => {
  expect(told(bill('900.00', { typeAsked: true }))).toEqual([])
  expect(told(bill('900.00', { copyOf: 'd2' }))).toEqual([])
  const doubtful = bill('900.00')
  Object.assign(doubtful.fields[1], { needsReview: true })
  expect(told(doubtful)).toEqual([])
})

test('words are held against one another whatever their capitals; a paper without a condition is told as it comes', () => {
  const when = { type: 'utility_bill', field: 'provider', over: null, is: 'SKERROW  electric' }
  expect(told(bill('1.00'), notice({ when }))).toHaveLength(1)
  expect(told(bill('1.00'), notice({ when: { ...when, is: 'another' } }))).toEqual([])
  expect(told(bill('1.00'), notice({ when: { ...when, field: null, is: null } }))).toHaveLength(1)
})
