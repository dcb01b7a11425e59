import fc from 'fast-check'
import type { Grey } from './greyscale.ts'
import { paperBits, runsOf } from './runs.ts'

const picture = (width: number, data: number[]): Grey => ({
  width,
  height: data.length / width,
  data: Uint8Array.from(data),
})
const listed = (of: Grey, level: number): [number, number][][] => {
  const { rows, from, to } = runsOf(of, level)
  return Array.from({ length: of.height }, (_, y) =>
    Array.from({ length: rows[y + 1] - rows[y] }, (_, i): [number, number] => [
      from[rows[y] + i],
      to[rows[y] + i],
    ]),
  )
}

test('a run says where its ink begins and where paper begins behind it', () => {
  const [o, X] = [240, 20]
  expect(listed(picture(6, [o, X, X, o, X, o, o, o, o, o, o, o, X, X, X, X, X, X]), 128)).toEqual([
    [
      [1, 3],
      [4, 5],
    ],
    [],
    [[0, 6]],
  ])
})
test('a dot as light as the level is paper', () =>
  expect(listed(picture(3, [99, 100, 101]), 100)).toEqual([[[0, 1]]]))
test('runs are the same whatever the width, the level, and where the picture lies in memory', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 13 }),
      fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 60, maxLength: 90 }),
      fc.integer({ min: 0, max: 256 }),
      fc.integer({ min: 0, max: 3 }),
      (width, dots, level, aside) => {
        const height = Math.floor(dots.length / width)
        const memory = Uint8Array.from([...Array<number>(aside).fill(0), ...dots])
        const given: Grey = { width, height, data: memory.subarray(aside, aside + width * height) }
        const dark = listed(given, level).map((runs) =>
          Array.from({ length: width }, (_, x) => runs.some(([from, to]) => x >= from && x < to)),
        )
        expect(dark).toEqual(
          Array.from({ length: height }, (_, y) =>
            Array.from({ length: width }, (_, x) => dots[y * width + x] < level),
          ),
        )
      },
    ),
  )
})
test('a page that is noise all over has as many runs as it needs', () => {
  const noisy: Grey = {
    width: 600,
    height: 500,
    data: Uint8Array.from({ length: 300_000 }, (_, i) => (i % 2 ? 255 : 0)),
  }
  expect(runsOf(noisy, 128).rows[500]).toBe(150_000)
})
test('the bits that paper has in common are never those of ink', () => {
  for (let level = 1; level < 256; level++) {
    const bits = paperBits(level) & 0xff
    if (bits !== 0) for (let dot = 0; dot < level; dot++) expect(dot & bits).not.toBe(bits)
  }
})
