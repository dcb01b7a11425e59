import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'figures in columns under their heads',
  'payslip',
  `
  Kittiwake Ropeworks Ltd | | Pay statement
  4 Capstan Yard, Wrack Bay SK7 3DD

  Staff member | Personal number | Paid on | Month
  Jonas Brevik | 221185-4410 | 28 Feb 2026 | February 2026

  Earnings | Hours | Rate | Amount
  Ordinary hours | 160.00 | 15.25 | 2,440.00
  Night watch | 12.00 | 18.50 | 222.00
  Total earnings | | | 2,662.00
  Income tax | | | 412.61
  Social insurance | | | 186.34
  Total deductions | | | 598.95
  Net to bank | | | EUR 2,063.05
  Earned this year | | | 5,324.00`,
  {
    employee_name: 'Jonas Brevik',
    employer_name: 'Kittiwake Ropeworks Ltd',
    national_number: '221185-4410',
    pay_date: '2026-02-28',
    period_start: '2026-02-01',
    period_end: '2026-02-28',
    gross_pay: money('2662.00'),
    net_pay: money('2063.05'),
    year_to_date_gross: money('5324.00'),
  },
)

reads(
  'labels behind colons, decimal commas, the year to date beside this month',
  'payslip',
  `
  WAGES STATEMENT
  Employer: Gannet Head Fish Auction Co.
  Name of employee: Marit Solheim-Roe
  National ID: 030379-1187
  Period covered: 01.01.2026 - 31.01.2026
  Payment date: 30.01.2026

  | This month | Year to date
  Gross wages | 3.120,40 € | 3.120,40 €
  Tax | 561,67 € | 561,67 €
  Pension | 156,02 € | 156,02 €
  Net wages | 2.402,71 € | 2.402,71 €`,
  {
    employee_name: 'Marit Solheim-Roe',
    employer_name: 'Gannet Head Fish Auction Co.',
    national_number: '030379-1187',
    pay_date: '2026-01-30',
    period_start: '2026-01-01',
    period_end: '2026-01-31',
    gross_pay: money('3120.40'),
    net_pay: money('2402.71'),
    year_to_date_gross: money('3120.40'),
  },
)

reads(
  'two columns of labels with their values beneath',
  'payslip',
  `
  SKERROW PILOTAGE | | PAY ADVICE
  Payee | | Pay day
  Tobias Lindqvist | | 27/03/2026
  National identity number | | Pay month
  110690-3321 | | March 2026

  Gross salary | | Deductions
  EUR 4,010.00 | | EUR 1,102.75
  Take-home pay | | Cumulative gross
  EUR 2,907.25 | | EUR 12,030.00`,
  {
    employee_name: 'Tobias Lindqvist',
    employer_name: 'SKERROW PILOTAGE',
    national_number: '110690-3321',
    pay_date: '2026-03-27',
    period_start: '2026-03-01',
    period_end: '2026-03-31',
    gross_pay: money('4010.00'),
    net_pay: money('2907.25'),
    year_to_date_gross: money('12030.00'),
  },
)

reads(
  'addressed like a letter, with what is paid in a sentence',
  'payslip',
  `
  Cormorant Dive Services Limited
  Payslip for January 2026

  Ines Calder
  7 Tern Close
  Port Ellery SK4 1LL

  Personal identity number 150593-0092
  Gross amount | 2 980,00 €
  Less tax and contributions | 755,20 €
  Net amount | 2 224,80 €
  Gross since January | 2 980,00 €

  2 224,80 € were transferred to your account on 29 January 2026.`,
  {
    employee_name: 'Ines Calder',
    employer_name: 'Cormorant Dive Services Limited',
    national_number: '150593-0092',
    pay_date: '2026-01-29',
    period_start: '2026-01-01',
    period_end: '2026-01-31',
    gross_pay: money('2980.00'),
    net_pay: money('2224.80'),
    year_to_date_gross: money('2980.00'),
  },
)

reads(
  'deductions on the right, pay on the left, totals under both',
  'payslip',
  `
  Lodestar Pilots Ltd | | Payroll advice
  Employee: Marit Solheim-Roe | | Pay day: 27 Feb 2026
  Nat. no.: 030379-1187 | | Period: 01 Feb 2026 to 28 Feb 2026

  Payments | Amount | Deductions | Amount
  Basic pay | 2,900.00 | Income tax | 478.50
  Sea allowance | 310.00 | Pension | 160.50
  Total payments | 3,210.00 | Total deductions | 639.00

  Net pay | 2,571.00
  Gross pay to date | 6,420.00`,
  {
    employee_name: 'Marit Solheim-Roe',
    employer_name: 'Lodestar Pilots Ltd',
    pay_date: '2026-02-27',
    national_number: '030379-1187',
    period_start: '2026-02-01',
    period_end: '2026-02-28',
    gross_pay: money('3210.00'),
    net_pay: money('2571.00'),
    year_to_date_gross: money('6420.00'),
  },
)

