import { starterTypes, workingBoatLoan } from '../../demo/lenders/merrow-sound/index.ts'
import { inWords } from '../../wording/index.ts'
import { pageOf } from '../testing/page-of.ts'
import { flagOutliers } from './outliers.ts'
import { eur, paperOf } from '../testing/paper-of.ts'
import type { Paper } from '../dossier/paper.ts'

const types = new Map(starterTypes.map((t) => [t.id, t]))
const judged = (papers: Paper[], source: 'ocr' | 'text' = 'ocr') =>
  flagOutliers(papers, workingBoatLoan, types, new Map([[1, pageOf([], { source })]]), '2026-04-10')
/** Why the first value of the first paper is asked about. */
const asked = (papers: Paper[], source: 'ocr' | 'text' = 'ocr') => {
  const [field] = judged(papers, source)[0].fields
  return field.needsReview && field.reason ? inWords(field.reason) : null
}

describe('a number that is something else on another paper', () => {
  const registration = paperOf('Registration', 'vessel_registration', { hull_number: 'SKR-56500' })
  test('is asked about', () =>
    expect(asked([paperOf('q', 'purchase_quote', { quote_number: 'SKR-56500' }), registration])).toBe(
      'Registration has this number for something else',
    ))
  test('not where it is the same field', () =>
    expect(asked([paperOf('q', 'purchase_quote', { hull_number: 'SKR-56500' }), registration])).toBeNull())
  test('not where others have it in the same field too', () =>
    expect(
      asked([
        paperOf('q', 'purchase_quote', { quote_number: 'SKR-56500' }),
        registration,
        paperOf('q2', 'purchase_quote', { quote_number: 'SKR-56500' }),
      ]),
    ).toBeNull())
  test('nor a few signs that may be many things', () =>
    expect(
      asked([
        paperOf('q', 'purchase_quote', { quote_number: '12' }),
        paperOf('r', 'vessel_registration', { hull_number: '12' }),
      ]),
    ).toBeNull())
})

describe('the end of a number that another paper has whole', () => {
  const registration = paperOf('Registration', 'vessel_registration', { hull_number: 'SKR-56500' })
  const quote = (hull: string) => paperOf('q', 'purchase_quote', { hull_number: hull })
  test('is asked about', () =>
    expect(asked([quote('56500'), registration])).toBe(
      'its beginning may be lost: Registration has SKR-56500',
    ))
  test('so is what is too short for such a number', () =>
    expect(
      asked([
        paperOf('c', 'credit_consent', { national_number: '92-6' }),
        paperOf('Application', 'loan_application', { national_number: '060891-6670' }),
      ]),
    ).toBe('too short: Application has 060891-6670'))
  test('not where it is another number', () => expect(asked([quote('56501'), registration])).toBeNull())
  test('nor where the other is of something else', () =>
    expect(
      asked([quote('56500'), paperOf('p', 'insurance_cover', { policy_number: 'AB-56500' })]),
    ).toBeNull())
})

describe('a letter where another paper has a figure', () => {
  const consent = paperOf('Consent', 'credit_consent', { national_number: '211179-5708' })
  const form = (number: string) => paperOf('f', 'loan_application', { national_number: number })
  test('is asked about', () =>
    expect(asked([form('211179-S708'), consent])).toBe('a letter stands where Consent has a figure'))
  test('not where both have the letter, as a number of a hull does', () =>
    expect(
      asked([
        paperOf('q', 'purchase_quote', { hull_number: 'KR-56501' }),
        paperOf('r', 'vessel_registration', { hull_number: 'KR-56501' }),
      ]),
    ).toBeNull())
  test('not where the letter looks like another figure, or the paper has a text layer', () => {
    expect(asked([form('211179-B708'), consent])).toBeNull()
    expect(asked([form('211179-S708'), consent], 'text')).toBeNull()
  })
})

describe('a currency of its own', () => {
  const fee = paperOf('berth', 'berth_agreement', { annual_fee: { amount: '1360.00', currency: 'GBP' } })
  const others = [
    paperOf('a', 'loan_application', { loan_amount: eur('40000.00'), purchase_price: eur('50000.00') }),
    paperOf('p', 'payslip', { net_pay: eur('2100.00') }),
  ]
  test('is asked about', () => expect(asked([fee, ...others])).toBe('all other amounts are in EUR'))
  test('not where another paper has it too', () =>
    expect(
      asked([
        fee,
        ...others,
        paperOf('q', 'purchase_quote', { total_price: { amount: '9.00', currency: 'GBP' } }),
      ]),
    ).toBeNull())
  test('nor among too few amounts to say', () => expect(asked([fee, others[1]])).toBeNull())
})

describe('a day still to come', () => {
  test('on which a paper is said to be signed is asked about', () =>
    expect(asked([paperOf('f', 'loan_application', { signature_date: '2036-03-23' })])).toBe(
      'this day is still to come',
    ))
  test('not where the days to come are meant', () =>
    expect(asked([paperOf('q', 'purchase_quote', { valid_until: '2036-03-23' })])).toBeNull())
  test('nor on the day of judging', () =>
    expect(asked([paperOf('f', 'loan_application', { signature_date: '2026-04-10' })])).toBeNull())
})

describe('a firm a letter off what the papers of its kind say', () => {
  const statement = (id: string, bank: string) => paperOf(id, 'bank_statement', { bank_name: bank })
  test('is asked about', () =>
    expect(
      asked([
        statement('1', 'Port Ellery Frading Bank'),
        statement('2', 'Port Ellery Trading Bank'),
        statement('3', 'Port Ellery Trading Bank'),
      ]),
    ).toBe('other papers of its kind differ by a letter'))
  test('not where one other alone differs, or they differ among themselves', () => {
    expect(
      asked([statement('1', 'Port Ellery Frading Bank'), statement('2', 'Port Ellery Trading Bank')]),
    ).toBeNull()
    expect(
      asked([
        statement('1', 'Port Ellery Frading Bank'),
        statement('2', 'Port Ellery Trading Bank'),
        statement('3', 'Port Ellery Fading Bank'),
      ]),
    ).toBeNull()
  })
  test('another bank is another bank', () =>
    expect(
      asked([
        statement('1', 'Bank of Skerrow'),
        statement('2', 'Isles Savings Bank'),
        statement('3', 'Isles Savings Bank'),
      ]),
    ).toBeNull())
})

test('a text layer misreads nothing, and what a person said stays said', () => {
  const paper = paperOf('f', 'loan_application', { signature_date: '2036-03-23' })
  expect(asked([paper], 'text')).toBeNull()
  expect(
    asked([{ ...paper, fields: paper.fields.map((f) => ({ ...f, state: 'corrected' as const })) }]),
  ).toBeNull()
})
