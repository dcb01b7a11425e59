import { message } from '../model/messages/message.ts'
import type { FieldValue } from '../model/field-value.ts'
import type { Answer } from './answer.ts'
import { fill } from './fill.ts'

const read = (more: Partial<FieldValue> = {}): FieldValue => ({
  name: 'net_pay',
  value: { amount: '2140.55', currency: 'EUR' },
  raw: '2,140.55',
  confidence: 0.97,
  needsReview: false,
  reason: null,
  others: [],
  repaired: false,
  page: 3,
  box: [0.1, 0.2, 0.3, 0.22],
  ...more,
})
const said = (more: Partial<Answer & { kind: 'value' }> = {}): Answer =>
  ({
    kind: 'value',
    page: 3,
    field: 'net_pay',
    state: 'corrected',
    value: { amount: '2410.55', currency: 'EUR' },
    ...more,
  }) as Answer
const state = (field: FieldValue, ...answers: Answer[]) => fill([field], [3, 4], answers)[0]

test.each([
  [read(), 'certain'],
  [read({ repaired: true }), 'repaired'],
  [read({ needsReview: true }), 'asked'],
  [read({ value: null }), 'absent'],
] as const)('what the machine read is %#', (field, is) => expect(state(field).state).toBe(is))
test('what a person said stands over it, and is certain', () =>
  expect(state(read({ needsReview: true, reason: message('value.weak_print') }), said())).toMatchObject({
    value: { amount: '2410.55' },
    state: 'corrected',
    confidence: 1,
    needsReview: false,
    reason: null,
  }))
test('with the place that the person showed, or where it had been read', () => {
  expect(state(read(), said({ at: { page: 4, box: [0.5, 0.5, 0.6, 0.52] } })).page).toBe(4)
  expect(state(read(), said())).toMatchObject({ page: 3, box: [0.1, 0.2, 0.3, 0.22] })
})
test('the last word on a field holds', () =>
  expect(state(read(), said(), said({ state: 'empty' }))).toMatchObject({ value: null, state: 'empty' }))
test('what is unreadable has no value', () =>
  expect(state(read(), said({ state: 'unreadable' })).value).toBeNull())
test('an answer about a page of another paper is none of its business', () =>
  expect(state(read(), said({ page: 9 })).state).toBe('certain'))
test('the same reading gives the very same fields, so that what is worked out of them stays', () => {
  const fields = [read()]
  expect(fill(fields, [3], [])).toBe(fill(fields, [3], []))
})
