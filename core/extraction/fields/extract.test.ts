import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { lenderSchema } from '../../locale/index.ts'
import { message } from '../../model/messages/message.ts'
import { pageOf } from '../../testing/page-of.ts'
import type { Page } from '../../model/page.ts'
import { extractDocument } from './extract.ts'
import type { Value } from '../../model/value.ts'
import { typeById } from '../../program/document-type.ts'

const eur = (amount: string) => ({ amount, currency: 'EUR' })
function read(type: string, ...pages: Page[]) {
  const reading = extractDocument(pages, typeById(starterTypes, type), euroLender)
  return { ...reading, of: (name: string) => reading.fields.find((f) => f.name === name)! }
}
const values = (type: string, lines: string[]): Record<string, Value> =>
  Object.fromEntries(read(type, pageOf(lines)).fields.map((f) => [f.name, f.value]))

test('a payslip with its values beside their labels', () => {
  expect(
    values('payslip', [
      'Petrel Slipways Ltd',
      'Payslip',
      '',
      'Employee | Ottilie Varnham',
      'Pay period | 01/01/2026 - 31/01/2026',
      'Pay date | 30/01/2026',
      'Gross pay | 2,755.00',
      'Net pay | 2,140.55',
      'Year to date gross | 2,755.00',
      'National number | 140380-2211',
    ]),
  ).toEqual({
    employee_name: 'Ottilie Varnham',
    employer_name: 'Petrel Slipways Ltd',
    pay_date: '2026-01-30',
    period_start: '2026-01-01',
    period_end: '2026-01-31',
    gross_pay: eur('2755.00'),
    net_pay: eur('2140.55'),
    year_to_date_gross: eur('2755.00'),
    national_number: '140380-2211',
  })
})
test('the same payslip in other words, beneath and in one line', () => {
  expect(
    values('payslip', [
      'WAGE SLIP',
      'Petrel Slipways Ltd',
      '',
      'Paid to: O. Varnham',
      'Wages for: January 2026',
      'Transferred on: 30 January 2026',
      'Total gross: EUR 2.755,00',
      'You receive: EUR 2.140,55',
      'Gross since January: EUR 2.755,00',
      'Personal no.: 140380-2211',
    ]),
  ).toMatchObject({
    employee_name: 'O. Varnham',
    pay_date: '2026-01-30',
    gross_pay: eur('2755.00'),
    net_pay: eur('2140.55'),
    national_number: '140380-2211',
  })
})
test('a value that is not there is asked about, an optional one is not', () => {
  const { of } = read(
    'purchase_quote',
    pageOf(['Inverkell Boatyard Ltd', 'Quotation', 'Quote number | Q12-3456', 'Date | 01/03/2026']),
  )
  expect(of('total_price')).toMatchObject({
    value: null,
    needsReview: true,
    reason: message('value.not_found'),
  })
  expect(of('vessel_name')).toMatchObject({ value: null, needsReview: false })
})
test('where its label is there without it, a person is shown where it would stand', () => {
  const page = pageOf([
    'Inverkell Boatyard Ltd',
    'Quotation',
    'Quote number | Q12-3456',
    'Total price | to be agreed',
  ])
  const found = read('purchase_quote', page).of('total_price')
  const [label] = page.words.filter((w) => w.text === 'Total')
  expect(found).toMatchObject({
    value: null,
    reason: message('value.not_found_at_label', { label: 'Total price' }),
    beside: { page: page.number },
  })
  const [left, top, right] = found.beside!.box
  expect([left, top]).toEqual([label.box[0], label.box[1]])
  expect(right).toBeGreaterThan(page.words.find((w) => w.text === 'agreed')!.box[0])
})
test('weak print lowers the confidence and is asked about', () => {
  const lines = ['Payslip', 'Net pay | 2,140.55']
  const [sure, weak] = [1, 0.55].map((sure) =>
    read('payslip', pageOf(lines, { confidence: sure, source: 'ocr' })).of('net_pay'),
  )
  expect(weak.confidence).toBeLessThan(sure.confidence)
  expect(weak).toMatchObject({ needsReview: true, reason: message('value.weak_print') })
})
test('net above gross is impossible, so it is doubted', () => {
  const { of } = read('payslip', pageOf(['Payslip', 'Gross pay | 2,140.55', 'Net pay | 2,755.00']))
  expect(of('net_pay').needsReview).toBe(true)
})
test('sums that add up back their parts', () => {
  const lines = (total: string) => [
    'Application for a loan',
    'Purchase price | 61,250.00',
    'Deposit | 12,500.00',
    `Loan amount | ${total}`,
  ]
  expect(read('loan_application', pageOf(lines('48,750.00'))).of('loan_amount').confidence).toBeGreaterThan(
    0.98,
  )
})
test('an amount of a scan whose first digits would make the sum come out has lost them, and is asked with them; clear text is believed', () => {
  const lines = [
    'Application for a loan',
    'Purchase price | 12,716.60',
    'Deposit | 5,000.00',
    'Loan amount | 716.60',
  ]
  const loan = (source: 'ocr' | 'text') =>
    read('loan_application', pageOf(lines, { confidence: source === 'ocr' ? 0.96 : 1, source })).of(
      'loan_amount',
    )
  expect(loan('ocr')).toMatchObject({
    value: { amount: '7716.60' },
    needsReview: true,
    reason: message('value.doubted_by_others_here'),
  })
  expect(loan('text').reason?.code).not.toBe('value.doubted_by_others_here')
})
test('the period over two lines', () => {
  expect(
    values('bank_statement', [
      'Bank of Skerrow',
      'Statement of account',
      'Statement period | 1 February 2026',
      'Port Ellery | to 28 February 2026',
    ]),
  ).toMatchObject({ statement_start: '2026-02-01', statement_end: '2026-02-28' })
})
test('a whole date is not the month it lies in', () => {
  expect(
    values('insurance_cover', ['Cover note', 'Cover starts | 17 Dec 2025', 'Cover ends | 16 Dec 2026']),
  ).toMatchObject({ cover_start: '2025-12-17', cover_end: '2026-12-16' })
})
test('an address ends with its postal code', () => {
  const page = pageOf([
    'Broadband invoice',
    'Service address',
    '12 Gannet Row',
    'Port Ellery SK4 2QD',
    '5625 6135 06',
  ])
  expect(read('utility_bill', page).of('service_address').value).toBe('12 Gannet Row, Port Ellery SK4 2QD')
})
test('a heading under an empty label is no value', () => {
  const { of } = read(
    'loan_application',
    pageOf([
      'Finance application',
      'Applicant | Ottilie Varnham',
      'Birth date | 14.03.1980',
      'Nat. no | 140380-2211',
      'Tel. | +44 1657 089 493',
      'E-mail address | o@islepost.example',
      'Co-borrower',
      'B. INCOME',
      'Employing firm | Petrel Slipways Ltd',
    ]),
  )
  expect(of('co_applicant_name').value).toBeNull()
})
test('a letter is signed by the name under its closing', () => {
  expect(
    values('cover_letter', [
      '14 March 2026',
      '',
      'Dear Madam or Sir,',
      'please find enclosed what you asked for.',
      '',
      'Yours faithfully',
      '',
      '',
      'Ottilie Varnham',
    ]),
  ).toEqual({ sender_name: 'Ottilie Varnham', letter_date: '2026-03-14' })
})
test('numbers of a card come from its machine-readable zone, whose check digits prove them', () => {
  const { of } = read(
    'identity_card',
    pageOf([
      'IDENTITY CARD',
      'Surname | Given names',
      'ERIKSSON | ANNA MARIA',
      'Date of expiry | 15/04/2032',
      'I<UTOD231458907<<<<<<<<<<<<<<<',
      '7408122F3204159UTO<<<<<<<<<<<6',
      'ERIKSSON<<ANNA<MARIA<<<<<<<<<<',
    ]),
  )
  expect(of('document_number')).toMatchObject({ value: 'D23145890', needsReview: false })
  expect(of('date_of_birth').value).toBe('1974-08-12')
  expect(of('expiry_date').value).toBe('2032-04-15')
  expect(of('full_name').value).toBe('ANNA MARIA ERIKSSON')
})
test('values of a type with no fields', () =>
  expect(read('unknown', pageOf(['Tide table'])).fields).toEqual([]))

