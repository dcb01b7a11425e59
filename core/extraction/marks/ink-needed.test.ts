import { pageOf } from '../../testing/page-of.ts'
import { builtInTypes } from '../../program/starter/types/index.ts'
import { inkNeeded } from './ink-needed.ts'

test('ink is measured only where it can matter', () => {
  const wanted = inkNeeded(builtInTypes)
  expect(wanted(pageOf(['Signature of applicant']).words, true)).toBe(true)
  expect(wanted(pageOf(['Tide table of October']).words, true)).toBe(false)
  expect(wanted(pageOf(['Existing loan | Yes | No']).words, true)).toBe(true)
  expect(wanted(pageOf(['Employee | Ewan Garvie']).words, true)).toBe(false)
  // “Account” and “salary” are words of choices, and of every bank statement.
  expect(wanted(pageOf(['Current account', 'Salary Petrel Slipways Ltd']).words, true)).toBe(false)
})

test('a caption that stands alone wants its ink measured, one in a sentence does not', () => {
  const wants = inkNeeded(builtInTypes)
  expect(wants(pageOf(['Marine surveyor']).words, true)).toBe(true)
  expect(wants(pageOf(['Marine surveyor']).words, false)).toBe(false)
  expect(wants(pageOf(['The surveyor came aboard at noon.']).words, true)).toBe(false)
})
