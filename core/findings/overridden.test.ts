import { message } from '../model/messages/message.ts'
import { overriddenIn, waitingFor } from './overridden.ts'

type Given = Parameters<typeof overriddenIn>[0]
const settled = (decision: string, state = 'holds') => ({
  decision,
  reason: 'seen the original',
  state,
  refusal: '',
  against: [],
})
const given = (over: { waiver?: object; fact?: object; check?: object }): Given =>
  ({
    checklist: [{ requirement: 'survey', title: 'Survey', documents: ['d4'], waiver: over.waiver ?? null }],
    facts: [
      {
        fact: 'employer_name',
        title: 'Employer',
        evidence: [{ document: 'd1' }, { document: 'd2' }, { document: 'd1' }],
        settled: over.fact ?? null,
      },
    ],
    checks: [
      { check: 'quote_adds_up', title: 'Quote adds up', documents: ['d3'], settled: over.check ?? null },
    ],
  }) as unknown as Given

test('papers that nobody decided against override nothing', () => expect(overriddenIn(given({}))).toEqual([]))
test('a waiver says what it was for, and on which papers', () => {
  expect(overriddenIn(given({ waiver: { reason: 'new boat', state: 'holds', refusal: '' } }))).toEqual([
    {
      what: 'waive',
      subject: 'survey',
      title: 'Survey',
      decision: message('decision.waived'),
      reason: 'new boat',
      state: 'holds',
      refusal: '',
      documents: ['d4'],
    },
  ])
})
test('a decision on a fact names each paper once', () => {
  expect(overriddenIn(given({ fact: settled('value') }))).toMatchObject([
    {
      what: 'fact',
      subject: 'employer_name',
      decision: message('decision.value'),
      documents: ['d1', 'd2'],
    },
  ])
  expect(overriddenIn(given({ check: settled('accepted') }))).toMatchObject([
    { what: 'check', decision: message('decision.accepted'), reason: 'seen the original' },
  ])
})
test('what is only to be asked of the applicant overrides nothing', () =>
  expect(overriddenIn(given({ fact: settled('ask'), check: settled('ask') }))).toEqual([]))
test('only what a second person has yet to agree to waits', () => {
  const both = given({ fact: settled('accepted', 'waits'), check: settled('accepted', 'refused') })
  expect(waitingFor(both).map((o) => o.subject)).toEqual(['employer_name'])
  expect(overriddenIn(both)).toHaveLength(2)
})
