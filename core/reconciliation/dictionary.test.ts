import { dictionaryWord } from './dictionary.ts'

const english = new Set([
  'chandlery',
  'isles',
  'water',
  'hydraulic',
  'guild',
  'morrow',
  'marrow',
  'card',
  'payment',
  'stores',
  'store',
])
const names = new Set(['saltholm', 'skerrow'])
const meant = (text: string, sure = 0.95) =>
  dictionaryWord({ text, confidence: sure }, (letters) => english.has(letters) || names.has(letters))

test.each([
  ['Chandiery', 'Chandlery'],
  ['isies', 'isles'],
  ['CHANDIERY', 'CHANDLERY'],
  ['Salthoim', 'Saltholm'],
  ['(Chandiery)', '(Chandlery)'],
  ['Skerow', 'Skerrow'],
  ['Chandllery', 'Chandlery'],
])('%s is meant for %s', (read, word) => expect(meant(read)).toBe(word))
test('a weak word may have any letter misread', () => {
  expect(meant('Hydraukic', 0.8)).toBe('Hydraulic')
  expect(meant('Guitd', 0.8)).toBe('Guild')
  expect(meant('Hydraukic', 0.95)).toBeNull()
})
test('what is a word, or a name that the papers have, is meant', () =>
  expect([meant('Chandlery'), meant('Skerrow'), meant('Stores')]).toEqual([null, null, null]))
test('between two words as near nobody can tell', () => expect(meant('Merrow')).toBeNull())
test('nor of short words, figures, or what is near nothing', () =>
  expect([meant('Caxd', 0.5), meant('000412', 0.5), meant('Kelpnet', 0.5)]).toEqual([null, null, null]))
