import { removeRuledLines } from './ruled-lines.ts'

/** Rows of dots: anything but a point is ink. */
const picture = (width: number, height: number, dark: (x: number, y: number) => boolean) => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) =>
    dark(i % width, Math.floor(i / width)) ? 20 : 250,
  ),
})
const inkIn = (
  p: { width: number; data: Uint8Array },
  left: number,
  top: number,
  right: number,
  bottom: number,
) => {
  let ink = 0
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) if (p.data[y * p.width + x] < 128) ink++
  return ink
}
const between = (value: number, first: number, end: number) => value >= first && value < end

test('where rules crossed, nothing is left', () => {
  const grid = picture(
    500,
    400,
    (x, y) =>
      [60, 200, 340].some((r) => between(y, r, r + 4) && between(x, 40, 460)) ||
      [40, 250, 456].some((c) => between(x, c, c + 4) && between(y, 60, 344)),
  )
  expect(inkIn(removeRuledLines(grid, 200).picture, 0, 0, 500, 400)).toBe(0)
})
test('a comma that reaches a rule stays, and so does the point above it', () => {
  const rule = (x: number, y: number) => between(y, 200, 203) && between(x, 40, 460)
  const comma = (x: number, y: number) => between(x, 100, 104) && between(y, 192, 206)
  const point = (x: number, y: number) => between(x, 150, 154) && between(y, 192, 196)
  const cleared = removeRuledLines(
    picture(500, 400, (x, y) => rule(x, y) || comma(x, y) || point(x, y)),
    200,
  ).picture
  expect(inkIn(cleared, 100, 192, 104, 206)).toBe(4 * 14)
  expect(inkIn(cleared, 150, 192, 154, 196)).toBe(4 * 4)
  expect(inkIn(cleared, 0, 0, 500, 400)).toBe(4 * 14 + 4 * 4)
})
test('a letter between two rules it stands on and hangs from stays whole', () => {
  const rules = (x: number, y: number) =>
    (between(y, 100, 103) || between(y, 130, 133)) && between(x, 40, 460)
  const stroke = (x: number, y: number) =>
    between(x, 200, 205) && between(y, 103, 130) && !between(y, 110, 112)
  const bow = (x: number, y: number) => between(x, 205, 220) && between(y, 114, 119)
  const cleared = removeRuledLines(
    picture(500, 300, (x, y) => rules(x, y) || stroke(x, y) || bow(x, y)),
    200,
  ).picture
  expect(inkIn(cleared, 205, 114, 220, 119)).toBe(15 * 5)
})
