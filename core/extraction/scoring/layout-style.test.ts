import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Candidate } from './candidate.ts'
import { acrossLines, preferPageStyle } from './layout-style.ts'
import { typeById } from '../../program/document-type.ts'

const form = typeById(starterTypes, 'loan_application')
const page = pageOf(['A form'])
const word = (text: string) => ({
  text,
  confidence: 1,
  box: [0, 0, 0.1, 0.02] as [number, number, number, number],
})
const candidate = (
  field: string,
  relation: Candidate['relation'],
  score: number,
  more: Partial<Candidate> = {},
): Candidate => ({
  field,
  value: field,
  raw: field,
  words: [word(field)],
  page,
  score,
  repaired: false,
  relation,
  label: true,
  ...more,
})
/** Candidates of all fields of the form, none where none are given. */
const found = (given: Record<string, Candidate[]>) =>
  new Map(form.fields.map((f) => [f.name, given[f.name] ?? []]))

describe('a form sets all its values one way', () => {
  const beside = ['applicant_name', 'date_of_birth', 'national_number', 'home_address'].map(
    (name) => [name, [candidate(name, 'right', 3)]] as const,
  )
  test('what would be beneath its label, where all others stand beside theirs, is another’s', () => {
    const odd = candidate('phone', 'below', 2)
    preferPageStyle(form, found({ ...Object.fromEntries(beside), phone: [odd] }))
    expect(odd.score).toBe(0)
  })
  test('what follows the way of the form keeps its score', () => {
    const same = candidate('phone', 'right', 2)
    preferPageStyle(form, found({ ...Object.fromEntries(beside), phone: [same] }))
    expect(same.score).toBe(2)
  })
  test('two that agree are no style yet', () => {
    const odd = candidate('phone', 'below', 2)
    preferPageStyle(form, found({ ...Object.fromEntries(beside.slice(0, 2)), phone: [odd] }))
    expect(odd.score).toBe(2)
  })
  test('another page has a way of its own', () => {
    const other = candidate('phone', 'below', 2, { page: pageOf(['Another page']) })
    preferPageStyle(form, found({ ...Object.fromEntries(beside), phone: [other] }))
    expect(other.score).toBe(2)
  })
})

test('where values stand over their labels, a neighbour’s beneath is none of theirs', () => {
  const only = ['applicant_name', 'national_number'].map(
    (name) => [name, [candidate(name, 'above', 3)]] as const,
  )
  const [own, neighbour] = [candidate('phone', 'above', 2), candidate('phone', 'below', 2)]
  preferPageStyle(form, found({ ...Object.fromEntries(only), phone: [neighbour, own] }))
  expect(own.score).toBeGreaterThan(neighbour.score)
})

test('what a line of a sentence only begins gives way to the whole of it', () => {
  const [half, rest] = [word('12'), word('Gannet')]
  const begun = candidate('home_address', 'inline', 3, { words: [half] })
  const whole = candidate('home_address', undefined, 1, { words: [half, rest] })
  acrossLines(found({ home_address: [begun, whole] }))
  expect([begun.score, whole.score]).toEqual([0, 1])
})
test('a whole of other words takes nothing from it', () => {
  const begun = candidate('home_address', 'inline', 3)
  acrossLines(
    found({
      home_address: [begun, candidate('home_address', undefined, 1, { words: [word('20'), word('Tide')] })],
    }),
  )
  expect(begun.score).toBe(3)
})
