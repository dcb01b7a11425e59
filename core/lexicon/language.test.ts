import { languageOf } from './language.ts'
import { pageOf } from '../testing/page-of.ts'

test.each([
  ['en', ['Statement of account for the period', 'Amount due by direct debit from your account']],
  [
    'fr',
    [
      'Facture d’électricité pour le logement',
      'Montant à régler par prélèvement sur votre compte',
      'Numéro de client et adresse du lieu',
    ],
  ],
  [
    'es',
    [
      'Factura de electricidad para la vivienda',
      'Importe a pagar por domiciliación en su cuenta',
      'Fecha de vencimiento y número del cliente',
    ],
  ],
] as const)('%s', (language, lines) => expect(languageOf(pageOf(lines).words)).toBe(language))
test('figures and names are of no language', () =>
  expect(
    languageOf(pageOf(['Ottilie Varnham', '14/03/1980', 'EUR 48,750.00', 'SKR-88241']).words),
  ).toBeNull())
test('nor is a card in two', () =>
  expect(
    languageOf(
      pageOf([
        'Surname and given names / Apellidos y nombre',
        'Date of birth / Fecha de nacimiento',
        'Place of the issue / Lugar de la expedición',
        'by the Registry / por el Registro',
      ]).words,
    ),
  ).toBeNull())
