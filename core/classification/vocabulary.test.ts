import { linesOf } from '../layout/lines.ts'
import { pageOf } from '../testing/page-of.ts'
import { builtInTypes } from '../program/starter/types/index.ts'
import { Vocabulary } from './vocabulary.ts'

const vocabulary = new Vocabulary(builtInTypes)
const best = (lines: string[]) => {
  const scores = vocabulary.speaksFor(linesOf(pageOf(lines)))
  return builtInTypes[scores.indexOf(Math.max(...scores))].id
}

test.each([
  ['I authorise enquiries about my credit record at any reference agency', 'credit_consent'],
  ['Your consumption by meter, tariff and standing charges', 'utility_bill'],
  ['Gross earnings and take-home pay', 'payslip'],
])('%s', (text, type) => expect(best([text])).toBe(type))
test('a word counts once, however often it stands there', () => {
  const once = vocabulary.speaksFor(linesOf(pageOf(['consent'])))
  expect(vocabulary.speaksFor(linesOf(pageOf(['consent consent', 'consent'])))).toEqual(once)
})
test('words of no type speak for none', () =>
  expect(Math.max(...vocabulary.speaksFor(linesOf(pageOf(['Rehearsals on Thursdays']))))).toBe(0))
