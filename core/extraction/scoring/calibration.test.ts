import fc from 'fast-check'
import { calibrate, PROVED_RIGHT } from './calibration.ts'
import { cents, fromCents, groupThousands, plain } from '../../model/value.ts'

test('a higher score is never less likely right', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (a, b) =>
        a <= b
          ? calibrate(a, PROVED_RIGHT) <= calibrate(b, PROVED_RIGHT)
          : calibrate(a, PROVED_RIGHT) >= calibrate(b, PROVED_RIGHT),
    ),
  )
})
test('probabilities stay between 0 and 1', () =>
  [0, 1].forEach((share) => {
    expect(calibrate(share, PROVED_RIGHT)).toBeGreaterThan(0)
    expect(calibrate(share, PROVED_RIGHT)).toBeLessThan(1)
  }))

test('cents and back', () => {
  fc.assert(fc.property(fc.integer({ min: -1e9, max: 1e9 }), (n) => cents(fromCents(n, 'USD')) === n))
})
test.each([
  ['48750.00', '48,750.00'],
  ['-1234567.05', '-1,234,567.05'],
  ['5.00', '5.00'],
])('%s is grouped as %s', (amount, grouped) => expect(groupThousands(amount)).toBe(grouped))
test('values in one line', () =>
  expect([
    plain(null),
    plain(true),
    plain({ amount: '5.00', currency: 'EUR' }),
    plain('x'),
    plain([{ a: 'b', c: null }]),
  ]).toEqual(['', 'yes', 'EUR 5.00', 'x', 'b | ']))
