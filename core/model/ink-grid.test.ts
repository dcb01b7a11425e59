import { packInk, strokesIn, unpackInk } from './ink-grid.ts'

const COLUMNS = 200
const ROWS = 280
function grid(dark: (x: number, y: number) => boolean) {
  const cells = new Uint8Array(COLUMNS * ROWS)
  for (let y = 0; y < ROWS; y++)
    for (let x = 0; x < COLUMNS; x++) if (dark(x, y)) cells[y * COLUMNS + x] = 200
  return packInk(COLUMNS, ROWS, cells)
}
const scrawl = (x: number, y: number) => x > 40 && x < 80 && Math.abs(y - 150 - 6 * Math.sin(x / 3)) < 1.2

test('packing and unpacking gives the same cells', () => {
  const cells = Uint8Array.from({ length: 12 }, (_, i) => i * 20)
  expect([...unpackInk(packInk(4, 3, cells))]).toEqual([...cells])
})
test('cells must fill the grid', () => expect(() => packInk(4, 4, new Uint8Array(3))).toThrow('do not fill'))
test('a pen leaves strokes', () => {
  const strokes = strokesIn(grid(scrawl), [0.1, 0.4, 0.6, 0.7], [])
  expect(strokes.cells).toBeGreaterThan(40)
  expect(strokes.width).toBeGreaterThan(0.15)
})
test('a signature line alone is no stroke', () => {
  expect(
    strokesIn(
      grid((x, y) => y === 150 && x > 20 && x < 120),
      [0.1, 0.4, 0.7, 0.7],
      [],
    ).cells,
  ).toBe(0)
})
test('a frame alone is no stroke', () => {
  const frame = (x: number, y: number) =>
    ((y === 120 || y === 180) && x >= 20 && x <= 120) || ((x === 20 || x === 120) && y >= 120 && y <= 180)
  expect(strokesIn(grid(frame), [0.05, 0.35, 0.75, 0.75], []).cells).toBe(0)
})
test('print does not count', () => {
  expect(strokesIn(grid(scrawl), [0.1, 0.4, 0.6, 0.7], [[0.15, 0.45, 0.5, 0.65]]).cells).toBe(0)
})
test('a row of dots to sign on is no pen’s, and a pen’s line over it is', () => {
  const [columns, rows] = [200, 280]
  const dotted = new Uint8Array(columns * rows)
  for (let x = 40; x < 90; x++) if (x % 4 !== 0) dotted[150 * columns + x] = 60
  const area: [number, number, number, number] = [0.1, 0.45, 0.6, 0.6]
  expect(strokesIn(packInk(columns, rows, dotted), area, []).cells).toBe(0)
  for (let x = 50; x < 80; x++) for (const y of [144 + (x % 7), 145 + (x % 7)]) dotted[y * columns + x] = 200
  expect(strokesIn(packInk(columns, rows, dotted), area, [])).not.toEqual({ cells: 0, width: 0, height: 0 })
  expect(strokesIn(packInk(columns, rows, dotted), area, []).cells).toBeGreaterThan(40)
})
test('a rule that leans by a hair, and dust around it, are no pen’s', () => {
  const leaning = (x: number, y: number) =>
    (y === 150 && x >= 60 && x < 105) || (y === 149 && x >= 45 && x < 60)
  const dust = (x: number, y: number) => (x === 50 && y === 130) || (x >= 80 && x < 82 && y >= 160 && y < 162)
  expect(
    strokesIn(
      grid((x, y) => leaning(x, y) || dust(x, y)),
      [0.1, 0.4, 0.7, 0.7],
      [],
    ).cells,
  ).toBe(0)
})
test('a pen’s dots beside its strokes are strokes', () => {
  const dotted = strokesIn(
    grid((x, y) => scrawl(x, y) || (x === 60 && y === 151)),
    [0.1, 0.4, 0.6, 0.7],
    [],
  )
  expect(dotted.cells).toBe(strokesIn(grid(scrawl), [0.1, 0.4, 0.6, 0.7], []).cells + 1)
})
