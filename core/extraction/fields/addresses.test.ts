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
