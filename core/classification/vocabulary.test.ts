import { linesOf } from '../layout/lines.ts'
import { pageOf } from '../testing/page-of.ts'
import { estimate, passbook, pledge } from '../testing/small-types.ts'
import { Vocabulary } from './vocabulary.ts'

const types = [passbook, estimate, pledge]
const vocabulary = new Vocabulary(types)
const best = (lines: string[]) => {
  const scores = vocabulary.speaksFor(linesOf(pageOf(lines)))
  return types[scores.indexOf(Math.max(...scores))].id
}

test.each([
  ['The giver keeps what was insured', 'pledge'],
  ['What is to pay, with tax', 'estimate'],
  ['It began and ended with what the saver had', 'passbook'],
])('%s', (text, type) => expect(best([text])).toBe(type))
test('a word counts once, however often it stands there', () => {
  const once = vocabulary.speaksFor(linesOf(pageOf(['giver'])))
  expect(vocabulary.speaksFor(linesOf(pageOf(['giver giver', 'giver'])))).toEqual(once)
})
test('words of no type speak for none', () =>
  expect(Math.max(...vocabulary.speaksFor(linesOf(pageOf(['Rehearsals on Thursdays']))))).toBe(0))
