import { isDigitSlip, isTruncated } from './digit-slips.ts'

test('lost figures are those in front', () => {
  expect(isTruncated(71660, 2071660)).toBe(true)
  expect(isTruncated(20716, 2071660)).toBe(false)
  expect(isTruncated(2071660, 2071660)).toBe(false)
})
test.each([
  [517400, 527400, true],
  [-3002, 3002, true],
  [20000, 220000, true],
  [12002, 3002, false],
  [3841560, 3731560, false],
])('%d for %d is a slip: %s', (read, meant, slip) => expect(isDigitSlip(read, meant)).toBe(slip))
