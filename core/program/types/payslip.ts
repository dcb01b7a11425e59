import type { TypeData } from './type-data.ts'

export const payslip: TypeData = {
  id: 'payslip',
  title: 'Payslip',
  short: 'Payslip',
  pages: { min: 1, max: 1 },
  titles: ['payslip', 'pay slip', 'pay statement', 'salary statement', 'wage slip', 'statement of earnings', 'earnings statement', 'salary slip', 'monthly pay statement', 'pay advice', 'wages statement', 'remuneration statement', 'payroll advice', 'statement of pay', 'statement of wages', 'salary advice', 'pay note', 'your pay this month', 'monthly pay advice'],
  signs: [
    { words: 'gross pay', weight: 1.5 }, { words: 'net pay', weight: 1.5 }, { words: 'income tax', weight: 1 }, { words: 'deductions', weight: 1.8 }, { words: 'social insurance', weight: 1.2 }, { words: 'basic pay', weight: 1.5 }, { words: 'earnings', weight: 1.2 },
    { words: 'year to date', weight: 1.5 }, { words: 'pension', weight: 0.8 }, { words: 'payroll', weight: 1 }, { words: 'overtime', weight: 1 }, { words: 'allowance', weight: 0.8 }, { words: 'employee', weight: 1 }, { words: 'ytd', weight: 1 }, { words: 'take-home', weight: 1 },
  ],
  person: 'employee_name',
  tellsApart: 'pay_date',
  fields: [
    { name: 'employee_name', title: 'Employee', kind: 'name', sources: ['addressee'], labels: ['employee', 'employee name', 'name of employee', 'name', 'paid to', 'staff member', 'pay to', 'worker', 'for', 'name of the employee', 'member of staff', 'person paid', 'prepared for', 'staff name', 'personnel', 'payee'] },
    { name: 'employer_name', title: 'Employer', kind: 'org', sources: ['letterhead'], labels: ['employer', 'employer name', 'name of employer', 'company', 'paid by', 'firm', 'employing company', 'issued by', 'your employer'] },
    { name: 'pay_date', title: 'Pay date', kind: 'date', labels: ['pay date', 'date of payment', 'payment date', 'paid on', 'date paid', 'pay day', 'value date', 'credited on', 'paid', 'transfer date', 'date of pay', 'money in bank', 'date', 'payday', 'payment made on', 'payment day', 'date of transfer', 'process date', 'paid into bank on'] },
    { name: 'period_start', title: 'Period from', kind: 'date', sources: ['period'], labels: ['period start', 'period from', 'from', 'pay period from', 'start of period', 'pay period start', 'period begins', 'pay period', 'period', 'for the period', 'period covered', 'wage period', 'earnings period', 'month of', 'month of work', 'period worked', 'period of work', 'pay month', 'working period', 'payroll period', 'wage month', 'earnings for'] },
    { name: 'period_end', title: 'Period to', kind: 'date', sources: ['period'], labels: ['period end', 'period to', 'to', 'until', 'end of period', 'pay period end', 'pay period to', 'period ends', 'pay period', 'period', 'for the period', 'period covered', 'wage period', 'earnings period', 'month of', 'month of work', 'period worked', 'period of work', 'pay month', 'working period', 'payroll period', 'wage month', 'earnings for'] },
    { name: 'gross_pay', title: 'Gross pay', kind: 'money', labels: ['gross pay', 'total gross', 'gross salary', 'gross', 'total gross pay', 'gross earnings', 'total earnings', 'gross wages', 'gross this month', 'pay before deductions', 'gross for the month', 'total pay', 'gross amount', 'earnings total', 'gross wage', 'total payments', 'gross for period', 'taxable gross pay'] },
    { name: 'net_pay', title: 'Net pay', kind: 'money', labels: ['net pay', 'take-home', 'take-home pay', 'net salary', 'net', 'amount paid', 'net wages', 'net amount', 'net payable', 'net to bank', 'paid to your account', 'paid into bank', 'pay after deductions', 'net earnings', 'transferred to account', 'you receive', 'net this month', 'net wage', 'amount payable', 'paid to account', 'paid out', 'amount paid out', 'net paid to bank', 'net to account', 'payout', 'paid to bank', 'you take home', 'net amount paid', 'net pay this month'] },
    { name: 'year_to_date_gross', title: 'Gross this year', kind: 'money', labels: ['year to date gross', 'gross year to date', 'gross ytd', 'ytd gross', 'gross pay to date', 'gross to date', 'gross pay year to date', 'year to date', 'cumulative gross', 'gross this year', 'total gross to date', 'gross since january', 'year so far gross', 'gross cumulative', 'taxable pay to date', 'this year gross', 'earned this year', 'total gross pay td', 'gross pay td', 'gross td', 'total pay to date', 'taxable gross to date', 'ytd gross pay', 'year-to-date gross', 'earnings year to date', 'gross since 1 january', 'cumulative gross pay'] },
    { name: 'national_number', title: 'National number', kind: 'id', labels: ['national number', 'national no', 'national id number', 'personal number', 'identity number', 'nat no', 'national insurance number', 'national id', 'social number', 'personal no', 'national identity number', 'citizen number', 'national reg no', 'nat number', 'ni number', 'id number', 'social security number', 'personal identity number', 'id no.', 'tax reference', 'tax number', 'tax no', 'tax id'] },
  ],
  relations: [
    { kind: 'not_after', first: 'period_start', second: 'period_end' }, { kind: 'not_after', first: 'period_start', second: 'pay_date' },
    { kind: 'deductions', from: 'gross_pay', leaves: 'net_pay' }, { kind: 'at_most', less: 'net_pay', more: 'gross_pay' }, { kind: 'at_most', less: 'gross_pay', more: 'year_to_date_gross' },
  ],
}
