import type { TypeData } from './type-data.ts'
import { NATIONAL_NUMBER } from './wordings.ts'

export const taxAssessment: TypeData = {
  id: 'tax_assessment',
  title: 'Tax assessment',
  short: 'Tax notice',
  pages: { min: 1, max: 3 },
  titles: ['tax assessment', 'income tax assessment', 'notice of assessment', 'income tax notice', 'tax notice', 'notice of income tax', 'tax calculation', 'assessment of income tax', 'annual tax statement', 'income tax statement', 'tax assessment notice', 'yearly income tax notice', 'your income tax', 'statement of tax', 'tax bill', 'income tax demand', 'income tax: notice of assessment', 'statement of income tax', 'your tax calculation', 'tax computation'],
  signs: [
    { words: 'income tax', weight: 1.5 }, { words: 'tax year', weight: 2 }, { words: 'year of assessment', weight: 2 }, { words: 'taxpayer', weight: 2 }, { words: 'taxable income', weight: 2 }, { words: 'tax due', weight: 2 }, { words: 'tax payable', weight: 1.8 }, { words: 'total income', weight: 1.5 }, { words: 'revenue', weight: 1 }, { words: 'personal allowance', weight: 1.5 }, { words: 'assessment', weight: 1.2 },
    { words: 'tax office', weight: 1.5 }, { words: 'inland revenue', weight: 1.2 }, { words: 'objection', weight: 1 }, { words: 'appeal', weight: 0.8 }, { words: 'fishing income', weight: 0.6 }, { words: 'profit from self-employment', weight: 1 }, { words: 'collector', weight: 0.8 }, { words: 'assessed', weight: 1 },
  ],
  person: 'taxpayer_name',
  tellsApart: 'tax_year',
  fields: [
    { name: 'taxpayer_name', title: 'Taxpayer', kind: 'name', sources: ['addressee'], labels: ['taxpayer', 'name of taxpayer', 'taxpayer name', 'name', 'assessed person', 'person assessed', 'full name', 'issued to', 'name of person assessed', 'tax payer', 'notice to', 'assessment for', 'the taxpayer', 'in the name of'] },
    { name: 'national_number', title: 'National number', kind: 'id', labels: [...NATIONAL_NUMBER, 'taxpayer number', 'tax number', 'tax reference', 'taxpayer id', 'your number', 'national no.', 'personal identity number', 'id no.'] },
    { name: 'tax_year', title: 'Tax year', kind: 'number', sources: ['title_year'], pattern: '(?:19|20)\\d{2}', labels: ['tax year', 'year of assessment', 'year', 'income year', 'assessment year', 'for the year', 'year of income', 'for the tax year', 'calendar year', 'fiscal year', 'year assessed', 'income of the year', 'year taxed', 'assessment for the year', 'for the calendar year', 'for tax year', 'period: year', 'income for the year'] },
    { name: 'total_income', title: 'Total income', kind: 'money', labels: ['total income', 'income total', 'total of income', 'gross income', 'total assessed income', 'sum of income', 'income assessed', 'total net income', 'net income', 'income for the year', 'total taxable income', 'assessed income', 'total of all income', 'your income', 'income', 'total earnings', 'income declared', 'total income for the year', 'income from all sources', 'total income received', 'aggregate income', 'assessed at', 'income for the year came to', 'total income has been assessed at', 'your income for the year'] },
    { name: 'tax_due', title: 'Tax due', kind: 'money', belowZero: true, labels: ['tax due', 'income tax due', 'tax payable', 'total tax', 'tax assessed', 'amount of tax', 'income tax', 'tax to pay', 'total tax due', 'income tax payable', 'tax charged', 'tax for the year', 'assessed tax', 'tax owed', 'income tax assessed', 'amount of income tax', 'tax', 'you owe', 'income tax of', 'tax due on it', 'tax of'] },
    { name: 'issue_date', title: 'Issued', kind: 'date', sources: ['sentence'], labels: ['date of issue', 'issue date', 'issued', 'issued on', 'date', 'date of notice', 'notice date', 'date of assessment', 'date of this notice', 'dated', 'assessment date', 'sent on', 'day of notice', 'notice issued on'] },
  ],
  relations: [{ kind: 'at_most', less: 'tax_due', more: 'total_income' }],
}
