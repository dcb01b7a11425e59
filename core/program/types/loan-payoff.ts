import type { TypeData } from './type-data.ts'

export const loanPayoff: TypeData = {
  id: 'loan_payoff',
  title: 'Loan balance letter',
  short: 'Loan balance',
  pages: { min: 1, max: 1 },
  titles: ['loan balance', 'loan statement', 'settlement figure', 'redemption statement', 'payoff statement', 'statement of outstanding balance', 'outstanding balance', 'balance of your loan', 'loan settlement statement', 'loan balance statement', 'confirmation of loan balance', 'early settlement figure', 'settlement statement', 'loan payoff', 'payoff letter', 'your loan balance', 'loan balance confirmation', 'redemption figure', 'statement of loan', 'balance certificate'],
  signs: [
    { words: 'outstanding balance', weight: 2.5 }, { words: 'settlement figure', weight: 2.5 }, { words: 'early settlement', weight: 1.8 }, { words: 'redemption', weight: 1.8 }, { words: 'payoff', weight: 2 }, { words: 'monthly payment', weight: 1.5 }, { words: 'monthly instalment', weight: 1.5 }, { words: 'borrower', weight: 1.5 }, { words: 'loan account', weight: 1.5 }, { words: 'loan number', weight: 1.5 }, { words: 'balance outstanding', weight: 2.2 }, { words: 'repayment', weight: 0.8 }, { words: 'interest accrued', weight: 1.2 }, { words: 'amount owed', weight: 1.5 }, { words: 'still owing', weight: 1.5 }, { words: 'remaining balance', weight: 2 }, { words: 'remaining debt', weight: 1.8 }, { words: 'your loan', weight: 1.2 }, { words: 'settle', weight: 0.8 }, { words: 'you owe', weight: 1.5 }, { words: 'on this loan', weight: 1.2 }, { words: 'settle loan', weight: 1.5 }, { words: 'regular payment', weight: 1.2 }, { words: 'monthly repayment', weight: 1.5 }, { words: 'in arrears', weight: 1 },
  ],
  person: 'borrower_name',
  fields: [
    { name: 'lender_name', title: 'Lender', kind: 'org', sources: ['letterhead'], labels: ['lender', 'name of lender', 'lending bank', 'creditor', 'lender name', 'bank', 'issued by', 'loan from', 'on behalf of'] },
    { name: 'borrower_name', title: 'Borrower', kind: 'name', sources: ['addressee'], labels: ['borrower', 'name of borrower', 'borrower name', 'customer', 'customer name', 'name', 'dear', 'loan holder', 'debtor', 'account holder', 'loan in the name of', 'in the name of', 'name of customer', 'client', 'the borrower', 'loan to'] },
    { name: 'loan_number', title: 'Loan number', kind: 'id', labels: ['loan number', 'loan no', 'settle loan', 'loan', 'loan account number', 'loan account', 'loan account no', 'loan reference', 'agreement number', 'account number', 'credit agreement no', 'loan ref', 'contract number', 'reference', 'loan id', 'agreement no', 'number of loan', 'contract ref.'] },
    { name: 'outstanding_balance', title: 'Outstanding', kind: 'money', labels: ['outstanding balance', 'balance outstanding', 'outstanding amount', 'amount outstanding', 'settlement figure', 'amount to settle', 'remaining balance', 'balance of loan', 'loan balance', 'redemption amount', 'payoff amount', 'balance', 'total outstanding', 'amount owed', 'capital outstanding', 'still owing', 'remaining debt', 'balance owed', 'settlement amount', 'current balance', 'balance due', 'amount still owed', 'redemption figure', 'amount needed to settle', 'balance remaining', 'principal outstanding', 'total to settle', 'you owe', 'sum needed to settle', 'needed to settle', 'sum to settle', 'need to pay us', 'you would need to pay', 'to pay off your loan'] },
    { name: 'monthly_payment', title: 'Monthly payment', kind: 'money', labels: ['monthly payment', 'monthly instalment', 'monthly repayment', 'regular payment of', 'instalment', 'monthly installment', 'payment per month', 'regular payment', 'instalment per month', 'monthly amount', 'repayment per month', 'regular instalment', 'paid each month', 'instalment each month', 'monthly rate', 'monthly sum', 'instalment (monthly)', 'you are paying', 'you pay'] },
    { name: 'statement_date', title: 'Date', kind: 'date', sources: ['sentence'], labels: ['statement date', 'date', 'date of statement', 'as at', 'as of', 'balance at', 'balance on', 'date of letter', 'issued on', 'dated', 'balance date', 'statement of', 'balance as at', 'on', 'position on', 'figures as at', 'date of issue', 'calculated on', 'drawn up on'] },
  ],
  relations: [{ kind: 'at_most', less: 'monthly_payment', more: 'outstanding_balance' }],
}
