import fc from 'fast-check'
import { Dice } from '../../../demo/dice.ts'
import { makeIban } from '../../../demo/world.ts'
import { pageOf } from '../../testing/page-of.ts'
import { ibanHolds, readIbans } from './iban.ts'

const read = (text: string) => readIbans(pageOf([text]).words)

test('invented IBANs hold, and no longer with one digit changed', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 100_000 }), fc.integer({ min: 8, max: 20 }), (seed, at) => {
      const iban = makeIban(new Dice(seed))
      const other = iban.slice(0, at) + ((Number(iban[at]) + 1) % 10) + iban.slice(at + 1)
      return ibanHolds(iban) && !ibanHolds(other)
    }),
  )
})
test('an IBAN is read with its spaces', () =>
  expect(read('GB82 WEST 1234 5698 7654 32')).toMatchObject([
    { value: 'GB82WEST12345698765432', plausibility: 1, repaired: false },
  ]))
test.each([
  ['letters where the country has digits', 'GB82 WEST 1234 S698 7654 3Z'],
  ['digits where it has letters', 'GB82 WE5T 1234 5698 7654 32'],
  ['a country read as digits', '1E64 ISSB 5597 9596 3025 34'],
  ['a country read as two digits', '1824 SKRW 2194 8751 1239 23'],
  ['several at once', 'GBB2 WE5T I234 S698 76S4 32'],
  ['a word that ran into it', 'GB82WEST12345698765432CONTINUED'],
])('%s are read as what they must be', (_, text) => {
  const [reading] = read(text)
  expect(ibanHolds(reading.value as string)).toBe(true)
  expect(reading).toMatchObject({ plausibility: 0.95, repaired: false })
})
test('one digit taken for another that mends the check digits is mended, and fits less well', () => {
  const [reading] = read('GB82 WEST 1234 5698 7654 82')
  expect(reading).toMatchObject({ value: 'GB82WEST12345698765432', repaired: true })
  expect(reading.plausibility).toBeLessThan(0.8)
})
test('an IBAN beyond mending fits badly but is not lost', () =>
  expect(read('GB82WEST99999998765432')[0].plausibility).toBeLessThan(0.5))
test('a number that only looks like a country with its digits is no IBAN', () =>
  expect(read('1E64 9999 5597 9596 3025 34')).toEqual([]))

test.each(['T', 'L', 'J'])('a country whose I was read as %s', (letter) => {
  const iban = makeIban(new Dice(4))
  expect(read(letter + iban.slice(1))).toMatchObject([{ value: iban, repaired: true }])
})
test('a stroke seen twice is one, where the check digits say so', () =>
  expect(read('IE591ISSB16992260637960')).toMatchObject([
    { value: 'IE59ISSB16992260637960', repaired: true },
  ]))
test('a euro sign before figures is the E of a country', () =>
  expect(read('1€12 SKRW 4954 8043 3485 82')).toMatchObject([{ value: 'IE12SKRW49548043348582' }]))
