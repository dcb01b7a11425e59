/** @jest-environment ./tests/native-arrays.js */
import { overlap } from '../../core/model/geometry.ts'
import type { Word } from '../../core/model/page.ts'
import { inkLevel, type Grey } from '../image/greyscale.ts'
import { recogniseAlone, recogniseWithBoth } from './merge-engines.ts'
import { detectLines } from './line-detection.ts'
import { printed } from './printed.ts'

const page = () =>
  printed(
    ['Full name', 40, 60],
    ['Ottilie Varnham', 160, 60],
    ['Loan amount', 40, 110],
    ['EUR 48,750.00', 160, 110],
  )
/** The picture with half as many dots an inch. */
const half = ({ width, height, data }: Grey): Grey => {
  const [wide, high] = [width >> 1, height >> 1]
  return {
    width: wide,
    height: high,
    data: Uint8Array.from({ length: wide * high }, (_, i) => {
      const at = 2 * Math.floor(i / wide) * width + 2 * (i % wide)
      return (data[at] + data[at + 1] + data[at + width] + data[at + width + 1]) >> 2
    }),
  }
}
const word = (
  text: string,
  confidence: number,
  [x0, y0, x1, y1]: [number, number, number, number],
): Word => ({
  text,
  confidence,
  box: [x0 / 400, y0 / 200, x1 / 400, y1 / 200],
})
const spoken = (words: readonly Word[]) =>
  [...words]
    .sort((a, b) => Math.round((a.box[1] - b.box[1]) * 20) || a.box[0] - b.box[0])
    .map((w) => w.text)
    .join(' ')

test('lines are found where print stands, and nowhere on white paper', async () => {
  const lines = await detectLines(await page())
  expect(lines).toHaveLength(4)
  for (const [x, y] of [
    [40, 60],
    [160, 60],
    [40, 110],
    [160, 110],
  ])
    expect(
      lines.some(
        (l) =>
          l[0] < (x + 10) / 400 && l[2] > (x + 10) / 400 && overlap(l[1], l[3], (y - 10) / 200, y / 200) > 0,
      ),
    ).toBe(true)
  expect(await detectLines(await printed())).toEqual([])
})
test('what the first reader did not see, or read as noise, is the second’s alone, and said to be', async () => {
  const read = await recogniseWithBoth(await page(), [word('Qwnl', 0.3, [160, 50, 245, 63])])
  expect(spoken(read)).toBe('Full name Ottilie Varnham Loan amount EUR 48,750.00')
  expect(read.every((w) => w.hand)).toBe(true)
})
test('what it read well stays as it is', async () => {
  const name = word('Full', 0.97, [40, 50, 62, 61])
  const read = await recogniseWithBoth(await page(), [name, word('name', 0.96, [65, 50, 96, 61])])
  expect(read).toContain(name)
  expect(read.filter((w) => w.text === 'Full')).toHaveLength(1)
})
test('a figure that both see alike is as sure as print', async () => {
  const read = await recogniseWithBoth(await page(), [
    word('EUR', 0.9, [160, 100, 186, 111]),
    word('48,750.00', 0.85, [189, 100, 243, 112]),
  ])
  expect(read.find((w) => w.text === '48,750.00')).toMatchObject({ confidence: 0.998 })
})
test('lines set close are found apart, and read so', async () => {
  const close = half(await printed(['Direct debit', 40, 60], ['Isles Water', 40, 70]))
  const [upper, lower] = await detectLines(close)
  expect(upper[3]).toBeLessThanOrEqual(lower[1])
  expect(spoken(await recogniseWithBoth(close, []))).toBe('Direct debit Isles Water')
})
test('a line that stands alone is read where it makes sense, and never as surely as what two have seen', async () => {
  const drawn = await page()
  const read = await recogniseAlone(drawn, [155 / 400, 48 / 200, 250 / 400, 64 / 200], inkLevel(drawn))
  expect([spoken(read), read.every((w) => w.confidence <= 0.75)]).toEqual(['Ottilie Varnham', true])
  expect(await recogniseAlone(drawn, [0.7, 0.8, 0.9, 0.85], inkLevel(drawn))).toEqual([])
})
test('a rule is no line to read', async () => {
  const drawn = await page()
  drawn.data.fill(0, 450 * drawn.width + 60, 450 * drawn.width + 1000)
  drawn.data.fill(0, 451 * drawn.width + 60, 451 * drawn.width + 1000)
  expect(
    await recogniseAlone(
      drawn,
      [50 / drawn.width, 435 / drawn.height, 1010 / drawn.width, 468 / drawn.height],
      inkLevel(drawn),
    ),
  ).toEqual([])
})
