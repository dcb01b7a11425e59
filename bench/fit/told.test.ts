import { message } from '../../core/model/index.ts'
import type { Step } from '../../core/pipeline/index.ts'
import { paperOf } from '../../core/testing/paper-of.ts'
import type { Truth } from '../truth.ts'
import { countTold, noCounts, sharesOf } from './told.ts'

const before = paperOf('bill', 'utility_bill', { account_holder: 'Ewan Garvie' }, { pages: [1] })
const field = { ...before.fields[0], needsReview: true }
const paper = { ...before, fields: [field] }
const step = (after: Partial<typeof field>): Step =>
  ({
    before: { papers: [paper] },
    after: { papers: [{ ...paper, fields: [{ ...field, ...after }] }] },
  }) as unknown as Step
const truth = {
  documents: [{ type: 'utility_bill', pages: [1], fields: { account_holder: { value: 'Ewan Garvie' } } }],
} as unknown as Truth

test('a value that others confirm counts as right or wrong after it', () => {
  const counts = noCounts()
  countTold(step({ needsReview: false }), truth, counts)
  countTold(step({ needsReview: false, value: 'Ewan Garrie' }), truth, counts)
  expect(counts.confirmed).toEqual({ right: 1, wrong: 1 })
})
test('so does what others say against it, and what no paper told does not', () => {
  const counts = noCounts()
  countTold(step({ value: 'Ann Garvie', reason: message('value.others_say_so') }), truth, counts)
  countTold(step({ reason: message('value.weak_print') }), truth, counts)
  countTold({ before: step({}).before, after: step({}).before }, truth, counts)
  expect(counts['value.others_say_so']).toEqual({ right: 0, wrong: 1 })
  expect(Object.values(counts).reduce((sum, { right, wrong }) => sum + right + wrong, 0)).toBe(1)
})
test('of what was never seen, one is as likely right as wrong', () => {
  const shares = sharesOf({ ...noCounts(), confirmed: { right: 98, wrong: 0 } })
  expect(shares.confirmed).toBe(0.99)
  expect(shares['value.day_to_come']).toBe(0.5)
})