const value = (type: string, lines: string[], name: string) =>
  extractDocument([pageOf(lines)], typeById(starterTypes, type), euroLender).fields.find(
    (f) => f.name === name,
  )!.value

test('quotation marks end a name, and a label behind a comma begins the next value', () => {
  const lines = ['Haldane Boats Ltd', 'Quote', 'Re: vessel “Wave Dancer”, hull no. SKR-54193']
  expect(value('purchase_quote', lines, 'vessel_name')).toBe('Wave Dancer')
  expect(value('purchase_quote', lines, 'hull_number')).toBe('SKR-54193')
})
test('who sent a printed e-mail stands before the address, not in the familiar close', () => {
  expect(
    value(
      'cover_letter',
      [
        'Documents for loan',
        'Mirren Lefèvre <mirren@kelpnet.example> | 4 Apr 2026, 18:42',
        'to loans@merrowsound.example',
        'Hi,',
        'Scans attached as discussed, the insurance one is only temporary.',
        'Thanks',
        'Mirren',
      ],
      'sender_name',
    ),
  ).toBe('Mirren Lefèvre')
})
test('a birth in a comb of boxes, behind the hint how to fill it', () => {
  expect(
    value(
      'loan_application',
      ['Loan application', 'Application date | 02/04/2026', 'Date of birth (DD MM YYYY) 19101988'],
      'date_of_birth',
    ),
  ).toBe('1988-10-19')
})
test('both ends of a period stand behind its label, the second a column further', () => {
  const lines = ['Tidewater Bank', 'Bank statement', 'Statement period: 01/01/2026 | 31/01/2026']
  expect(value('bank_statement', lines, 'statement_start')).toBe('2026-01-01')
  expect(value('bank_statement', lines, 'statement_end')).toBe('2026-01-31')
})
test('a cross in a box of its own sign', () =>
  expect(
    value(
      'loan_application',
      ['Loan application', 'Do you have any other loan at present? ✕ Yes | No'],
      'existing_loan',
    ),
  ).toBe(true))

