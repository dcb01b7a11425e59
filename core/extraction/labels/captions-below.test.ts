import { pageOf } from '../../testing/page-of.ts'
import { builtInTypes } from '../../program/starter/types/index.ts'
import { captionsBelow } from './captions-below.ts'
import { findLabels } from './find-labels.ts'
import { labelsByLine } from './value-regions.ts'
import { typeById } from '../../program/document-type.ts'

const payslip = typeById(builtInTypes, 'payslip')
function says(lines: string[], label: string) {
  const labels = findLabels(pageOf(lines), payslip)
  return captionsBelow(
    labels.find((l) => l.segment.text === label)!,
    labelsByLine(labels),
  )
}
const values = ['Eskil Sundberg', '050995-8828', '28 Jan 2026']
const labels = ['Name of employee', 'National ID', 'Payment made on']
const heading = ['Tarnwick Timber Ltd', '', '', '', '']

test('a column that begins with a value and ends with a label has labels under their values', () => {
  const column = values.flatMap((value, i) => [value, labels[i]])
  expect(labels.map((label) => says([...heading, ...column, '', '', '', 'Payments'], label))).toEqual([
    1, 1, 1,
  ])
})
test('one that begins with a label and ends with a value has them over these', () => {
  const column = values.flatMap((value, i) => [labels[i], value])
  expect(labels.map((label) => says([...heading, ...column], label))).toEqual([-1, -1, -1])
})
test('a column of labels and values out of turn says nothing, nor does a single pair', () => {
  expect(
    says(
      [...heading, 'Name of employee', 'Eskil Sundberg', '83 Gannet Row', 'National ID', '050995-8828'],
      'National ID',
    ),
  ).toBe(0)
  expect(says([...heading, '28 Jan 2026', 'Payment made on'], 'Payment made on')).toBe(0)
})
