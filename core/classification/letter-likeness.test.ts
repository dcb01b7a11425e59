import { pageOf } from '../testing/page-of.ts'
import { letterLikeness } from './letter-likeness.ts'

const body = [
  'please find with this the papers that you asked me for last week',
  'the registration is a copy and i can bring the original to you',
  'whenever it suits you at the counter in the harbour office',
]

test('a greeting, sentences and a close with a name make a letter', () => {
  expect(
    letterLikeness(pageOf(['Dear Ms Brandreth,', ...body, '', 'Yours sincerely,', '', 'Ewan Garvie'])),
  ).toBeGreaterThan(0.9)
})
test('the language does not matter', () => {
  expect(
    letterLikeness(
      pageOf([
        'Madame, Monsieur,',
        'veuillez trouver ci-joint les documents que vous avez bien voulu demander',
        'je reste à votre disposition pour tout ce qui manque encore',
        '',
        'Bien cordialement,',
        'Hélène Carrow',
      ]),
    ),
  ).toBeGreaterThan(0.7)
})
test('a form with a sentence on it is none', () => {
  expect(
    letterLikeness(
      pageOf([
        'Payslip',
        'Employee | Ottilie Varnham',
        'Net pay | 2,140.55',
        'this slip was made without a signature and is valid as it is',
      ]),
    ),
  ).toBe(0)
})
test('an empty page is none', () => expect(letterLikeness(pageOf([]))).toBe(0))