describe('on a weak print', () => {
  const weak = (type: string, lines: string[], sure = 0.9) =>
    Object.fromEntries(
      extractDocument(
        [pageOf(lines, { confidence: sure, source: 'ocr', at: [0.08, 0.22, 0.6, 0.8] })],
        typeById(starterTypes, type),
        euroLender,
      ).fields.map((f) => [f.name, f]),
    )
  const statement = (opening: string, second = '1,657.15') => [
    'Tidewater Bank',
    'Bank statement',
    'Statement period: 01/02/2026 - 28/02/2026',
    `Opening balance: ${opening}`,
    'Closing balance: €1,600.00',
    'Date | Description | Amount | Balance',
    '02/02/2026 | Card payment | -104.96 | 1,723.85',
    `03/02/2026 | Transfer | -66.70 | ${second}`,
    '05/02/2026 | Cheque | -57.15 | 1,600.00',
  ]
  test('a figure alone is asked, for it may be all that was read of the amount', () => {
    expect(
      weak('loan_application', ['Loan application', 'Net monthly income: 3']).monthly_net_income.needsReview,
    ).toBe(true)
  })
  test('an opening balance that the rows contradict is asked, with the figure that they say was lost', () => {
    expect(weak('bank_statement', statement('€828.81')).opening_balance).toMatchObject({
      value: { amount: '1828.81' },
      needsReview: true,
    })
    expect(weak('bank_statement', statement('€1,828.81')).opening_balance).toMatchObject({
      value: { amount: '1828.81' },
      needsReview: false,
    })
  })
  test('amounts that lead from opening to closing say what the balances between are', () => {
    const rows = weak('bank_statement', statement('€1,828.81', '157.15')).transactions.value as Record<
      string,
      unknown
    >[]
    expect(rows[1].balance).toEqual({ amount: '1657.15', currency: 'EUR' })
  })
})

