import type { TypeData } from './type-data.ts'

export const bankStatement: TypeData = {
  id: 'bank_statement',
  title: 'Bank statement',
  short: 'Bank statement',
  pages: { min: 1, max: 8 },
  titles: ['bank statement', 'account statement', 'statement of account', 'current account statement', 'your statement', 'statement', 'account summary', 'monthly statement', 'statement of your account', 'transactions statement', 'account activity', 'your account statement', 'bank account summary', 'current account'],
  signs: [
    { words: 'opening balance', weight: 2.5 }, { words: 'closing balance', weight: 2.5 }, { words: 'balance brought forward', weight: 2 }, { words: 'balance carried forward', weight: 2 }, { words: 'brought forward', weight: 1.5 }, { words: 'carried forward', weight: 1.5 }, { words: 'transactions', weight: 1.5 },
    { words: 'money in', weight: 1.5 }, { words: 'money out', weight: 1.5 }, { words: 'standing order', weight: 1 }, { words: 'direct debit', weight: 0.6 }, { words: 'card payment', weight: 1 }, { words: 'withdrawal', weight: 0.8 }, { words: 'bic', weight: 0.8 }, { words: 'balance', weight: 1.2 }, { words: 'debit', weight: 0.6 }, { words: 'credit', weight: 0.5 }, { words: 'transfer', weight: 0.5 },
  ],
  lastSigns: ['closing balance', 'new balance', 'balance at end', 'end of statement'],
  person: 'account_holder',
  tellsApart: 'statement_end',
  fields: [
    { name: 'bank_name', title: 'Bank', kind: 'org', sources: ['letterhead'], labels: ['bank', 'name of bank', 'account held with', 'your bank'] },
    { name: 'account_holder', title: 'Account holder', kind: 'name', sources: ['addressee'], labels: ['account holder', 'account name', 'name', 'customer', 'account of', 'in the name of', 'holder', 'name of account holder', 'account in the name of', 'statement for', 'prepared for', 'statement of', 'account title', 'customer name', 'held by'] },
    { name: 'holder_address', title: 'Address', kind: 'address', sources: ['addressee'], labels: ['home address', 'postal address', 'address', 'holder address', 'account holder address', 'correspondence address', 'customer address', 'mailing address', 'registered address', 'address on file'] },
    { name: 'iban', title: 'IBAN', kind: 'iban', labels: ['iban', 'account number', 'account', 'account no', 'account iban', 'international account number', 'international account no', 'a/c', 'a/c no', 'acc no', 'iban of account', 'account no. (iban)', 'iban number', 'international bank account number'] },
    { name: 'statement_start', title: 'From', kind: 'date', sources: ['period'], labels: ['period', 'statement period', 'from', 'start date', 'statement from', 'period from', 'covering', 'for the period', 'opening date', 'period covered', 'transactions from', 'first day', 'statement covers', 'transactions between', 'dates covered', 'dates', 'between', 'statement dates', 'for the dates', 'from – to', 'this statement covers', 'activity from', 'account activity'] },
    { name: 'statement_end', title: 'To', kind: 'date', sources: ['period'], labels: ['period', 'statement period', 'to', 'until', 'end date', 'statement to', 'period to', 'covering', 'for the period', 'closing date', 'period covered', 'transactions from', 'last day', 'statement covers', 'transactions between', 'dates covered', 'dates', 'between', 'statement dates', 'for the dates', 'from – to', 'this statement covers', 'activity from', 'account activity'] },
    { name: 'opening_balance', title: 'Opening balance', kind: 'money', belowZero: true, labels: ['opening balance', 'balance at start', 'balance brought forward', 'previous balance', 'balance at the start', 'start balance', 'starting balance', 'old balance', 'balance at beginning', 'you started with', 'balance b/f', 'balance on opening', 'brought forward', 'balance at beginning of period', 'opening', 'initial balance', 'your opening balance', 'balance last statement'] },
    { name: 'closing_balance', title: 'Closing balance', kind: 'money', belowZero: true, labels: ['closing balance', 'balance at end', 'new balance', 'balance carried forward', 'final balance', 'ending balance', 'balance at close', 'end balance', 'balance at the end', 'you ended with', 'balance c/f', 'balance on closing', 'balance now', 'carried forward', 'balance at end of period', 'balance on', 'closing', 'your closing balance', 'balance this statement'] },
    { name: 'transactions', title: 'Transactions', kind: 'table', threshold: 0.6, columns: [
      { name: 'date', kind: 'date', labels: ['date', 'booking date', 'booked', 'value date', 'day', 'posted', 'transaction date', 'date booked', 'entry date', 'posting date'] },
      { name: 'description', kind: 'text', labels: ['description', 'details', 'transaction', 'particulars', 'text', 'booking text', 'what', 'payee', 'transaction details', 'narrative', 'payment details', 'type and description', 'reference', 'entry', 'what for', 'booking', 'memo'] },
      { name: 'amount', kind: 'money', labels: ['amount', 'debit', 'credit', 'money out', 'money in', 'paid out', 'paid in', 'out', 'in', 'withdrawals', 'withdrawn', 'withdrawal', 'spent', 'deposits', 'deposited', 'deposit', 'received', 'payments', 'receipts', 'debits', 'credits', 'amount eur', 'out eur', 'in eur', 'charges', 'movement', 'in / out', 'value', 'eur', 'sum', 'change'] },
      { name: 'balance', kind: 'money', labels: ['balance', 'running balance', 'running total', 'new balance', 'balance eur', 'balance after', 'account balance'] },
    ] },
  ],
  relations: [{ kind: 'not_after', first: 'statement_start', second: 'statement_end' }, { kind: 'running', table: 'transactions', opening: 'opening_balance', closing: 'closing_balance' }],
}
