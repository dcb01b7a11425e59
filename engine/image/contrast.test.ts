import { stretchContrast } from './contrast.ts'

/** A picture of paper with grain and every tenth dot ink. */
const grainy = (ink: number, paper: number, grain: number) => ({
  width: 100,
  height: 100,
  data: Uint8Array.from({ length: 10_000 }, (_, i) => (i % 10 === 0 ? ink : paper - (i % 3) * grain)),
})

test.each([
  [60, 245, 4],
  [120, 200, 3],
  [0, 255, 0],
])('ink of %d on paper of %d with a grain of %d becomes black on white', (ink, paper, grain) => {
  const picture = stretchContrast(grainy(ink, paper, grain))
  expect(picture.data.filter((_, i) => i % 10 !== 0).every((v) => v === 255)).toBe(true)
  expect(picture.data.filter((_, i) => i % 10 === 0).every((v) => v < 40)).toBe(true)
})
test('greys between keep their order', () => {
  const picture = grainy(40, 240, 0)
  picture.data.set([100, 130, 160], 1)
  const [a, b, c] = stretchContrast(picture).data.slice(1, 4)
  expect(a < b && b < c).toBe(true)
})
test('shades of a page without ink keep their order too', () => {
  const stretched = stretchContrast({
    width: 20,
    height: 20,
    data: Uint8Array.from({ length: 400 }, (_, i) => [251, 253, 255][i % 3]),
  }).data
  expect(stretched[0] <= stretched[1] && stretched[1] <= stretched[2]).toBe(true)
})
test('a page without print stays without', () => {
  const picture = stretchContrast({ width: 10, height: 10, data: new Uint8Array(100).fill(230) })
  expect(new Set(picture.data).size).toBe(1)
  expect(picture.data[0]).toBeGreaterThan(200)
})
