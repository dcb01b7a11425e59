import { pairOf } from './pair.ts'

const paper = (id: string, pages: number[], copyOf: string | null = null) => ({
  id,
  pages,
  copyOf,
  supersededBy: null,
})
const [original, other, copy] = [paper('a', [1, 2]), paper('b', [3]), paper('c', [4, 5, 6], 'a')]
const all = [original, other, copy]

test('a page of a copy is compared with the same page of what it is a copy of', () => {
  expect([4, 5].map((page) => pairOf(copy, page, all))).toEqual([1, 2])
})
test('a copy’s page too many is compared with the last', () => expect(pairOf(copy, 6, all)).toBe(2))
test('any other page with the one before it, the first with the one behind', () => {
  expect(pairOf(other, 3, all)).toBe(2)
  expect(pairOf(original, 1, all)).toBe(2)
})
test('a page alone has nothing to be compared with', () => expect(pairOf(other, 3, [other])).toBeUndefined())
