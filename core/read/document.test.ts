import { pageOf } from '../page/page-of.ts'
import type { Page } from '../page/page.ts'
import { builtInTypes, typeById } from '../program/types/index.ts'
import { readDocument } from './document.ts'
import type { Value } from './value.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
function read(type: string, ...pages: Page[]) {
  const reading = readDocument(pages, typeById(builtInTypes, type))
  return { ...reading, of: (name: string) => reading.fields.find((f) => f.name === name)! }
}
const values = (type: string, lines: string[]): Record<string, Value> => Object.fromEntries(read(type, pageOf(lines)).fields.map((f) => [f.name, f.value]))

test('a payslip with its values beside their labels', () => {
  expect(values('payslip', ['Petrel Slipways Ltd', 'Payslip', '', 'Employee | Ottilie Varnham', 'Pay period | 01/01/2026 - 31/01/2026', 'Pay date | 30/01/2026', 'Gross pay | 2,755.00', 'Net pay | 2,140.55', 'Year to date gross | 2,755.00', 'National number | 140380-2211'])).toEqual({
    employee_name: 'Ottilie Varnham', employer_name: 'Petrel Slipways Ltd', pay_date: '2026-01-30', period_start: '2026-01-01', period_end: '2026-01-31', gross_pay: eur('2755.00'), net_pay: eur('2140.55'), year_to_date_gross: eur('2755.00'), national_number: '140380-2211',
  })
})
test('the same payslip in other words, beneath and in one line', () => {
  expect(values('payslip', ['WAGE SLIP', 'Petrel Slipways Ltd', '', 'Paid to: O. Varnham', 'Wages for: January 2026', 'Transferred on: 30 January 2026', 'Total gross: EUR 2.755,00', 'You receive: EUR 2.140,55', 'Gross since January: EUR 2.755,00', 'Personal no.: 140380-2211'])).toMatchObject({
    employee_name: 'O. Varnham', pay_date: '2026-01-30', gross_pay: eur('2755.00'), net_pay: eur('2140.55'), national_number: '140380-2211',
  })
})
test('a value that is not there is asked about, an optional one is not', () => {
  const { of } = read('purchase_quote', pageOf(['Inverkell Boatyard Ltd', 'Quotation', 'Quote number | Q12-3456', 'Date | 01/03/2026']))
  expect(of('total_price')).toMatchObject({ value: null, needsReview: true, reason: 'not found' })
  expect(of('vessel_name')).toMatchObject({ value: null, needsReview: false })
})
test('weak print lowers the confidence and is asked about', () => {
  const lines = ['Payslip', 'Net pay | 2,140.55']
  const [sure, weak] = [1, 0.55].map((sure) => read('payslip', pageOf(lines, { sure, source: 'ocr' })).of('net_pay'))
  expect(weak.confidence).toBeLessThan(sure.confidence)
  expect(weak).toMatchObject({ needsReview: true, reason: 'weak print' })
})
test('net above gross is impossible, so it is doubted', () => {
  const { of } = read('payslip', pageOf(['Payslip', 'Gross pay | 2,140.55', 'Net pay | 2,755.00']))
  expect(of('net_pay').needsReview).toBe(true)
})
test('sums that add up back their parts', () => {
  const lines = (total: string) => ['Application for a loan', 'Purchase price | 61,250.00', 'Deposit | 12,500.00', `Loan amount | ${total}`]
  expect(read('loan_application', pageOf(lines('48,750.00'))).of('loan_amount').confidence).toBeGreaterThan(0.98)
})
test('the period over two lines', () => {
  expect(values('bank_statement', ['Bank of Skerrow', 'Statement of account', 'Statement period | 1 February 2026', 'Port Ellery | to 28 February 2026'])).toMatchObject({ statement_start: '2026-02-01', statement_end: '2026-02-28' })
})
test('a whole date is not the month it lies in', () => {
  expect(values('insurance_cover', ['Cover note', 'Cover starts | 17 Dec 2025', 'Cover ends | 16 Dec 2026'])).toMatchObject({ cover_start: '2025-12-17', cover_end: '2026-12-16' })
})
test('an address ends with its postal code', () => {
  const page = pageOf(['Broadband invoice', 'Service address', '12 Gannet Row', 'Port Ellery SK4 2QD', '5625 6135 06'])
  expect(read('utility_bill', page).of('service_address').value).toBe('12 Gannet Row, Port Ellery SK4 2QD')
})
test('a heading under an empty label is no value', () => {
  const { of } = read('loan_application', pageOf(['Finance application', 'Applicant | Ottilie Varnham', 'Birth date | 14.03.1980', 'Nat. no | 140380-2211', 'Tel. | +44 1657 089 493', 'E-mail address | o@islepost.example', 'Co-borrower', 'B. INCOME', 'Employing firm | Petrel Slipways Ltd']))
  expect(of('co_applicant_name').value).toBeNull()
})
test('a letter is signed by the name under its closing', () => {
  expect(values('cover_letter', ['14 March 2026', '', 'Dear Madam or Sir,', 'please find enclosed what you asked for.', '', 'Yours faithfully', '', '', 'Ottilie Varnham'])).toEqual({ sender_name: 'Ottilie Varnham', letter_date: '2026-03-14' })
})
test('numbers of a card come from its machine-readable zone, whose check digits prove them', () => {
  const { of } = read('identity_card', pageOf(['IDENTITY CARD', 'Surname | Given names', 'ERIKSSON | ANNA MARIA', 'Date of expiry | 15/04/2032', 'I<UTOD231458907<<<<<<<<<<<<<<<', '7408122F3204159UTO<<<<<<<<<<<6', 'ERIKSSON<<ANNA<MARIA<<<<<<<<<<']))
  expect(of('document_number')).toMatchObject({ value: 'D23145890', confidence: 0.99, needsReview: false })
  expect(of('date_of_birth').value).toBe('1974-08-12')
  expect(of('expiry_date').value).toBe('2032-04-15')
  expect(of('full_name').value).toBe('ANNA MARIA ERIKSSON')
})
test('values of a type with no fields', () => expect(read('unknown', pageOf(['Tide table'])).fields).toEqual([]))
