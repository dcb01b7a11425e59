import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a letter that says it all in two sentences',
  'employment_letter',
  `
  Petrel Slipways Ltd
  Dock Road 5, Port Ellery SK4 7PS

  11 March 2026

  To whom it may concern

  We confirm that Ms Ottilie Varnham has been employed by Petrel Slipways Ltd as a boatbuilder since 1 September 2019.
  Her salary is EUR 33,060.00 a year before tax.

  Yours faithfully
  Edda Quill
  Office manager`,
  {
    employee_name: 'Ottilie Varnham',
    employer_name: 'Petrel Slipways Ltd',
    job_title: 'boatbuilder',
    start_date: '2019-09-01',
    annual_salary: money('33060.00'),
    letter_date: '2026-03-11',
  },
)

reads(
  'a form-like confirmation',
  'employment_letter',
  `
  Skerrow Pilotage Authority
  CONFIRMATION OF EMPLOYMENT

  Date of this letter | 02.03.2026
  Employee | Tobias Lindqvist
  Position held | Harbour pilot
  In our service since | 15.05.2014
  Gross yearly salary | 48.120,00 €
  Contract | permanent, full time

  For the employer: H. Stenmark`,
  {
    employee_name: 'Tobias Lindqvist',
    employer_name: 'Skerrow Pilotage Authority',
    job_title: 'Harbour pilot',
    start_date: '2014-05-15',
    annual_salary: money('48120.00'),
    letter_date: '2026-03-02',
  },
)

reads(
  'a post named apart from the person',
  'employment_letter',
  `
  Cormorant Dive Services Limited
  Letter date: 9 February 2026

  Employment of Ines Calder

  Dear Sir or Madam,
  Ines Calder joined us on 3 June 2021 and works as a diving supervisor under a permanent contract.
  She currently earns €41,500.00 per annum.
  Please call us with any question.

  Yours sincerely
  P. Osei, director`,
  {
    employee_name: 'Ines Calder',
    employer_name: 'Cormorant Dive Services Limited',
    job_title: 'diving supervisor',
    start_date: '2021-06-03',
    annual_salary: money('41500.00'),
    letter_date: '2026-02-09',
  },
)

reads(
  'a certificate of employment',
  'employment_letter',
  `
  KITTIWAKE ROPEWORKS LTD
  Certificate of employment
  We certify that Jonas Brevik, national number 221185-4410, works for us as rope maker.
  Start of employment: 2 January 2017
  Annual salary: EUR 31,944.00
  Wrack Bay, 3 March 2026
  For Kittiwake Ropeworks Ltd
  Human resources`,
  {
    employee_name: 'Jonas Brevik',
    employer_name: 'KITTIWAKE ROPEWORKS LTD',
    job_title: 'rope maker',
    start_date: '2017-01-02',
    annual_salary: money('31944.00'),
    letter_date: '2026-03-03',
  },
)

reads(
  'a letter from an employer with a list',
  'employment_letter',
  `
  Skerrow Shellfish PLC
  Quay Street 1, Merrow SK1 1AA
  2 April 2026
  TO WHOM IT MAY CONCERN
  - Name of our employee: Sigrid Eddowes
  - Engaged since: 1 September 2019
  - Position held: Harvest supervisor
  - Basic salary per annum: EUR 34,560.00
  - Contract: permanent, not under notice
  For the company, H. Quillfeather, Personnel`,
  {
    employer_name: 'Skerrow Shellfish PLC',
    employee_name: 'Sigrid Eddowes',
    job_title: 'Harvest supervisor',
    start_date: '2019-09-01',
    annual_salary: money('34560.00'),
    letter_date: '2026-04-02',
  },
)
