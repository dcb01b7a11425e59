import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { typeById } from '../../program/document-type.ts'
import type { DocumentType } from '../../program/schema.ts'
import { pageOf } from '../../testing/page-of.ts'
import { estimate, passbook } from '../../testing/small-types.ts'
import { extractDocument } from '../fields/extract.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
const values = (type: DocumentType, lines: string[]) =>
  Object.fromEntries(extractDocument([pageOf(lines)], type, euroLender).fields.map((f) => [f.name, f.value]))

test('the rows of a statement say what its balances are, whatever they are called', () => {
  expect(
    values(passbook, [
      'Savings passbook',
      'What was there | 1,000.00',
      'What is there | 1,155.00',
      '',
      'Date | Description | Amount | Balance',
      '02/03/2026 | Salary Petrel | 300.00 | 1,300.00',
      '05/03/2026 | Card payment | -100.00 | 1,200.00',
      '09/03/2026 | Card payment | -45.00 | 1,155.00',
    ]),
  ).toMatchObject({ begun_with: eur('1000.00'), ended_with: eur('1155.00') })
})
test('a balance behind the last row of a day alone is enough for that', () => {
  expect(
    values(passbook, [
      'Savings passbook',
      'What is there | 1,095.00',
      'What was there | 1,000.00',
      '',
      'Date | Description | Amount | Balance',
      '02/03/2026 | Salary Petrel | 300.00 | ',
      '02/03/2026 | Card payment | -100.00 | 1,200.00',
      '05/03/2026 | Card payment | -45.00 | 1,155.00',
      '09/03/2026 | Account fee | -10.00 | ',
      '09/03/2026 | Card payment | -50.00 | 1,095.00',
    ]),
  ).toMatchObject({ begun_with: eur('1000.00'), ended_with: eur('1095.00') })
})
test('the lines of a quote say which amount is the net one, and that which the others are', () => {
  expect(
    values(estimate, [
      'Inverkell Boatyard Ltd',
      'Estimate',
      '',
      'Item | Number | Each | Price',
      'Bow thruster kit | 2 | 1,500.00 | 3,000.00',
      'Radar | 1 | 2,000.00 | 2,000.00',
      '',
      'Without the crown | 5,000.00',
      'The crown | 1,000.00',
      'In all | 6,000.00',
    ]),
  ).toMatchObject({ before_tax: eur('5000.00'), tax: eur('1000.00'), to_pay: eur('6000.00') })
})
test('gross less what is taken off is net', () => {
  expect(
    values(typeById(starterTypes, 'payslip'), [
      'Payslip',
      'Earned | 3,000.00',
      'Levy | 480.00',
      'Sick fund | 220.00',
      'For you | 2,300.00',
      'Gross this year | 9,000.00',
    ]),
  ).toMatchObject({ gross_pay: eur('3000.00'), net_pay: eur('2300.00') })
})
test('a paper that truly does not add up is not argued away', () => {
  expect(
    values(passbook, [
      'Savings passbook',
      'Begun with | 1,090.00',
      'Ended with | 1,155.00',
      '',
      'Date | Description | Amount | Balance',
      '02/03/2026 | Salary Petrel | 300.00 | 1,300.00',
      '05/03/2026 | Card payment | -100.00 | 1,200.00',
      '09/03/2026 | Card payment | -45.00 | 1,155.00',
    ]).begun_with,
  ).toEqual(eur('1090.00'))
})
