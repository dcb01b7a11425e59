import { removeRuledLines } from './ruled-lines.ts'

const picture = (width: number, height: number, dark: (x: number, y: number) => boolean) => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) =>
    dark(i % width, Math.floor(i / width)) ? 20 : 250,
  ),
})
const inked = (p: { data: Uint8Array }) => p.data.reduce((n, v) => n + (v < 128 ? 1 : 0), 0)

test('frames go, in both directions', () => {
  const frame = picture(
    400,
    300,
    (x, y) =>
      ((y === 50 || y === 51 || y === 250) && x >= 40 && x < 360) ||
      ((x === 40 || x === 359) && y >= 50 && y <= 250),
  )
  expect(inked(removeRuledLines(frame, 200).picture)).toBeLessThan(20)
})
test('letters stay, also those that stand on a line', () => {
  const letter = (x: number, y: number) => x >= 100 && x < 104 && y >= 180 && y < 200
  const lined = picture(400, 300, (x, y) => letter(x, y) || (y === 200 && x >= 40 && x < 360))
  expect(inked(removeRuledLines(lined, 200).picture)).toBeGreaterThanOrEqual(80)
})
test('the feet of bold letters that stand close are no rule', () => {
  // Letters of 12 dots with gaps of 2, and a point between two of them that stands on the same line.
  const bold = picture(
    400,
    300,
    (x, y) =>
      x >= 40 && x < 360 && (x % 14 < 12 ? y >= 180 && y < 200 : false) && !(x >= 200 && x < 214 && y < 196),
  )
  expect(inked(removeRuledLines(bold, 200).picture)).toBe(inked(bold))
})
test('the given picture is left as it is', () => {
  const lined = picture(400, 100, (_, y) => y === 50)
  removeRuledLines(lined, 200)
  expect(inked(lined)).toBe(400)
})
test('grey frames go as black ones do', () => {
  const frame = picture(400, 300, (x, y) => (y === 50 || y === 250) && x >= 40 && x < 360)
  frame.data.forEach((dot, at) => {
    if (dot === 20) frame.data[at] = 175
  })
  for (let at = 0; at < 300; at += 5) frame.data[at * 400 + 200] = 20 // some ink, to tell grey from
  expect(removeRuledLines(frame, 200).picture.data.filter((dot) => dot === 175).length).toBe(0)
})
test('light print on a bar of ink becomes dark print on paper, and rules elsewhere on the page go', () => {
  const light = (x: number, y: number) => x >= 200 && x < 206 && y >= 30 && y < 50
  const page = picture(
    400,
    300,
    (x, y) => (y >= 20 && y < 60 && !light(x, y)) || (y === 200 && x >= 40 && x < 360),
  )
  const cleared = removeRuledLines(page, 200).picture
  for (let y = 28; y < 52; y++)
    for (let x = 190; x < 216; x++) expect(cleared.data[y * 400 + x] < 128).toBe(light(x, y))
  expect(cleared.data[200 * 400 + 100]).toBe(255)
})
test('a patch of ink without print on it stays', () => {
  const patch = picture(400, 300, (x, y) => y >= 20 && y < 160 && x >= 40 && x < 240)
  expect(removeRuledLines(patch, 200).picture.data).toEqual(patch.data)
})

describe('boxes for letters', () => {
  const PITCH = 32
  /** A comb of ten boxes at (40, 50), with a bar of a letter in those that are named. */
  const comb = (...lettered: number[]) =>
    picture(400, 300, (x, y) => {
      if (x < 40 || x >= 362 || y < 50 || y >= 80) return false
      const [box, inside] = [Math.floor((x - 40) / PITCH), (x - 40) % PITCH]
      return (
        inside < 2 ||
        y === 50 ||
        y === 79 ||
        (lettered.includes(box) && inside >= 14 && inside < 20 && y >= 56 && y < 74)
      )
    })
  const columns = (p: { width: number; data: Uint8Array }) =>
    Array.from({ length: p.width }, (_, x) => x).filter((x) => {
      for (let y = 56; y < 74; y++) if (p.data[y * p.width + x] < 128) return true
      return false
    })
  const groups = (xs: number[]) =>
    xs.reduce<number[][]>((all, x) => {
      if (all.at(-1)?.at(-1) === x - 1) all.at(-1)!.push(x)
      else all.push([x])
      return all
    }, [])

  test('frame and sides go, the letters move together, an empty box stays a space', () => {
    const letters = groups(columns(removeRuledLines(comb(0, 1, 3), 200).picture))
    expect(letters.map((l) => l.length)).toEqual([6, 6, 6])
    const [first, second] = [letters[1][0] - letters[0][0], letters[2][0] - letters[1][0]]
    expect(first).toBeLessThan(PITCH / 2)
    expect(second).toBe(2 * first)
  })
  test('a word found there is put back where it stands on the page', () => {
    const { picture: cleared, back } = removeRuledLines(comb(0, 1, 3), 200)
    const xs = columns(cleared)
    const [left, , right] = back([xs[0] / 400, 56 / 300, (xs.at(-1)! + 1) / 400, 74 / 300])
    expect(left * 400).toBeGreaterThan(40)
    expect(left * 400).toBeLessThan(40 + 14)
    expect(right * 400).toBeGreaterThan(40 + 3 * PITCH + 20)
    expect(right * 400).toBeLessThan(40 + 4 * PITCH)
  })
  test('words elsewhere stay where they are', () => {
    const box = [0.1, 0.8, 0.3, 0.82] as const
    expect(removeRuledLines(comb(0), 200).back([...box])).toEqual([...box])
  })
  test('three boxes in a row are one only beside a longer comb of such boxes', () => {
    const few = picture(
      400,
      300,
      (x, y) => x >= 40 && x < 138 && y >= 50 && y < 80 && ((x - 40) % PITCH < 2 || y === 50 || y === 79),
    )
    few.data[60 * 400 + 56] = 20
    expect(removeRuledLines(few, 100).picture.data[60 * 400 + 56]).toBe(20)
    const above = comb(0, 1)
    const both = picture(
      400,
      300,
      (x, y) =>
        above.data[y * 400 + x] < 128 ||
        (x >= 40 &&
          x < 138 &&
          y >= 150 &&
          y < 180 &&
          ((x - 40) % PITCH < 2 ||
            y === 150 ||
            y === 179 ||
            ((x - 40) % PITCH >= 14 && (x - 40) % PITCH < 20 && y >= 156 && y < 174))),
    )
    const cleared = removeRuledLines(both, 100).picture
    const row = Array.from({ length: 100 }, (_, i) => 40 + i).filter((x) => cleared.data[165 * 400 + x] < 128)
    expect(row.length).toBe(18)
    expect(row.at(-1)! - row[0]).toBeLessThan(2 * PITCH)
  })
})
