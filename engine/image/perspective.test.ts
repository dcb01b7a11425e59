import type { Grey } from './greyscale.ts'
import { findSheet, unwarp, type Quad } from './perspective.ts'

const [WIDTH, HEIGHT] = [960, 1280]
const corners: Quad = [
  [150, 120],
  [820, 190],
  [880, 1150],
  [90, 1060],
]

/** A white sheet with a black square in its middle, seen aslant on a dark table. */
function photograph(quad: Quad, table = 60): Grey {
  const data = new Uint8Array(WIDTH * HEIGHT).fill(table)
  const inside = (x: number, y: number) =>
    quad.every(([ax, ay], i) => {
      const [bx, by] = quad[(i + 1) % 4]
      return (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= 0
    })
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++)
      if (inside(x, y)) data[y * WIDTH + x] = Math.abs(x - 484) < 40 && Math.abs(y - 591) < 40 ? 20 : 235
  return { width: WIDTH, height: HEIGHT, data }
}

test('the corners of a photographed sheet are found', () => {
  const found = findSheet(photograph(corners))!
  found.forEach(([x, y], i) => {
    expect(Math.abs(x - corners[i][0])).toBeLessThan(12)
    expect(Math.abs(y - corners[i][1])).toBeLessThan(12)
  })
})
test('put right, the sheet fills the picture and its middle is its middle', () => {
  const flat = unwarp(photograph(corners), 1, corners)
  expect(flat.data.filter((v) => v > 30 && v < 100).length / flat.data.length).toBeLessThan(0.01)
  expect(flat.data[Math.floor(flat.height / 2) * flat.width + Math.floor(flat.width / 2)]).toBeLessThan(40)
  expect(flat.data[5 * flat.width + 5]).toBeGreaterThan(200)
})
test('a scan is left as it is, and so is a sheet on a light table, or no sheet at all', () => {
  expect(
    findSheet({ width: WIDTH, height: HEIGHT, data: new Uint8Array(WIDTH * HEIGHT).fill(240) }),
  ).toBeNull()
  expect(findSheet(photograph(corners, 215))).toBeNull()
  expect(
    findSheet({ width: WIDTH, height: HEIGHT, data: new Uint8Array(WIDTH * HEIGHT).fill(30) }),
  ).toBeNull()
  expect(
    findSheet(
      photograph([
        [2, 2],
        [957, 2],
        [957, 1277],
        [2, 1277],
      ]),
    ),
  ).toBeNull()
})
