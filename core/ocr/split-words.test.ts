import { pageOf } from '../testing/page-of.ts'
import { splitGluedWords } from './split-words.ts'

const parts = (text: string) => splitGluedWords(pageOf([text]).words).map((w) => w.text)

test.each([
  ['Tel.:+44', ['Tel.:', '+44']],
  ['period€2.327,29', ['period', '€2.327,29']],
  [':84', [':', '84']],
  ['14:30', ['14:30']],
  ['https://example.org', ['https://example.org']],
  ['€5.00', ['€5.00']],
  ['Name:', ['Name:']],
  ['2026Card', ['2026', 'Card']],
  ['2026CARD', ['2026CARD']],
  ['SKR2026Ab', ['SKR2026Ab']],
])('%s comes apart as %j', (text, words) => expect(parts(text)).toEqual(words))

test('the parts share the place of the whole', () => {
  const [whole] = pageOf(['To:01-JAN-26']).words
  const [head, tail] = splitGluedWords([whole])
  expect(head.box[0]).toBe(whole.box[0])
  expect(tail.box[2]).toBe(whole.box[2])
  expect(head.box[2]).toBeCloseTo(tail.box[0])
})

test.each([
  ['Surname/Nom', ['Surname', '/', 'Nom']],
  ['Birth/Naissance/Nacimiento:', ['Birth', '/', 'Naissance', '/', 'Nacimiento:']],
  ['226/95328/H', ['226/95328/H']],
  ['01/03/2026', ['01/03/2026']],
  ['c/o', ['c/o']],
])('tongues joined by a stroke, %s, come apart as %j', (text, words) => expect(parts(text)).toEqual(words))
