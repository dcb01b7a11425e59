import { pageOf } from '../../testing/page-of.ts'
import { builtInTypes } from '../../program/starter/types/index.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
const values = (type: string, lines: string[]) =>
  Object.fromEntries(
    extractDocument([pageOf(lines)], typeById(builtInTypes, type)).fields.map((f) => [f.name, f.value]),
  )

test('the rows of a statement say what its balances are, whatever they are called', () => {
  expect(
    values('bank_statement', [
      'Bank statement',
      'What was there | 1,000.00',
      'What is there | 1,155.00',
      '',
      'Date | Description | Amount | Balance',
      '02/03/2026 | Salary Petrel | 300.00 | 1,300.00',
      '05/03/2026 | Card payment | -100.00 | 1,200.00',
      '09/03/2026 | Card payment | -45.00 | 1,155.00',
    ]),
  ).toMatchObject({ opening_balance: eur('1000.00'), closing_balance: eur('1155.00') })
})
test('the lines of a quote say which amount is the net one, and that which the others are', () => {
  expect(
    values('purchase_quote', [
      'Inverkell Boatyard Ltd',
      'Quotation',
      '',
      'Description | Qty | Unit price | Amount',
      'Bow thruster kit | 2 | 1,500.00 | 3,000.00',
      'Radar | 1 | 2,000.00 | 2,000.00',
      '',
      'Before the crown | 5,000.00',
      'The crown | 1,000.00',
      'In all | 6,000.00',
    ]),
  ).toMatchObject({ net_amount: eur('5000.00'), vat_amount: eur('1000.00'), total_price: eur('6000.00') })
})
test('gross less what is taken off is net', () => {
  expect(
    values('payslip', [
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
    values('bank_statement', [
      'Bank statement',
      'Opening balance | 1,090.00',
      'Closing balance | 1,155.00',
      '',
      'Date | Description | Amount | Balance',
      '02/03/2026 | Salary Petrel | 300.00 | 1,300.00',
      '05/03/2026 | Card payment | -100.00 | 1,200.00',
      '09/03/2026 | Card payment | -45.00 | 1,155.00',
    ]).opening_balance,
  ).toEqual(eur('1090.00'))
})
