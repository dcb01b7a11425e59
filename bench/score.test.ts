import { calibrationError, equalValues } from './score.ts'

test.each([
  ['Ottilie Varnham', 'OTTILIE  VARNHAM', true],
  ['SKR-88241', 'SKR 88241', true],
  ['Ms Aoife Nic Craith', 'Aoife Nic Craith', true],
  ['2026-03-14', '2026-03-15', false],
  [{ amount: '5.00', currency: 'EUR' }, { amount: '5', currency: 'EUR' }, true],
  [{ amount: '5.00', currency: 'EUR' }, { amount: '5.00', currency: 'GBP' }, false],
  [true, false, false],
  [null, null, true],
  [null, 'x', false],
])('%j and %j are equal after normalisation: %s', (a, b, equal) => expect(equalValues(a, b)).toBe(equal))
test('a table is right when every row is', () => {
  const row = (amount: string) => ({ date: '2026-01-02', amount: { amount, currency: 'EUR' } })
  expect(equalValues([row('1.00'), row('2.00')], [row('1.00'), row('2.00')])).toBe(true)
  expect(equalValues([row('1.00'), row('2.00')], [row('1.00'), row('2.01')])).toBe(false)
  expect(equalValues([row('1.00')], [row('1.00'), row('2.00')])).toBe(false)
})
test('calibration: sure and right is no error, sure and wrong is all of it', () => {
  expect(
    calibrationError([
      [1, true],
      [1, true],
    ]),
  ).toBeCloseTo(0)
  expect(calibrationError([[1, false]])).toBeCloseTo(1)
  expect(
    calibrationError([
      [0.55, true],
      [0.55, false],
    ]),
  ).toBeCloseTo(0.05)
  expect(calibrationError([])).toBeNull()
})
