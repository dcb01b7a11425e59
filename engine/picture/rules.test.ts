import { withoutRules } from './rules.ts'

const picture = (width: number, height: number, dark: (x: number, y: number) => boolean) => ({ width, height, data: Uint8Array.from({ length: width * height }, (_, i) => (dark(i % width, Math.floor(i / width)) ? 20 : 250)) })
const inked = (p: { data: Uint8Array }) => p.data.reduce((n, v) => n + (v < 128 ? 1 : 0), 0)

test('frames go, in both directions', () => {
  const frame = picture(400, 300, (x, y) => ((y === 50 || y === 51 || y === 250) && x >= 40 && x < 360) || ((x === 40 || x === 359) && y >= 50 && y <= 250))
  expect(inked(withoutRules(frame, 200))).toBeLessThan(20)
})
test('letters stay, also those that stand on a line', () => {
  const letter = (x: number, y: number) => x >= 100 && x < 104 && y >= 180 && y < 200
  const lined = picture(400, 300, (x, y) => letter(x, y) || (y === 200 && x >= 40 && x < 360))
  expect(inked(withoutRules(lined, 200))).toBeGreaterThanOrEqual(80)
})
test('bars of ink are no rules', () => {
  const bar = picture(400, 300, (x, y) => y >= 20 && y < 60 && x < 400)
  expect(inked(withoutRules(bar, 200))).toBe(inked(bar))
})
test('the given picture is left as it is', () => {
  const lined = picture(400, 100, (_, y) => y === 50)
  withoutRules(lined, 200)
  expect(inked(lined)).toBe(400)
})
