import { cropToInk } from './crop-to-ink.ts'

/** A picture of paper with ink in some rows. */
const lined = (height: number, from: number, to: number) => ({
  width: 40,
  height,
  data: Uint8Array.from({ length: 40 * height }, (_, i) =>
    Math.floor(i / 40) >= from && Math.floor(i / 40) < to && i % 3 ? 20 : 240,
  ),
})

test('paper far above and below the ink goes, a little stays', () => {
  const line = cropToInk(lined(60, 20, 40))
  expect([line.width, line.height]).toEqual([40, 26])
  expect([...line.data.subarray(0, 40)].every((dot) => dot === 240)).toBe(true)
  expect(line.data[3 * 40]).toBe(20)
})

test('a line whose ink fills it gets some paper', () => expect(cropToInk(lined(20, 0, 20)).height).toBe(26))

test('a line without ink stays as it is', () => expect(cropToInk(lined(20, 0, 0)).height).toBe(20))
