import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { generateCandidates } from './generate.ts'
import { typeById } from '../../program/document-type.ts'

const bill = typeById(starterTypes, 'utility_bill')
/** The likeliest address of supply on a bill. */
const read = (lines: string[]) =>
  [...generateCandidates([pageOf(lines)], bill).get('service_address')!].sort((a, b) => b.score - a.score)[0]
    ?.value

test('an address beside its label goes on below, up to its postal code', () => {
  expect(
    read(['Supply address | 40 Lighthouse Lane', ' | Tarnwick SK8 3HN', ' | Thank you for your custom']),
  ).toBe('40 Lighthouse Lane, Tarnwick SK8 3HN')
})
test('over a line that is whole, and that its label captions, stands somebody else', () => {
  expect(read(['Kelpnet Broadband', '32 Tide St, Brackwater SK9 5KU', 'Lugar de consumo'])).toBe(
    '32 Tide St, Brackwater SK9 5KU',
  )
})
test('lines over a label that make one address together are one', () => {
  expect(read(['Rose Cottage', '32 Tide St', 'Brackwater SK9 5KU', 'Lugar de consumo'])).toBe(
    'Rose Cottage, 32 Tide St, Brackwater SK9 5KU',
  )
})
test('a line with a label of its own is its label’s', () => {
  const statement = [
    ...generateCandidates(
      [pageOf(['Account holder | PIERS TULLOCH', 'Address | 60 Kelp Terrace, Gannet Bay SK7 1AB'])],
      typeById(starterTypes, 'bank_statement'),
    ).get('holder_address')!,
  ]
  expect(statement.sort((a, b) => b.score - a.score)[0].value).toBe('60 Kelp Terrace, Gannet Bay SK7 1AB')
})

test('under an address whose postal code nobody knows, a value with a label of its own is not its rest', () => {
  expect(
    read([
      'Service address | 14 Net Loft Street, Skagn',
      'Customer: | Bram Teasdale',
      'Bill date: | 04/03/2026',
    ]),
  ).toContain('Net Loft')
  const form = (lines: string[]) =>
    [
      ...generateCandidates([pageOf(lines)], typeById(starterTypes, 'bank_statement')).get('holder_address')!,
    ].sort((a, b) => b.score - a.score)[0]?.value
  expect(form(['Address: | 14 Storgatan, Norrvik', 'Account holder: | Piers Tulloch'])).toBe(
    '14 Storgatan, Norrvik',
  )
  // A label that its column broke in two has its second line beside the second line of the address.
  expect(form(['Home | 14 Storgatan', 'address: | 972 38 Norrvik'])).toContain('Norrvik')
})
