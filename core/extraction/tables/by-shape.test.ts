import { fieldSchema } from '../../program/schema.ts'
import { pageOf } from '../../testing/page-of.ts'
import { readTableByShape } from './by-shape.ts'

const covers = fieldSchema.parse({
  name: 'covers',
  title: 'Covers',
  kind: 'table',
  columns: [
    { name: 'risk', kind: 'text', labels: ['Coverage'] },
    { name: 'limit', kind: 'text', labels: ['Limit'] },
    { name: 'premium', kind: 'money', labels: ['Premium'] },
  ],
})
const read = (...lines: string[]) => {
  const table = readTableByShape([pageOf(lines)], covers)
  return (
    table &&
    table.rows.map((r) => [r.cells.risk, r.cells.limit, (r.cells.premium as { amount: string }).amount])
  )
}

test('rows under heads that nobody listed are known by their shape, and guessed', () => {
  const page = pageOf([
    'Insured: | Tamsin Baca',
    'What is covered | Up to | You pay',
    'Collision | 500 deductible | 302.65',
    'Medical payments | 5,000 | 32.53',
    'Total for the policy | 335.18',
  ])
  const table = readTableByShape([page], covers)!
  expect(table.guessed).toBe(true)
  expect(table.rows.map((r) => r.cells.risk)).toEqual(['Collision', 'Medical payments'])
})
test('without a head two lines are no table, three are', () => {
  expect(read('Collision | 500 | 302.65', 'Medical | 5,000 | 32.53')).toBeNull()
  expect(read('Collision | 500 | 302.65', 'Medical | 5,000 | 32.53', 'Rental | 40 a day | 15.97')).toEqual([
    ['Collision', '500', '302.65'],
    ['Medical', '5,000', '32.53'],
    ['Rental', '40 a day', '15.97'],
  ])
})
test('labels with values beside them are none', () =>
  expect(read('Insured | Tamsin Baca', 'Policy | WW-1234', 'From | 03/01/2026')).toBeNull())
