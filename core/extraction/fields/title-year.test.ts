import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { euroLender } from '../../testing/lender.ts'
import { pageOf } from '../../testing/page-of.ts'
import { extractDocument } from './extract.ts'
import { typeById } from '../../program/document-type.ts'

const assessment = typeById(starterTypes, 'tax_assessment')
const year = (...lines: string[]) =>
  extractDocument([pageOf(lines)], assessment, euroLender).fields.find((f) => f.name === 'tax_year')!.value

test('the heading names the year', () =>
  expect(
    year('Notice of income tax 2025', 'Taxpayer | Ottilie Varnham', 'Date of issue | 3 March 2026'),
  ).toBe('2025'))
test('a label does too', () =>
  expect(year('Income tax assessment', 'Tax year | 2024', 'Date of issue | 3 March 2026')).toBe('2024'))
test('the year of a day in the heading is none', () =>
  expect(year('Income tax assessment of 3 March 2026', 'Taxpayer | Ottilie Varnham')).toBeNull())
