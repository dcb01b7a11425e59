import { fullestStrip, inkLevel, turned, type Grey } from './greyscale.ts'
import { inkGrid, measure, reduce } from './measure.ts'
import { straighten } from './straighten.ts'
import { unpackInk } from '../../core/model/ink-grid.ts'

const draw = (width: number, height: number, dark: (x: number, y: number) => boolean) => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) =>
    dark(i % width, Math.floor(i / width)) ? 30 : 240,
  ),
})
/** Lines of dashes that lean by so many degrees, as print does. */
const leaning = (degrees: number) =>
  draw(700, 900, (x, y) => {
    const level = y - Math.tan((degrees * Math.PI) / 180) * x
    const line = Math.floor(level / 30)
    return (
      x > 60 &&
      x < 640 &&
      line >= 3 &&
      line < 27 &&
      level - line * 30 < 9 &&
      (x + line * line * 17) % (19 + (line % 7) * 5) < 15
    )
  })

test.each([-3, -1, 0, 1.5, 4])('print that leans by %d degrees is measured so', (degrees) =>
  expect(measure(leaning(degrees)).skew).toBeCloseTo(degrees, 0),
)
test('lines that run down the page are seen', () =>
  expect(measure(turned(leaning(0), 90)).sideways).toBe(true))
test.each([-2, 1.5])(
  'columns of a table that leans by %d degrees as well, should its lines prove to run down',
  (degrees) => {
    // A grid of dots runs both ways alike: which way it was taken for is a guess, and both angles are known.
    const grid = draw(420, 594, (x, y) => {
      const [u, v] = [
        x + Math.tan((degrees * Math.PI) / 180) * y,
        y - Math.tan((degrees * Math.PI) / 180) * x,
      ]
      return x > 40 && x < 380 && y > 40 && y < 550 && ((u % 14) + 14) % 14 < 4 && ((v % 14) + 14) % 14 < 4
    })
    const { skew, skewOtherwise } = measure(grid)
    expect(skew).toBeCloseTo(degrees, 0)
    expect(skewOtherwise).toBeCloseTo(degrees, 0)
  },
)
test('a white page is light and without contrast', () =>
  expect(measure(draw(300, 400, () => false))).toMatchObject({ dark: 0 }))
test('turning a leaning picture back makes it straight', () => {
  const { picture } = straighten(leaning(3), 3)
  expect(Math.abs(measure(picture).skew)).toBeLessThan(0.6)
})
test('boxes find their way back to the leaning picture', () => {
  const { back } = straighten(leaning(3), 3)
  const [l, t, r, b] = back([0.45, 0.45, 0.55, 0.55])
  expect((l + r) / 2).toBeCloseTo(0.5, 2)
  expect((t + b) / 2).toBeCloseTo(0.5, 2)
})
test('four quarter turns are none', () => {
  const picture = draw(5, 3, (x, y) => x === 1 && y === 2)
  expect([1, 2, 3, 4].reduce<Grey>((p) => turned(p, 90), picture)).toEqual(picture)
  expect(turned(turned(picture, 180), 180)).toEqual(picture)
})
test('a reduced dot is the mean of those it stands for', () =>
  expect([
    ...reduce(
      draw(4, 4, (x) => x < 2),
      2,
    ).data,
  ]).toEqual([30, 240, 30, 240]))
test('the level between ink and paper lies between them', () => {
  const level = inkLevel(draw(50, 50, (x) => x < 10))
  expect(level).toBeGreaterThanOrEqual(30)
  expect(level).toBeLessThan(240)
})
test('ink is where it is dark', () => {
  const cells = unpackInk(inkGrid(draw(400, 400, (x, y) => x < 200 && y < 200)))
  expect(cells[0]).toBe(255)
  expect(cells.at(-1)).toBe(0)
})
test('a dark bar that the edge cuts straight does not hide how the print leans', () => {
  const print = leaning(0.8)
  for (let y = 30; y < 90; y++) for (let x = 0; x < 700; x++) print.data[y * 700 + x] = 40
  expect(measure(print).skew).toBeCloseTo(0.8, 0)
  expect(measure(print).skew).toBeGreaterThan(0.4)
})
test('the fullest strip lies where the print is', () => {
  const picture = draw(400, 1000, (x, y) => y >= 700 && y < 800 && x % 9 < 4)
  const strip = fullestStrip(picture)
  expect([strip.width, strip.height]).toEqual([400, 140])
  expect(strip.data.filter((dot) => dot < 100).length).toBe(picture.data.filter((dot) => dot < 100).length)
})
