import { turnOf } from './turns.ts'

const turns = (pages: number, ofOrganisation = 0): number[] =>
  Array.from({ length: pages }, (_, ofPackage) => turnOf({ ofPackage, ofOrganisation }))

test('the first pages of a small package come before the many of a large one that came earlier', () => {
  const large = turns(2000)
  const small = turns(12)
  expect(Math.max(...small)).toBe(0)
  expect(large.filter((turn) => turn === 0)).toHaveLength(25)
})

test('who brought a hundred packages waits behind who brought one', () =>
  expect(turnOf({ ofPackage: 0, ofOrganisation: 2000 })).toBeGreaterThan(
    turnOf({ ofPackage: 11, ofOrganisation: 0 }),
  ))

test('pages of a package are read in their order, and none is put off without end', () => {
  const all = turns(5000, 10_000)
  expect(all).toEqual(all.toSorted((a, b) => a - b))
  expect(all.at(-1)).toBe(50)
})
