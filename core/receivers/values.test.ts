import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import type { Document } from '../findings/index.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import { receiverSchema, valuesOut } from './index.ts'

const receiver = receiverSchema.parse({
  id: 'books',
  title: 'Books',
  pattern: '{label}',
  contents: ['csv'],
  names: { fields: { 'payslip.net_pay': 'Net' } },
})
const besides = {
  files: new Map([['a', 'a.pdf']]),
  confirmedBy: (_: Document, field: string) => (field === 'net_pay' ? 'Thea' : ''),
  linkTo: (page: number, field: string) => `https://jigsa.example/p?page=${page}&field=${field}`,
}
const values = valuesOut(
  [
    paperOf('a', 'payslip', { net_pay: eur('-12.50'), employee_name: '=HYPERLINK("x")' }) as Document,
    paperOf('b', 'bank_statement', {
      transactions: [
        { date: '2026-01-03', amount: eur('-4.00') },
        { date: '2026-01-04', amount: eur('9.00') },
      ],
    }) as Document,
  ],
  receiver,
  starterTypes,
  besides,
)

test('each value goes with its place, how sure it is, who confirmed it and where it opens', () =>
  expect(values[0]).toMatchObject({
    file: 'a.pdf',
    typeName: 'Payslip',
    fieldName: 'Net',
    value: '-12.50',
    currency: 'EUR',
    confidence: 0.99,
    confirmedBy: 'Thea',
    page: 1,
    box: [0, 0, 1, 1],
    link: 'https://jigsa.example/p?page=1&field=net_pay',
  }))

test('a table goes cell by cell', () => {
  const cells = values.filter((v) => v.row === 2 && v.value !== null)
  expect(cells.map((c) => [c.column, c.value])).toEqual(
    expect.arrayContaining([
      ['date', '2026-01-04'],
      ['amount', '9.00'],
    ]),
  )
})
