import { repairBetweenBalances, repairGoods, repairAmounts } from './repair-amounts.ts'
import { cellsOf } from './row-order.ts'
import { GUESSED, type Table } from './table.ts'
import { entries as field, goods } from '../../testing/small-types.ts'
import { entry, eur, goodsLine, tableOf } from '../../testing/table-of.ts'
import type { Row } from '../../model/value.ts'

const table = (
  cells: [amount: string | null, balance: string | null][],
  confidence = 0.7,
  rowConfidence = cells.map(() => 0.95),
): Table =>
  tableOf(
    cells.map(([amount, balance], i) => entry(`2026-03-0${i + 1}`, 'x', amount, balance)),
    { confidence },
    rowConfidence,
  )
const amounts = (...cells: Row[string][]) => cells.map((c) => (c && typeof c === 'object' ? c.amount : null))
const mended = (given: Table) => {
  repairAmounts(given, field)
  return cellsOf(given).map((row) => amounts(row.moved, row.left))
}

test('a balance that lost its first digits', () =>
  expect(
    mended(
      table([
        ['-10.00', '6090.00'],
        ['-40.00', '50.00'],
        ['-50.00', '6000.00'],
      ]),
    )[1],
  ).toEqual(['-40.00', '6050.00']))
test('several in a row', () =>
  expect(
    mended(
      table([
        ['-10.00', '6090.00'],
        ['-40.00', '50.00'],
        ['-45.00', '5.00'],
        ['-5.00', '6000.00'],
      ]),
    ).map((r) => r[1]),
  ).toEqual(['6090.00', '6050.00', '6005.00', '6000.00']))
test('an amount that is lacking', () =>
  expect(
    mended(
      table([
        ['-10.00', '90.00'],
        [null, '50.00'],
        ['-5.00', '45.00'],
      ]),
    )[1],
  ).toEqual(['-40.00', '50.00']))
test('both lacking, between two rows that are there', () =>
  expect(
    mended(
      table([
        ['-10.00', '90.00'],
        [null, null],
        ['-5.00', '45.00'],
      ]),
    )[1],
  ).toEqual(['-40.00', '50.00']))
test('a clear amount that does not fit stays: that is a finding, not a misreading', () =>
  expect(
    mended(
      table([
        ['-10.00', '90.00'],
        ['-41.00', '50.00'],
        ['-5.00', '45.00'],
      ]),
    )[1],
  ).toEqual(['-41.00', '50.00']))
test('a weakly read one is mended', () =>
  expect(
    mended(
      table(
        [
          ['-10.00', '90.00'],
          ['-41.00', '50.00'],
          ['-5.00', '45.00'],
        ],
        0.6,
        [0.95, 0.6, 0.95],
      ),
    )[1],
  ).toEqual(['-40.00', '50.00']))
test('one that is far off stays: a row between was lost, and the two are not one', () =>
  expect(
    mended(
      table(
        [
          ['-10.00', '4164.34'],
          ['-96.46', '4032.29'],
          ['-26.79', '4005.50'],
        ],
        0.6,
        [0.95, 0.6, 0.95],
      ),
    )[1],
  ).toEqual(['-96.46', '4032.29']))
test('a figure too many in front of an amount, as a rule before it is read', () =>
  expect(
    mended(
      table([
        ['-10.00', '1552.73'],
        ['-7141.70', '1411.03'],
        ['-122.99', '1288.04'],
      ]),
    )[1],
  ).toEqual(['-141.70', '1411.03']))
test('a text layer is believed to the letter', () =>
  expect(
    mended(
      table(
        [
          ['-10.00', '90.00'],
          [null, '50.00'],
          ['-5.00', '45.00'],
        ],
        1,
      ),
    )[1],
  ).toEqual([null, '50.00']))
test('balances lost in a row are borne out by the amounts between two that are there', () => {
  expect(
    mended(
      table([
        ['-10.00', '6090.00'],
        ['-40.12', null],
        ['-45.31', '205.00'],
        ['-5.00', '5999.57'],
      ]),
    ).map((r) => r[1]),
  ).toEqual(['6090.00', '6049.88', '6004.57', '5999.57'])
})

describe('lines of a quote', () => {
  const line = (cells: [string | null, string | null, string | null], confidence = 0.7) => {
    const given = tableOf([goodsLine(...cells)], { confidence })
    repairGoods(given, goods)
    return amounts(given.rows[0].cells.each, given.rows[0].cells.all)
  }
  test.each([
    ['a price that lost its first digit', ['2', '696.50', '3393.00'], ['1696.50', '3393.00']],
    ['a price that is lacking', ['2', null, '3393.00'], ['1696.50', '3393.00']],
    ['an amount that lost its first digits', ['2', '1696.50', '393.00'], ['1696.50', '3393.00']],
    ['an amount that is lacking', ['3', '10.00', null], ['10.00', '30.00']],
    ['a price with a remnant of a rule for a minus', ['1', '-390.00', '390.00'], ['390.00', '390.00']],
    ['a price that differs otherwise stays', ['2', '1700.00', '3393.00'], ['1700.00', '3393.00']],
    ['without a quantity nothing follows', [null, '696.50', '3393.00'], ['696.50', '3393.00']],
  ] as [string, [string | null, string | null, string | null], string[]][])('%s', (_, cells, mendedTo) =>
    expect(line(cells)).toEqual(mendedTo),
  )
  test('a text layer is believed to the letter', () =>
    expect(line(['2', '696.50', '3393.00'], 1)).toEqual(['696.50', '3393.00']))
})
test('a figure too many that no rule looks like is the paper’s own: what does not add up must not be argued away', () => {
  expect(
    mended(
      table([
        ['-63.80', '6291.44'],
        ['-94.62', '6286.82'],
        ['-54.81', '6232.01'],
      ]),
    )[1],
  ).toEqual(['-94.62', '6286.82'])
})

describe('between the balances that the paper opens and closes with', () => {
  const cells: [string | null, string | null][] = [
    ['-10.00', '91.00'],
    ['-40.00', '50.00'],
    ['-5.00', '46.00'],
  ]
  const between = (
    ends: { opening: number | null; closing: number | null },
    rowConfidence = cells.map(() => 0.6),
  ) => {
    const given = table(cells, 0.6, rowConfidence)
    repairAmounts(given, field)
    repairBetweenBalances(given, field, ends)
    return {
      rows: cellsOf(given).map((row) => amounts(row.moved, row.left)),
      wordConfidence: given.wordConfidence,
    }
  }
  test('the first row and the last are held by both sides, and a person is asked', () => {
    expect(between({ opening: 10000, closing: 4500 })).toEqual({
      rows: [
        ['-10.00', '90.00'],
        ['-40.00', '50.00'],
        ['-5.00', '45.00'],
      ],
      wordConfidence: GUESSED,
    })
  })
  test('an amount read surely stays, whatever the ends say', () => {
    const given = table([
      ['-11.00', '90.00'],
      ['-40.00', '50.00'],
      ['-5.00', '45.00'],
    ])
    repairAmounts(given, field)
    repairBetweenBalances(given, field, { opening: 10000, closing: 4500 })
    expect([given.rows[0].cells.moved, given.wordConfidence]).toEqual([eur('-11.00'), 1])
  })
  test('an end that is far off was taken from another amount, and changes nothing', () => {
    expect(between({ opening: -1000, closing: null }).rows[0]).toEqual(
      between({ opening: null, closing: null }).rows[0],
    )
  })
})
