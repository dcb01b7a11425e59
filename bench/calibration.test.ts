import { drawCalibration } from './calibration.ts'

test('each tenth is drawn with how often it was right, and where its sureness lies', () => {
  const rows = drawCalibration([
    [0.95, true],
    [0.95, true],
    [0.95, true],
    [0.95, false],
    [0.52, false],
  ])
  expect(rows).toHaveLength(10)
  expect(rows[9]).toMatch(/^0\.9–1\.0 {2}█{30} +│ +0\.75 of 4$/)
  expect(rows[5]).toMatch(/^0\.5–0\.6 {3,}│ +0\.00 of 1$/)
  expect(rows[0]).toMatch(/–$/)
})
