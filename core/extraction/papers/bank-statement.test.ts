import { money, reads } from '../../../tests/support/read-paper.ts'

const row = (date: string, description: string, amount: string, balance: string) => ({
  date,
  description,
  amount: money(amount),
  balance: money(balance),
})

reads(
  'money in and money out in columns of their own',
  'bank_statement',
  `
  Bank of Skerrow | | Statement of account

  Ottilie Varnham | | IBAN SK31 1200 0000 1987 4263 7541
  12 Gannet Row | | 1 February 2026 to 28 February 2026
  Port Ellery SK4 2QD

  Date | Details | Money out | Money in | Balance
  01/02/2026 | Balance brought forward | | | 1,204.10
  03/02/2026 | Harbour dues | 88.00 | | 1,116.10
  16/02/2026 | Wages Petrel Slipways | | 2,140.55 | 3,256.65
  27/02/2026 | Chandlery card payment | 145.20 | | 3,111.45
  28/02/2026 | Closing balance | | | 3,111.45`,
  {
    bank_name: 'Bank of Skerrow',
    account_holder: 'Ottilie Varnham',
    holder_address: '12 Gannet Row, Port Ellery SK4 2QD',
    iban: 'SK3112000000198742637541',
    statement_start: '2026-02-01',
    statement_end: '2026-02-28',
    opening_balance: money('1204.10'),
    closing_balance: money('3111.45'),
    transactions: [
      row('2026-02-03', 'Harbour dues', '-88.00', '1116.10'),
      row('2026-02-16', 'Wages Petrel Slipways', '2140.55', '3256.65'),
      row('2026-02-27', 'Chandlery card payment', '-145.20', '3111.45'),
    ],
  },
)

reads(
  'one column of amounts with a sign behind, days without their year',
  'bank_statement',
  `
  ISLES SAVINGS BANK
  Account statement 01.01.2026 - 31.01.2026
  Account holder: Marit Solheim-Roe
  Address: 2 Lugger Lane, Saltholm SK2 8PT
  IBAN: DE89 3704 0044 0532 0130 00

  Day | Text | Amount | Balance
  | Opening balance | | 540,00
  05.01. | Standing order rent | 310,00- | 230,00
  30.01. | Gannet Head Fish Auction | 2.402,71+ | 2.632,71
  | Closing balance | | 2.632,71`,
  {
    bank_name: 'ISLES SAVINGS BANK',
    account_holder: 'Marit Solheim-Roe',
    holder_address: '2 Lugger Lane, Saltholm SK2 8PT',
    iban: 'DE89370400440532013000',
    statement_start: '2026-01-01',
    statement_end: '2026-01-31',
    opening_balance: money('540.00'),
    closing_balance: money('2632.71'),
    transactions: [
      row('2026-01-05', 'Standing order rent', '-310.00', '230.00'),
      row('2026-01-30', 'Gannet Head Fish Auction', '2402.71', '2632.71'),
    ],
  },
)

reads(
  'a statement over two pages with what is carried forward',
  'bank_statement',
  `
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
  End balance | | | | 4,996.15`,
  {
    bank_name: 'Longshore Bank plc',
    account_holder: 'Tobias Lindqvist',
    holder_address: '31 Beacon Road, Port Ellery SK4 9RR',
    iban: 'GB29NWBK60161331926819',
    statement_start: '2026-03-01',
    statement_end: '2026-03-31',
    opening_balance: money('2000.00'),
    closing_balance: money('4996.15'),
    transactions: [
      row('2026-03-02', 'Card Skerrow Fuel', '-61.10', '1938.90'),
      row('2026-03-09', 'Transfer A Lindqvist', '150.00', '2088.90'),
      row('2026-03-27', 'Salary Skerrow Pilotage', '2907.25', '4996.15'),
    ],
  },
)

