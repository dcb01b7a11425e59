import { starterTypes } from '../demo/lenders/merrow-sound/index.ts'
import { mayGive } from './packages/owners.ts'
import { summaryOf } from './packages/answer.ts'

const [processor, lead] = [
  { id: 'a', role: 'processor' as const },
  { id: 'b', role: 'lead' as const },
]
test.each([
  ['takes what is nobody’s', processor, null, 'a', true],
  ['puts back their own', processor, 'a', null, true],
  ['takes what is another’s', processor, 'b', 'a', false],
  ['gives their own away', processor, 'a', 'b', false],
  ['puts back what is another’s', processor, 'b', null, false],
])('a processor %s: %#', (_, who, now, next, may) => expect(mayGive(who, now, next)).toBe(may))
test('a lead gives anything to anybody', () =>
  expect([mayGive(lead, 'a', 'c'), mayGive(lead, null, 'a'), mayGive(lead, 'a', null)]).toEqual([
    true,
    true,
    true,
  ]))

test.each([
  [{ kind: 'cut', page: 4, begins: true }, 'A document starts on page 4'],
  [{ kind: 'type', page: 4, type: 'payslip' }, 'Page 4 is a payslip'],
  [
    {
      kind: 'value',
      page: 4,
      field: 'net_pay',
      value: { amount: '2140.55', currency: 'EUR' },
      state: 'corrected',
      at: null,
    },
    'net pay of page 4: EUR 2,140.55 (corrected)',
  ],
  [
    { kind: 'value', page: 4, field: 'net_pay', value: null, state: 'empty', at: null },
    'net pay of page 4: not on the paper',
  ],
  [
    { kind: 'waive', requirement: 'photo_id', reason: 'seen at the counter' },
    'Waived photo id: seen at the counter',
  ],
  [{ kind: 'move', pages: [3, 4], behind: null }, 'Pages 3, 4 are a document of their own'],
] as const)('%j reads "%s" in the history', (answer, text) =>
  expect(summaryOf(answer as never, starterTypes)).toBe(text),
)
