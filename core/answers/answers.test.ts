import { message } from '../model/messages/message.ts'
import fc from 'fast-check'
import type { FieldValue } from '../model/field-value.ts'
import { answerSchema, type Answer } from './answer.ts'
import { arrange } from './arrange.ts'
import { fill } from './fill.ts'
import type { Piece } from '../classification/piece.ts'

const piece = (pages: number[], type = 'payslip'): Piece => ({
  pages,
  type,
  confidence: 0.9,
  types: [{ type, confidence: 0.9 }],
  cutBefore: 0.9,
})
const pieces = [piece([1, 2], 'loan_application'), piece([3]), piece([4, 5], 'bank_statement')]
const after = (...answers: Answer[]) => arrange(pieces, answers).map((d) => `${d.type}:${d.pages.join(',')}`)

test('nothing said, nothing changed', () =>
  expect(after()).toEqual(['loan_application:1,2', 'payslip:3', 'bank_statement:4,5']))
test('a cut parts a document', () =>
  expect(after({ kind: 'cut', page: 5, begins: true })).toEqual([
    'loan_application:1,2',
    'payslip:3',
    'bank_statement:4',
    'bank_statement:5',
  ]))
test('a join puts it behind the document before', () =>
  expect(after({ kind: 'cut', page: 3, begins: false })).toEqual([
    'loan_application:1,2,3',
    'bank_statement:4,5',
  ]))
test('a cut and its opposite leave the pages as they were', () =>
  expect(after({ kind: 'cut', page: 5, begins: true }, { kind: 'cut', page: 5, begins: false })).toEqual(
    after(),
  ))
test('the last type said holds', () =>
  expect(
    after(
      { kind: 'type', page: 3, type: 'credit_consent' },
      { kind: 'type', page: 3, type: 'utility_bill' },
    )[1],
  ).toBe('utility_bill:3'))
test('pages move behind a page of another document', () =>
  expect(after({ kind: 'move', pages: [5], behind: 1 })).toEqual([
    'loan_application:1,5,2',
    'payslip:3',
    'bank_statement:4',
  ]))
test('emptied documents go away', () =>
  expect(after({ kind: 'move', pages: [3], behind: 5 })).toEqual([
    'loan_application:1,2',
    'bank_statement:4,5,3',
  ]))
test('pages become a document of their own', () =>
  expect(after({ kind: 'move', pages: [2], behind: null })).toEqual([
    'loan_application:1',
    'loan_application:2',
    'payslip:3',
    'bank_statement:4,5',
  ]))
test('moving pages behind themselves does nothing', () =>
  expect(after({ kind: 'move', pages: [4], behind: 4 })).toEqual(after()))
test('pages set aside are in no document, and come back by being moved', () => {
  expect(after({ kind: 'aside', pages: [3, 5] })).toEqual(['loan_application:1,2', 'bank_statement:4'])
  expect(after({ kind: 'aside', pages: [3] }, { kind: 'move', pages: [3], behind: 4 })).toEqual([
    'loan_application:1,2',
    'bank_statement:4,3,5',
  ])
  expect(after({ kind: 'aside', pages: [3] }, { kind: 'move', pages: [3], behind: null })).toEqual([
    'loan_application:1,2',
    'unknown:3',
    'bank_statement:4,5',
  ])
})
test('a blank page goes where a person moves it', () =>
  expect(arrange(pieces, [{ kind: 'move', pages: [6], behind: 3 }], [6]).map((d) => d.pages)).toEqual([
    [1, 2],
    [3, 6],
    [4, 5],
  ]))
test('answers on pages that are in no document are left aside', () =>
  expect(
    after(
      { kind: 'cut', page: 99, begins: true },
      { kind: 'type', page: 99, type: 'x' },
      { kind: 'move', pages: [99], behind: 1 },
    ),
  ).toEqual(after()))

test('no answer ever loses or doubles a page', () => {
  const page = fc.integer({ min: 1, max: 6 })
  const answer: fc.Arbitrary<Answer> = fc.oneof(
    fc.record({ kind: fc.constant('cut' as const), page, begins: fc.boolean() }),
    fc.record({ kind: fc.constant('type' as const), page, type: fc.constantFrom('payslip', 'unknown') }),
    fc.record({
      kind: fc.constant('move' as const),
      pages: fc.uniqueArray(page, { minLength: 1, maxLength: 3 }),
      behind: fc.option(page),
    }),
  )
  fc.assert(
    fc.property(fc.array(answer, { maxLength: 12 }), (answers) => {
      const documents = arrange(pieces, answers)
      return (
        documents.every((d) => d.pages.length > 0) &&
        documents
          .flatMap((d) => d.pages)
          .sort((a, b) => a - b)
          .join() === '1,2,3,4,5'
      )
    }),
  )
})

const field: FieldValue = {
  name: 'net_pay',
  value: { amount: '2140.55', currency: 'EUR' },
  raw: '2,140.55',
  confidence: 0.6,
  needsReview: true,
  reason: message('value.weak_print'),
  others: [],
  repaired: false,
  page: 3,
  box: [0, 0, 1, 1],
}
const said = (answer: Partial<Answer & { kind: 'value' }>): Answer => ({
  kind: 'value',
  page: 3,
  field: 'net_pay',
  value: field.value,
  state: 'confirmed',
  at: null,
  ...answer,
})

test('a confirmed value is certain and asked no more', () =>
  expect(fill([field], [3], [said({})])[0]).toMatchObject({
    confidence: 1,
    needsReview: false,
    state: 'confirmed',
  }))
test('a corrected value replaces what was read', () =>
  expect(
    fill([field], [3], [said({ value: { amount: '1.00', currency: 'EUR' }, state: 'corrected' })])[0].value,
  ).toEqual({ amount: '1.00', currency: 'EUR' }))
test.each(['empty', 'unreadable'] as const)('"%s" leaves no value', (state) =>
  expect(fill([field], [3], [said({ state })])[0]).toMatchObject({ value: null, state, needsReview: false }),
)
test('the last answer holds', () =>
  expect(fill([field], [3], [said({ state: 'empty' }), said({})])[0].state).toBe('confirmed'))
test("another document's answers do not count", () =>
  expect(fill([field], [7], [said({})])[0].state).toBe('asked'))
test('a later reading never overwrites an answer', () => {
  const reread = {
    ...field,
    value: { amount: '9.99', currency: 'EUR' },
    confidence: 0.99,
    needsReview: false,
  }
  expect(fill([reread], [3], [said({})])[0].value).toEqual(field.value)
})
test('what the machine found has a state of its own', () => {
  expect(
    fill(
      [
        { ...field, needsReview: false },
        { ...field, needsReview: false, repaired: true },
        { ...field, value: null, needsReview: false },
      ],
      [3],
      [],
    ).map((f) => f.state),
  ).toEqual(['certain', 'repaired', 'absent'])
})

test.each([
  { kind: 'fact', fact: 'iban', decision: 'accepted', reason: 'no' },
  { kind: 'waive', requirement: 'photo_id', reason: '' },
  { kind: 'value', page: 0, field: 'x', value: null, state: 'confirmed' },
  { kind: 'value', page: 1, field: 'x', value: { amount: 'lots', currency: 'EUR' }, state: 'corrected' },
  { kind: 'nonsense' },
])('%j is no answer', (answer) => expect(answerSchema.safeParse(answer).success).toBe(false))
