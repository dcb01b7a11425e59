import type { DocumentType } from '../program/schema.ts'
import { pageOf } from '../testing/page-of.ts'
import { estimate, fieldNamed, passbook, pledge } from '../testing/small-types.ts'
import { filledEvidence } from './filled-fields.ts'
import { segmentPages } from './segment.ts'

const form = pageOf([
  'What I leave with you',
  'You keep it until I come for it.',
  '',
  'Giver | Bram Penhallow',
  '',
  'Pledge number | PG-191088',
  '',
  'Worth | 1,250.00',
  '',
  'Given on | 29 March 2026',
  '',
  'Signature of the giver |',
])
/** A form that asks for no more than that. */
const short: DocumentType = { ...pledge, fields: pledge.fields.slice(0, 4) }
/** The same answers among many questions. */
const long: DocumentType = {
  ...pledge,
  id: 'long_form',
  fields: [
    ...pledge.fields,
    ...Array.from({ length: 14 }, (_, i) => ({
      ...fieldNamed(pledge, 'worth'),
      name: `worth_${i}`,
      title: `Worth of piece ${i}`,
      labels: [`worth of piece ${i}`],
    })),
  ],
}

test('a short form that is answered throughout speaks for its type', () =>
  expect(filledEvidence(form, short)).toBeGreaterThan(2))
test('the same answers are little of a long form', () => expect(filledEvidence(form, long)).toBe(0))
test('a heading nobody listed does not hide what a form is', () =>
  expect(segmentPages([form], [passbook, estimate, short])[0].type).toBe('pledge'))
test('a recipe answers nothing', () =>
  expect(
    filledEvidence(pageOf(['Smoked mackerel', 'Boil a pound of potatoes.', 'Serve with bread.']), pledge),
  ).toBe(0))
