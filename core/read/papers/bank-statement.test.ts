import { money, reads } from './reads.ts'

const row = (date: string, description: string, amount: string, balance: string) => ({ date, description, amount: money(amount), balance: money(balance) })

reads('money in and money out in columns of their own', 'bank_statement', `
  Bank of Skerrow | | Statement of account

  Ottilie Varnham | | IBAN SK31 1200 0000 1987 4263 7541
  12 Gannet Row | | 1 February 2026 to 28 February 2026
  Port Ellery SK4 2QD

  Date | Details | Money out | Money in | Balance
  01/02/2026 | Balance brought forward | | | 1,204.10
  03/02/2026 | Harbour dues | 88.00 | | 1,116.10
  16/02/2026 | Wages Petrel Slipways | | 2,140.55 | 3,256.65
  27/02/2026 | Chandlery card payment | 145.20 | | 3,111.45
  28/02/2026 | Closing balance | | | 3,111.45`, {
  bank_name: 'Bank of Skerrow', account_holder: 'Ottilie Varnham', holder_address: '12 Gannet Row, Port Ellery SK4 2QD', iban: 'SK3112000000198742637541', statement_start: '2026-02-01', statement_end: '2026-02-28',
  opening_balance: money('1204.10'), closing_balance: money('3111.45'),
  transactions: [row('2026-02-03', 'Harbour dues', '-88.00', '1116.10'), row('2026-02-16', 'Wages Petrel Slipways', '2140.55', '3256.65'), row('2026-02-27', 'Chandlery card payment', '-145.20', '3111.45')],
})

reads('one column of amounts with a sign behind, days without their year', 'bank_statement', `
  ISLES SAVINGS BANK
  Account statement 01.01.2026 - 31.01.2026
  Account holder: Marit Solheim-Roe
  Address: 2 Lugger Lane, Saltholm SK2 8PT
  IBAN: DE89 3704 0044 0532 0130 00

  Day | Text | Amount | Balance
  | Opening balance | | 540,00
  05.01. | Standing order rent | 310,00- | 230,00
  30.01. | Gannet Head Fish Auction | 2.402,71+ | 2.632,71
  | Closing balance | | 2.632,71`, {
  bank_name: 'ISLES SAVINGS BANK', account_holder: 'Marit Solheim-Roe', holder_address: '2 Lugger Lane, Saltholm SK2 8PT', iban: 'DE89370400440532013000', statement_start: '2026-01-01', statement_end: '2026-01-31',
  opening_balance: money('540.00'), closing_balance: money('2632.71'),
  transactions: [row('2026-01-05', 'Standing order rent', '-310.00', '230.00'), row('2026-01-30', 'Gannet Head Fish Auction', '2402.71', '2632.71')],
})

reads('a statement over two pages with what is carried forward', 'bank_statement', `
  Longshore Bank plc
  Current account statement
  Name | Tobias Lindqvist
  Address | 31 Beacon Road, Port Ellery SK4 9RR
  IBAN | GB29 NWBK 6016 1331 9268 19
  Statement from | 01 Mar 2026
  Statement to | 31 Mar 2026
  Start balance | 2,000.00

  Date | Description | Debit | Credit | Balance
  02 Mar 2026 | Card Skerrow Fuel | 61.10 | | 1,938.90
  09 Mar 2026 | Transfer A Lindqvist | | 150.00 | 2,088.90
  Carried forward | | | | 2,088.90
  Page 1 of 2
  ---
  Longshore Bank plc
  Page 2 of 2
  Date | Description | Debit | Credit | Balance
  Brought forward | | | | 2,088.90
  27 Mar 2026 | Salary Skerrow Pilotage | | 2,907.25 | 4,996.15
  End balance | | | | 4,996.15`, {
  bank_name: 'Longshore Bank plc', account_holder: 'Tobias Lindqvist', holder_address: '31 Beacon Road, Port Ellery SK4 9RR', iban: 'GB29NWBK60161331926819', statement_start: '2026-03-01', statement_end: '2026-03-31',
  opening_balance: money('2000.00'), closing_balance: money('4996.15'),
  transactions: [row('2026-03-02', 'Card Skerrow Fuel', '-61.10', '1938.90'), row('2026-03-09', 'Transfer A Lindqvist', '150.00', '2088.90'), row('2026-03-27', 'Salary Skerrow Pilotage', '2907.25', '4996.15')],
})
