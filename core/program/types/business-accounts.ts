import type { TypeData } from './type-data.ts'
import { BUSINESS, SIGNATURE } from './wordings.ts'

export const businessAccounts: TypeData = {
  id: 'business_accounts',
  title: 'Business accounts',
  short: 'Accounts',
  pages: { min: 1, max: 8 },
  titles: ['profit and loss account', 'statement of accounts', 'annual accounts', 'business accounts', "sole trader's accounts", 'sole trader accounts', 'yearly accounts', 'accounts for the year ended', 'trading account', 'income statement', 'financial statements', 'unaudited accounts', 'trading and profit and loss account', 'accounts of the business', 'statement of income and expenditure', 'balance sheet', 'profit & loss account'],
  signs: [
    { words: 'turnover', weight: 2 }, { words: 'net profit', weight: 2 }, { words: 'gross profit', weight: 1.8 }, { words: 'cost of sales', weight: 1.8 }, { words: 'depreciation', weight: 1.5 }, { words: 'overheads', weight: 1.5 }, { words: 'expenses', weight: 1.2 }, { words: 'balance sheet', weight: 1.5 }, { words: 'profit and loss', weight: 2 }, { words: 'drawings', weight: 1.2 }, { words: 'fixed assets', weight: 1.5 }, { words: 'creditors', weight: 1 }, { words: 'debtors', weight: 1 },
    { words: 'capital account', weight: 1.5 }, { words: 'sole trader', weight: 1.5 }, { words: 'accountant', weight: 1 }, { words: 'year ended', weight: 1.5 }, { words: 'proprietor', weight: 1 }, { words: 'sales', weight: 0.8 }, { words: 'notes to the accounts', weight: 1.5 }, { words: 'current assets', weight: 1.2 }, { words: 'accounts', weight: 0.6 },
  ],
  lastSigns: ['approved by the proprietor', 'notes to the accounts', 'approved on', 'i approve these accounts'],
  person: 'owner_name',
  tellsApart: 'period_end',
  signature: { labels: [...SIGNATURE, 'signature of owner', 'signature of proprietor', 'signed by the proprietor', 'proprietor', 'approved by', 'owner', 'sole trader', 'signature of the owner', 'approved by proprietor', 'owner’s signature'] },
  fields: [
    { name: 'business_name', title: 'Business', kind: 'org', sources: ['letterhead'], labels: [...BUSINESS, 'accounts of', 'trading under the name', 'prepared for'] },
    { name: 'owner_name', title: 'Owner', kind: 'name', labels: ['owner', 'proprietor', 'sole trader', 'name of owner', 'name of proprietor', 'sole proprietor', 'owner name', 'owned by', 'trader', 'proprietor name', 'name of trader', 'business owner', 'name of sole trader', 'the proprietor', 'the owner', 'prepared for'] },
    { name: 'period_start', title: 'From', kind: 'date', sources: ['period'], labels: ['period', 'accounting period', 'from', 'period from', 'year from', 'financial year', 'period covered', 'for the period', 'beginning', 'start of period', 'year beginning', 'trading year', 'accounts from', 'business year', 'period of account', 'year', 'accounting year', 'period start', 'first day', 'for the year', 'accounts period'] },
    { name: 'period_end', title: 'To', kind: 'date', sources: ['period'], labels: ['period', 'accounting period', 'to', 'until', 'period to', 'year to', 'financial year', 'year ended', 'for the year ended', 'period covered', 'for the period', 'ending', 'end of period', 'year ending', 'trading year', 'accounts to', 'accounts for the year ended', 'business year', 'period of account', 'year', 'accounting year', 'period end', 'last day', 'for the year to', 'for the year', 'accounts period'] },
    { name: 'turnover', title: 'Turnover', kind: 'money', labels: ['turnover', 'sales', 'total sales', 'total turnover', 'income from sales', 'revenue', 'takings', 'gross receipts', 'total revenue', 'landings and sales', 'sales and landings', 'trading income', 'turnover for the year', 'receipts from trade', 'gross takings', 'income from trade', 'total income', 'total income from trade'] },
    { name: 'net_profit', title: 'Net profit', kind: 'money', belowZero: true, labels: ['net profit', 'profit for the year', 'net profit for the year', 'profit', 'net income', 'profit after expenses', 'net result', 'result for the year', 'net profit before tax', 'surplus', 'profit of the year', 'net trading profit', 'profit to the proprietor', 'profit for the period', 'earnings of the business', 'profit before tax', 'net profit for year', 'surplus for the year'] },
  ],
  relations: [{ kind: 'not_after', first: 'period_start', second: 'period_end' }, { kind: 'at_most', less: 'net_profit', more: 'turnover' }],
}