test('values over their labels, in even lines: the few that can be read one way tell for all', () => {
  const lines = [
    'Keel Mutual Insurance',
    'Insurance confirmation',
    'P88556455',
    'Policy no.',
    'Hamish Brandreth',
    'Assured',
    'Morning Tern',
    'Vessel’s name',
    '25 Sep 2025',
    'In force from',
    '24 Sep 2026',
    'Cover to',
    '€46.000,00',
    'Insured value',
    '€598,00',
    'Premium for the year',
    '€300,00',
    'Excess',
  ]
  expect(values('insurance_cover', lines)).toMatchObject({
    policy_number: 'P88556455',
    insured_name: 'Hamish Brandreth',
    vessel_name: 'Morning Tern',
    cover_start: '2025-09-25',
    cover_end: '2026-09-24',
    sum_insured: eur('46000.00'),
    premium: eur('598.00'),
  })
})
test('the last day of a period is not taken from the pay day that is the same day', () => {
  expect(
    values('payslip', [
      'Earnings slip',
      'Maren Drewitt',
      'Name of the employee',
      '1 Feb 2026 - 28 Feb 2026',
      'Period worked',
      '28 Feb 2026',
      'Date of payment',
      '2,745.44',
      'Gross earnings',
    ]),
  ).toMatchObject({ period_start: '2026-02-01', period_end: '2026-02-28', pay_date: '2026-02-28' })
})
test('a label in capitals ends where its value is set in small letters', () => {
  expect(
    value('loan_application', ['APPLICATION FOR A BOAT LOAN', 'SHIP’S NAME Grey Seal'], 'vessel_name'),
  ).toBe('Grey Seal')
  const { of } = read(
    'loan_application',
    pageOf(['APPLICATION FOR A BOAT LOAN', 'VESSEL UNDERWRITTEN Bright Water']),
  )
  expect(of('vessel_name')).toMatchObject({ value: 'Bright Water', needsReview: true })
})
test('the day of a date is no amount', () => {
  expect(
    value(
      'utility_bill',
      [
        'Merrow Electric',
        'Broadband bill',
        'Amount payable now',
        '142.65',
        'À régler avant le 15 April 2026',
      ],
      'amount_due',
    ),
  ).toEqual(eur('142.65'))
})
test('a label said twice is a label to its end, however long', () => {
  expect(
    value(
      'loan_application',
      ['Application for credit', 'FIRM YOU WORK FOR / Name of employer Gannet Bay Divers Ltd'],
      'employer_name',
    ),
  ).toBe('Gannet Bay Divers Ltd')
  expect(
    value(
      'insurance_cover',
      ['Cover note', 'Insured value / Cover limit for the hull', '32,000.00'],
      'sum_insured',
    ),
  ).toEqual(eur('32000.00'))
})
test('a total that no wording gives away is no row that was missed: a slip of the seller’s is told, not asked', () => {
  const { of } = read(
    'purchase_quote',
    pageOf([
      'Haldane Boats Ltd',
      'Quote',
      'Net amount | 35,363.50',
      'Qty | Description | Unit price | Amount',
      '1 | Deck wash pump | 25,754.00 | 25,754.00',
      '3 | Shelter deck extension | 3,101.00 | 9,403.00',
      '1 | Bow thruster kit | 306.50 | 306.50',
      ' |  | Zwischensumme | 35,363.50',
    ]),
  )
  expect(of('lines').value).toHaveLength(3)
  expect(of('lines').needsReview).toBe(false)
})
test('what stands before the dots is the label’s', () => {
  expect(
    value(
      'loan_application',
      ['APPLICATION FOR A BOAT LOAN', 'VESSEL UNDERWRITTEN ........... Stormcock'],
      'vessel_name',
    ),
  ).toBe('Stormcock')
})
test('a sum of a scan that is two figures off is the paper’s own, one figure off may be misread', () => {
  const price = (total: string) =>
    read(
      'loan_application',
      pageOf(
        [
          'Application for a loan',
          `Purchase price | ${total}`,
          'Deposit | 7,500.00',
          'Loan amount | 29,815.60',
        ],
        { confidence: 0.88, source: 'ocr' },
      ),
    ).of('purchase_price').reason?.code
  expect(price('38,415.60')).not.toBe('value.doubted_by_others_here')
  expect(price('37,815.60')).toBe('value.doubted_by_others_here')
})
test('a form dated in its head, signed on the same day', () => {
  const found = values('loan_application', [
    'Request for Working Boat Finance',
    'To Merrow Sound Mutual, 28 March 2026',
    'Name in full | Nerys Ashgrove',
    'Born | 11 February 1995',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    '',
    'Signed | Dated 28 March 2026',
  ])
  expect(found).toMatchObject({
    application_date: '2026-03-28',
    signature_date: '2026-03-28',
    date_of_birth: '1995-02-11',
  })
})

