import { removeShading } from './shading.ts'
import type { Grey } from './greyscale.ts'

const [WIDTH, HEIGHT] = [400, 300]
const [PAPER, INK] = [240, 40]
const picture = (shade: (x: number, y: number) => number): Grey => {
  const data = new Uint8Array(WIDTH * HEIGHT)
  for (let y = 0; y < HEIGHT; y++) for (let x = 0; x < WIDTH; x++) data[y * WIDTH + x] = shade(x, y)
  return { width: WIDTH, height: HEIGHT, data }
}
/** Strokes three dots wide, as letters are made of. */
const print = (x: number, y: number) => x % 9 < 3 && y % 40 > 14 && y % 40 < 26
const at = ({ data }: Grey, x: number, y: number) => data[y * WIDTH + x]
const cleaned = (given: Grey) => removeShading(given, 140, PAPER)

/** Every other row of a table is shaded. */
const striped = (shade: number) =>
  picture((x, y) => (print(x, y) ? INK : Math.floor(y / 40) % 2 === 1 && x > 40 && x < 360 ? shade : PAPER))

test('rows that are shaded become paper, and the print on them stays', () => {
  const clean = cleaned(striped(222))
  expect(at(clean, 205, 45)).toBeGreaterThan(PAPER - 8)
  expect(at(clean, 198, 60)).toBeLessThan(80)
  expect(at(clean, 205, 20)).toBe(PAPER)
})
test('the grain of a shade is not stretched into dots: what was a little darker than its row is a little darker than paper', () => {
  const grainy = striped(222)
  for (let i = 0; i < grainy.data.length; i += 7) if (grainy.data[i] === 222) grainy.data[i] = 212
  const clean = cleaned(grainy)
  const row = Array.from({ length: 200 }, (_, i) => at(clean, 100 + i, 46)).filter((dot) => dot > 140)
  expect(Math.min(...row)).toBeGreaterThan(PAPER - 24)
})
test('one side of a sheet that lies in the shade becomes as light as the other', () => {
  const clean = cleaned(picture((x, y) => (print(x, y) ? INK : Math.round(PAPER - (x / WIDTH) * 40))))
  expect(at(clean, 392, 5)).toBeGreaterThan(PAPER - 10)
})
test('a dark bar stays: its print is lighter than it', () => {
  const bar = picture((x, y) => (y > 100 && y < 160 ? (print(x, y) ? 230 : 90) : PAPER))
  expect(at(cleaned(bar), 205, 130)).toBe(90)
})
test('a page of plain paper is the very same picture', () => {
  const plain = picture((x, y) => (print(x, y) ? INK : PAPER))
  expect(cleaned(plain)).toBe(plain)
})
