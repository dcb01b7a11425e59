import { starterTypes } from '../../demo/lenders/merrow-sound/index.ts'
import { paperOf } from '../testing/paper-of.ts'
import { labelDocuments } from './label.ts'
import { typeById } from '../program/document-type.ts'

const of = (type: string, day: string | null = null, field = 'pay_date') => ({
  type: typeById(starterTypes, type),
  fields: paperOf('x', type, { [field]: day }).fields,
})

test('one of a kind is called by its kind', () =>
  expect(labelDocuments([of('payslip', '2026-01-30'), of('utility_bill')])).toEqual([
    'Payslip',
    'Utility bill',
  ]))
test('several are told apart by their month', () =>
  expect(labelDocuments([of('payslip', '2026-01-30'), of('payslip', '2026-02-27')])).toEqual([
    'Payslip January 2026',
    'Payslip February 2026',
  ]))
test('two of one month are numbered, and so are those without a day', () => {
  expect(
    labelDocuments([
      of('payslip', '2026-01-30'),
      of('payslip', '2026-01-30'),
      of('payslip', null),
      of('payslip', null),
    ]),
  ).toEqual(['Payslip January 2026', 'Payslip January 2026 (2)', 'Payslip', 'Payslip (2)'])
})
test('kinds that no day tells apart are numbered', () =>
  expect(labelDocuments([of('credit_consent'), of('credit_consent')])).toEqual(['Consent', 'Consent (2)']))
test('what is not written as a day is no month', () =>
  expect(labelDocuments([of('payslip', 'January'), of('payslip', '2026-02-27')])).toEqual([
    'Payslip',
    'Payslip February 2026',
  ]))