test.each([
  [
    'a day broken at its stroke',
    'purchase_quote',
    ['Devis', 'Valable jusqu’au | 22-04-', ' | 2026'],
    'valid_until',
    '2026-04-22',
  ],
  [
    'a day over three lines',
    'purchase_quote',
    ['Quotation', 'Expires | 22nd', ' | March', ' | 2026'],
    'valid_until',
    '2026-03-22',
  ],
  [
    'an account number',
    'bank_statement',
    ['Statement of account', 'IBAN | IE52 LNTN 5172 3472', ' | 4234 61'],
    'iban',
    'IE52LNTN51723472423461',
  ],
  [
    'a postal code',
    'utility_bill',
    ['Water bill', 'Supplied to | 16 Pilot Hill, Saltholm SK2', ' | 9LP'],
    'service_address',
    '16 Pilot Hill, Saltholm SK2 9LP',
  ],
  [
    'a place whose second line begins like a label',
    'utility_bill',
    ['Water bill', 'Supplied to | 2 Chandlers Square, Cullen', ' | Point SK6 4WE'],
    'service_address',
    '2 Chandlers Square, Cullen, Point SK6 4WE',
  ],
  [
    'an address beside a label in two lines',
    'bank_statement',
    ['Statement of account', 'Registered | 45 Anchor Court,', 'address: | Cullen Point SK6 4WE'],
    'holder_address',
    '45 Anchor Court, Cullen Point SK6 4WE',
  ],
  [
    'an owner beside a label in two lines',
    'vessel_registration',
    ['Certificate of registry', 'Registered | Marguerite Olav', 'keeper: | Varnham'],
    'owner_name',
    'Marguerite Olav Varnham',
  ],
])('%s that a narrow column breaks is read whole', (_, type, lines, field, value) =>
  expect(read(type, pageOf(lines)).of(field).value).toBe(value),
)

