import { money, reads } from '../../../tests/support/read-paper.ts'

reads(
  'accounts of two pages with this year beside the last',
  'business_accounts',
  `
  Teague Oysters
  Accounts of a sole trader
  Proprietor: Ronan Teague
  For the year from 1 January 2025 to 31 December 2025
  Prepared without audit from the books of the business.
  Page 1 of 2
  ---
  Teague Oysters | Profit and loss account
  | 2025 | 2024
  | EUR | EUR
  Turnover | 96,420.00 | 88,115.00
  Seed and gear | 31,208.00 | 29,910.00
  Fuel | 9,118.00 | 9,402.00
  Other costs | 12,890.00 | 12,001.00
  Net profit | 43,204.00 | 36,802.00
  Page 2 of 2`,
  {
    business_name: 'Teague Oysters',
    owner_name: 'Ronan Teague',
    period_start: '2025-01-01',
    period_end: '2025-12-31',
    turnover: money('96420.00'),
    net_profit: money('43204.00'),
  },
)

reads(
  'a statement of income of a trader',
  'business_accounts',
  `
  STATEMENT OF INCOME AND EXPENSES
  Trading name | Morrow Nets & Lines
  Owner | Gwen Morrow
  Accounting period | 01/07/2024 - 30/06/2025

  Sales | €61.870,00
  Cost of sales | €22.310,00
  Gross profit | €39.560,00
  Overheads | €11.450,00
  Profit for the year | €28.110,00`,
  {
    business_name: 'Morrow Nets & Lines',
    owner_name: 'Gwen Morrow',
    period_start: '2024-07-01',
    period_end: '2025-06-30',
    turnover: money('61870.00'),
    net_profit: money('28110.00'),
  },
)

reads(
  'accounts with their period in the heading',
  'business_accounts',
  `
  GARVIE CREELS
  Income statement for the period 1 April 2024 to 31 March 2025
  Sole trader: Ewan Garvie
  Fees and sales | 72,340.00
  Bait and ice | -14,201.00
  Fuel | -9,880.00
  Repairs | -6,379.00
  Net profit for the period | 41,880.00
  Approved by the proprietor`,
  {
    business_name: 'GARVIE CREELS',
    owner_name: 'Ewan Garvie',
    period_start: '2024-04-01',
    period_end: '2025-03-31',
    turnover: money('72340.00'),
    net_profit: money('41880.00'),
  },
)

reads(
  'accounts of a year',
  'business_accounts',
  `
  Garvie & Daughters Fishing Ltd
  Income statement for the year ended 31 December 2025
  Proprietor: Ewan Garvie
  | 2025 | 2024
  Sales of fish | 184,220.00 | 171,004.00
  Other income | 2,100.00 | 1,950.00
  Turnover | 186,320.00 | 172,954.00
  Fuel and gear | 71,440.00 | 69,020.00
  Wages | 52,000.00 | 50,100.00
  Net profit for the year | 62,880.00 | 53,834.00`,
  {
    business_name: 'Garvie & Daughters Fishing Ltd',
    owner_name: 'Ewan Garvie',
    period_start: '2025-01-01',
    period_end: '2025-12-31',
    turnover: money('186320.00'),
    net_profit: money('62880.00'),
  },
)
