import { loadTrees } from './trees.ts'

const packed = (numbers: Int8Array | Float32Array | Uint16Array): string =>
  btoa(String.fromCharCode(...new Uint8Array(numbers.buffer)))

/** Two trees: feature 0 below 0.5 is -1, else by feature 1 below 2, 1 or 3; and a leaf of 0.25. */
const odds = loadTrees({
  base: 0.5,
  roots: [0, 5],
  feature: packed(Int8Array.from([0, -1, 1, -1, -1, -1])),
  value: packed(Float32Array.from([0.5, -1, 2, 1, 3, 0.25])),
  right: packed(Uint16Array.from([2, 0, 2, 0, 0, 0])),
})

test.each([
  [0.4, 0, -0.25],
  [0.5, 1, 1.75],
  [0.5, 2, 3.75],
])('features %d and %d make %d', (a, b, sum) => expect(odds(Float32Array.from([a, b]))).toBeCloseTo(sum))
