import { localeOfLender } from '../../locale/index.ts'
import { dollarLender } from '../../testing/lender.ts'
import { columnsOf } from './untyped-columns.ts'

const DOLLARS = localeOfLender(dollarLender)
const place = { page: 1, box: [0, 0, 1, 1] as [number, number, number, number] }

test('what a column holds is told from its cells', () =>
  expect(
    columnsOf(
      {
        ...place,
        head: ['Posted', 'Details', 'Hours', 'Amount', 'Share'],
        rows: [
          ['03/14/2026', 'Payroll', '80', '$2,140.55', '60%'],
          ['03/17/2026', 'Grocer', '3', '-64.12', '40 %'],
        ],
      },
      DOLLARS,
    ),
  ).toEqual([
    { head: 'Posted', kind: 'date' },
    { head: 'Details', kind: 'text' },
    { head: 'Hours', kind: 'number' },
    { head: 'Amount', kind: 'money' },
    { head: 'Share', kind: 'percent' },
  ]))
test('columns without a head, or with rows that are not under it, are left to a person', () => {
  expect(columnsOf({ ...place, head: null, rows: [['a', 'b']] }, DOLLARS)).toEqual([])
  expect(columnsOf({ ...place, head: ['One'], rows: [['a', 'b']] }, DOLLARS)).toEqual([])
})
