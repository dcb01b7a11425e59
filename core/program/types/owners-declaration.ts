import type { TypeData } from './type-data.ts'
import { BUSINESS, COMPANY_NUMBER, SIGNATURE } from './wordings.ts'

export const ownersDeclaration: TypeData = {
  id: 'owners_declaration',
  title: "Owners' declaration",
  short: 'Owners',
  pages: { min: 1, max: 3 },
  titles: ['declaration of beneficial owners', 'beneficial owners declaration', 'beneficial ownership declaration', 'declaration of owners', "owners' declaration", 'beneficial owners', 'beneficial ownership', 'ownership declaration', 'declaration of beneficial ownership', 'statement of beneficial ownership', 'owners of the company', 'who owns the business', 'register of beneficial owners', 'ownership statement', 'declaration of ownership', 'beneficial ownership form', 'ultimate beneficial owners', 'who owns or controls the company?'],
  signs: [
    { words: 'beneficial owner', weight: 2.5 }, { words: 'beneficial owners', weight: 2.5 }, { words: 'share held', weight: 1.5 }, { words: 'shareholding', weight: 1.8 }, { words: 'ownership', weight: 1.5 }, { words: 'percentage', weight: 1 }, { words: 'owners', weight: 1.2 }, { words: 'owns or controls', weight: 2 }, { words: 'directly or indirectly', weight: 1.2 }, { words: '25 %', weight: 0.8 }, { words: 'natural person', weight: 1 }, { words: 'natural persons', weight: 1.2 }, { words: 'shareholder', weight: 1.2 }, { words: 'shareholders', weight: 1.2 }, { words: 'share in %', weight: 1.5 },
  ],
  signature: { labels: [...SIGNATURE, 'signature of declarant', 'declarant', 'director', 'signature of director', 'for the company', 'signed for the company', 'signature for the company', 'director’s signature', 'signed by a director'] },
  versions: { date: 'declaration_date', of: ['company_number'] },
  fields: [
    { name: 'business_name', title: 'Business', kind: 'org', labels: [...BUSINESS, 'declaration for', 'owners of'] },
    { name: 'company_number', title: 'Company number', kind: 'id', labels: COMPANY_NUMBER },
    { name: 'declaration_date', title: 'Date', kind: 'date', sources: ['sentence'], labels: ['date of declaration', 'declaration date', 'declared on', 'date', 'dated', 'date signed', 'signed on', 'made on', 'date of this declaration', 'day', 'as at', 'date of signature', 'situation on'] },
    { name: 'owners', title: 'Owners', kind: 'table', threshold: 0.6, columns: [
      { name: 'name', kind: 'name', labels: ['name', 'full name', 'owner', 'name of owner', 'beneficial owner', 'shareholder', 'person', 'name of person', 'owner s name', 'names', 'holder', 'natural person', 'first name and surname', 'name and surname', 'who'] },
      { name: 'date_of_birth', kind: 'date', labels: ['date of birth', 'born', 'born on', 'birth date', 'dob', 'd.o.b.', 'birth', 'birthday'] },
      { name: 'share', kind: 'percent', labels: ['share', 'share in %', 'share %', 'shareholding', 'ownership', 'percentage', 'percent', 'share held', '%', 'holding', 'stake', 'part', 'ownership %', 'shares %', 'owns', 'interest', 'interest %', 'per cent', 'portion'] },
    ] },
  ],
  relations: [{ kind: 'column_sum', table: 'owners', column: 'share', is: 100 }],
}
