import { addMissingFirstRow, addMissingRows } from './missing-rows.ts'
import { repairTable } from './repair.ts'
import { cellsOf } from './row-order.ts'
import type { Table } from './table.ts'
import { entries as field } from '../../testing/small-types.ts'
import { entry, eur, tableOf } from '../../testing/table-of.ts'

/** Rows two hundredths of the page apart; the number before each says how many such steps down it stands. */
const table = (rows: [step: number, amount: string, balance: string][], confidence = 0.7): Table => {
  const made = tableOf(
    rows.map(([, amount, balance], i) => entry(`2026-03-0${i + 1}`, 'Card payment', amount, balance)),
    { confidence },
    rows.map(() => 0.95),
  )
  rows.forEach(([step], i) => {
    made.rows[i].place = { page: 1, box: [0.1, 0.2 + step * 0.02, 0.9, 0.21 + step * 0.02] }
  })
  return made
}
const whole: [number, string, string][] = [
  [0, '-10.00', '90.00'],
  [1, '-5.00', '85.00'],
  [2, '-7.00', '78.00'],
  [3, '-8.00', '70.00'],
]
const withGap: [number, string, string][] = [...whole, [5, '-3.00', '55.00'], [6, '-1.00', '54.00']]

const overTwoPages = (given: Table): Table => ({
  ...given,
  rows: given.rows.map((row, i) => ({ ...row, place: { ...row.place, page: i < 4 ? 1 : 2 } })),
})

test('a row is put where the balances leap and the paper has room, and they say what they can of it', () => {
  const read = table(withGap)
  repairTable(read, field)
  expect(read.rows).toHaveLength(7)
  expect(read.rows[4].cells).toEqual({
    day: null,
    note: null,
    moved: eur('-12.00'),
    left: eur('58.00'),
  })
  expect(read.rows[4].place.box[1]).toBeGreaterThanOrEqual(read.rows[3].place.box[3])
  expect(read.rows[4].place.box[3]).toBeLessThanOrEqual(read.rows[5].place.box[1])
})
test('what could be read of its line is the row’s own', () => {
  const read = table(withGap)
  read.unreadLines.push({
    place: { page: 1, box: [0.1, 0.282, 0.6, 0.29] },
    cells: { day: '2026-03-04', note: 'Fuel Quay', moved: null, left: null },
  })
  repairTable(read, field)
  expect(read.rows[4].cells).toEqual({
    day: '2026-03-04',
    note: 'Fuel Quay',
    moved: eur('-12.00'),
    left: eur('58.00'),
  })
})
test('newest first as well', () => {
  const read = table([
    [0, '-1.00', '54.00'],
    [1, '-3.00', '55.00'],
    [3, '-8.00', '70.00'],
    [4, '-7.00', '78.00'],
    [5, '-5.00', '85.00'],
  ])
  repairTable(read, field)
  expect(read.rows[2].cells).toMatchObject({ day: null, moved: eur('-12.00'), left: eur('58.00') })
})
test('room alone is a gap of the paper’s own, and a leap alone the paper’s own slip', () => {
  const roomy = table([...whole, [5, '-3.00', '67.00']])
  addMissingRows(roomy, field)
  expect(roomy.rows).toHaveLength(5)
  const leaping = table([...whole, [4, '-3.00', '55.00']])
  addMissingRows(leaping, field)
  expect(leaping.rows).toHaveLength(5)
})
test('of two lost rows nothing is known but that they are two', () => {
  const read = table([...whole, [6, '-3.00', '40.00']])
  repairTable(read, field)
  expect(read.rows.slice(4, 6).map((r) => r.cells.moved)).toEqual([null, null])
})
test('more room than rows are lost in, another page, and a text layer', () => {
  for (const given of [
    table([...whole, [12, '-3.00', '55.00']]),
    table(withGap, 1),
    overTwoPages(table(withGap)),
  ]) {
    addMissingRows(given, field)
    expect(cellsOf(given).every((row) => row.day !== null)).toBe(true)
  }
})

describe('before the first row', () => {
  const opened = (opening: string, from = 1, broughtForward = false) => {
    const read = {
      ...table(whole.map(([step, amount, balance]) => [step + from, amount, balance])),
      broughtForward,
    }
    addMissingFirstRow(read, field, eur(opening))
    return cellsOf(read).map((row) => [row.moved, row.left])
  }
  test('one that the opening balance asks for, where the head leaves room for it', () =>
    expect(opened('112.00')[0]).toEqual([eur('-12.00'), eur('100.00')]))
  test('none where the opening balance leads to the first row, or under its head nothing fits', () => {
    expect(opened('100.00')).toHaveLength(4)
    expect(opened('112.00', 0)).toHaveLength(4)
  })
  test('none where a balance brought forward takes the room: a misread opening balance is no lost row', () =>
    expect(opened('112.00', 1, true)).toHaveLength(4))
  test('none where the opening balance was misread: it has the first row’s figures and more', () =>
    expect(opened('1000.00')).toHaveLength(4))
  test('of two nothing is known but that they are two', () =>
    expect(opened('112.00', 2).slice(0, 2)).toEqual([
      [null, null],
      [null, null],
    ]))
})
