import { figureSlip, lostDigits } from './digit-slips.ts'

test('lost figures are those in front', () => {
  expect(lostDigits(71660, 2071660)).toBe(true)
  expect(lostDigits(20716, 2071660)).toBe(false)
  expect(lostDigits(2071660, 2071660)).toBe(false)
})
test.each([
  [517400, 527400, true],
  [-3002, 3002, true],
  [20000, 220000, true],
  [12002, 3002, false],
  [3841560, 3731560, false],
])('%d for %d is a slip: %s', (read, meant, slip) => expect(figureSlip(read, meant)).toBe(slip))
