import { boxAround, grow, inside, overlap, touches, type Box } from './geometry.ts'

test('the box around several boxes holds them all', () => {
  expect(
    boxAround([
      [0.1, 0.2, 0.3, 0.4],
      [0.2, 0.1, 0.25, 0.5],
    ]),
  ).toEqual([0.1, 0.1, 0.3, 0.5])
})
test('there is no box around nothing', () => expect(() => boxAround([])).toThrow('at least one'))
test.each([
  [0, 2, 1, 3, 1],
  [0, 1, 2, 3, 0],
  [0, 5, 1, 2, 1],
])('[%d, %d] and [%d, %d] share %d', (a, b, c, d, shared) => expect(overlap(a, b, c, d)).toBe(shared))
test('a grown box stays on the page', () =>
  expect(grow([0.01, 0.01, 0.99, 0.99], 0.05)).toEqual([0, 0, 1, 1]))
test('boxes that meet at an edge do not touch', () => {
  expect(touches([0, 0, 0.5, 0.5], [0.5, 0, 1, 0.5])).toBe(false)
  expect(touches([0, 0, 0.5, 0.5], [0.4, 0.4, 1, 1])).toBe(true)
})
test('what has its middle in an area is inside, however far it sticks out', () => {
  const at = (box: Box) => ({ box })
  const things = [at([0.1, 0.1, 0.2, 0.12]), at([0.18, 0.1, 0.4, 0.12]), at([0.1, 0.3, 0.2, 0.32])]
  expect(inside(things, [0.05, 0.09, 0.25, 0.13])).toEqual([things[0]])
})