reads(
  'rows that run over two lines',
  'bank_statement',
  `
  Port Ellery Trading Bank | | Statement
  Account holder | Jonas Brevik
  Address | 9 Kelp Street, Wrack Bay SK7 1AA
  IBAN | FI21 1234 5600 0007 85
  Period | 1 Jan 2026 - 31 Jan 2026
  Opening balance | 310.00
  Closing balance | 2,196.45

  Date | Details | Amount | Balance
  02 Jan 2026 | Standing order rent | -160.00 | 150.00
  | 9 Kelp Street
  30 Jan 2026 | Wages Kittiwake | 2,063.05 | 2,213.05
  | Ropeworks Ltd
  31 Jan 2026 | Account fee | -16.60 | 2,196.45`,
  {
    bank_name: 'Port Ellery Trading Bank',
    account_holder: 'Jonas Brevik',
    holder_address: '9 Kelp Street, Wrack Bay SK7 1AA',
    iban: 'FI2112345600000785',
    statement_start: '2026-01-01',
    statement_end: '2026-01-31',
    opening_balance: money('310.00'),
    closing_balance: money('2196.45'),
    transactions: [
      row('2026-01-02', 'Standing order rent 9 Kelp Street', '-160.00', '150.00'),
      row('2026-01-30', 'Wages Kittiwake Ropeworks Ltd', '2063.05', '2213.05'),
      row('2026-01-31', 'Account fee', '-16.60', '2196.45'),
    ],
  },
)

reads(
  'un relevé de compte',
  'bank_statement',
  `
  Banque du Ponant
  RELEVÉ DE COMPTE
  Titulaire : Yann Le Goff
  Adresse : 3 quai des Thoniers, 29900 Concarneau
  IBAN : FR14 2004 1010 0505 0001 3M02 606
  Période du 01/02/2026 au 28/02/2026
  Solde initial : 1 204,10 €
  Solde final : 1 866,90 €

  Date | Libellé | Débit | Crédit | Solde
  03/02/2026 | Carburant | 88,00 | | 1 116,10
  27/02/2026 | Vente criée | | 750,80 | 1 866,90`,
  {
    // Its bank stands at the head with nothing that says so: offered, and not taken.
    account_holder: 'Yann Le Goff',
    holder_address: '3 quai des Thoniers, 29900 Concarneau',
    iban: 'FR1420041010050500013M02606',
    statement_start: '2026-02-01',
    statement_end: '2026-02-28',
    opening_balance: money('1204.10'),
    closing_balance: money('1866.90'),
    transactions: [
      row('2026-02-03', 'Carburant', '-88.00', '1116.10'),
      row('2026-02-27', 'Vente criée', '750.80', '1866.90'),
    ],
  },
)

reads(
  'the newest row first',
  'bank_statement',
  `
  Lantern Bank
  Account statement
  Holder: Ines Calder
  Address: 7 Tern Close, Port Ellery SK4 1LL
  IBAN: IE59 ISSB 1699 2260 6379 60
  Period: 01/03/2026 to 31/03/2026
  Balance on 01/03/2026: 900.00
  Balance on 31/03/2026: 3,019.80

  Date | Transaction | Money in/out | Balance
  29/03/2026 | Salary Cormorant Dive Services | +2,224.80 | 3,019.80
  12/03/2026 | Card payment Bakery Row | -25.00 | 795.00
  04/03/2026 | Cash machine | -80.00 | 820.00`,
  {
    bank_name: 'Lantern Bank',
    account_holder: 'Ines Calder',
    holder_address: '7 Tern Close, Port Ellery SK4 1LL',
    iban: 'IE59ISSB16992260637960',
    statement_start: '2026-03-01',
    statement_end: '2026-03-31',
    opening_balance: money('900.00'),
    closing_balance: money('3019.80'),
    transactions: [
      row('2026-03-29', 'Salary Cormorant Dive Services', '2224.80', '3019.80'),
      row('2026-03-12', 'Card payment Bakery Row', '-25.00', '795.00'),
      row('2026-03-04', 'Cash machine', '-80.00', '820.00'),
    ],
  },
)

