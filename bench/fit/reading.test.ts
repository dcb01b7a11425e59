import { readingCurve, type Sample } from './reading.ts'

const samples = (sure: number, right: number, wrong: number): Sample[] => [
  ...Array.from({ length: right }, () => ({ sure, right: true })),
  ...Array.from({ length: wrong }, () => ({ sure, right: false })),
]
const at = (curve: readonly (readonly [number, number])[], sure: number) =>
  curve.find(([point]) => point === sure)![1]

test('the curve gives the share of values that were read right around each point', () => {
  const curve = readingCurve([...samples(0.5, 50, 50), ...samples(0.91, 990, 10)])
  expect(at(curve, 0.5)).toBeCloseTo(0.5, 1)
  expect(at(curve, 0.91)).toBeCloseTo(0.99, 2)
})
test('what is read more surely is never less likely right, however the counts fall', () => {
  const curve = readingCurve([...samples(0.6, 20, 0), ...samples(0.7, 5, 15), ...samples(0.88, 30, 1)])
  for (let i = 1; i < curve.length; i++) expect(curve[i][1]).toBeGreaterThanOrEqual(curve[i - 1][1])
  expect(at(curve, 0.7)).toBe(at(curve, 0.6))
})
test('a handful of values proves no certainty', () => {
  expect(at(readingCurve(samples(0.97, 3, 0)), 0.97)).toBeLessThan(0.95)
  expect(readingCurve([]).every(([, right]) => right > 0 && right < 1)).toBe(true)
})
