import type { TypeData } from './type-data.ts'
import { BUSINESS, COMPANY_NUMBER } from './wordings.ts'

export const incorporationCertificate: TypeData = {
  id: 'incorporation_certificate',
  title: 'Certificate of incorporation',
  short: 'Company',
  pages: { min: 1, max: 1 },
  titles: ['certificate of incorporation', 'incorporation certificate', 'certificate of incorporation of a private company', 'register of companies', 'companies registry', 'company registration certificate', 'certificate of company registration', 'extract from the register of companies', 'company registry certificate', 'certificate of registration of a company', 'registry of companies', 'extract from the companies register', 'certificate on incorporation', 'registry certificate'],
  signs: [
    { words: 'incorporated', weight: 2.2 }, { words: 'incorporation', weight: 2 }, { words: 'registrar of companies', weight: 2.5 }, { words: 'companies act', weight: 2 }, { words: 'private company', weight: 1.5 }, { words: 'limited by shares', weight: 1.8 }, { words: 'companies register', weight: 2 }, { words: 'hereby certify', weight: 1 }, { words: 'hereby certifies', weight: 1 }, { words: 'company limited', weight: 1 }, { words: 'share capital', weight: 1 }, { words: 'registered as a company', weight: 1.5 }, { words: 'companies', weight: 0.8 }, { words: 'incorporated under', weight: 1.5 }, { words: 'companies ordinance', weight: 2 }, { words: 'the company is limited', weight: 2 }, { words: 'this day incorporated', weight: 2 }, { words: 'companies registry', weight: 2 },
  ],
  fields: [
    { name: 'business_name', title: 'Company', kind: 'org', sources: ['sentence'], labels: [...BUSINESS, 'certify that', 'certifies that', 'name', 'that', 'company incorporated'] },
    { name: 'company_number', title: 'Company number', kind: 'id', labels: COMPANY_NUMBER },
    { name: 'incorporation_date', title: 'Incorporated', kind: 'date', sources: ['sentence'], labels: ['date of incorporation', 'incorporated on', 'incorporation date', 'incorporated', 'date of registration', 'registered on', 'date incorporated', 'entered in the register on', 'day of incorporation', 'founded on', 'was incorporated on', 'given on', 'date', 'date of formation', 'formed on', 'since', 'on', 'date registered'] },
  ],
}
