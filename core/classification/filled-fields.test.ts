import { pageOf } from '../testing/page-of.ts'
import { builtInTypes } from '../program/starter/types/index.ts'
import { filledEvidence } from './filled-fields.ts'
import { segmentPages } from './segment.ts'
import { typeById } from '../program/document-type.ts'

const consent = typeById(builtInTypes, 'credit_consent')
const form = pageOf([
  'Authority to search',
  'You allow us to ask the bureaus.',
  '',
  'Full name | Bram Penhallow',
  '',
  'National identity number | 191088-1247',
  '',
  'Signed | ',
  '',
  'Date of signing | 29 March 2026',
])

test('a short form that is answered throughout speaks for its type', () =>
  expect(filledEvidence(form, consent)).toBeGreaterThan(2))
test('the same answers are little of a long form', () =>
  expect(filledEvidence(form, typeById(builtInTypes, 'loan_application'))).toBe(0))
test('a heading nobody listed does not hide what a form is', () =>
  expect(segmentPages([form], builtInTypes)[0].type).toBe('credit_consent'))
test('a recipe answers nothing', () =>
  expect(
    filledEvidence(pageOf(['Smoked mackerel', 'Boil a pound of potatoes.', 'Serve with bread.']), consent),
  ).toBe(0))