reads(
  'debits marked DR, credits CR, days of two figures',
  'bank_statement',
  `
  Longshore Bank plc | | Statement of your account
  MR EWAN GARVIE
  65 Netmakers Close
  Merrow SK1 1MS

  IBAN IE59 ISSB 1699 2260 6379 60
  From 01/03/26 to 31/03/26

  Date | Particulars | Amount | Balance
  01/03/26 | Balance brought forward | | 820.00 CR
  05/03/26 | Ice works | 64.40 DR | 755.60 CR
  19/03/26 | Fish market settlement | 1,912.75 CR | 2,668.35 CR
  30/03/26 | Loan repayment | 310.00 DR | 2,358.35 CR
  31/03/26 | Closing balance | | 2,358.35 CR`,
  {
    bank_name: 'Longshore Bank plc',
    account_holder: 'EWAN GARVIE',
    holder_address: '65 Netmakers Close, Merrow SK1 1MS',
    iban: 'IE59ISSB16992260637960',
    statement_start: '2026-03-01',
    statement_end: '2026-03-31',
    opening_balance: money('820.00'),
    closing_balance: money('2358.35'),
    transactions: [
      row('2026-03-05', 'Ice works', '-64.40', '755.60'),
      row('2026-03-19', 'Fish market settlement', '1912.75', '2668.35'),
      row('2026-03-30', 'Loan repayment', '-310.00', '2358.35'),
    ],
  },
)

reads(
  'an account that is overdrawn for a while',
  'bank_statement',
  `
  Harbour Union Bank
  Account statement
  Customer | Gwen Morrow
  Address | 4 Creel Lane, Saltholm SK2 7LL
  IBAN | IE12 SKRW 4954 8043 3485 82
  Statement period | 1 January 2026 to 31 January 2026
  Opening balance | 40.00
  Date | Description | Paid out | Paid in | Balance
  6 Jan 2026 | Standing order rent | 310.00 | | -270.00
  20 Jan 2026 | Net sale | | 880.00 | 610.00
  28 Jan 2026 | Fuel Quay | 77.25 | | 532.75
  Closing balance | | | | 532.75`,
  {
    bank_name: 'Harbour Union Bank',
    account_holder: 'Gwen Morrow',
    holder_address: '4 Creel Lane, Saltholm SK2 7LL',
    iban: 'IE12SKRW49548043348582',
    statement_start: '2026-01-01',
    statement_end: '2026-01-31',
    opening_balance: money('40.00'),
    closing_balance: money('532.75'),
    transactions: [
      row('2026-01-06', 'Standing order rent', '-310.00', '-270.00'),
      row('2026-01-20', 'Net sale', '880.00', '610.00'),
      row('2026-01-28', 'Fuel Quay', '-77.25', '532.75'),
    ],
  },
)

reads(
  'a statement with value days and one amount column',
  'bank_statement',
  `
  Lantern Bank
  ACCOUNT EXTRACT No. 3
  Holder: Sigrid Eddowes, 69 Ropewalk Lane, Saltholm SK2 9LP
  IE17 LNTN 9636 8290 3521 07 | 01.03.2026 to 31.03.2026
  Booked | Value | Wording | Amount EUR | Balance EUR
  | | Balance on 28.02.2026 | | 1.204,10
  02.03.2026 | 02.03.2026 | Rent March | 650,00- | 554,10
  11.03.2026 | 12.03.2026 | Ferry Office | 42,80- | 511,30
  27.03.2026 | 27.03.2026 | Salary Skerrow | 2.310,00+ | 2.821,30
  | | Balance on 31.03.2026 | | 2.821,30`,
  {
    bank_name: 'Lantern Bank',
    account_holder: 'Sigrid Eddowes',
    holder_address: '69 Ropewalk Lane, Saltholm SK2 9LP',
    iban: 'IE17LNTN96368290352107',
    statement_start: '2026-03-01',
    statement_end: '2026-03-31',
    opening_balance: money('1204.10'),
    closing_balance: money('2821.30'),
    transactions: [
      { date: '2026-03-02', description: 'Rent March', amount: money('-650.00'), balance: money('554.10') },
      { date: '2026-03-11', description: 'Ferry Office', amount: money('-42.80'), balance: money('511.30') },
      {
        date: '2026-03-27',
        description: 'Salary Skerrow',
        amount: money('2310.00'),
        balance: money('2821.30'),
      },
    ],
  },
)
