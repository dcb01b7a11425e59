import type { TypeData } from './type-data.ts'

export const creditConsent: TypeData = {
  id: 'credit_consent',
  title: 'Credit check consent',
  short: 'Consent',
  pages: { min: 1, max: 1 },
  titles: ['consent to a credit check', 'credit check consent', 'consent to credit check', 'consent to credit enquiry', 'credit enquiry consent', 'authorisation for credit check', 'authority to make credit enquiries', 'permission for a credit check', 'consent', 'credit search consent', 'consent to a credit search', 'permission to check credit', 'credit reference consent', 'authorisation for a credit search', 'declaration of consent', 'permission to search credit files', 'credit search authorisation', 'consent: credit reference agencies', 'data consent form'],
  signs: [
    { words: 'i consent', weight: 2.5 }, { words: 'i agree', weight: 1 }, { words: 'credit reference', weight: 2 }, { words: 'credit check', weight: 2 }, { words: 'credit enquiry', weight: 2 }, { words: 'i authorise', weight: 1.8 }, { words: 'credit history', weight: 1.5 }, { words: 'withdraw this consent', weight: 1.5 }, { words: 'credit search', weight: 2 }, { words: 'my consent', weight: 1.2 }, { words: 'i allow', weight: 1 }, { words: 'i give permission', weight: 1.5 },
  ],
  person: 'applicant_name',
  signature: { labels: ['signature', 'signed', 'signature of applicant', "applicant's signature", 'sign here', 'signed by', 'your signature', 'signature of person consenting', 'applicant signature', 'signature of the undersigned', 'applicant’s signature', 'please sign here', 'signature of customer'] },
  fields: [
    { name: 'applicant_name', title: 'Name', kind: 'name', sources: ['sentence'], labels: ['name', 'full name', 'name of applicant', 'applicant', 'applicant name', "applicant's name", 'i', 'name of person', 'your name', 'name in full', 'print name', 'given by', 'i the undersigned', 'the undersigned', 'person giving consent', 'consent of', 'name of the person consenting', 'full name of applicant', 'first name and surname', 'name and surname', 'first names and surname', 'surname and first names', 'surname and forenames', 'title first names surname', 'forename and surname', 'full legal name', 'name of the person giving authority', 'name of person authorising', 'holder', 'name in block letters', 'customer name', 'name(s)', 'by this form'] },
    { name: 'national_number', title: 'National number', kind: 'id', labels: ['national number', 'national no', 'national id number', 'personal number', 'identity number', 'nat no', 'national insurance number', 'national id', 'social number', 'personal no', 'national identity number', 'citizen number', 'national reg no', 'national number holder', 'id number', 'holder of national number', 'personal identity number', 'id no.'] },
    { name: 'signature_date', title: 'Date signed', kind: 'date', near: 'signature', labels: ['date', 'date signed', 'signed on', 'date of signature', 'signature date', 'on', 'dated', 'day signed', 'place and date', 'day', 'date of signing', 'signing date'] },
  ],
}
