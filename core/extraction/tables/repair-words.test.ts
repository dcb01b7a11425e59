import { builtInTypes, typeById } from '../../program/types/index.ts'
import { likelySpelling, mendWords } from './repair-words.ts'
import type { Table } from './table.ts'

const field = typeById(builtInTypes, 'bank_statement').fields.find((f) => f.name === 'transactions')!
const table = (descriptions: string[], spelt = 0.8): Table => ({
  rows: descriptions.map((description) => ({ date: '2026-03-01', description, amount: null, balance: null })),
  places: [],
  head: { page: 1, box: [0, 0, 1, 1] },
  sure: 0.8,
  spelt,
  rowSure: [],
  pointed: false,
  repaired: false,
  led: false,
  unexplained: [],
  passed: [],
  unreadDays: new Map(),
  asRead: new Map(),
})
const mended = (given: Table) => {
  mendWords(given, field)
  return given.rows.map((r) => r.description)
}

test('a word a letter off one that stands there three times is spelt like it', () => {
  const given = table(['Card payment Ferry', 'Card paymient Ferry', 'Card payment Row', 'Card payment Row'])
  expect(mended(given)[1]).toBe('Card payment Ferry')
  expect([given.repaired, given.spelt]).toEqual([true, 0.5])
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
  expect([given.repaired, given.spelt]).toEqual([true, 0.5])
  const goods = table(['Locker with a Lid'])
  mendWords(
    goods,
    typeById(builtInTypes, 'purchase_quote').fields.find((f) => f.name === 'lines')!,
  )
  expect(goods.rows[0].description).toBe('Locker with a Lid')
})
test('a mark alone lends its spelling to no word', () =>
  expect(
    mended(
      table(['Rent +', 'Card payment Ferry', 'Card payment Row', 'Card payment Row', 'Card paymient Ferry']),
    ),
  ).toEqual(['Rent +', 'Card payment Ferry', 'Card payment Row', 'Card payment Row', 'Card payment Ferry']))
