import { pageOf } from '../../testing/page-of.ts'
import { estimate, passbook, pledge } from '../../testing/small-types.ts'
import { inkNeeded } from './ink-needed.ts'

const types = [passbook, estimate, pledge]

test('ink is measured only where it can matter', () => {
  const wanted = inkNeeded(types)
  expect(wanted(pageOf(['Signature of the giver']).words, true)).toBe(true)
  expect(wanted(pageOf(['Tide table of October']).words, true)).toBe(false)
  expect(wanted(pageOf(['Insured | Yes | No']).words, true)).toBe(true)
  expect(wanted(pageOf(['Saver | Ewan Garvie']).words, true)).toBe(false)
  // "Store" is a word of a choice, and of many a paper.
  expect(wanted(pageOf(['Paid to the store', 'Harbour company']).words, true)).toBe(false)
})

test('a caption that stands alone wants its ink measured, one in a sentence does not', () => {
  const wants = inkNeeded(types)
  expect(wants(pageOf(['Signature of the giver']).words, true)).toBe(true)
  expect(wants(pageOf(['Signature of the giver']).words, false)).toBe(false)
  expect(wants(pageOf(['The giver came aboard at noon.']).words, true)).toBe(false)
})
