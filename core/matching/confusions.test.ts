import { confusionsOf, isOneConfusion, isConfusion } from './confusions.ts'

const side = (sure: number) => ({ value: 'x', confidence: sure })

test.each([
  ['teasdale', 'teasdaie'],
  ['skr57061', 'skr57o61'],
  ['morning', 'moming'],
  ['clan', 'dan'],
  ['5ep', 'sep'],
])('one look-alike makes %s of %s, either way', (a, b) =>
  expect([isOneConfusion(a, b), isOneConfusion(b, a)]).toEqual([true, true]),
)
test.each([
  ['teasdale', 'teasdele1'],
  ['57061', '57016'],
  ['quay', 'quey2'],
  ['isles', 'isles'],
  ['illi', 'iiii'],
])('none makes %s of %s', (a, b) => expect(isOneConfusion(a, b)).toBe(false))
test('all that a word may have been', () => {
  const all = [...confusionsOf('isies')]
  expect(all).toEqual(expect.arrayContaining(['isles', 'lsies', '1sies', 'i5ies']))
  expect(all).not.toContain('isies')
})

describe('whether a slip explains a difference', () => {
  test('only where one side was weakly read', () => {
    expect(isConfusion('57061', '57o61', [side(0.6), side(1)])).toBe(true)
    expect(isConfusion('57061', '57o61', [side(1), side(1)])).toBe(false)
  })
  test('of words a letter may be lost, of numbers none', () => {
    expect(isConfusion('quillfeather', 'quilfeather', [side(0.6), side(1)], true)).toBe(true)
    expect(isConfusion('570612', '57061', [side(0.6), side(1)])).toBe(false)
  })
  test('short words are too like one another', () =>
    expect(isConfusion('tern', 'terns', [side(0.6), side(1)], true)).toBe(false))
})
