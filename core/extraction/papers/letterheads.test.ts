import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from '../fields/extract.ts'
import { typeById } from '../../program/document-type.ts'

/**
 * Whose paper it is, on one line or two, with what firms put beside their names. `null` where nobody could
 * know and it must be asked.
 */
const firm = (type: string, field: string, ...lines: string[]) => {
  const found = extractDocument([pageOf(lines)], typeById(starterTypes, type), euroLender).fields.find(
    (f) => f.name === field,
  )!
  return found.needsReview ? null : found.value
}
const BILL = [
  'Electricity bill',
  'Customer | Ottilie Varnham',
  'Supply address | 12 Gannet Row, Port Ellery SK4 2QD',
  'Bill date | 04/03/2026',
  'Account number | 5520 8814 02',
  'Amount due | EUR 84.37',
]
const SLIP = [
  'Payslip',
  'Employee | Ottilie Varnham',
  'Pay date | 30/01/2026',
  'Gross pay | 2,755.00',
  'Net pay | 2,140.55',
]
const STATEMENT = [
  'Account statement',
  'Account holder | Ottilie Varnham',
  'IBAN | IE59 ISSB 1699 2260 6379 60',
  'Period | 01/02/2026 - 28/02/2026',
  'Opening balance | 310.00',
  'Closing balance | 196.45',
]

test.each([
  [
    'with what it stands for',
    ['Skerrow Tidal Power', 'Clean current for the isles', ...BILL],
    'Skerrow Tidal Power',
  ],
  [
    'with its street and telephone',
    ['Skerrow Tidal Power', '3 Barrage Road, Merrow SK1 4TT, Tel. 0800 555 010', ...BILL],
    'Skerrow Tidal Power',
  ],
  ['behind a colon', ['Supplier: Skerrow Tidal Power', ...BILL], 'Skerrow Tidal Power'],
  ['with its site', ['Skerrow Tidal Power | www.tidalpower.example', ...BILL], 'Skerrow Tidal Power'],
  ['on the right', ['Electricity bill |  | Skerrow Tidal Power', ...BILL.slice(1)], 'Skerrow Tidal Power'],
  ['behind a stroke', ['Electricity bill | | Skerrow Tidal Power', ...BILL.slice(1)], 'Skerrow Tidal Power'],
  [
    'over a line about itself',
    ['SKERROW TIDAL POWER', 'Registered in Merrow no. 20417', ...BILL],
    'SKERROW TIDAL POWER',
  ],
  ['with its legal form', ['Skerrow Tidal Power Ltd', ...BILL], 'Skerrow Tidal Power Ltd'],
] as [string, string[], string][])('a supplier %s', (_, lines, name) =>
  expect([name, null]).toContain(firm('utility_bill', 'supplier_name', ...lines)),
)

test.each([
  ['with its department', ['Petrel Slipways Ltd', 'Payroll department', ...SLIP], 'Petrel Slipways Ltd'],
  ['as issuer', [...SLIP, 'Issued by | Petrel Slipways Ltd'], 'Petrel Slipways Ltd'],
  [
    'before its street',
    ['Petrel Slipways Ltd, Dock Road 5, Port Ellery SK4 7PS', ...SLIP],
    'Petrel Slipways Ltd',
  ],
  ['of two names', ['Carrow & Holm Boatbuilders', ...SLIP], 'Carrow & Holm Boatbuilders'],
  ['that is a person', ['Employer | Ronan Teague', ...SLIP], 'Ronan Teague'],
  ['under the title', [SLIP[0], 'Petrel Slipways Ltd', ...SLIP.slice(1)], 'Petrel Slipways Ltd'],
] as [string, string[], string][])('an employer %s', (_, lines, name) =>
  expect([name, null]).toContain(firm('payslip', 'employer_name', ...lines)),
)

test.each([
  [
    'with its branch',
    ['Bank of Skerrow', 'Merrow branch, 2 Quay Street, Merrow SK1 1AB', ...STATEMENT],
    'Bank of Skerrow',
  ],
  ['with a motto', ['Isles Savings Bank', 'Saving together since 1871', ...STATEMENT], 'Isles Savings Bank'],
  [
    'in the foot alone',
    [...STATEMENT, '', 'Longshore Bank plc, registered office 1 Bank Street, Merrow'],
    'Longshore Bank plc',
  ],
  ['beside the title', ['Lantern Bank |  | ACCOUNT STATEMENT', ...STATEMENT.slice(1)], 'Lantern Bank'],
] as [string, string[], string][])('a bank %s', (_, lines, name) =>
  expect([name, null]).toContain(firm('bank_statement', 'bank_name', ...lines)),
)
