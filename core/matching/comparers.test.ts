import { inWords } from '../../wording/index.ts'
import fc from 'fast-check'
import type { Value } from '../model/value.ts'
import { compareAddresses } from './addresses.ts'
import type { Comparer } from './agreement.ts'
import { comparers } from './comparers.ts'
import { compareNames, compareOrgs } from './names.ts'
import { compareDates, compareIds, compareMoney, textComparer } from './values.ts'
import { isOneConfusion } from './confusions.ts'

const relation = (compare: Comparer, a: Value, b: Value, sure = 1) =>
  compare({ value: a, confidence: sure }, { value: b, confidence: 1 }).relation
const why = (compare: Comparer, a: Value, b: Value) =>
  inWords(compare({ value: a, confidence: 1 }, { value: b, confidence: 1 }).why)

test.each([
  ['Ottilie Varnham', 'Ottilie Varnham', 'same'],
  ['Ottilie Varnham', 'OTTILIE VARNHAM', 'variant'],
  ['Ottilie Varnham', 'Varnham, Ottilie', 'variant'],
  ['Ottilie Varnham', 'O. Varnham', 'variant'],
  ['Ottilie Varnham', 'Ottilie Jane Varnham', 'variant'],
  ['Ottilie Varnham', 'Mrs Ottilie Varnham', 'variant'],
  ['Ottilie Varnham', 'Ottilie Varnham née Teasdale', 'variant'],
  ['Torquil Müller', 'TORQUIL MUELLER', 'variant'],
  ['Astrid Ødegaard', 'Astrid Odegaard', 'variant'],
  ['Íñigo Núñez', 'INIGO NUNEZ', 'variant'],
  ['Marguerite Brandreth', 'M. Brandreth', 'variant'],
  ['Marguerite de Vries', 'M. de Vries', 'variant'],
  ['Ottilie Varnham', 'Ottilie Teasdale', 'different'],
  ['Ottilie Varnham', 'Bram Varnham', 'different'],
  ['Ottilie Varnham', 'Otto Varnham', 'different'],
  ['Ottilie Varnham', 'Varnham', 'different'],
  ['Ottilie Varnham', 'Petrel Slipways', 'different'],
])('names: %s and %s are %s', (a, b, expected) => expect(relation(compareNames, a, b)).toBe(expected))

test.each([
  ['Petrel Slipways Ltd', 'Petrel Slipways Limited', 'variant'],
  ['Petrel Slipways Ltd', 'PETREL SLIPWAYS', 'variant'],
  ['Fathom & Daughters Ltd', 'Fathom and Daughters Ltd', 'variant'],
  ['Lodestar Pilots Co.', 'Lodestar Pilots Company', 'variant'],
  ['Petrel Slipways Ltd', 'Cormorant Slipway Ltd', 'different'],
  ['Petrel Slipways Ltd', 'Petrel Shipping Ltd', 'different'],
])('firms: %s and %s are %s', (a, b, expected) => expect(relation(compareOrgs, a, b)).toBe(expected))

test.each([
  ['12 Gannet Row, Port Ellery SK4 2QD', '12 Gannet Rw, Port Ellery, SK4 2QD', 'variant'],
  ['12 Harbour Road, Merrow SK1 1MS', '12 Harbour Rd, Merrow SK1 1MS', 'variant'],
  ['12 Harbour Road, Merrow SK1 1MS', '12 HARBOUR ROAD MERROW', 'variant'],
  ['12 Harbour Road, Merrow SK1 1MS', '21 Harbour Road, Merrow SK1 1MS', 'different'],
  ['12 Harbour Road, Merrow SK1 1MS', '12 Kelp Terrace, Merrow SK1 1MS', 'different'],
])('addresses: %s and %s are %s', (a, b, expected) => expect(relation(compareAddresses, a, b)).toBe(expected))

test.each([
  ['SKR-88241', 'SKR 88241', 'variant'],
  ['SKR-88241', 'SKR-88241', 'same'],
  ['SKR-88241', 'SKR-88214', 'different'],
  ['SKR-88241', 'SKR-88242', 'different'],
])('ids: %s and %s are %s', (a, b, expected) => expect(relation(compareIds, a, b)).toBe(expected))
test('swapped digits are named', () =>
  expect(why(compareIds, 'SKR-88241', 'SKR-88214')).toBe('two digits swapped'))
