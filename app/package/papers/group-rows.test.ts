import type { Document } from '../../../core/findings/document.ts'
import { GAP, rowsOf, TILE } from './group-rows.ts'

const document = (label: string, pages: number): Document =>
  ({ id: label, label, pages: Array.from({ length: pages }, (_, i) => i + 1) }) as Document
const nothing = () => 0

test('documents stand side by side as long as they fit, in their order', () => {
  const rows = rowsOf(
    [document('Payslip', 1), document('Survey', 4), document('Insurance', 2), document('Quote', 1)],
    640,
    nothing,
  )
  expect(rows.map((r) => r.groups.map((g) => g.document.label))).toEqual([
    ['Payslip', 'Survey', 'Insurance'],
    ['Quote'],
  ])
  for (const { groups } of rows)
    expect(groups.reduce((sum, g) => sum + g.width, 0) + GAP * (groups.length - 1)).toBeLessThanOrEqual(640)
})
test('a row is as high as its highest group', () => {
  const [row] = rowsOf([document('Payslip', 1), document('Statement', 30)], 1200, nothing)
  expect(row.height).toBeGreaterThanOrEqual(3 * TILE.high)
  expect(row.height).toBeLessThan(4 * TILE.high)
})
test('a long name has room, up to a point, and what is noted behind it too', () => {
  const width = (label: string, noted = 0) =>
    rowsOf([document(label, 1)], 1200, () => noted)[0].groups[0].width
  expect(width('Bank statement January 2026')).toBeGreaterThan(width('Quote'))
  expect(width('Quote', 20)).toBeGreaterThan(width('Quote'))
  expect(width('x'.repeat(300))).toBe(width('x'.repeat(200)))
})
test('on a narrow screen no group is wider than the table, and its pages go on in the next line', () => {
  const [row] = rowsOf([document('Statement', 8)], 330, nothing)
  expect(row.groups[0].width).toBe(330)
  expect(row.height).toBeGreaterThanOrEqual(2 * TILE.high)
})
test('without documents there are no rows', () => expect(rowsOf([], 800, nothing)).toEqual([]))
