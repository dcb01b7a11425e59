import { isTellingWord, meantBy } from './spelling.ts'

test.each([
  ['chandery', 'chandlery'],
  ['bakexy', 'bakery'],
  ['mernow', 'memow'], // rn and m look alike
  ['harhour', 'harbour'],
])('"%s" was meant to be "%s"', (read, meant) => expect(meantBy(read, ['ropewalk', meant])).toBe(meant))
test('a plural is another word, and so is what is two letters off', () => {
  expect(meantBy('payments', ['payment'])).toBeNull()
  expect(meantBy('payment', ['payments'])).toBeNull()
  expect(meantBy('harhoor', ['harbour'])).toBeNull()
})
test('between two words as near nobody can choose', () =>
  expect(meantBy('carlson', ['carlsen', 'karlson'])).toBeNull())
test('short words and numbers tell nothing', () =>
  expect(['stor', 'a1234', 'stores'].map(isTellingWord)).toEqual([false, false, true]))
