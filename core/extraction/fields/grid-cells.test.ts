import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { gridCandidates } from './grid-cells.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = typeById(starterTypes, 'payslip')
const grid = [
  'Payslip',
  'Description | This period | Year to date',
  'Salary | €2,457.45 | €7,372.35',
  'Gross | €2,457.45 | €7,372.35',
  'Income tax | €393.19 | €1,179.57',
]
const found = (lines: string[], field: string) =>
  gridCandidates(pageOf(lines, { at: [0.1, 0.5, 0.8] }), payslip)
    .filter((c) => c.field === field)
    .map((c) => (c.value as { amount: string }).amount)

test('row and column together name an amount', () =>
  expect(found(grid, 'year_to_date_gross')).toContain('7372.35'))
test('what has no head over it is named by nothing', () =>
  expect(
    found(
      grid.filter((l) => !l.startsWith('Description')),
      'year_to_date_gross',
    ),
  ).toEqual([]))
test('taxes of the year are not its gross', () =>
  expect(found(grid, 'year_to_date_gross')).not.toContain('1179.57'))
