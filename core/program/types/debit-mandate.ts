import type { TypeData } from './type-data.ts'
import { DAY_SIGNED, SIGNATURE } from './wordings.ts'

export const debitMandate: TypeData = {
  id: 'debit_mandate',
  title: 'Direct debit mandate',
  short: 'Mandate',
  pages: { min: 1, max: 1 },
  titles: ['direct debit mandate', 'direct debit authorisation', 'sepa direct debit mandate', 'mandate for direct debit', 'direct debit instruction', 'authority to debit', 'payment mandate', 'debit mandate', 'collection mandate', 'direct debit authority', 'authorisation to collect', 'authority to collect by direct debit', 'instruction to your bank', 'mandate for collection', 'direct debit form', 'sepa mandate', 'authority for direct debits', 'payment by direct debit'],
  signs: [
    { words: 'direct debit', weight: 2 }, { words: 'mandate', weight: 2.5 }, { words: 'creditor identifier', weight: 2.5 }, { words: 'mandate reference', weight: 2 }, { words: 'authorise', weight: 0.8 }, { words: 'debtor', weight: 1.2 }, { words: 'debit my account', weight: 2.5 }, { words: 'debit your account', weight: 2.5 }, { words: 'recurrent payment', weight: 2 }, { words: 'refund from your bank', weight: 1.5 }, { words: 'collect', weight: 0.8 }, { words: 'creditor', weight: 1 }, { words: 'bic', weight: 0.5 }, { words: 'account to be debited', weight: 2.5 }, { words: 'within eight weeks', weight: 1.5 }, { words: 'instalments', weight: 0.6 },
  ],
  person: 'account_holder',
  signature: { labels: [...SIGNATURE, 'signature of account holder', "account holder's signature", 'signature of debtor', 'signature of payer', 'signature s', 'signature of the account holder', 'signature of holder', 'applicant’s signature', 'please sign here', 'signature of customer'] },
  fields: [
    { name: 'account_holder', title: 'Account holder', kind: 'name', sources: ['sentence'], labels: ['account holder', 'name of account holder', 'name of the account holder', 'holder', 'name', 'your name', 'name of debtor', 'debtor', 'debtor name', 'name of payer', 'payer', 'account name', 'holder of account', 'account in the name of', 'name of the debtor', 'full name', 'name on account', 'i', 'account holder s name', 'in the name of', 'name(s) of account holder(s)'] },
    { name: 'iban', title: 'IBAN', kind: 'iban', labels: ['iban', 'account number', 'account number iban', 'account', 'your iban', 'iban of account', 'account to be debited', 'bank account', 'international account number', 'account no', 'debit account', 'iban of the debtor', 'your account number', 'your account number – iban', 'bank account number (iban)'] },
    { name: 'signature_date', title: 'Date signed', kind: 'date', near: 'signature', labels: DAY_SIGNED },
  ],
}
