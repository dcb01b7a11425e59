import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Page } from '../../model/page.ts'
import { extractDocument } from '../fields/extract.ts'
import { labelBeside, refusedLabel, withLearntLabels } from './learn-labels.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = typeById(starterTypes, 'payslip')
const place = (page: Page, text: string) => page.words.find((w) => w.text === text)!.box
const taught = (lines: string[], value: string) => {
  const page = pageOf(lines)
  return labelBeside(page, place(page, value), {
    type: payslip,
    field: 'net_pay',
    others: ['Ottilie Varnham', '1,200.00'],
  })
}

test.each([
  [['Hand-over sum | 2,140.55'], '2,140.55', 'hand-over sum'],
  [['Hand-over sum: EUR 2,140.55'], '2,140.55', 'hand-over sum'],
  [['Hand-over sum', '2,140.55'], '2,140.55', 'hand-over sum'],
  [['Paid 30/01/2026, hand-over 2,140.55'], '2,140.55', 'hand-over'],
  [['Ottilie Varnham', '2,140.55', 'Hand-over sum'], '2,140.55', 'hand-over sum'],
  [['Payslip', '2,140.55'], '2,140.55', null],
  [['2,140.55'], '2,140.55', null],
  [['1,200.00 | 2,140.55'], '2,140.55', null],
  [['This is what is left of your earnings of the month after all | 2,140.55'], '2,140.55', null],
])('%j teaches %s by %s', (lines, value, wording) => expect(taught(lines, value)).toBe(wording))

test('what is learnt on one layout is read on another', () => {
  const page = pageOf([
    'Petrel Slipways Ltd',
    'Payslip',
    'Employee | Ottilie Varnham',
    'Gross pay | 2,755.00',
    'Lent to the piggy bank | 14.00',
    'Quayside sum',
    '2,140.55',
  ])
  const net = (labels: { field: string; wording: string }[]) =>
    extractDocument([page], withLearntLabels(payslip, labels), euroLender).fields.find(
      (f) => f.name === 'net_pay',
    )!
  expect(net([{ field: 'net_pay', wording: 'quayside sum' }])).toMatchObject({
    value: { amount: '2140.55' },
    needsReview: false,
  })
})
test('a field never configured is read from one example', () => {
  const type = {
    ...payslip,
    fields: [
      ...payslip.fields,
      {
        ...payslip.fields.find((f) => f.name === 'net_pay')!,
        name: 'ice_money',
        title: 'Ice money',
        labels: [],
      },
    ],
  }
  const page = pageOf(['Payslip', 'Gross pay | 2,755.00', 'Ice money | 31.20', 'Net pay | 2,140.55'])
  expect(
    extractDocument(
      [page],
      withLearntLabels(type, [{ field: 'ice_money', wording: 'ice money' }]),
      euroLender,
    ).fields.find((f) => f.name === 'ice_money'),
  ).toMatchObject({ value: { amount: '31.20' }, needsReview: false })
})
test('a wording that is known, or leads to another value, is not learnt', () => {
  const net = { type: payslip, field: 'net_pay', others: ['Ottilie Varnham'] }
  expect(refusedLabel(net, 'Net pay')).toContain('known already')
  expect(refusedLabel(net, 'gross pay')).toContain('Gross')
  expect(refusedLabel(net, 'payslip')).toContain('called')
  expect(refusedLabel(net, 'paid to ottilie varnham')).toContain('value of this paper')
  expect(refusedLabel(net, 'quayside sum')).toBeNull()
})
