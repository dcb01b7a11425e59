import { programSchema, type Program } from './schema.ts'

/** Loans for working boats at Merrow Sound Mutual. */
export const workingBoatLoan: Program = programSchema.parse({
  id: 'working-boat-loan',
  title: 'Working-boat loan',
  persons: { applicant: 'loan_application.applicant_name', coApplicant: 'loan_application.co_applicant_name' },
  requirements: [
    { id: 'application_form', title: 'Application form', ways: [{ needs: [{ type: 'loan_application', signed: true, filled: ['signature_date'] }] }] },
    { id: 'photo_id', title: 'Photo identity', ways: [{ needs: [{ type: 'identity_card', whose: 'each_person', until: 'expiry_date' }] }] },
    { id: 'address_proof', title: 'Proof of address', ways: [{ needs: [{ type: 'utility_bill', fresh: { field: 'issue_date', days: 90 } }] }] },
    { id: 'income_proof', title: 'Proof of income', ways: [
      { when: { field: 'loan_application.employment_status', is: 'self_employed' }, needs: [{ type: 'tax_assessment', whose: 'applicant', years: { field: 'tax_year', count: 2 } }, { type: 'business_accounts', fresh: { field: 'period_end', months: 18 } }] },
      { needs: [{ type: 'payslip', whose: 'applicant', months: { field: 'period_end', count: 3 }, fresh: { field: 'pay_date', days: 45 } }] },
    ] },
    { id: 'bank_statements', title: 'Bank statements', ways: [{ needs: [{ type: 'bank_statement', covers: { from: 'statement_start', to: 'statement_end', months: 3 }, fresh: { field: 'statement_end', days: 45 } }] }] },
    { id: 'purchase_quote', title: 'Purchase quote', ways: [{ needs: [{ type: 'purchase_quote', until: 'valid_until' }] }] },
    { id: 'survey', title: 'Survey', when: { field: 'loan_application.loan_amount', over: 25000 }, ways: [{ needs: [{ type: 'survey_report', signed: true, fresh: { field: 'inspection_date', months: 12 } }] }] },
    { id: 'registration', title: 'Vessel registration', ways: [{ needs: [{ type: 'vessel_registration', until: 'expiry_date' }] }] },
    { id: 'insurance', title: 'Insurance', ways: [{ needs: [{ type: 'insurance_cover', from: 'cover_start', until: 'cover_end', atLeast: { field: 'sum_insured', than: 'loan_application.loan_amount' } }] }] },
    { id: 'berth', title: 'Berth', when: { field: 'loan_application.loan_amount', over: 40000 }, ways: [{ needs: [{ type: 'berth_agreement', signed: true, from: 'start_date', until: 'end_date' }] }] },
    { id: 'consent', title: 'Credit check consent', ways: [{ needs: [{ type: 'credit_consent', whose: 'each_person', signed: true }] }] },
    { id: 'mandate', title: 'Direct debit mandate', ways: [{ needs: [{ type: 'debit_mandate', signed: true }] }] },
    { id: 'payoff', title: 'Balance of the other loan', when: { field: 'loan_application.existing_loan', is: true }, ways: [{ needs: [{ type: 'loan_payoff', fresh: { field: 'statement_date', days: 45 } }] }] },
  ],
  facts: [
    { id: 'applicant_name', title: 'Applicant', question: 'Which name is right?', kind: 'name', person: 'applicant', fields: ['loan_application.applicant_name', 'identity_card.full_name', 'utility_bill.account_holder', 'bank_statement.account_holder', 'payslip.employee_name', 'vessel_registration.owner_name', 'purchase_quote.buyer_name', 'insurance_cover.insured_name', 'credit_consent.applicant_name', 'employment_letter.employee_name', 'tax_assessment.taxpayer_name', 'business_accounts.owner_name', 'fishing_licence.holder_name', 'berth_agreement.berth_holder', 'loan_payoff.borrower_name', 'debit_mandate.account_holder'] },
    { id: 'date_of_birth', title: 'Date of birth', question: 'When was the applicant born?', kind: 'date', person: 'applicant', fields: ['loan_application.date_of_birth', 'identity_card.date_of_birth'] },
    { id: 'national_number', title: 'National number', question: 'Which national number is right?', kind: 'id', person: 'applicant', fields: ['loan_application.national_number', 'payslip.national_number', 'tax_assessment.national_number', 'credit_consent.national_number'] },
    { id: 'home_address', title: 'Home address', question: 'Where does the applicant live?', kind: 'address', fields: ['loan_application.home_address', 'utility_bill.service_address', 'bank_statement.holder_address'] },
    { id: 'employer_name', title: 'Employer', question: 'Which employer is right?', kind: 'org', person: 'applicant', fields: ['loan_application.employer_name', 'payslip.employer_name', 'employment_letter.employer_name'] },
    { id: 'iban', title: 'IBAN', question: 'Which account is right?', kind: 'id', person: 'applicant', fields: ['loan_application.iban', 'bank_statement.iban', 'debit_mandate.iban'] },
    { id: 'vessel_name', title: 'Vessel', question: 'What is the vessel called?', kind: 'text', fields: ['loan_application.vessel_name', 'purchase_quote.vessel_name', 'survey_report.vessel_name', 'vessel_registration.vessel_name', 'insurance_cover.vessel_name', 'fishing_licence.vessel_name', 'berth_agreement.vessel_name'] },
    { id: 'hull_number', title: 'Hull number', question: 'Which hull number is right?', kind: 'id', fields: ['loan_application.hull_number', 'purchase_quote.hull_number', 'survey_report.hull_number', 'vessel_registration.hull_number'] },
    { id: 'purchase_price', title: 'Purchase price', question: 'What does the boat cost?', kind: 'money', fields: ['loan_application.purchase_price', 'purchase_quote.total_price'] },
  ],
  checks: [
    { kind: 'difference', id: 'loan_equals_price_less_deposit', title: 'Loan is price less deposit', total: 'loan_application.purchase_price', minus: 'loan_application.deposit_amount', equals: 'loan_application.loan_amount' },
    { kind: 'near_mean', id: 'stated_income_matches_pay', title: 'Stated income matches pay', value: 'loan_application.monthly_net_income', mean: 'payslip.net_pay', percent: 5 },
    { kind: 'reaches_account', id: 'pay_reaches_account', title: 'Pay reaches the account', amount: 'payslip.net_pay', date: 'payslip.pay_date', days: 5, table: 'bank_statement.transactions', from: 'bank_statement.statement_start', to: 'bank_statement.statement_end' },
    { kind: 'running_balance', id: 'statement_adds_up', title: 'Statements add up', table: 'bank_statement.transactions', opening: 'bank_statement.opening_balance', closing: 'bank_statement.closing_balance' },
    { kind: 'joins_up', id: 'statements_join_up', title: 'Statements join up', opening: 'bank_statement.opening_balance', closing: 'bank_statement.closing_balance', from: 'bank_statement.statement_start', to: 'bank_statement.statement_end', account: 'bank_statement.iban' },
    { kind: 'lines_and_tax', id: 'quote_adds_up', title: 'The quote adds up', table: 'purchase_quote.lines', net: 'purchase_quote.net_amount', tax: 'purchase_quote.vat_amount', total: 'purchase_quote.total_price' },
    { kind: 'at_least', id: 'value_covers_loan', title: 'The value covers the loan', value: 'survey_report.market_value', than: 'loan_application.loan_amount' },
    { kind: 'near_mean', id: 'salary_matches_pay', title: 'Salary matches pay', value: 'employment_letter.annual_salary', mean: 'payslip.gross_pay', percent: 5, divide: 12 },
    { kind: 'signed_within', id: 'signed_after_opened', title: 'Signed in time', field: 'signature_date', opened: 'loan_application.application_date', daysBefore: 90 },
  ],
})
