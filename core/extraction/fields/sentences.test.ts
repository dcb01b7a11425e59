import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { personsConfirmed, sentenceCandidates } from './sentences.ts'

const field = (type: string, name: string) =>
  starterTypes.find((t) => t.id === type)!.fields.find((f) => f.name === name)!
const best = (type: string, name: string, ...lines: string[]) =>
  sentenceCandidates(pageOf(lines), field(type, name)).sort((a, b) => b.score - a.score)[0]?.value

describe('the firm that a certificate is of', () => {
  test('stands behind “certify that” in the same line', () =>
    expect(
      best(
        'incorporation_certificate',
        'business_name',
        'Companies Registry',
        'I hereby certify that Lodestar Marine Stores Ltd, company number C-61562, was',
        'incorporated on 3 February 2019',
      ),
    ).toBe('Lodestar Marine Stores Ltd'))
  test('or as the next line', () =>
    expect(
      best(
        'incorporation_certificate',
        'business_name',
        'Companies Registry',
        'The registrar hereby certifies that',
        'Lodestar Nets Ltd',
        'was incorporated on 31 Jan 2020',
      ),
    ).toBe('Lodestar Nets Ltd'))
  test('a line with a legal form is likelier a firm than a heading is', () =>
    expect(
      best('incorporation_certificate', 'business_name', 'Companies Registry', 'Lodestar Nets Ltd'),
    ).toBe('Lodestar Nets Ltd'))
  test('what is no firm behind “that” is none', () =>
    expect(
      best('incorporation_certificate', 'business_name', 'We certify that the fee was paid'),
    ).toBeUndefined())
})
test('whoever says “I, …” in a form is its person', () =>
  expect(best('credit_consent', 'applicant_name', 'I, Ottilie Varnham, agree that the society may ask')).toBe(
    'Ottilie Varnham',
  ))
test('on a picture its “I” may be read as another stroke, and a house number is none', () => {
  const scanned = (...lines: string[]) =>
    sentenceCandidates(
      pageOf(lines, { source: 'ocr', confidence: 0.9 }),
      field('debit_mandate', 'account_holder'),
    ).map((c) => c.value)
  expect(
    scanned('1 Harbour Street, Merrow SK1 1MS', 'L Magnus Carrow, authorise the Mutual to collect'),
  ).toEqual(['Magnus Carrow'])
})
test('the person that a letter confirms something of', () => {
  const employee = field('employment_letter', 'employee_name')
  const page = pageOf([
    'We hereby confirm that Ruaridh Lefèvre is an employee of Petrel Slipways Ltd, having joined in 2017.',
  ])
  expect(personsConfirmed(page, employee).map((c) => c.value)).toEqual(['Ruaridh Lefèvre'])
  expect(personsConfirmed(pageOf(['We confirm that Petrel Slipways Ltd employs him.']), employee)).toEqual([])
})