test('a weak reading may be explained by one likely confusion, a clear one not', () => {
  expect(relation(compareIds, 'SKR-8B241', 'SKR-88241', 0.6)).toBe('variant')
  expect(relation(compareIds, 'SKR-8B241', 'SKR-88241', 1)).toBe('different')
  expect(relation(compareIds, 'SKR-84241', 'SKR-88241', 0.6)).toBe('different')
})

test.each([
  ['1980-03-14', '1980-03-14', 'same'],
  ['1980-03-14', '1980-03-15', 'different'],
])('dates: %s and %s are %s', (a, b, expected) => expect(relation(compareDates, a, b)).toBe(expected))
test('day and month swapped is said', () =>
  expect(why(compareDates, '1980-03-04', '1980-04-03')).toBe('day and month swapped'))

const eur = (amount: string) => ({ amount, currency: 'EUR' })
test.each([
  ['61250.00', '61250.00', 'same'],
  ['61250.40', '61250.00', 'variant'],
  ['48750.00', '47850.00', 'different'],
  ['61250.40', '61250.90', 'different'],
])('amounts: %s and %s are %s', (a, b, expected) =>
  expect(relation(compareMoney, eur(a), eur(b))).toBe(expected),
)
test('another currency is another amount', () =>
  expect(relation(compareMoney, eur('5.00'), { amount: '5.00', currency: 'GBP' })).toBe('different'))

test.each([
  ['Silver Darling', 'SILVER DARLING', 'variant'],
  ['Silver Darling', 'MV Silver Darling', 'variant'],
  ['Silver Darling', '“Silver Darling”', 'variant'],
  ['Silver Darling', 'Silver Darling II', 'different'],
])('vessels: %s and %s are %s', (a, b, expected) =>
  expect(relation(textComparer(['mv', 'motor vessel']), a, b)).toBe(expected),
)

test.each([
  ['0', 'o', true],
  ['rn', 'm', true],
  ['a1b', 'aib', true],
  ['abc', 'abd', false],
  ['11', 'il', false],
])('one look-alike leads from %s to %s: %s', (a, b, leads) => expect(isOneConfusion(a, b)).toBe(leads))

const samples: Record<keyof typeof comparers, fc.Arbitrary<Value>> = {
  name: fc.constantFrom('Ottilie Varnham', 'O. Varnham', 'Bram Teasdale', 'Varnham, Ottilie Jane', 'Müller'),
  org: fc.constantFrom('Petrel Slipways Ltd', 'PETREL SLIPWAYS', 'Isles Water', 'Bank of Skerrow'),
  address: fc.constantFrom('12 Gannet Row, Port Ellery SK4 2QD', '12 Gannet Rw', '21 Kelp Terrace, Merrow'),
  date: fc.constantFrom('1980-03-14', '1980-04-13', '2026-01-01'),
  money: fc.constantFrom(eur('48750.00'), eur('47850.00'), eur('48750.40')),
  id: fc.constantFrom('SKR-88241', 'SKR88241', 'SKR-88214'),
  text: fc.constantFrom('Silver Darling', 'MV SILVER DARLING', 'Kittiwake'),
}
describe.each(Object.keys(comparers) as (keyof typeof comparers)[])('comparing %s', (kind) => {
  const compare = comparers[kind]
  test('does not mind which side is which', () => {
    fc.assert(
      fc.property(
        samples[kind],
        samples[kind],
        (a, b) => relation(compare, a, b) === relation(compare, b, a),
      ),
    )
  })
  test('finds every value the same as itself', () => {
    fc.assert(fc.property(samples[kind], (a) => relation(compare, a, a) === 'same'))
  })
  if (['name', 'org', 'address', 'text'].includes(kind))
    test('never minds case and spaces', () => {
      fc.assert(
        fc.property(
          samples[kind],
          (a) => relation(compare, a, (a as string).toUpperCase().replace(/ /g, '  ')) !== 'different',
        ),
      )
    })
})