reads(
  'values over the words that say what they are',
  'payslip',
  `
  Harbour Ice Works
  PAY NOTE

  Jonas Brevik
  Employee
  221185-4410
  Personal no.
  2026-03-31
  Paid on
  March 2026
  Wage month

  EUR 2.662,00
  Gross wage
  EUR 2.063,05
  Net wage
  EUR 7.986,00
  Gross since January`,
  {
    employee_name: 'Jonas Brevik',
    employer_name: 'Harbour Ice Works',
    national_number: '221185-4410',
    pay_date: '2026-03-31',
    period_start: '2026-03-01',
    period_end: '2026-03-31',
    gross_pay: money('2662.00'),
    net_pay: money('2063.05'),
    year_to_date_gross: money('7986.00'),
  },
)

reads(
  'a slip with hours and rates before the amounts',
  'payslip',
  `
  Tarnwick Timber Ltd
  Monthly pay statement

  Name | Wilma Wickham
  ID number | 080385-1228
  Month of work | January 2026
  Date paid | 30.01.2026

  | Hours | Rate | This month | This year
  Ordinary time | 168.00 | 18.40 | 3,091.20 | 3,091.20
  Overtime | 10.00 | 27.60 | 276.00 | 276.00
  Gross | | | 3,367.20 | 3,367.20
  Tax | | | 538.75 | 538.75
  Net | | | 2,828.45 | 2,828.45`,
  {
    employee_name: 'Wilma Wickham',
    employer_name: 'Tarnwick Timber Ltd',
    national_number: '080385-1228',
    pay_date: '2026-01-30',
    period_start: '2026-01-01',
    period_end: '2026-01-31',
    gross_pay: money('3367.20'),
    net_pay: money('2828.45'),
    year_to_date_gross: money('3367.20'),
  },
)

reads(
  'a slip by the week’s end, with net pay in words of its own',
  'payslip',
  `
  Saltholm Ice Ltd | | Statement of wages
  Worker: Elspeth Lorimer | Nat. number: 010666-7741
  Month: March 2026 | Paid into bank on: 30.03.2026
  Pay before deductions | 3.180,00
  PAYE | 508,80
  NI | 241,20
  Pay after deductions | 2.430,00
  Gross since 1 January | 9.540,00`,
  {
    employee_name: 'Elspeth Lorimer',
    employer_name: 'Saltholm Ice Ltd',
    national_number: '010666-7741',
    pay_date: '2026-03-30',
    period_start: '2026-03-01',
    period_end: '2026-03-31',
    gross_pay: money('3180.00'),
    net_pay: money('2430.00'),
    year_to_date_gross: money('9540.00'),
  },
)

reads(
  'names with hyphens, particles and accents',
  'payslip',
  `
  Chandlery Núñez & Daughters Co.
  Salary slip
  Name of employee | Zélie van der Meer-Lefèvre
  Personal number | 080100-0996
  Period of work | 01/02/2026 to 28/02/2026
  Date of payment | 26/02/2026
  Gross wages | EUR 2,480.00
  Net wages | EUR 1,972.40
  YTD gross | EUR 4,960.00`,
  {
    employee_name: 'Zélie van der Meer-Lefèvre',
    employer_name: 'Chandlery Núñez & Daughters Co.',
    national_number: '080100-0996',
    pay_date: '2026-02-26',
    period_start: '2026-02-01',
    period_end: '2026-02-28',
    gross_pay: money('2480.00'),
    net_pay: money('1972.40'),
    year_to_date_gross: money('4960.00'),
  },
)

reads(
  'a slip as a letter of figures',
  'payslip',
  `
  PETREL SLIPWAYS LTD | | | PAY ADVICE
  Slip Road 4, Merrow SK1 2AB
  To: | Ronan Teague | Works no. | 0113
  | 6 Shell Walk | Tax reference | 051277-3308
  | Saltholm SK2 6TA | Wage month | March 2026
  Hours and additions | Units | Rate | EUR
  Ordinary hours | 152.00 | 16.50 | 2,508.00
  Weekend hours | 8.00 | 22.00 | 176.00
  Total pay before stoppages | | | 2,684.00
  Stoppages | | | EUR
  Income tax | | | 402.60
  Social fund | | | 134.20
  Transferred to your account on 27 March 2026 | | | 2,147.20
  This year so far: total pay 7,980.00; tax 1,197.00`,
  {
    employer_name: 'PETREL SLIPWAYS LTD',
    employee_name: 'Ronan Teague',
    national_number: '051277-3308',
    period_start: '2026-03-01',
    period_end: '2026-03-31',
    pay_date: '2026-03-27',
    gross_pay: money('2684.00'),
    net_pay: money('2147.20'),
    year_to_date_gross: money('7980.00'),
  },
)

reads(
  'a slip whose figures stand above their names',
  'payslip',
  `
  Northlight Hatcheries PLC
  Statement of wages
  Gwen Morrow | 190482-7715 | 01.02.2026 - 28.02.2026
  Employee | National number | Period worked
  3.120,40 | 2.344,18 | 6.240,80
  Gross wage | Net wage | Gross this year`,
  {
    employer_name: 'Northlight Hatcheries PLC',
    employee_name: 'Gwen Morrow',
    national_number: '190482-7715',
    period_start: '2026-02-01',
    period_end: '2026-02-28',
    gross_pay: money('3120.40'),
    net_pay: money('2344.18'),
    year_to_date_gross: money('6240.80'),
  },
)
