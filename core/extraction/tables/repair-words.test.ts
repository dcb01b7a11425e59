import { likelySpelling, repairWords } from './repair-words.ts'
import { cellsOf } from './row-order.ts'
import type { Table } from './table.ts'
import { entries as field, goods } from '../../testing/small-types.ts'
import { entry, goodsLine, tableOf } from '../../testing/table-of.ts'

const table = (notes: string[], wordConfidence = 0.8): Table =>
  tableOf(
    notes.map((note) => entry('2026-03-01', note, null, null)),
    { confidence: 0.8, wordConfidence },
  )
const mended = (given: Table) => {
  repairWords(given, field)
  return cellsOf(given).map((row) => row.note)
}

test('a word a letter off one that stands there three times is spelt like it', () => {
  const given = table(['Card payment Ferry', 'Card paymient Ferry', 'Card payment Row', 'Card payment Row'])
  expect(mended(given)[1]).toBe('Card payment Ferry')
  expect([given.repaired, given.wordConfidence]).toEqual([true, 0.5])
})
test('one that stands there twice is not enough to mend, but to ask', () => {
  const given = table(['Bakery Row', 'Bakery Row', 'Bakexy Row'])
  expect(mended(given)[2]).toBe('Bakexy Row')
  expect([...likelySpelling(given, field)]).toEqual([['bakexy', 'bakery']])
})
test('a plural is another word, and so is a short one', () =>
  expect(mended(table(['Pilots Stop', 'Pilots Stop', 'Pilots Stop', 'Pilot Stor'])).at(-1)).toBe(
    'Pilot Stor',
  ))
test('a text layer is spelt as it is', () =>
  expect(mended(table(['Card payment', 'Card payment', 'Card payment', 'Card paymient'], 1)).at(-1)).toBe(
    'Card paymient',
  ))
test('a firm’s “Lid” is its Ltd, and asked about; among goods a lid is a lid', () => {
  const given = table(['Salary Ellery Harbour Lid', 'Lid for the bait well'])
  expect(mended(given)).toEqual(['Salary Ellery Harbour Ltd', 'Lid for the bait well'])
  expect([given.repaired, given.wordConfidence]).toEqual([true, 0.5])
  const locker = tableOf([{ ...goodsLine('1', '5.00', '5.00'), what: 'Locker with a Lid' }], {
    wordConfidence: 0.8,
  })
  repairWords(locker, goods)
  expect(locker.rows[0].cells.what).toBe('Locker with a Lid')
})
test('a mark alone lends its spelling to no word', () =>
  expect(
    mended(
      table(['Rent +', 'Card payment Ferry', 'Card payment Row', 'Card payment Row', 'Card paymient Ferry']),
    ),
  ).toEqual(['Rent +', 'Card payment Ferry', 'Card payment Row', 'Card payment Row', 'Card payment Ferry']))
