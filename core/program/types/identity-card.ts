import type { TypeData } from './type-data.ts'

export const identityCard: TypeData = {
  id: 'identity_card',
  title: 'Identity card',
  short: 'ID card',
  pages: { min: 1, max: 2 },
  titles: ['identity card', 'national identity card', 'passport', "carte d'identité", "carte nationale d'identité", 'passeport', 'documento nacional de identidad', 'documento de identidad', 'pasaporte', 'citizen card', 'identification card', 'personal identity document', 'proof of identity', 'id card'],
  signs: [
    { words: 'nationality', weight: 1.2 }, { words: 'place of birth', weight: 1.5 }, { words: 'sex', weight: 1 }, { words: 'holder signature', weight: 1 }, { words: 'given names', weight: 1.2 },
    { words: 'surname', weight: 0.8 }, { words: 'authority', weight: 0.8 }, { words: 'nationalité', weight: 1.5 }, { words: 'nacionalidad', weight: 1.5 }, { words: 'prénoms', weight: 1 }, { words: 'utopia', weight: 1 },
  ],
  zone: true,
  person: 'full_name',
  fields: [
    { name: 'document_number', title: 'Document number', kind: 'id', sources: ['zone'], labels: ['document number', 'document no', 'card number', 'card no', 'passport number', 'passport no', 'identity card number', 'id number', 'number', 'no', 'doc no', 'numéro', 'numéro du document', 'n° du document', 'número de documento', 'num. documento', 'n° de carte', 'id no'] },
    { name: 'full_name', title: 'Name', kind: 'name', sources: ['zone'], labels: ['name', 'full name', 'surname and given names', 'holder', 'name of holder', 'name of bearer', 'nom et prénoms', 'apellidos y nombre', 'nombre', 'bearer'] },
    { name: 'date_of_birth', title: 'Date of birth', kind: 'date', yearsBefore: 15, sources: ['zone'], labels: ['date of birth', 'birth date', 'born', 'born on', 'dob', 'date de naissance', 'né le', 'née le', 'né(e) le', 'fecha de nacimiento', 'nacimiento'] },
    { name: 'issue_date', title: 'Issued', kind: 'date', labels: ['date of issue', 'issue date', 'issued', 'issued on', 'date de délivrance', 'délivré le', 'délivrée le', 'fecha de expedición', 'expedido', 'expedición', 'valid from', 'emisión', 'fecha de emisión'] },
    { name: 'expiry_date', title: 'Expires', kind: 'date', sources: ['zone'], labels: ['date of expiry', 'expiry date', 'expires', 'expires on', 'expiry', 'valid until', 'valid to', "date d'expiration", 'expire le', "valable jusqu'au", 'fecha de caducidad', 'válido hasta', 'caducidad', 'validez', 'good until'] },
    { name: 'nationality', title: 'Nationality', kind: 'text', sources: ['zone'], labels: ['nationality', 'nationalité', 'nacionalidad', 'citizenship', 'citizen of', 'national of'] },
  ],
  relations: [{ kind: 'not_after', first: 'date_of_birth', second: 'issue_date' }, { kind: 'not_after', first: 'issue_date', second: 'expiry_date' }],
}
