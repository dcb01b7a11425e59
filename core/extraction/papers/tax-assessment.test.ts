import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a notice with a box of results',
  'tax_assessment',
  `
  Revenue Office of the Skerrow Isles
  Income tax assessment 2024

  Ronan Teague | | Date of notice
  6 Shell Walk | | 18 July 2025
  Saltholm SK2 6TA | | National number
  | | 051277-3308

  Total income | 39,204.00
  Allowances | 8,000.00
  Taxable income | 31,204.00
  Tax for the year | 6,552.84
  Paid in advance | 6,000.00
  Amount still to pay | 552.84`,
  {
    taxpayer_name: 'Ronan Teague',
    national_number: '051277-3308',
    tax_year: '2024',
    total_income: money('39204.00'),
    tax_due: money('6552.84'),
    issue_date: '2025-07-18',
  },
)

reads(
  'labels and values of one line each',
  'tax_assessment',
  `
  ISLES TAX ADMINISTRATION
  NOTICE OF ASSESSMENT
  Taxpayer: Gwen Morrow
  Personal no.: 190482-7715
  Year of assessment: 2025
  Issued: 02/02/2026
  Income in total: EUR 28.110,50
  Income tax payable: EUR 4.216,58`,
  {
    taxpayer_name: 'Gwen Morrow',
    national_number: '190482-7715',
    tax_year: '2025',
    total_income: money('28110.50'),
    tax_due: money('4216.58'),
    issue_date: '2026-02-02',
  },
)

reads(
  'a notice that speaks',
  'tax_assessment',
  `
  Skerrow Isles Revenue
  Dear Ewan Garvie,
  This is your income tax assessment for the year 2024.
  Your national number is 040484-7028.
  Your total income for the year was EUR 41,880.00.
  The tax due on it is EUR 7,204.56.
  Issued at Merrow on 14 August 2025`,
  {
    taxpayer_name: 'Ewan Garvie',
    national_number: '040484-7028',
    tax_year: '2024',
    total_income: money('41880.00'),
    tax_due: money('7204.56'),
    issue_date: '2025-08-14',
  },
)

reads(
  'a notice with sources of income',
  'tax_assessment',
  `
  TAX OFFICE MERROW | | Date: 03/09/2025
  Assessment of income tax for 2024
  Name | Gwen Morrow | Personal number | 190482-7715
  Income from trade | 24.110,50
  Income from letting | 4.000,00
  Total income | 28.110,50
  Less personal allowance | 8.000,00
  Taxable income | 20.110,50
  Tax due | 4.216,58`,
  {
    taxpayer_name: 'Gwen Morrow',
    national_number: '190482-7715',
    tax_year: '2024',
    total_income: money('28110.50'),
    tax_due: money('4216.58'),
    issue_date: '2025-09-03',
  },
)
