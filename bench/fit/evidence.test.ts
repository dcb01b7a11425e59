import { SPEAKS_OF } from '../../core/extraction/index.ts'
import { evidenceWeights, type Heard } from './evidence.ts'

const heard = (said: Heard['said'], place: number, reading: number, right: number, wrong: number): Heard[] =>
  [true, false].flatMap((is) =>
    Array.from({ length: is ? right : wrong }, () => ({ said, likelihood: { place, reading }, right: is })),
  )

test('what is right seldomer than it was worth beforehand weighs less, what is right oftener more', () => {
  const plain = heard([], 0.9, 1, 90, 10)
  const none = evidenceWeights(plain)
  const doubted = evidenceWeights([...plain, ...heard(['partial'], 0.95, 0.9, 20, 80)])
  const borne = evidenceWeights([...plain, ...heard(['partial'], 0.95, 0.9, 95, 5)])
  expect(doubted.place.partial).toBeLessThan(none.place.partial! - 1)
  expect(borne.place.partial).toBeGreaterThan(none.place.partial!)
  // However often it was right: what speaks against a value does not come to speak for it.
  expect(borne.place.partial).toBeLessThanOrEqual(0)
})
test('how well papers are read that the model knows is no evidence', () => {
  const seen = heard([], 0.9, 1, 995, 5)
  const { place } = evidenceWeights([...seen, ...heard(['doubted'], 0.9, 1, 97, 3)])
  const { place: unseen } = evidenceWeights([
    ...heard([], 0.9, 1, 900, 100),
    ...heard(['doubted'], 0.9, 1, 97, 3),
  ])
  expect(place.doubted).toBeLessThan(unseen.doubted!)
})
test('a handful of values moves a weight a little', () => {
  const plain = heard([], 0.9, 1, 90, 10)
  const [none, few, many] = [0, 2, 200].map(
    (wrong) => evidenceWeights([...plain, ...heard(['repaired'], 0.95, 0.9, 0, wrong)]).reading.repaired!,
  )
  expect(few).toBeLessThan(none)
  expect(few).toBeGreaterThan(none - 1)
  expect(many).toBeLessThan(few - 1)
})
test('each kind of evidence has its weight, of what it speaks of alone', () => {
  const weights = evidenceWeights([])
  for (const of of ['place', 'reading'] as const)
    expect(Object.keys(weights[of]).sort()).toEqual([...SPEAKS_OF[of]].sort())
})
