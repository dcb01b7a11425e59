import { randomBytes } from 'node:crypto'
import { seal, unseal } from './trail-words.ts'

const key = randomBytes(32)

test('words under a key are read with it alone', () => {
  const stored = seal('Net pay of page 3: 2,140.55 EUR — Ewa Łuczak', key)
  expect(stored).not.toMatch(/Ewa|2,140/)
  expect(unseal(stored, key)).toBe('Net pay of page 3: 2,140.55 EUR — Ewa Łuczak')
  expect(unseal(stored, randomBytes(32))).toBeNull()
  expect(unseal(stored, null)).toBeNull()
})

test('words that somebody changed are no words', () => {
  const stored = seal('waived', key)
  const other = stored.slice(0, -2) + (stored.endsWith('AA') ? 'BB' : 'AA')
  expect(unseal(other, key)).toBeNull()
})

test('acts from before have plain words, and acts without words have none', () => {
  expect(unseal('brought a file', null)).toBe('brought a file')
  expect(seal('', key)).toBe('')
})
