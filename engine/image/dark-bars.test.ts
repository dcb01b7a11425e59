import { packInk } from '../../core/model/ink-grid.ts'
import { darkBars, densePatches } from './dark-bars.ts'
import type { Grey } from './greyscale.ts'

const [WIDTH, HEIGHT] = [1000, 600]
const sheet = (dark: (x: number, y: number) => boolean): Grey => {
  const data = new Uint8Array(WIDTH * HEIGHT).fill(245)
  for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) if (dark(x, y)) data[y * WIDTH + x] = 15
  return { width: WIDTH, height: HEIGHT, data }
}
const bars =
  (left: number, top: number) =>
  (x: number, y: number): boolean =>
    x >= left && x < left + 300 && y >= top && y < top + 80 && ((x - left) * 7) % 11 < 5
/** Lines of letters: strokes that differ from row to row. */
const print = (x: number, y: number): boolean =>
  y % 24 < 12 && x > 80 && x < 900 && (x * 13 + (y % 24) * 29) % 17 < 6

test('bars are found with a margin around them', () => {
  const [patch] = darkBars(sheet(bars(400, 200)))
  expect(patch.left).toBeLessThan(400)
  expect(patch.left + patch.width).toBeGreaterThan(700)
  expect(patch.top).toBeLessThan(200)
  expect(patch.top + patch.height).toBeGreaterThan(280)
})
test('lines of print, rules and an empty page are none', () => {
  expect(darkBars(sheet(print))).toEqual([])
  expect(darkBars(sheet((_, y) => y % 40 === 0))).toEqual([])
  expect(darkBars(sheet(() => false))).toEqual([])
})
test('of two codes the larger comes first, and neither leaves the page', () => {
  const found = darkBars(sheet((x, y) => bars(5, 5)(x, y) || (bars(600, 400)(x, y) && y < 450)))
  expect(found).toHaveLength(2)
  expect(found[0].top).toBe(0)
  for (const p of found)
    expect([p.left >= 0, p.left + p.width <= WIDTH, p.top + p.height <= HEIGHT]).toEqual([true, true, true])
})
test('a page narrower than a code has none', () =>
  expect(darkBars({ width: 120, height: 40, data: new Uint8Array(4800).fill(200) })).toEqual([]))

const [COLUMNS, ROWS] = [200, 120]
const grid = (dark: (x: number, y: number) => number) =>
  packInk(
    COLUMNS,
    ROWS,
    Uint8Array.from({ length: COLUMNS * ROWS }, (_, i) => dark(i % COLUMNS, Math.floor(i / COLUMNS))),
  )
const square = (x: number, y: number) =>
  x >= 60 && x < 78 && y >= 40 && y < 58 ? 90 + ((x * y) % 3) * 40 : 0

test('a square that is dark by half in every row and column may be a code', () => {
  const [patch, ...others] = densePatches(
    sheet(() => false),
    grid(square),
  )
  expect(others).toEqual([])
  const [sx, sy] = [WIDTH / COLUMNS, HEIGHT / ROWS]
  expect(patch.left).toBeLessThanOrEqual(60 * sx)
  expect(patch.left + patch.width).toBeGreaterThanOrEqual(78 * sx)
  expect(patch.top).toBeLessThanOrEqual(40 * sy)
})
test('lines of print have paper between them, and a black square has no code in it', () => {
  expect(
    densePatches(
      sheet(() => false),
      grid((x, y) => (y % 4 < 2 ? square(x, y) : 0)),
    ),
  ).toEqual([])
  expect(
    densePatches(
      sheet(() => false),
      grid((x, y) => (square(x, y) ? 255 : 0)),
    ),
  ).toEqual([])
})
