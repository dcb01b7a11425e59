import { pageOf } from '../../testing/page-of.ts'
import { entries as transactions, estimate, goods, passbook } from '../../testing/small-types.ts'
import { entry, eur, goodsLine, tableOf } from '../../testing/table-of.ts'
import { selectTable, tableReadings } from './select.ts'
import { cellsOf } from './row-order.ts'
import type { Table } from './table.ts'
import type { Value } from '../../model/value.ts'

const row = (day: string, amount: string | null, balance: string | null) =>
  entry(day, 'Card', amount, balance)
const says =
  (values: Record<string, Value>) =>
  (name: string): Value =>
    values[name] ?? null
const settle = (byHead: Table | null, byContent: Table | null, values: Record<string, Value>) =>
  selectTable(
    { byHead: () => byHead, byContent: () => byContent, byColumns: () => null },
    transactions,
    passbook,
    says(values),
  )

/** The rows of a table by what their cells hold. */
const sameCells = (table: Table) => table.rows.map(({ cells }) => ({ cells }))

const balances = { begun_with: eur('100.00'), ended_with: eur('70.00') }
const right = () => tableOf([row('2026-02-02', '-10.00', '90.00'), row('2026-02-03', '-20.00', '70.00')])
const wrong = () => tableOf([row('2026-02-02', '-10.00', '90.00'), row('2026-02-03', '-25.00', '65.00')])

describe('of two readings of a table', () => {
  test('the one by its head counts where the balances bear it out, and the other is never read', () => {
    const readings = {
      byHead: right,
      byContent: () => {
        throw new Error('read for nothing')
      },
      byColumns: () => null,
    }
    expect(selectTable(readings, transactions, passbook, says(balances))).toMatchObject({
      proof: true,
      table: { rows: sameCells(right()) },
    })
  })
  test('the one by content counts where it alone comes out', () =>
    expect(settle(wrong(), right(), balances)).toMatchObject({
      proof: true,
      table: { rows: sameCells(right()) },
    }))
  test('where neither does, the one with more in its cells counts, unproven', () => {
    const empty = tableOf([row('2026-02-02', null, '90.00'), row('2026-02-03', null, '70.00')])
    expect(settle(empty, wrong(), balances)).toMatchObject({
      proof: false,
      table: { rows: sameCells(wrong()) },
    })
    expect(settle(wrong(), empty, balances)).toMatchObject({
      proof: false,
      table: { rows: sameCells(wrong()) },
    })
  })
  test('what was only reckoned from other cells does not count as read', () => {
    const reckoned = right()
    for (const r of reckoned.rows) r.asRead = { amount: null, balance: null }
    expect(settle(reckoned, wrong(), {})).toMatchObject({ table: { rows: sameCells(wrong()) } })
  })
  test('a table that only its head shows is that one', () =>
    expect(settle(wrong(), null, balances)).toMatchObject({
      proof: false,
      table: { rows: sameCells(wrong()) },
    }))
  test('where there is none, there is none', () =>
    expect(settle(null, null, balances)).toEqual({ table: null, proof: null }))
})

test('without the balances at both ends nothing is proved', () =>
  expect(settle(right(), null, { begun_with: eur('100.00') })).toMatchObject({ proof: null }))
test('the opening balance says which way the first amount went', () => {
  const unsigned = tableOf([row('2026-02-02', '10.00', '90.00'), row('2026-02-03', '-20.00', '70.00')])
  expect(settle(unsigned, null, balances)).toMatchObject({ proof: true, table: { rows: sameCells(right()) } })
})
test('amounts that come out to the cent put a misread balance between them right', () => {
  const weak = tableOf([row('2026-02-02', '-10.00', '96.00'), row('2026-02-03', '-20.00', '70.00')], {
    confidence: 0.9,
  })
  expect(settle(weak, null, balances)).toMatchObject({
    proof: true,
    table: { repaired: true, rows: sameCells(right()) },
  })
})
test('days without a year get it from the period', () => {
  const short = tableOf([row('--02-02', '-10.00', '90.00'), row('--02-03', '-20.00', '70.00')])
  expect(
    settle(short, null, {
      ...balances,
      from: '2026-02-01',
      until: '2026-02-28',
    }).table?.rows.map((r) => r.cells.day),
  ).toEqual(['2026-02-02', '2026-02-03'])
})
test('a line of amounts that holds one of the paper’s own sums is explained by it', () => {
  const table = tableOf(cellsOf(right()), { unexplained: [[7000], [1240, 166955]] })
  expect(settle(table, null, balances).table?.unexplained).toEqual([[1240, 166955]])
})
test('lines of goods are borne out by the sum under them', () => {
  const lines = tableOf([goodsLine('2', '100.00', '200.00')])
  const settled = (net: string) =>
    selectTable(
      { byHead: () => lines, byContent: () => null, byColumns: () => null },
      goods,
      estimate,
      says({ before_tax: eur(net) }),
    )
  expect([settled('200.00').proof, settled('210.00').proof]).toEqual([true, false])
})
test('places of rows are those on the page as it leans', () => {
  const at = [0.08, 0.22, 0.6, 0.8]
  const lines = [
    'Date | Description | Amount | Balance',
    '02/02/2026 | Card payment | -10.00 | 90.00',
    '03/02/2026 | Transfer | -20.00 | 70.00',
  ]
  const leaning = pageOf(lines, { at, source: 'ocr', skew: 1 })
  const [level] = tableReadings([pageOf(lines, { at })], transactions)
    .byHead()!
    .rows.map((r) => r.place)
  const [place] = tableReadings([leaning], transactions)
    .byHead()!
    .rows.map((r) => r.place)
  expect(place.page).toBe(1)
  expect(place.box[3] - place.box[1]).toBeGreaterThanOrEqual(level.box[3] - level.box[1])
})
