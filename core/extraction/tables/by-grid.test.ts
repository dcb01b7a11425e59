import { starterTypes } from '../../../demo/lenders/merrow-sound/index.ts'
import { pageOf } from '../../testing/page-of.ts'
import { withLearntLabels } from '../labels/learn-labels.ts'
import { readTableByHeader } from './by-header.ts'
import { firstGrid, readByGrid, type Grid } from './by-grid.ts'

const bankStatement = starterTypes.find((t) => t.id === 'bank_statement')!
const field = bankStatement.fields.find((f) => f.name === 'transactions')!
const lines = (...rows: string[]) => pageOf(rows)
const page = lines(
  'Harbour account | | |',
  'When | What for | How much | Left over',
  '02/01/2026 | Card payment Stores | -12.40 | 987.60',
  '05/01/2026 | Salary Petrel Slipways | 2,140.55 | 3,128.15',
  'page total | | 2,128.15 | 3,128.15',
)
const span = (text: string) => {
  const words = page.words.filter((w) => text.split(' ').includes(w.text))
  return [Math.min(...words.map((w) => w.box[0])), Math.max(...words.map((w) => w.box[2]))] as const
}
const line = (text: string) => page.words.find((w) => w.text === text)!.box

/** As a person draws it: lines between what the eye sees as columns. */
const grid = (): Grid => {
  const [day, what, amount, balance] = [span('02/01/2026'), span('Card'), span('-12.40'), span('987.60')]
  return {
    page: 1,
    top: line('02/01/2026')[1] - 0.001,
    edges: [day[0] - 0.01, what[0] - 0.005, amount[0] - 0.02, balance[0] - 0.02, 1],
    columns: [
      { name: 'date', out: false },
      { name: 'description', out: false },
      { name: 'amount', out: false },
      { name: 'balance', out: false },
    ],
    skip: [],
  }
}
const read = (change: Partial<Grid> = {}, pages = [page]) =>
  readByGrid(pages, field, { ...grid(), ...change }, { start: '2026-01-01', end: '2026-01-31' })

test('rows are read by the columns that a person drew, whatever the head says', () => {
  expect(read().map((row) => row.cells)).toEqual([
    {
      date: '2026-01-02',
      description: 'Card payment Stores',
      amount: { amount: '-12.40', currency: 'EUR' },
      balance: { amount: '987.60', currency: 'EUR' },
    },
    {
      date: '2026-01-05',
      description: 'Salary Petrel Slipways',
      amount: { amount: '2140.55', currency: 'EUR' },
      balance: { amount: '3128.15', currency: 'EUR' },
    },
  ])
})
test('each row has its place', () => expect(read().map((row) => row.place.page)).toEqual([1, 1]))
test('amounts of a column that goes out are taken off', () => {
  const out = read({
    columns: grid().columns.with(2, { name: 'amount', out: true }).with(3, { name: null, out: false }),
  })
  expect(out.map(({ cells }) => (cells.amount as { amount: string }).amount)).toEqual(['-12.40', '-2140.55'])
})
test('what is above the first row is none', () =>
  expect(read({ top: line('05/01/2026')[1] - 0.001 })).toHaveLength(1))
test('the rows of later pages follow from their top', () => {
  const next = { ...page, number: 2 }
  expect(read({}, [page, next]).map((row) => row.place.page)).toEqual([1, 1, 2, 2])
})
test('lines with a skipped wording are no rows', () => expect(read({ skip: ['Salary'] })).toHaveLength(1))
test('a grid begins under the head that is found, else with even columns', () => {
  const headed = lines('Date | Description | Amount | Balance', '02/01/2026 | Card payment | -12.40 | 987.60')
  expect(firstGrid([headed], field, null).columns.map((c) => c.name)).toEqual([
    'date',
    'description',
    'amount',
    'balance',
  ])
  expect(
    readByGrid([headed], field, firstGrid([headed], field, null), { start: null, end: null }).map(
      (row) => row.cells,
    ),
  ).toHaveLength(1)
  expect(firstGrid([page], field, null).edges).toHaveLength(field.columns.length + 1)
})
test('what was once said to be no row is none on the next paper', () => {
  const statement = lines(
    'Date | Description | Amount | Balance',
    '02/01/2026 | Card payment | -12.40 | 987.60',
    '03/01/2026 | Reserved, not yet booked | -99.00 | 888.60',
    '05/01/2026 | Salary | 2,140.55 | 3,128.15',
  )
  const taught = withLearntLabels(bankStatement, [
    { field: 'transactions', wording: 'reserved', skips: true },
  ]).fields.find((f) => f.name === 'transactions')!
  expect([
    readTableByHeader([statement], field)!.rows.length,
    readTableByHeader([statement], taught)!.rows.length,
  ]).toEqual([3, 2])
})
