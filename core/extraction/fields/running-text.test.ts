import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { runningTextCandidates } from './running-text.ts'
import { typeById } from '../../program/document-type.ts'

const found = (type: string, lines: string[]) =>
  Object.fromEntries(
    runningTextCandidates(pageOf(lines), typeById(starterTypes, type))
      .sort((a, b) => a.score - b.score)
      .map((c) => [c.field, c.value]),
  )

test('a certificate that says everything in sentences', () => {
  expect(
    found('vessel_registration', [
      'This is to certify that the vessel Pole Star, hull number SKR-01453, is entered',
      'under registration number SK995-9552 in the name of her owner, Torquil Finn Haldane. Issued',
      'by the registry of the isles; this certificate is valid until 24 Nov 2026.',
    ]),
  ).toMatchObject({
    vessel_name: 'Pole Star',
    hull_number: 'SKR-01453',
    registration_number: 'SK995-9552',
    owner_name: 'Torquil Finn Haldane',
    expiry_date: '2026-11-24',
  })
})
test('a value may stand on the next line', () => {
  expect(
    found('insurance_cover', [
      'The cover that we have issued on the boat is for a sum insured of',
      'EUR 56,000.00 and is given at an annual premium of EUR 728.00.',
    ]),
  ).toMatchObject({
    sum_insured: { amount: '56000.00', currency: 'EUR' },
    premium: { amount: '728.00', currency: 'EUR' },
  })
})
test('labels beside their values are no sentences', () =>
  expect(
    runningTextCandidates(
      pageOf(['Sum insured | EUR 56,000.00', 'Premium | EUR 728.00']),
      typeById(starterTypes, 'insurance_cover'),
    ),
  ).toEqual([]))
test('what is further off than a few words is not meant', () => {
  expect(
    found('insurance_cover', [
      'The premium is to be paid by the owner of the boat before the first of the month or after it by EUR 10.00.',
    ]),
  ).not.toHaveProperty('premium')
})
test('a name that runs on into the next line is whole, and ends where the sentence goes on', () => {
  expect(
    found('vessel_registration', [
      'Registration number SK780-0407: the boat Wave Dancer (hull no. SKR-55546), owned by Rafael',
      'Maud Núñez, was registered on 20 Aug 2023; the registration expires on 19 Aug 2028.',
    ]),
  ).toMatchObject({ owner_name: 'Rafael Maud Núñez', hull_number: 'SKR-55546', issue_date: '2023-08-20' })
})
test('a sentence may begin with what it speaks of, a name in it does not', () => {
  const lines = [
    'This is to certify that the vessel Eider Duck II, hull number SKR-28859, is entered in the',
    'register in the name of her owner, Hamish Jane Brandreth. Issued on',
    '08.11.2022. This certificate is valid until 08.11.2027.',
  ]
  expect(found('vessel_registration', lines)).toMatchObject({
    issue_date: '2022-11-08',
    owner_name: 'Hamish Jane Brandreth',
    expiry_date: '2027-11-08',
  })
})

test.each([
  [
    'with a capital',
    'We confirm that Maren Carrow has been employed by us since 12 November 2015 as Skipper. The contract is permanent.',
    'Skipper',
  ],
  [
    'in two words',
    'This is to certify that Maren Carrow works for us in the position of Marine engineer since 12 November 2015.',
    'Marine engineer',
  ],
  [
    'in small letters',
    'We confirm that Maren Carrow is employed as a net maker under a contract of unlimited length since 12 November 2015.',
    'net maker',
  ],
])('a job is called by common words, %s', (_, line, job) =>
  expect(
    found('employment_letter', [line, 'Please ring us if you need to know more about the matter.']),
  ).toMatchObject({ job_title: job, start_date: '2015-11-12' }),
)
test('what is spoken of next takes only things of its own kind', () => {
  expect(
    found('loan_payoff', [
      'With reference to your loan account the outstanding balance of loan number KCU443211 is today',
      'EUR 9,100.00, and the monthly payment is EUR 210.00 until further notice.',
    ]),
  ).toMatchObject({
    loan_number: 'KCU443211',
    outstanding_balance: { amount: '9100.00', currency: 'EUR' },
    monthly_payment: { amount: '210.00', currency: 'EUR' },
  })
})
test('a year before an amount is not the amount', () => {
  expect(
    found('tax_assessment', [
      'Your income for the year 2025 came to EUR 19,628.00. The tax due on it is EUR 3,336.76. Date of this',
      'notice: 17.02.2026.',
    ]),
  ).toMatchObject({
    total_income: { amount: '19628.00', currency: 'EUR' },
    tax_due: { amount: '3336.76', currency: 'EUR' },
  })
})
test('a day broken at the end of a line is whole again', () => {
  expect(
    found('fishing_licence', [
      'This licence is hereby granted to Dougal Lefèvre to fish for sale and is valid from 10-',
      '12-2025 until 09-12-2027, subject to the conditions overleaf.',
    ]),
  ).toMatchObject({ valid_from: '2025-12-10', valid_until: '2027-12-09' })
})
test('the word before an amount lends it no figures', () => {
  expect(
    found('loan_payoff', [
      'As at 2 April 2026 the sum needed to settle loan KCU217558 in the name of Ottilie Varnham is 13.840,30 €. The',
      'monthly repayment is 403,73 €.',
    ]),
  ).toMatchObject({
    outstanding_balance: { amount: '13840.30', currency: 'EUR' },
    monthly_payment: { amount: '403.73', currency: 'EUR' },
  })
})

test('a listed wording of many words leads to its value over the end of a line', () => {
  expect(
    found('vessel_registration', [
      'with official number SK219-2338. Her owner is Torquil Maud Northcott. Given under my hand',
      'on August 13, 2021. This certificate expires on August 13, 2026.',
    ]),
  ).toMatchObject({ issue_date: '2021-08-13', expiry_date: '2026-08-13' })
})
test('what somebody is to a firm is no part of the name', () => {
  const letter = [
    'We, Ellery Harbour Services Co., confirm the following about our Boatbuilder Ottilie Stenhouse: start of',
    'employment 6/11/22; gross pay 35,169.84 per year; not on probation.',
  ]
  expect(
    runningTextCandidates(pageOf(letter), typeById(starterTypes, 'employment_letter')).find(
      (c) => c.field === 'employee_name',
    ),
  ).toMatchObject({ partial: true })
  expect(found('employment_letter', letter)).toMatchObject({ employee_name: 'Ottilie Stenhouse' })
})
test('a country ends where the next sentence begins', () => {
  expect(
    found('tax_self_certification', [
      'My only country or jurisdiction of tax residence is in the country of tax residence Ireland',
      'I certify that I am the account holder and that what is said above is true and complete.',
    ]),
  ).toMatchObject({ tax_country: 'Ireland' })
})