test('the next label’s day does not make up a stretch of days that is broken off', () => {
  const { of } = read(
    'payslip',
    pageOf(['Salary slip', 'Period: | 2026-03-01 until 2026-03- | Pay date: | 2026-03-28', ' | 31']),
  )
  expect([of('period_start').value, of('period_end').value, of('pay_date').value]).toEqual([
    '2026-03-01',
    '2026-03-31',
    '2026-03-28',
  ])
})
test('what a page carries over opens and closes nothing', () => {
  const head = 'Date | Description | Amount | Balance'
  const first = pageOf([
    'Isles Savings Bank',
    'Statement',
    'Start balance | 1,960.62',
    'Closing balance | 1,826.55',
    head,
    '01/03/2026 | Direct debit | -83.29 | 1,877.33',
    ' | Carried forward |  | 1,877.33',
  ])
  const second = pageOf(
    [head, ' | Brought forward |  | 1,877.33', '02/03/2026 | Chandlery | -50.78 | 1,826.55'],
    { number: 2 },
  )
  const { of } = read('bank_statement', first, second)
  expect([of('opening_balance').value, of('closing_balance').value]).toEqual([eur('1960.62'), eur('1826.55')])
})
test('where its own numbering says that a page is lacking, what is carried to it is no end, and the rows are not all', () => {
  const rows = [
    '01/03/2026 | Direct debit | -83.29 | 1,877.33',
    '02/03/2026 | Bakery | -10.00 | 1,867.33',
    '03/03/2026 | Bakery | -10.00 | 1,857.33',
    ' | Carried forward |  | 1,857.33',
  ]
  const { of } = read(
    'bank_statement',
    pageOf([
      'Isles Savings Bank',
      'Statement',
      'Start balance | 1,960.62',
      'Closing balance | 1,826.55',
      'Date | Description | Amount | Balance',
      ...rows,
      ...Array.from({ length: 34 }, () => ''),
      'Page 1 of 2',
    ]),
  )
  expect([of('opening_balance').value, of('closing_balance').value]).toEqual([eur('1960.62'), eur('1826.55')])
  expect(of('transactions')).toMatchObject({ needsReview: true, reason: message('table.page_lacking') })
})
test('a birthday in the list of owners is not the day of the declaration', () => {
  const lines = [
    'Declaration of owners',
    'Company name | Petrel Slipways Ltd',
    'Name of owner | Date of birth | Share',
    'Leif Penhallow | 1975-08-28 | 100 %',
    '',
    '',
    '',
    'Signature',
    'Date',
  ]
  expect(read('owners_declaration', pageOf(lines)).of('declaration_date').value).toBeNull()
})
test('"Total TVA" leaves the total to the amount with which it adds up', () => {
  const { of } = read(
    'purchase_quote',
    pageOf([
      'Devis',
      'Total hors taxes | 36.491,50 €',
      'Total TVA | 7.298,30 €',
      'Total toutes taxes comprises | 43.789,80 €',
    ]),
  )
  expect([of('net_amount').value, of('vat_amount').value, of('total_price').value]).toEqual([
    eur('36491.50'),
    eur('7298.30'),
    eur('43789.80'),
  ])
})
test('a day that stands alone of its kind is surer than one of two', () => {
  const sure = (lines: string[]) => read('cover_letter', pageOf(lines)).of('letter_date').confidence
  expect(sure(['14 March 2026', 'Dear Sirs,'])).toBeGreaterThan(
    sure(['14 March 2026', '2 April 2026', 'Dear Sirs,']),
  )
})
test('a label in two tongues between the names of a card is no name, and a zone that says otherwise rules it out', () => {
  const card = (family: string) =>
    pageOf([
      'IDENTITY CARD',
      'Surname/Nom',
      family,
      'Given names/Prénoms',
      'ANNA MARIA',
      'I<UTOD231458907<<<<<<<<<<<<<<<',
      '7408122F3204159UTO<<<<<<<<<<<6',
      'ERIKSSON<<ANNA<MARIA<<<<<<<<<<',
    ])
  expect(read('identity_card', card('ERIKSSON')).of('full_name').value).toBe('ANNA MARIA ERIKSSON')
})
test('the house under a name begins an address, and is no part of the name', () => {
  const { of } = read(
    'utility_bill',
    pageOf([
      'Puffin Telecom',
      'Broadband invoice',
      'Customer | Ottilie Varnham',
      ' | Rose Cottage',
      ' | Port Ellery SK4 2QD',
    ]),
  )
  expect(of('account_holder').value).toBe('Ottilie Varnham')
})
test('the label of the next column, broken in two, is no part of a name', () => {
  const page = pageOf([
    'Certificate of registry',
    'Name of owner | Marguerite Roy Núñez Hull | SKR-87792',
    ' | ident. no.',
  ])
  const hull = page.words.find((w) => w.text === 'Hull')!
  const words = page.words.map((w) =>
    ['ident.', 'no.'].includes(w.text)
      ? {
          ...w,
          box: [
            w.box[0] - 0.4 + hull.box[0],
            w.box[1],
            w.box[2] - 0.4 + hull.box[0],
            w.box[3],
          ] as typeof w.box,
        }
      : w,
  )
  expect(read('vessel_registration', { ...page, words }).of('owner_name').value).toBe('Marguerite Roy Núñez')
})
test('half a name is asked about, and the last figures of a telephone number belong to it', () => {
  const { of } = read(
    'loan_application',
    pageOf(['Finance application', 'Applicant | Isolde', 'Phone | +44 1668 671', ' | 020']),
  )
  expect(of('applicant_name').needsReview).toBe(true)
  expect(of('phone').value).toBe('+44 1668 671 020')
})
test('an insurance is nobody insured', () => {
  expect(
    read('insurance_cover', pageOf(['Storm Petrel', 'Assurance', '', '', 'Insured | Eskil Varnham'])).of(
      'insured_name',
    ).value,
  ).toBe('Eskil Varnham')
})
test('a name whose parts stand a little wide is whole; what stands a column apart is another', () => {
  const slip = (at: number) =>
    extractDocument(
      [pageOf(['Payslip', 'Employee | Rosalind | Pettigrew', 'Net pay | 2,140.55'], { at: [0.08, 0.4, at] })],
      typeById(starterTypes, 'payslip'),
      euroLender,
    ).fields.find((f) => f.name === 'employee_name')!
  expect(slip(0.482)).toMatchObject({ value: 'Rosalind Pettigrew', needsReview: false })
  expect(slip(0.7).value).not.toBe('Rosalind Pettigrew')
})

