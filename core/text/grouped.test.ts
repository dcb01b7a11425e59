import { grouped } from './index.ts'

test('what shares a key is together, in its order', () => {
  expect(grouped(['b1', 'a1', 'b2'], (text) => text[0])).toEqual([['b1', 'b2'], ['a1']])
  expect(grouped([], String)).toEqual([])
})
