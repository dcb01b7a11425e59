import fc from 'fast-check'
import { calibrate, ON_PICTURES, ON_TEXT } from './probability.ts'
import { cents, fromCents, groupThousands, plain } from './value.ts'

test('a higher score is never less likely right', () => {
  fc.assert(fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) => [ON_TEXT, ON_PICTURES].every((curve) => (a <= b ? calibrate(a, curve) <= calibrate(b, curve) : calibrate(a, curve) >= calibrate(b, curve)))))
})
test('probabilities stay between 0 and 1', () => expect([calibrate(0, ON_TEXT), calibrate(1, ON_TEXT)]).toEqual([0.02, 0.996]))
test('the same score says less on a picture', () => expect(calibrate(0.7, ON_PICTURES)).toBeLessThan(calibrate(0.7, ON_TEXT)))

test('cents and back', () => {
  fc.assert(fc.property(fc.integer({ min: -1e9, max: 1e9 }), (n) => cents(fromCents(n)) === n))
})
test.each([['48750.00', '48,750.00'], ['-1234567.05', '-1,234,567.05'], ['5.00', '5.00']])('%s is grouped as %s', (amount, grouped) => expect(groupThousands(amount)).toBe(grouped))
test('values in one line', () => expect([plain(null), plain(true), plain({ amount: '5.00', currency: 'EUR' }), plain('x'), plain([{ a: 'b', c: null }])]).toEqual(['', 'yes', 'EUR 5.00', 'x', 'b | ']))
