import fc from 'fast-check'
import type { Value } from '../model/value.ts'
import { comparers } from './comparers.ts'

const word = fc.stringMatching(/^[A-Z][a-z]{2,9}$/)
const names = fc.tuple(word, word, fc.option(word)).map(([g, f, m]) => (m ? `${g} ${m} ${f}` : `${g} ${f}`))
const firms = fc
  .tuple(word, word, fc.constantFrom('Ltd', 'Limited', 'SA', ''))
  .map((parts) => parts.filter(Boolean).join(' '))
const places = fc
  .tuple(fc.integer({ min: 1, max: 99 }), word, fc.constantFrom('Road', 'Rd', 'Lane', 'Quay'), word)
  .map(([n, s, r, t]) => `${n} ${s} ${r}, ${t} SK4 2QD`)
const codes = fc.stringMatching(/^[A-Z]{2}-\d{5,8}$/)
const days = fc
  .date({ min: new Date('1950-01-01'), max: new Date('2030-12-31'), noInvalidDate: true })
  .map((d) => d.toISOString().slice(0, 10))
const sums = fc
  .integer({ min: 0, max: 9_000_000 })
  .map((c) => ({ amount: (c / 100).toFixed(2), currency: 'EUR' }))

const values: Record<keyof typeof comparers, fc.Arbitrary<Value>> = {
  name: names,
  org: firms,
  address: places,
  id: codes,
  date: days,
  money: sums,
  text: names,
}
const relation = (kind: keyof typeof comparers, a: Value, b: Value, sure = 1) =>
  comparers[kind]({ value: a, confidence: sure }, { value: b, confidence: 1 }).relation

describe.each(Object.keys(comparers) as (keyof typeof comparers)[])('values of kind %s', (kind) => {
  const value = values[kind]
  test('a value is the same as itself', () =>
    fc.assert(fc.property(value, (a) => relation(kind, a, a) === 'same')))
  test('it does not matter which side is which', () =>
    fc.assert(
      fc.property(
        value,
        value,
        fc.constantFrom(1, 0.6),
        (a, b, sure) =>
          relation(kind, a, b, sure) ===
          comparers[kind]({ value: b, confidence: 1 }, { value: a, confidence: sure }).relation,
      ),
    ))
})

describe.each(['name', 'org', 'address', 'id', 'text'] as const)('spellings of kind %s', (kind) => {
  test('case and spaces never make another value', () =>
    fc.assert(
      fc.property(values[kind], (a) => {
        const text = a as string
        return [text.toUpperCase(), text.toLowerCase(), text.replaceAll(' ', '  ')].every(
          (b) => relation(kind, a, b) !== 'different',
        )
      }),
    ))
  test('case does not change how two values lie', () =>
    fc.assert(
      fc.property(
        values[kind],
        values[kind],
        (a, b) =>
          (relation(kind, a, b) === 'different') ===
          (relation(kind, (a as string).toUpperCase(), b) === 'different'),
      ),
    ))
})
test('another amount by a euro and more is another amount', () =>
  fc.assert(
    fc.property(
      sums,
      fc.integer({ min: 100, max: 99_999 }),
      (a, more) =>
        relation('money', a, {
          amount: ((Math.round(Number(a.amount) * 100) + more) / 100).toFixed(2),
          currency: 'EUR',
        }) === 'different',
    ),
  ))
test('one other figure in a code that was read surely is another code', () =>
  fc.assert(
    fc.property(codes, fc.nat(4), (code, at) => {
      const i = 3 + at
      return (
        relation('id', code, code.slice(0, i) + String((Number(code[i]) + 1) % 10) + code.slice(i + 1)) ===
        'different'
      )
    }),
  ))
