import { fullestStrip, inkLevel, paperOf, toPgm, turned, type Grey } from './grey.ts'

const picture = (rows: string[], shades: Record<string, number> = { '#': 20, '.': 230 }): Grey => ({ width: rows[0].length, height: rows.length, data: Uint8Array.from(rows.join(''), (c) => shades[c]) })
const drawn = ({ width, height, data }: Grey): string[] => Array.from({ length: height }, (_, y) => Array.from(data.subarray(y * width, (y + 1) * width), (v) => (v < 128 ? '#' : '.')).join(''))

test('a graymap says its size and carries its dots', () => {
  const file = toPgm(picture(['#.', '..', '.#']))
  expect(file.subarray(0, 11).toString('latin1')).toBe('P5\n2 3\n255\n')
  expect([...file.subarray(11)]).toEqual([20, 230, 230, 230, 230, 20])
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
  for (const [ink, paper] of [[20, 230], [90, 140], [0, 255]]) {
    const level = inkLevel(picture(['#...#...', '........', '.##.....'], { '#': ink, '.': paper }))
    expect(level).toBeGreaterThan(ink)
    expect(level).toBeLessThanOrEqual(paper)
  }
})
test('between the two shades of a fax it leaves as much room on both sides', () => expect(Math.abs(inkLevel(picture(['#.#.', '.#.#'], { '#': 0, '.': 255 })) - 128)).toBeLessThan(2))
test('the paper is as bright as most of it, not as its brightest spot', () => {
  const grain = Uint8Array.from({ length: 700 }, (_, i) => (i % 10 === 0 ? 15 : i % 50 === 3 ? 255 : 201))
  expect(paperOf({ width: 70, height: 10, data: grain })).toBe(201)
})

test('the fullest strip is where print changes most often, as wide as the page', () => {
  const rows = Array.from({ length: 100 }, (_, y) => (y >= 60 && y < 72 ? '##..'.repeat(10) : '.'.repeat(40)))
  const strip = fullestStrip(picture(rows))
  expect([strip.width, strip.height]).toEqual([40, 14])
  expect(drawn(strip).filter((row) => row.includes('#')).length).toBeGreaterThan(9)
})
