import { isDistinctiveWord, likelyWord } from './spelling.ts'

test.each([
  ['chandery', 'chandlery'],
  ['bakexy', 'bakery'],
  ['mernow', 'memow'], // rn and m look alike
  ['harhour', 'harbour'],
])('"%s" was meant to be "%s"', (read, meant) => expect(likelyWord(read, ['ropewalk', meant])).toBe(meant))
test('a plural is another word, and so is what is two letters off', () => {
  expect(likelyWord('payments', ['payment'])).toBeNull()
  expect(likelyWord('payment', ['payments'])).toBeNull()
  expect(likelyWord('harhoor', ['harbour'])).toBeNull()
})
test('between two words as near nobody can choose', () =>
  expect(likelyWord('carlson', ['carlsen', 'karlson'])).toBeNull())
test('short words and numbers tell nothing', () =>
  expect(['stor', 'a1234', 'stores'].map(isDistinctiveWord)).toEqual([false, false, true]))
