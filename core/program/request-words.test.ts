import { requestWordsSchema, withVariables } from './index.ts'

const values = { applicant: 'Ottilie', case: 'MSM-1', due: '1 May', lender: 'Merrow', program: 'Boats' }

test('words of the lender’s own name what is put in', () => {
  const { opening } = requestWordsSchema.parse({ opening: { en: 'Dear {applicant}, about { case }:' } })
  expect(withVariables(opening.en!, values)).toBe('Dear Ottilie, about MSM-1:')
})

test.each(['Dear {aplicant}', 'Dear {applicant', '{}', 'by due}'])(
  '%s is refused when it is stored',
  (text) => {
    expect(requestWordsSchema.safeParse({ closing: { fr: text } }).success).toBe(false)
    expect(requestWordsSchema.safeParse({ items: { photo_id: { es: text } } }).success).toBe(false)
  },
)

test('a program that says nothing asks in the usual way', () => {
  expect(requestWordsSchema.parse({})).toEqual({
    opening: {},
    closing: {},
    items: {},
    dueDays: 14,
    remindDays: [7, 12],
    whenAnswered: 'first',
  })
})
