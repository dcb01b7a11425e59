import { builtInTypes, typeById } from '../../program/types/index.ts'
import { mendSigns } from './repair-signs.ts'
import { GUESSED } from './repair-words.ts'
import type { Money } from '../../model/value.ts'
import type { Table } from './table.ts'

const field = typeById(builtInTypes, 'bank_statement').fields.find((f) => f.name === 'transactions')!
const eur = (amount: string | null) => (amount === null ? null : { amount, currency: 'EUR' })
const mended = (rows: [description: string, amount: string | null, balance: string | null][], sure = 0.7) => {
  const table: Table = {
    rows: rows.map(([description, amount, balance]) => ({
      date: '2026-02-01',
      description,
      amount: eur(amount),
      balance: eur(balance),
    })),
    places: [],
    head: { page: 1, box: [0, 0, 1, 1] },
    sure,
    spelt: 1,
    rowSure: [],
    pointed: false,
    repaired: false,
    led: false,
    unexplained: [],
    passed: [],
    unreadDays: new Map(),
    asRead: new Map(),
  }
  mendSigns(table, field)
  return { first: (table.rows[0].amount as Money | null)?.amount ?? null, spelt: table.spelt }
}
const behind: [string, string, string][] = [
  ['Cash machine Merrow', '-20.00', '80.00'],
  ['Salary Ellery Harbour', '500.00', '580.00'],
  ['Standing order rent', '-80.00', '500.00'],
]

test('the first row goes the way of its kind, and a person is asked', () =>
  expect(mended([['Cash machine Port Ellery', '97.89', '100.00'], ...behind])).toEqual({
    first: '-97.89',
    spelt: GUESSED,
  }))
test('a kind of its own stays as it was read', () =>
  expect(mended([['Refund Chandlery Ltd', '97.89', '100.00'], ...behind])).toEqual({
    first: '97.89',
    spelt: 1,
  }))
test('a kind that goes both ways says nothing', () =>
  expect(
    mended([
      ['Cash machine Port Ellery', '97.89', '100.00'],
      ...behind,
      ['Cash machine Merrow', '20.00', '520.00'],
    ]).first,
  ).toBe('97.89'))
test('one word is no kind of booking', () =>
  expect(
    mended([
      ['Cash', '97.89', '100.00'],
      ['Cash', '-20.00', '80.00'],
    ]).first,
  ).toBe('97.89'))
test('a sign that is right is no question', () =>
  expect(mended([['Cash machine Port Ellery', '-97.89', '100.00'], ...behind])).toEqual({
    first: '-97.89',
    spelt: 1,
  }))
test('a text layer is believed to the letter', () =>
  expect(mended([['Cash machine Port Ellery', '97.89', '100.00'], ...behind], 1).first).toBe('97.89'))
