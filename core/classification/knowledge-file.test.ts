import { UnreadableFile } from '../program/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { passbook } from '../testing/small-types.ts'
import { knowledgeFile, loadKnowledge } from './knowledge-file.ts'
import { samplesOf } from './nearest-samples.ts'
import type { Rule } from './user-rules.ts'

const rule: Rule = {
  name: 'Landing slips',
  says: { kind: 'begins' },
  words: [{ text: 'landing slip', place: 'top' }],
  without: [],
}
const samples = samplesOf(passbook.id, [pageOf(['Landing slip', 'Boat | Tern'])])

test('rules and samples are the same after a way through their file', () => {
  const file: unknown = JSON.parse(JSON.stringify(knowledgeFile({ rules: [rule], learnt: { samples } })))
  expect(loadKnowledge(file).value).toEqual({ rules: [rule], learnt: { samples } })
})
test('nothing learnt is no lesson', () =>
  expect(loadKnowledge(knowledgeFile({})).value).toEqual({ rules: [], learnt: null }))
test.each([
  ['words', 'these'],
  ['a rule without words', { rules: [{ ...rule, words: [] }] }],
  ['a later form', { formatVersion: 9 }],
])('%s are refused with a sentence', (_, file) => expect(() => loadKnowledge(file)).toThrow(UnreadableFile))
