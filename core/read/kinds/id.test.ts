import fc from 'fast-check'
import { Dice } from '../../../demo/dice.ts'
import { makeIban } from '../../../demo/world.ts'
import { pageOf } from '../../page/page-of.ts'
import { ibanHolds, readEmails, readIbans, readIds, readNumbers, readPhones, tidyId } from './id.ts'

const values = (reader: typeof readIds, text: string) => reader(pageOf([text]).words).map((r) => r.value)

test.each([['MSM-26-004817', 'MSM-26-004817'], ['SKR 88241', 'SKR88241'], ['No: 12/345', '12/345']])('%s holds the id %s', (text, id) => expect(values(readIds, text.replace(/^No: /, ''))).toEqual([id]))
test.each(['14/03/2026', '1,234.56', 'Ottilie', 'AB'])('%s is no id', (text) => expect(values(readIds, text)).toEqual([]))
test('spaces are no part of an id, hyphens are', () => expect(tidyId(' sk 12–3. ')).toBe('SK12-3'))

test('invented IBANs hold, and no longer with one digit changed', () => {
  fc.assert(fc.property(fc.integer({ min: 0, max: 100_000 }), fc.integer({ min: 8, max: 20 }), (seed, at) => {
    const iban = makeIban(new Dice(seed))
    const other = iban.slice(0, at) + ((Number(iban[at]) + 1) % 10) + iban.slice(at + 1)
    return ibanHolds(iban) && !ibanHolds(other)
  }))
})
test('an IBAN is read with its spaces', () => expect(values(readIbans, 'GB82 WEST 1234 5698 7654 32')).toEqual(['GB82WEST12345698765432']))
test('one look-alike that mends the check digits is mended, and said', () => {
  const [reading] = readIbans(pageOf(['GB82 WEST 12345698 7654 3Z']).words)
  expect(reading).toMatchObject({ value: 'GB82WEST12345698765432', repaired: true })
})
test('an IBAN beyond mending fits badly but is not lost', () => expect(readIbans(pageOf(['GB82WEST99999998765432']).words)[0].fit).toBeLessThan(0.5))

test.each([
  ['write to a.b@islepost.example please', ['a.b@islepost.example']],
  ['E-mail address bram@islepost.example', ['bram@islepost.example']],
  ['ann @ islepost.example', ['ann@islepost.example']],
  ['nobody', []],
])('%s holds %j', (text, mails) => expect(values(readEmails, text)).toEqual(mails))
test('phone numbers keep their plus', () => expect(values(readPhones, '+44 1657 089 493')).toEqual(['+44 1657 089 493']))
test('years become months', () => expect(values(readNumbers, '5 years')).toEqual(['60']))
test('numbers keep their decimals', () => expect(values(readNumbers, '2,5')).toEqual(['2.5']))
