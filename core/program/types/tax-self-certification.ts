import type { TypeData } from './type-data.ts'
import { DAY_SIGNED, SIGNATURE } from './wordings.ts'

export const taxSelfCertification: TypeData = {
  id: 'tax_self_certification',
  title: 'Tax self-certification',
  short: 'Tax residency',
  pages: { min: 1, max: 3 },
  titles: ['tax self-certification', 'self-certification of tax residency', 'tax residency self-certification', 'self-certification form', 'tax residence form', 'tax residency form', 'declaration of tax residency', 'tax residence declaration', 'self-certification', 'certification of tax residence', 'statement of tax residence', 'tax status declaration', 'self certification of tax status', 'tax residency', 'individual tax residency form', 'self-certification: tax residence', 'certification of tax status'],
  signs: [
    { words: 'tax residency', weight: 2.5 }, { words: 'tax residence', weight: 2.5 }, { words: 'self-certification', weight: 2.5 }, { words: 'tax resident', weight: 2 }, { words: 'resident for tax', weight: 2 }, { words: 'tax identification number', weight: 2 }, { words: 'country of tax residence', weight: 2.5 }, { words: 'tin', weight: 1.2 }, { words: 'jurisdiction', weight: 1.5 }, { words: 'common reporting', weight: 1.5 }, { words: 'change in circumstances', weight: 1.5 }, { words: 'edition', weight: 0.5 }, { words: 'exchange of information', weight: 1.2 }, { words: 'tax purposes', weight: 1.5 }, { words: 'i certify', weight: 0.8 },
  ],
  signature: { labels: [...SIGNATURE, 'signature of holder', 'signature of account holder', "holder's signature", 'signature of person certifying', 'signature of the holder', 'applicant’s signature', 'please sign here', 'signature of customer'] },
  fields: [
    { name: 'holder_name', title: 'Holder', kind: 'name', sources: ['sentence'], labels: ['name of account holder', 'account holder', 'name of holder', 'holder', 'name', 'full name', 'name of person', 'your name', 'name of entity', 'account holder name', 'holder name', 'name of the account holder', 'person or business', 'full legal name', 'i', 'person certifying', 'name of certifying person', 'certified by', 'certifying person'] },
    { name: 'tax_number', title: 'Tax number', kind: 'id', labels: ['tax number', 'tax identification number', 'tin', 'taxpayer identification number', 'tax id', 'tax reference number', 'tax reference', 'tax no', 'tax id number', 'number for tax', 'taxpayer number', 'tax identification no', 'identification number for tax', 'tin or equivalent', 'tax ref'] },
    { name: 'tax_country', title: 'Country of tax residence', kind: 'text', labels: ['country of tax residence', 'country of tax residency', 'country', 'tax country', 'tax residence', 'jurisdiction of tax residence', 'country of residence for tax', 'country where you pay tax', 'jurisdiction', 'tax residency', 'country of residence for tax purposes', 'resident for tax in', 'resident for tax purposes in', 'country you pay tax in', 'country of taxation', 'state of tax residence', 'country/jurisdiction of tax residence', 'tax resident in', 'where are you resident for tax', 'resident in', 'i am resident in', 'for tax purposes i am resident in'] },
    { name: 'signature_date', title: 'Date signed', kind: 'date', near: 'signature', labels: DAY_SIGNED },
  ],
}
