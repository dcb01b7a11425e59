import type { FieldKind } from '../../program/schema.ts'
import { parseTyped } from './typed-input.ts'
import { localeOfLender } from '../../locale/index.ts'
import { dollarLender, euroLender } from '../../testing/lender.ts'

const EURO = localeOfLender(euroLender)
const typed = (kind: FieldKind, text: string) => parseTyped(kind, text, EURO)

test.each<[FieldKind, string, unknown]>([
  ['date', '14/3/2026', '2026-03-14'],
  ['money', '48.750,00', { amount: '48750.00', currency: 'EUR' }],
  ['number', '60', '60'],
  ['percent', '12,5 %', '12.5'],
  ['iban', 'gb82 west 1234 5698 7654 32', 'GB82WEST12345698765432'],
  ['id', 'SKR 88241', 'SKR88241'],
  ['email', 'A@B.example', 'a@b.example'],
  ['yesno', 'y', true],
  ['yesno', 'No', false],
  ['name', '  Ottilie   Varnham ', 'Ottilie Varnham'],
])('a %s typed as %s', (kind, text, value) => expect(typed(kind, text)).toEqual({ value }))

test.each<[FieldKind, string, RegExp]>([
  ['date', 'soon', /not a day/],
  ['money', 'much', /not an amount/],
  ['number', 'many', /not a number/],
  ['iban', 'GB82WEST12345698765433', /check digits/],
  ['email', 'nobody', /not an e-mail/],
  ['yesno', 'maybe', /yes or no/],
  ['table', 'x', /row by row/],
  ['name', '  ', /Type a value/],
])('a %s typed as "%s" is refused with a sentence', (kind, text, problem) =>
  expect(typed(kind, text)).toEqual({ problem: expect.stringMatching(problem) as string }),
)

test('thousands that a person types are no decimals where the paper has the other sign for these', () => {
  const dollars = localeOfLender(dollarLender)
  expect([parseTyped('number', '48,210', dollars), parseTyped('number', '48.5', dollars)]).toEqual([
    { value: '48210' },
    { value: '48.5' },
  ])
  expect(parseTyped('number', '4 or 5', dollars)).toHaveProperty('problem')
})
