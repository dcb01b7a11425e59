import { memoize } from './memoize.ts'

test('a text is worked on once', () => {
  const seen: string[] = []
  const long = memoize((text) => seen.push(text))
  expect([long('a'), long('b'), long('a')]).toEqual([1, 2, 1])
  expect(seen).toEqual(['a', 'b'])
})
test('what is remembered does not grow without end, and answers stay right', () => {
  let worked = 0
  const same = memoize((text) => (worked++, text))
  for (let i = 0; i < 50_000; i++) expect(same(`${i}`)).toBe(`${i}`)
  expect(same('49999')).toBe('49999')
  expect(same('0')).toBe('0')
  expect(worked).toBe(50_001)
})
