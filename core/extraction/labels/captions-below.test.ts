import { pageOf } from '../../testing/page-of.ts'
import { passbook } from '../../testing/small-types.ts'
import { captionsBelow } from './captions-below.ts'
import { findLabels } from './find-labels.ts'
import { labelsByLine } from './value-regions.ts'

function says(lines: string[], label: string) {
  const labels = findLabels(pageOf(lines), passbook)
  return captionsBelow(
    labels.find((l) => l.segment.text === label)!,
    labelsByLine(labels),
  )
}
const values = ['Eskil Sundberg', '2,140.55', '28 Jan 2026']
const labels = ['Saver', 'Ended with', 'Until']
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
    says([...heading, 'Saver', 'Eskil Sundberg', '83 Gannet Row', 'Ended with', '2,140.55'], 'Ended with'),
  ).toBe(0)
  expect(says([...heading, '28 Jan 2026', 'Until'], 'Until')).toBe(0)
})
