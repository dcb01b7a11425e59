import { inkLevel, paperLevel, type Grey } from './greyscale.ts'
import { straighten } from './straighten.ts'

/** Grey paper with some lines of dark print on it. */
function greyPage(): Grey {
  const [width, height] = [600, 800]
  const data = new Uint8Array(width * height).fill(190)
  for (let line = 0; line < 12; line++)
    for (let y = 0; y < 8; y++) for (let x = 60; x < 400; x += 3) data[(100 + line * 40 + y) * width + x] = 60
  return { width, height, data }
}

test('a page that hardly leans is left as it is', () => {
  const page = greyPage()
  const { picture, back } = straighten(page, 0.2)
  expect(picture).toBe(page)
  expect(back([0.1, 0.2, 0.3, 0.4])).toEqual([0.1, 0.2, 0.3, 0.4])
})
test('the corners of a turned page are paper: grey paper stays paper and does not become ink', () => {
  const page = greyPage()
  const { picture } = straighten(page, 3)
  expect(paperLevel(picture)).toBe(paperLevel(page))
  expect(picture.data[0]).toBe(paperLevel(page))
  expect(Math.abs(inkLevel(picture) - inkLevel(page))).toBeLessThan(40)
})
test('a box found on the straight picture lies on the leaning one where its print is, and comes back', () => {
  const { back, forth } = straighten(greyPage(), 3)
  const there = back([0.7, 0.5, 0.8, 0.52])
  expect(Math.abs(there[1] - 0.5)).toBeGreaterThan(0.005)
  forth(there).forEach((value, i) => expect(value).toBeCloseTo([0.7, 0.5, 0.8, 0.52][i], 6))
})
