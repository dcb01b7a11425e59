import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from './extract.ts'
import { typeById } from '../../program/document-type.ts'

const of = (type: string, lines: string[], name: string) =>
  extractDocument([pageOf(lines)], typeById(starterTypes, type), euroLender).fields.find(
    (f) => f.name === name,
  )!

test('a name under a word that nobody knows', () => {
  expect(
    of(
      'payslip',
      [
        'Petrel Slipways Ltd',
        'Payslip',
        'Toiler | Ottilie Varnham',
        'Gross pay | 2,755.00',
        'Net pay | 2,140.55',
      ],
      'employee_name',
    ),
  ).toMatchObject({ value: 'Ottilie Varnham' })
})
test('a lone yes and no is the answer to the one question there is', () => {
  expect(
    of('loan_application', ['Loan application', 'Debts besides? | [X] Yes | [ ] No'], 'existing_loan'),
  ).toMatchObject({ value: true, needsReview: true })
})
test('a birth is the day that lies years before the others', () => {
  expect(
    of(
      'loan_application',
      ['Loan application', 'Date of application | 02/04/2026', 'Came into the world | 26 March 1988'],
      'date_of_birth',
    ).value,
  ).toBe('1988-03-26')
})
test('what a known label says is something else is not taken unasked', () => {
  expect(
    of(
      'vessel_registration',
      ['Certificate of registry', 'Registrar | Ottilie Varnham', 'Registration number | SK252-0465'],
      'owner_name',
    ).needsReview,
  ).toBe(true)
})
test('an address over two lines with no label', () => {
  expect(
    of(
      'bank_statement',
      [
        'Bank statement',
        'Holder | Ewan Garvie',
        '',
        '',
        '65 Cooper Street',
        'Oyster Haven SK3 7DG',
        '',
        '',
        'IBAN | IE29AIBK93115212345678',
      ],
      'holder_address',
    ).value,
  ).toBe('65 Cooper Street, Oyster Haven SK3 7DG')
})
test('a guess that fits badly does not unseat what stands behind its label', () => {
  expect(
    of(
      'payslip',
      [
        'Petrel Slipways Ltd',
        'Payslip',
        'Employee | Ottilie Varnham',
        'Basic | 2,700.00',
        'Gross pay | 2,755.00',
        'Tax | 441.00',
        'Net pay | 2,140.55',
      ],
      'gross_pay',
    ).value,
  ).toEqual({ amount: '2755.00', currency: 'EUR' })
})
test('an address behind the name of who lives there', () => {
  expect(
    of(
      'bank_statement',
      ['Lantern Bank', 'Account statement', 'Holder: Sigrid Eddowes, 69 Ropewalk Lane, Saltholm SK2 9LP'],
      'holder_address',
    ),
  ).toMatchObject({ value: '69 Ropewalk Lane, Saltholm SK2 9LP' })
})
test('a number in brackets behind the firm that it is of', () => {
  expect(
    of(
      'owners_declaration',
      ['Declaration of beneficial ownership', 'Company: Garvie & Daughters Fishing Ltd (SC-201944)'],
      'company_number',
    ),
  ).toMatchObject({ value: 'SC-201944' })
})
test('a day that ends the month which the paper begins with, under a label that could not be read', () => {
  const statement = [
    'Lantern Bank',
    'Account statement',
    'Start date | 1st January 2026',
    'T | 31st January 2026',
    'Printed | 3rd February 2026',
  ]
  expect(of('bank_statement', statement, 'statement_end')).toMatchObject({
    value: '2026-01-31',
    needsReview: true,
  })
})
