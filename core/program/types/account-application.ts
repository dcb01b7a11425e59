import type { TypeData } from './type-data.ts'
import { BUSINESS, COMPANY_NUMBER, DAY_SIGNED, SIGNATURE } from './wordings.ts'

export const accountApplication: TypeData = {
  id: 'account_application',
  title: 'Business account application',
  short: 'Account form',
  pages: { min: 1, max: 5 },
  titles: ['business account application', 'account application', 'application for a business account', 'account opening form', 'business account opening form', 'account opening application', 'application to open an account', 'trader account application', 'application for a trader account', 'new business account', 'open a business account', 'request for a business account', 'business account form', 'business account request', 'business account: application', 'account opening request', 'application form – trader account', 'business banking application'],
  signs: [
    { words: 'business account', weight: 2 }, { words: 'open an account', weight: 2 }, { words: 'account opening', weight: 2 }, { words: 'expected monthly turnover', weight: 2.5 }, { words: 'monthly turnover', weight: 2 }, { words: 'contact person', weight: 1.5 }, { words: 'registered address', weight: 1.5 }, { words: 'registered office', weight: 1.2 }, { words: 'nature of business', weight: 2 }, { words: 'line of business', weight: 1.5 }, { words: 'trading name', weight: 1.2 }, { words: 'about your business', weight: 2 }, { words: 'about the business', weight: 2 }, { words: 'company number', weight: 0.8 }, { words: 'account type', weight: 1 }, { words: 'on behalf of the business', weight: 1.5 },
  ],
  lastSigns: ['signature of applicant', 'on behalf of the business', 'declaration', 'signed for the business'],
  signature: { labels: [...SIGNATURE, 'signature of applicant', "applicant's signature", 'signed for the business', 'signature for the business', 'on behalf of the business', 'signature of contact', 'signature of authorised person', 'applicant’s signature', 'please sign here', 'signature of customer'] },
  versions: { date: 'application_date', of: ['application_number'] },
  fields: [
    { name: 'application_number', title: 'Application number', kind: 'id', labels: ['application number', 'application no', 'application ref', 'application reference', 'case number', 'case no', 'our reference', 'reference', 'ref', 'file number', 'form number', 'request number', 'case reference', 'request no'], pattern: '[A-Z]{2,4}-?\\d{2}-?\\d{4,6}' },
    { name: 'application_date', title: 'Date of application', kind: 'date', sources: ['sentence'], labels: ['date of application', 'application date', 'date of request', 'applied on', 'date', 'dated', 'date received', 'form date', 'date of this application', 'request date', 'application made on', 'date of form', 'date completed', 'submitted'] },
    { name: 'business_name', title: 'Business', kind: 'org', labels: BUSINESS },
    { name: 'company_number', title: 'Company number', kind: 'id', labels: COMPANY_NUMBER },
    { name: 'registered_address', title: 'Registered address', kind: 'address', labels: ['registered address', 'registered office', 'address of business', 'business address', 'company address', 'address of registered office', 'address', 'address of the business', 'registered office address', 'principal address', 'place of business', 'address of company', 'seat', 'where you trade', 'principal place of business'] },
    { name: 'contact_name', title: 'Contact', kind: 'name', labels: ['contact', 'contact name', 'contact person', 'name of contact', 'name of contact person', 'person to contact', 'your name', 'main contact', 'contact for this application', 'representative', 'who we should speak to', 'applicant', 'person responsible', 'name of applicant', 'full name of contact', 'person to speak to', 'primary contact', 'your full name'] },
    { name: 'email', title: 'E-mail', kind: 'email', labels: ['e-mail', 'email', 'email address', 'e-mail address', 'electronic mail', 'contact email', 'business email', 'contact e-mail'] },
    { name: 'phone', title: 'Phone', kind: 'phone', labels: ['phone', 'telephone', 'telephone number', 'phone number', 'mobile', 'tel', 'contact number', 'business phone', 'contact phone', 'daytime phone'] },
    { name: 'expected_monthly_turnover', title: 'Expected monthly turnover', kind: 'money', labels: ['expected monthly turnover', 'monthly turnover', 'expected turnover per month', 'turnover per month', 'monthly turnover expected', 'estimated monthly turnover', 'turnover a month', 'expected monthly sales', 'expected monthly credits', 'anticipated monthly turnover', 'monthly payments in', 'expected payments in per month', 'money coming in each month', 'average monthly turnover', 'expected turnover each month', 'forecast monthly turnover', 'planned monthly turnover', 'anticipated turnover per month', 'monthly turnover (estimate)', 'expected credit turnover per month', 'how much will go through the account each month'] },
    { name: 'signature_date', title: 'Date signed', kind: 'date', near: 'signature', labels: DAY_SIGNED },
  ],
}
