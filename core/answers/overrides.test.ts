import type { Answer } from './answer.ts'
import { standingOf } from './overrides.ts'

const waive = (reason: string, requirement = 'berth'): Answer => ({ kind: 'waive', requirement, reason })
const sign = (agreed: boolean, reason = ''): Answer => ({
  kind: 'sign',
  what: 'waive',
  subject: 'berth',
  agreed,
  reason,
})
const state = (answers: Answer[], second = true) => standingOf(answers, 'waive', 'berth', () => second)?.state

test.each<[string, Answer[], string | undefined]>([
  ['nothing said', [], undefined],
  ['a waiver waits for a second person', [waive('berth is free')], 'waits'],
  ['and counts once that person agreed', [waive('berth is free'), sign(true)], 'holds'],
  ['or never, refused', [waive('berth is free'), sign(false, 'no proof')], 'refused'],
  ['the last word on it holds', [waive('berth is free'), sign(false), sign(true)], 'holds'],
  ['a new waiver needs a new word', [waive('berth is free'), sign(true), waive('another reason')], 'waits'],
  [
    'the word on another matter says nothing of this one',
    [waive('berth is free'), { kind: 'sign', what: 'waive', subject: 'survey', agreed: true, reason: '' }],
    'waits',
  ],
])('%s', (_, answers, expected) => expect(state(answers)).toBe(expected))

test('where no second person is asked for, a waiver counts at once', () =>
  expect(state([waive('berth is free')], false)).toBe('holds'))
test('the reason of a refusal is kept', () =>
  expect(
    standingOf([waive('berth is free'), sign(false, 'no proof')], 'waive', 'berth', () => true)?.refusal,
  ).toBe('no proof'))
