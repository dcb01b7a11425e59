import sharp from 'sharp'
import { fullestStrip, toGreyscale, inkLevel, paperLevel, toTiff, turned, type Grey } from './greyscale.ts'

const picture = (rows: string[], shades: Record<string, number> = { '#': 20, '.': 230 }): Grey => ({
  width: rows[0].length,
  height: rows.length,
  data: Uint8Array.from(rows.join(''), (c) => shades[c]),
})
const drawn = ({ width, height, data }: Grey): string[] =>
  Array.from({ length: height }, (_, y) =>
    Array.from(data.subarray(y * width, (y + 1) * width), (v) => (v < 128 ? '#' : '.')).join(''),
  )

test('a picture written as a file is the same when it is read', async () => {
  const given = picture(['#.', '..', '.#'])
  const read = sharp(toTiff(given))
  expect(await read.metadata()).toMatchObject({
    format: 'tiff',
    width: 2,
    height: 3,
    channels: 1,
    depth: 'uchar',
  })
  expect(await toGreyscale(read)).toMatchObject({ width: 2, height: 3 })
  expect([...(await toGreyscale(read)).data]).toEqual([...given.data])
})
test('colours become as dark as they look: blue ink is dark, a yellow mark is light', async () => {
  const [blue, yellow, grey] = [
    [20, 40, 140],
    [255, 240, 90],
    [77, 77, 77],
  ]
  const { data } = await toGreyscale(
    sharp(Uint8Array.from([...blue, ...yellow, ...grey]), { raw: { width: 3, height: 1, channels: 3 } }),
  )
  expect([...data]).toEqual([45, 228, 77])
})

const corner = picture(['##..', '#...', '....'])
test('a quarter turn clockwise brings the left side up', () => {
  expect(drawn(turned(corner, 90))).toEqual(['.##', '..#', '...', '...'])
  expect(drawn(turned(corner, 180))).toEqual(['....', '...#', '..##'])
  expect(drawn(turned(corner, 270))).toEqual(['...', '...', '#..', '##.'])
})
test('four quarter turns are none, and none is the picture itself', () => {
  let round: Grey = corner
  for (let i = 0; i < 4; i++) round = turned(round, 90)
  expect(drawn(round)).toEqual(drawn(corner))
  expect(turned(corner, 0)).toBe(corner)
})

test('the level of ink lies between print and paper, whatever their shades', () => {
  for (const [ink, paper] of [
    [20, 230],
    [90, 140],
    [0, 255],
  ]) {
    const level = inkLevel(picture(['#...#...', '........', '.##.....'], { '#': ink, '.': paper }))
    expect(level).toBeGreaterThan(ink)
    expect(level).toBeLessThanOrEqual(paper)
  }
})
test('between the two shades of a fax it leaves as much room on both sides', () =>
  expect(Math.abs(inkLevel(picture(['#.#.', '.#.#'], { '#': 0, '.': 255 })) - 128)).toBeLessThan(2))
test('the paper is as bright as most of it, not as its brightest spot', () => {
  const grain = Uint8Array.from({ length: 700 }, (_, i) => (i % 10 === 0 ? 15 : i % 50 === 3 ? 255 : 201))
  expect(paperLevel({ width: 70, height: 10, data: grain })).toBe(201)
})

test('the fullest strip is where print changes most often, as wide as the page', () => {
  const rows = Array.from({ length: 100 }, (_, y) => (y >= 60 && y < 72 ? '##..'.repeat(10) : '.'.repeat(40)))
  const strip = fullestStrip(picture(rows))
  expect([strip.width, strip.height]).toEqual([40, 14])
  expect(drawn(strip).filter((row) => row.includes('#')).length).toBeGreaterThan(9)
})
test('colours are the same four at a time and one by one, however many dots there are', async () => {
  const colours = Uint8Array.from({ length: 3 * 7 * 3 }, (_, i) => (i * 89) % 256)
  const whole = await toGreyscale(sharp(colours, { raw: { width: 7, height: 3, channels: 3 } }))
  const alone = await Promise.all(
    Array.from({ length: 21 }, (_, i) =>
      toGreyscale(sharp(colours.slice(i * 3, i * 3 + 3), { raw: { width: 1, height: 1, channels: 3 } })),
    ),
  )
  expect([...whole.data]).toEqual(alone.map((dot) => dot.data[0]))
})

describe('a few dark dots on grey paper with a grain', () => {
  /** Paper of shade 205 whose grain spreads by about five, with so many dots of ink. */
  const grainy = (ink: number): Grey => {
    let seed = 7
    const chance = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648
    const data = Uint8Array.from({ length: 40_000 }, () =>
      Math.round(205 + (chance() + chance() + chance() + chance() - 2) * 8),
    )
    for (let i = 0; i < ink; i++) data[Math.floor(chance() * data.length)] = 110
    return { width: 200, height: 200, data }
  }
  test('ink begins beyond the grain, however little of it there is', () => {
    expect(inkLevel(grainy(200))).toBeLessThan(195)
    expect(inkLevel(grainy(200))).toBeGreaterThan(110)
  })
  test('without ink nothing is ink', () => {
    const empty = grainy(0)
    expect(empty.data.filter((shade) => shade < inkLevel(empty))).toHaveLength(0)
  })
  test('much ink parts itself', () => expect(inkLevel(grainy(6000))).toBeGreaterThan(120))
})
