import { letterLanguage } from './index.ts'

const lender = ['de', 'fr']

test('a letter is answered in its own language', () => {
  expect(
    letterLanguage('Hola, adjunto los papeles que me pidieron para la cuenta.', { named: 'en', lender }),
  ).toBe('es')
  expect(
    letterLanguage('Voici les papiers pour mon dossier, avec la facture.', { named: undefined, lender }),
  ).toBe('fr')
})

test('one of two words is answered as its head says, or as the lender writes', () => {
  expect(letterLanguage('Scan 4', { named: 'es-MX, en', lender })).toBe('es')
  expect(letterLanguage('Scan 4', { named: undefined, lender })).toBe('fr')
  expect(letterLanguage('', { named: undefined, lender: ['nl'] })).toBe('en')
})
