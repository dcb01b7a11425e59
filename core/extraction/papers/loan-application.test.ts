import { money, reads } from '../../../tests/support/read-paper.ts'

const application = {
  application_number: 'MSM-26-004817',
  application_date: '2026-03-20',
  applicant_name: 'Ottilie Varnham',
  date_of_birth: '1980-03-14',
  national_number: '140380-2211',
  home_address: '12 Gannet Row, Port Ellery SK4 2QD',
  phone: '+44 1657 089 493',
  email: 'ottilie.varnham@islepost.example',
  employment_status: 'employed',
  employer_name: 'Petrel Slipways Ltd',
  monthly_net_income: money('2140.00'),
  loan_amount: money('48750.00'),
  loan_term_months: '60',
  purchase_price: money('61250.00'),
  deposit_amount: money('12500.00'),
  vessel_name: 'MORNING TERN',
  hull_number: 'SKR-88241-C',
  existing_loan: false,
  iban: 'IE59ISSB16992260637960',
  signature_date: '2026-03-20',
}

reads(
  'a form in sections',
  'loan_application',
  `
  Merrow Sound Mutual | | Working boat loan
  Application no. | MSM-26-004817 | Date | 20/03/2026
  A. About you
  Applicant | Ottilie Varnham
  Date of birth | 14/03/1980
  National number | 140380-2211
  Home address | 12 Gannet Row, Port Ellery SK4 2QD
  Telephone | +44 1657 089 493
  E-mail | ottilie.varnham@islepost.example
  B. Work and income
  Employment status | [X] Employed [ ] Self-employed
  Employer | Petrel Slipways Ltd
  Monthly net income | EUR 2,140.00
  Page 1 of 2
  ---
  C. The loan
  Purchase price | EUR 61,250.00
  Deposit | EUR 12,500.00
  Loan amount | EUR 48,750.00
  Term in months | 60
  Vessel | MORNING TERN
  Hull number | SKR-88241-C
  Do you have another loan? | No
  IBAN | IE59 ISSB 1699 2260 6379 60
  Signature of applicant | Date of signature: 20/03/2026
  Page 2 of 2`,
  application,
)

reads(
  'questions as people ask them',
  'loan_application',
  `
  BOAT FINANCE: TELL US WHAT YOU NEED
  Case number: MSM-26-004817
  Date of application: 20 March 2026
  What is your full name? Ottilie Varnham
  When were you born? 14 March 1980
  Your national number: 140380-2211
  Where do you live? 12 Gannet Row, Port Ellery SK4 2QD
  Your phone number: +44 1657 089 493
  Your e-mail address: ottilie.varnham@islepost.example
  Are you employed or self-employed? Employed
  Who do you work for? Petrel Slipways Ltd
  What do you take home each month? EUR 2.140,00
  What does the boat cost? EUR 61.250,00
  How much can you pay yourself? EUR 12.500,00
  How much do you want to borrow? EUR 48.750,00
  Over how many months? 60
  Name of the boat: MORNING TERN
  Hull number: SKR-88241-C
  Do you have other loans? No
  Account for the payments: IE59 ISSB 1699 2260 6379 60
  Signed on: 20 March 2026`,
  application,
)

reads(
  'two applicants side by side',
  'loan_application',
  `
  LOAN APPLICATION
  Reference | MSM-26-004817
  Application date | 20-MAR-26
  | Applicant | Co-applicant
  Full name | Ottilie Varnham | Jonas Brevik
  Date of birth | 14-MAR-80 | 22-NOV-85
  Address | 12 Gannet Row, Port Ellery SK4 2QD
  Loan amount | 48 750,00 €
  Purchase price | 61 250,00 €
  Deposit | 12 500,00 €`,
  {
    application_number: 'MSM-26-004817',
    application_date: '2026-03-20',
    applicant_name: 'Ottilie Varnham',
    co_applicant_name: 'Jonas Brevik',
    date_of_birth: '1980-03-14',
    home_address: '12 Gannet Row, Port Ellery SK4 2QD',
    loan_amount: money('48750.00'),
    purchase_price: money('61250.00'),
    deposit_amount: money('12500.00'),
  },
)
