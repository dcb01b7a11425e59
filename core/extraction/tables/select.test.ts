import { pageOf } from '../../testing/page-of.ts'
import { builtInTypes, typeById } from '../../program/types/index.ts'
import { bestTable, twoReadings } from './select.ts'
import type { Money, Value } from '../../model/value.ts'
import type { Table } from './table.ts'

const statement = typeById(builtInTypes, 'bank_statement')
const transactions = statement.fields.find((f) => f.name === 'transactions')!
const quote = typeById(builtInTypes, 'purchase_quote')
const goods = quote.fields.find((f) => f.name === 'lines')!
const eur = (amount: string): Money => ({ amount, currency: 'EUR' })

/** A table of rows that were read so surely. */
const tableOf = (rows: Table['rows'], more: Partial<Table> = {}): Table => ({
  rows,
  places: rows.map(() => ({ page: 1, box: [0, 0, 1, 0.1] })),
  head: { page: 1, box: [0, 0, 1, 0.1] },
  sure: 1,
  spelt: 1,
  rowSure: rows.map(() => 1),
  pointed: false,
  repaired: false,
  led: false,
  unexplained: [],
  passed: [],
  unreadDays: new Map(),
  asRead: new Map(),
  ...more,
})
const row = (date: string, amount: string | null, balance: string | null) => ({
  date,
  description: 'Card',
  amount: amount === null ? null : eur(amount),
  balance: balance === null ? null : eur(balance),
})
const says =
  (values: Record<string, Value>) =>
  (name: string): Value =>
    values[name] ?? null
const settle = (byHead: Table | null, byContent: Table | null, values: Record<string, Value>) =>
  bestTable({ byHead: () => byHead, byContent: () => byContent }, transactions, statement, says(values))

const balances = { opening_balance: eur('100.00'), closing_balance: eur('70.00') }
const right = () => tableOf([row('2026-02-02', '-10.00', '90.00'), row('2026-02-03', '-20.00', '70.00')])
const wrong = () => tableOf([row('2026-02-02', '-10.00', '90.00'), row('2026-02-03', '-25.00', '65.00')])

describe('of two readings of a table', () => {
  test('the one by its head counts where the balances bear it out, and the other is never read', () => {
    const readings = {
      byHead: right,
      byContent: () => {
        throw new Error('read for nothing')
      },
    }
    expect(bestTable(readings, transactions, statement, says(balances))).toMatchObject({
      proof: true,
      table: { rows: right().rows },
    })
  })
  test('the one by content counts where it alone comes out', () =>
    expect(settle(wrong(), right(), balances)).toMatchObject({ proof: true, table: { rows: right().rows } }))
  test('where neither does, the one with more in its cells counts, unproven', () => {
    const empty = tableOf([row('2026-02-02', null, '90.00'), row('2026-02-03', null, '70.00')])
    expect(settle(empty, wrong(), balances)).toMatchObject({ proof: false, table: { rows: wrong().rows } })
    expect(settle(wrong(), empty, balances)).toMatchObject({ proof: false, table: { rows: wrong().rows } })
  })
  test('what was only reckoned from other cells does not count as read', () => {
    const reckoned = right()
    reckoned.rows.forEach((r) => reckoned.asRead.set(r, { amount: null, balance: null }))
    expect(settle(reckoned, wrong(), {})).toMatchObject({ table: { rows: wrong().rows } })
  })
  test('a table that only its head shows is that one', () =>
    expect(settle(wrong(), null, balances)).toMatchObject({ proof: false, table: { rows: wrong().rows } }))
  test('where there is none, there is none', () =>
    expect(settle(null, null, balances)).toEqual({ table: null, proof: null }))
})

test('without the balances at both ends nothing is proved', () =>
  expect(settle(right(), null, { opening_balance: eur('100.00') })).toMatchObject({ proof: null }))
test('the opening balance says which way the first amount went', () => {
  const unsigned = tableOf([row('2026-02-02', '10.00', '90.00'), row('2026-02-03', '-20.00', '70.00')])
  expect(settle(unsigned, null, balances)).toMatchObject({ proof: true, table: { rows: right().rows } })
})
test('amounts that come out to the cent put a misread balance between them right', () => {
  const weak = tableOf([row('2026-02-02', '-10.00', '96.00'), row('2026-02-03', '-20.00', '70.00')], {
    sure: 0.9,
  })
  expect(settle(weak, null, balances)).toMatchObject({
    proof: true,
    table: { repaired: true, rows: right().rows },
  })
})
test('days without a year get it from the period', () => {
  const short = tableOf([row('--02-02', '-10.00', '90.00'), row('--02-03', '-20.00', '70.00')])
  expect(
    settle(short, null, {
      ...balances,
      statement_start: '2026-02-01',
      statement_end: '2026-02-28',
    }).table?.rows.map((r) => r.date),
  ).toEqual(['2026-02-02', '2026-02-03'])
})
test('a line of amounts that holds one of the paper’s own sums is explained by it', () => {
  const table = tableOf(right().rows, { unexplained: [[7000], [1240, 166955]] })
  expect(settle(table, null, balances).table?.unexplained).toEqual([[1240, 166955]])
})
test('lines of goods are borne out by the sum under them', () => {
  const lines = tableOf([
    { description: 'Kit', quantity: '2', unit_price: eur('100.00'), amount: eur('200.00') },
  ])
  const settled = (net: string) =>
    bestTable({ byHead: () => lines, byContent: () => null }, goods, quote, says({ net_amount: eur(net) }))
  expect([settled('200.00').proof, settled('210.00').proof]).toEqual([true, false])
})
test('places of rows are those on the page as it leans', () => {
  const at = [0.08, 0.22, 0.6, 0.8]
  const lines = [
    'Date | Description | Amount | Balance',
    '02/02/2026 | Card payment | -10.00 | 90.00',
    '03/02/2026 | Transfer | -20.00 | 70.00',
  ]
  const leaning = pageOf(lines, { at, source: 'ocr', lean: 1 })
  const [level] = twoReadings([pageOf(lines, { at })], transactions).byHead()!.places
  const [place] = twoReadings([leaning], transactions).byHead()!.places
  expect(place.page).toBe(1)
  expect(place.box[3] - place.box[1]).toBeGreaterThanOrEqual(level.box[3] - level.box[1])
})
