import type { Grey } from './greyscale.ts'
import { shearColumns, shearRows } from './deskew.ts'

const drawn = (width: number, height: number, dark: (x: number, y: number) => boolean): Grey => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) =>
    dark(i % width, Math.floor(i / width)) ? 0 : 255,
  ),
})
/** Middle of the ink in each row, or where there is none, null. */
const middles = ({ width, height, data }: Grey): (number | null)[] =>
  Array.from({ length: height }, (_, y) => {
    let [sum, ink] = [0, 0]
    for (let x = 0; x < width; x++) {
      const dark = 255 - data[y * width + x]
      sum += (x + 0.5) * dark
      ink += dark
    }
    return ink > 0 ? sum / ink : null
  })
const turnedOver = ({ width, height, data }: Grey): Grey => ({
  width: height,
  height: width,
  data: Uint8Array.from(
    { length: width * height },
    (_, i) => data[(i % height) * width + Math.floor(i / height)],
  ),
})

test('a standing stroke leans after its rows were moved, by parts of a dot', () => {
  const leaning = shearRows(
    drawn(60, 81, (x) => x >= 28 && x < 32),
    0.1,
    255,
  )
  expect(leaning.height).toBe(81)
  middles(leaning).forEach((middle, y) => expect(middle! - leaning.width / 2).toBeCloseTo(0.1 * (y - 40), 0))
  const [above, below] = [middles(leaning)[20]!, middles(leaning)[25]!]
  expect(below - above).toBeCloseTo(0.5, 1)
})
test('columns are moved down as rows are moved along', () => {
  const given = drawn(50, 70, (x, y) => x > 20 && x < 40 && y > 30 && y < 33)
  const inked = (p: Grey) => p.data.reduce((sum, dot) => sum + 255 - dot, 0)
  const [down, along] = [
    turnedOver(shearColumns(given, -0.07, 255)),
    shearRows(turnedOver(given), -0.07, 255),
  ]
  expect(inked(down) / inked(along)).toBeCloseTo(1, 3)
  middles(along).forEach((middle, y) => {
    if (middle !== null) expect(middles(down)[y]! - down.width / 2).toBeCloseTo(middle - along.width / 2, 0)
  })
})
test('nothing moves off the picture, and what was not there is paper', () => {
  const full = drawn(40, 100, () => true)
  const leaning = shearRows(full, 0.2, 200)
  expect(leaning.width).toBe(60)
  for (const [y, corner] of [
    [0, 59],
    [99, 0],
  ])
    expect(leaning.data[y * 60 + corner]).toBe(200)
  const ink = (p: Grey) => p.data.reduce((sum, dot) => sum + 200 - dot, 0)
  expect(ink(leaning) / ink(full)).toBeCloseTo(1, 1)
})
test('without a slope the picture stays as it is', () => {
  const given = drawn(12, 7, (x, y) => (x * y) % 3 === 1)
  expect(shearRows(given, 0, 255)).toEqual(given)
  expect(shearColumns(given, 0, 255)).toEqual(given)
})
test('where there is only paper of another shade, it stays as it is', () => {
  const given: Grey = { width: 40, height: 30, data: new Uint8Array(1200).fill(181) }
  expect(new Set(shearColumns(shearRows(given, 0.1, 181), -0.1, 181).data)).toEqual(new Set([181]))
})
