import { organisations, summaryRows, synonyms, wordsPattern } from './index.ts'

test('a word of a list is found where it stands whole, whatever its case', () => {
  const pattern = wordsPattern(['road', 'quay'])
  expect(['12 Gannet ROAD', 'the quay', 'Broadway', 'quays'].map((t) => pattern.test(t))).toEqual([
    true,
    true,
    false,
    false,
  ])
})
test('points and strokes may be left out', () => {
  expect(['Mareyeurs SARL', 'Mareyeurs S.A.R.L'].every((t) => wordsPattern(organisations).test(t))).toBe(true)
  expect(['balance b/f', 'balance bf'].every((t) => wordsPattern(summaryRows).test(t))).toBe(true)
})
test('signs of patterns in a word mean themselves', () =>
  expect([wordsPattern(['no (old)']).test('no (old) x'), wordsPattern(['a+']).test('aaa')]).toEqual([
    false,
    false,
  ]))
test('no word names two meanings but those that truly have two', () => {
  const heads = synonyms.map(([head]) => head)
  expect(new Set(heads).size).toBe(heads.length)
})