describe('where nothing says which figure is the month', () => {
  const anywhere = lenderSchema.parse({ name: 'Anywhere', country: 'CA', currency: 'EUR' })
  const slip = (paid: string) =>
    extractDocument(
      [pageOf(['Payslip', 'Employee | O. Varnham', `Pay date | ${paid}`, 'Net pay | 2,140.55'])],
      typeById(starterTypes, 'payslip'),
      anywhere,
    ).fields.find((f) => f.name === 'pay_date')!
  test('a day that reads either way is asked about, with the other one', () =>
    expect(slip('03/04/2026')).toMatchObject({
      needsReview: true,
      reason: message('value.day_or_month', { other: '2026-03-04' }),
    }))
  test('a day that is one in one order only is not, nor is one with the name of its month', () => {
    expect(slip('31/03/2026')).toMatchObject({ value: '2026-03-31', needsReview: false })
    expect(slip('4 March 2026')).toMatchObject({ value: '2026-03-04', needsReview: false })
  })
  test('rows whose days read either way are asked about', () => {
    const { fields } = extractDocument(
      [
        pageOf([
          'Bank statement',
          'Opening balance | 100.00',
          'Date | Description | Amount | Balance',
          '03/04/2026 | Rent | -20.00 | 80.00',
          '05/04/2026 | Fuel | -30.00 | 50.00',
          'Closing balance | 50.00',
        ]),
      ],
      typeById(starterTypes, 'bank_statement'),
      anywhere,
    )
    expect(fields.find((f) => f.name === 'transactions')).toMatchObject({
      needsReview: true,
      reason: message('table.days_either_way'),
    })
  })
})
