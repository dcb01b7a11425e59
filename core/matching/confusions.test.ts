import { lookalikesOf, oneLookalike, slipExplains } from './confusions.ts'

const side = (sure: number) => ({ value: 'x', sure })

test.each([
  ['teasdale', 'teasdaie'],
  ['skr57061', 'skr57o61'],
  ['morning', 'moming'],
  ['clan', 'dan'],
  ['5ep', 'sep'],
])('one look-alike makes %s of %s, either way', (a, b) =>
  expect([oneLookalike(a, b), oneLookalike(b, a)]).toEqual([true, true]),
)
test.each([
  ['teasdale', 'teasdele1'],
  ['57061', '57016'],
  ['quay', 'quey2'],
  ['isles', 'isles'],
  ['illi', 'iiii'],
])('none makes %s of %s', (a, b) => expect(oneLookalike(a, b)).toBe(false))
test('all that a word may have been', () => {
  const all = [...lookalikesOf('isies')]
  expect(all).toEqual(expect.arrayContaining(['isles', 'lsies', '1sies', 'i5ies']))
  expect(all).not.toContain('isies')
})

describe('whether a slip explains a difference', () => {
  test('only where one side was weakly read', () => {
    expect(slipExplains('57061', '57o61', [side(0.6), side(1)])).toBe(true)
    expect(slipExplains('57061', '57o61', [side(1), side(1)])).toBe(false)
  })
  test('of words a letter may be lost, of numbers none', () => {
    expect(slipExplains('quillfeather', 'quilfeather', [side(0.6), side(1)], true)).toBe(true)
    expect(slipExplains('570612', '57061', [side(0.6), side(1)])).toBe(false)
  })
  test('short words are too like one another', () =>
    expect(slipExplains('tern', 'terns', [side(0.6), side(1)], true)).toBe(false))
})
