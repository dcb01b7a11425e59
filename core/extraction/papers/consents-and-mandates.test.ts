import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'a consent in one sentence',
  'credit_consent',
  `
  CONSENT TO A CREDIT CHECK
  I, Ottilie Varnham, national number 140380-2211, agree that Merrow Sound Mutual asks credit agencies about me.
  Port Ellery, 20 March 2026
  Signature`,
  { applicant_name: 'Ottilie Varnham', national_number: '140380-2211', signature_date: '2026-03-20' },
)

reads(
  'a consent with boxes',
  'credit_consent',
  `
  Credit search authority
  Name of applicant | National no. | Date
  Jonas Brevik | 221185-4410 | 21/03/2026
  Sign here`,
  { applicant_name: 'Jonas Brevik', national_number: '221185-4410', signature_date: '2026-03-21' },
)

reads(
  'a mandate',
  'debit_mandate',
  `
  SEPA Direct Debit Mandate
  Creditor: Merrow Sound Mutual, 1 Harbour Street, Merrow SK1 1MS
  Account holder: Ottilie Varnham
  IBAN: IE59 ISSB 1699 2260 6379 60
  Date: 20.03.2026
  Signature of account holder`,
  { account_holder: 'Ottilie Varnham', iban: 'IE59ISSB16992260637960', signature_date: '2026-03-20' },
)

reads(
  'a payoff letter',
  'loan_payoff',
  `
  Harbour Credit Union
  Settlement figure

  14 March 2026
  Borrower: Ottilie Varnham
  Loan no.: HCU-77-1204
  To settle the loan today you would pay EUR 3,418.20.
  Your monthly payment is EUR 212.40.`,
  {
    lender_name: 'Harbour Credit Union',
    borrower_name: 'Ottilie Varnham',
    loan_number: 'HCU-77-1204',
    outstanding_balance: money('3418.20'),
    monthly_payment: money('212.40'),
    statement_date: '2026-03-14',
  },
)

reads(
  'a letter of one’s own',
  'cover_letter',
  `
  Ottilie Varnham
  12 Gannet Row
  Port Ellery SK4 2QD

  Merrow Sound Mutual
  1 Harbour Street
  Merrow SK1 1MS

  20 March 2026

  Dear Sir or Madam,
  Please find my papers for the boat loan. The survey will follow by post.

  Yours faithfully
  Ottilie Varnham`,
  { sender_name: 'Ottilie Varnham', letter_date: '2026-03-20' },
)

reads(
  'a printed e-mail',
  'cover_letter',
  `
  From: Jonas Brevik <jonas.brevik@islepost.example>
  To: loans@merrowsound.example
  Date: 22 March 2026 09:14
  Subject: papers for our loan

  Hello, here are the missing payslips. Regards, Jonas`,
  { sender_name: 'Jonas Brevik', letter_date: '2026-03-22' },
)

reads(
  'a consent with its day before the name',
  'credit_consent',
  `
  Merrow Sound Mutual
  Credit reference consent
  Date 21/03/2026
  Full name Ewan Garvie
  National ID no. 040484-7028
  I consent to a search with the credit reference agencies.
  Signature of applicant`,
  { applicant_name: 'Ewan Garvie', national_number: '040484-7028', signature_date: '2026-03-21' },
)

reads(
  'a mandate with the payer and the creditor side by side',
  'debit_mandate',
  `
  Direct debit instruction
  Payer | Creditor
  Ewan Garvie | Merrow Sound Mutual
  65 Netmakers Close | 1 Harbour Street
  Merrow SK1 1MS | Merrow SK1 1MS
  IBAN | Creditor identifier
  IE59 ISSB 1699 2260 6379 60 | IE99ZZZ123456
  Signed on 7 April 2026 | Signature of payer`,
  { account_holder: 'Ewan Garvie', iban: 'IE59ISSB16992260637960', signature_date: '2026-04-07' },
)

reads(
  'a balance letter with a list',
  'loan_payoff',
  `
  Port Ellery Trading Bank
  Loan balance as at 1 March 2026
  Name of borrower | Ewan Garvie
  Agreement number | 77-4410-2
  Original loan | 15,000.00
  Balance outstanding | 6,120.75
  Instalment per month | 310.00`,
  {
    lender_name: 'Port Ellery Trading Bank',
    borrower_name: 'Ewan Garvie',
    loan_number: '77-4410-2',
    outstanding_balance: money('6120.75'),
    monthly_payment: money('310.00'),
    statement_date: '2026-03-01',
  },
)

reads(
  'a letter with its day beside the place',
  'cover_letter',
  `
  Ewan Garvie, 65 Netmakers Close, Merrow SK1 1MS

  Merrow, 7 April 2026

  Loan application for LUCKY HERRING

  Dear loan team,
  enclosed are the papers you asked for. Please call if anything is missing.

  Kind regards
  Ewan Garvie`,
  { sender_name: 'Ewan Garvie', letter_date: '2026-04-07' },
)

reads(
  'what is still owed',
  'loan_payoff',
  `
  Bank of Skerrow
  Loan balance certificate
  Date: 1 April 2026
  Borrower: Sigrid Eddowes
  Account of the loan: 7710-55-204
  Capital outstanding today: EUR 12,408.77
  Instalment each month: EUR 310.20`,
  {
    lender_name: 'Bank of Skerrow',
    borrower_name: 'Sigrid Eddowes',
    loan_number: '7710-55-204',
    outstanding_balance: money('12408.77'),
    monthly_payment: money('310.20'),
    statement_date: '2026-04-01',
  },
)

reads(
  'a consent in one sentence',
  'credit_consent',
  `
  Merrow Sound Mutual
  Permission for a credit enquiry
  I, the undersigned Sigrid Eddowes (national number 120388-4410), allow the Society to
  obtain a report on my credit history before it decides on my application.
  Merrow, 30 March 2026
  Signature`,
  { applicant_name: 'Sigrid Eddowes', national_number: '120388-4410', signature_date: '2026-03-30' },
)

reads(
  'a mandate with the creditor in front',
  'debit_mandate',
  `
  Direct debit instruction
  To be collected by Merrow Sound Mutual, creditor SK44ZZZ0001
  Name of the account holder: Ewan Garvie
  Account to be debited (IBAN): IE45 LNTN 2233 4455 6677 88
  Place and date: Port Ellery, 03-04-2026
  Signature of the account holder`,
  { account_holder: 'Ewan Garvie', iban: 'IE45LNTN22334455667788', signature_date: '2026-04-03' },
)
