import type { Answer } from './answer.ts'
import { touches } from './touches.ts'

const value = (page: number, field: string): Answer => ({
  kind: 'value',
  page,
  field,
  value: 'x',
  state: 'corrected',
  at: null,
})
const cut = (page: number): Answer => ({ kind: 'cut', page, begins: true })

test.each<[string, Answer, Answer, boolean]>([
  ['the same value', value(3, 'net_pay'), value(3, 'net_pay'), true],
  ['another value of the page', value(3, 'net_pay'), value(3, 'gross_pay'), false],
  ['a cut at the page that was moved', cut(3), { kind: 'move', pages: [2, 3], behind: 7 }, true],
  ['a cut elsewhere', cut(9), { kind: 'move', pages: [2, 3], behind: 7 }, false],
  [
    'the page it was moved behind',
    { kind: 'aside', pages: [7] },
    { kind: 'move', pages: [2], behind: 7 },
    true,
  ],
  [
    'a value of a page that was retyped',
    value(3, 'net_pay'),
    { kind: 'type', page: 3, type: 'unknown' },
    true,
  ],
  [
    'the same fact',
    { kind: 'fact', fact: 'iban', decision: 'ask', value: null, reason: 'asked' },
    { kind: 'fact', fact: 'iban', decision: 'accepted', value: null, reason: 'seen' },
    true,
  ],
  [
    'another requirement',
    { kind: 'waive', requirement: 'photo_id', reason: 'seen' },
    { kind: 'waive', requirement: 'survey', reason: 'seen' },
    false,
  ],
])('%s', (_, a, b, meet) => expect([touches(a, b), touches(b, a)]).toEqual([meet, meet]))
