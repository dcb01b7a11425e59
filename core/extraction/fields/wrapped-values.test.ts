import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { generateCandidates } from './generate.ts'
import { isWrapped } from './wrapped-values.ts'
import { typeById } from '../../program/document-type.ts'

const wordsOf = (text: string) => pageOf([text]).words
const best = (type: string, field: string, lines: string[], at?: number[]) =>
  [...generateCandidates([pageOf(lines, at ? { at } : {})], typeById(starterTypes, type)).get(field)!].sort(
    (a, b) => b.score - a.score,
  )[0]?.value

test.each(['16-03-', '12-Aug-2025 through', 'November', 'January 8,', '20th'])(
  '"%s" goes on in the next line',
  (text) => expect(isWrapped(wordsOf(text))).toBe(true),
)
test.each(['16-03-2026', 'Grey Seal', '2,140.55'])('"%s" is whole', (text) =>
  expect(isWrapped(wordsOf(text))).toBe(false),
)
test('a day that its column breaks at a stroke', () =>
  expect(best('payslip', 'pay_date', ['Pay date | 16-03-', ' | 2026'])).toBe('2026-03-16'))
test('both ends of a period, the second broken', () => {
  const lines = ['Period', '12-Aug-2025 through 11-Aug-', '2027']
  expect([best('berth_agreement', 'start_date', lines), best('berth_agreement', 'end_date', lines)]).toEqual([
    '2025-08-12',
    '2027-08-11',
  ])
})
test('a month over its day and year, behind the end of the label', () => {
  expect(
    best('identity_card', 'issue_date', ['Issued | November', 'on/Délivrée-le 27, 2026'], [0.08, 0.2055]),
  ).toBe('2026-11-27')
})
test('the legal form of a firm alone in the next line', () => {
  expect(best('utility_bill', 'account_holder', ['Titular', 'Kittiwake Marine Stores', 'Ltd'])).toBe(
    'Kittiwake Marine Stores Ltd',
  )
})
