import { StandardFonts } from 'pdf-lib'
import type { Box } from '../../core/model/geometry.ts'
import { printed, printedIn } from '../ocr/printed.ts'
import { inkLevel } from './greyscale.ts'
import { uncoveredInk, withinLines } from './uncovered-ink.ts'

/** A box in points of the printed page of 400 by 200. */
const at = (x0: number, y0: number, x1: number, y1: number): Box => [x0 / 400, y0 / 200, x1 / 400, y1 / 200]
const inPoints = (boxes: readonly Box[]) =>
  boxes.map(([l, t, r, b]) => [l * 400, t * 200, r * 400, b * 200].map(Math.round))
const form = () => printed(['From', 30, 50], ['01.01.2026', 30, 66], ['Harbour Union Bank', 30, 110])
const bank = at(30, 100, 135, 111)

test('what was read is no unread ink', async () => {
  const picture = await form()
  expect(
    uncoveredInk(picture, [at(30, 41, 58, 51), at(30, 57, 88, 67), bank], inkLevel(picture)).places,
  ).toEqual([])
})
test('a label that nobody read is found', async () => {
  const picture = await form()
  const [[left, top, right, bottom]] = inPoints(
    uncoveredInk(picture, [at(30, 57, 88, 67), bank], inkLevel(picture)).places,
  )
  expect([left < 32, top > 37 && top < 43, right > 52 && right < 62, bottom > 48 && bottom < 54]).toEqual([
    true,
    true,
    true,
    true,
  ])
})
test('small print is found, though no cell of it is paper', async () => {
  const { width, height, data } = await printedIn(
    StandardFonts.HelveticaBold,
    ['From', 30, 50],
    ['01.01.2026', 30, 66],
    ['HARBOUR-UNION-BANK', 30, 110],
  )
  const small = { width: width >> 1, height: height >> 1, data: new Uint8Array((width >> 1) * (height >> 1)) }
  for (let y = 0; y < small.height; y++)
    for (let x = 0; x < small.width; x++)
      small.data[y * small.width + x] = Math.min(
        data[2 * y * width + 2 * x],
        data[(2 * y + 1) * width + 2 * x + 1],
      )
  const found = inPoints(
    uncoveredInk(small, [at(30, 41, 58, 51), at(30, 57, 88, 67)], inkLevel(small)).places,
  )
  expect(found.map(([left, top]) => [left < 33, top > 95 && top < 103])).toEqual([[true, true]])
})
test('a filled patch is none, however small its cells', async () => {
  const picture = await form()
  for (let y = 300; y < 330; y++) picture.data.fill(0, y * picture.width + 500, y * picture.width + 700)
  expect(
    uncoveredInk(picture, [at(30, 41, 58, 51), at(30, 57, 88, 67), bank], inkLevel(picture)).places,
  ).toEqual([])
})
test('the box of a word that reaches over two lines is cut to its own', async () => {
  const picture = await form()
  const [value, heading] = inPoints(
    withinLines(picture, [at(30, 40, 88, 68), bank, at(30, 41, 58, 51)], inkLevel(picture)),
  )
  expect(value[1]).toBeGreaterThan(53)
  expect(heading).toEqual([30, 100, 135, 111])
})
test('a page of which no word was read says nothing', async () =>
  expect(uncoveredInk(await form(), [], 128).places).toEqual([]))
test('a figure alone is print where words stand in its line, and a speck anywhere else', async () => {
  const picture = await printed(
    ['3', 30, 60],
    ['Bow thruster kit', 80, 60],
    ['2,182.50', 250, 60],
    ['3', 30, 150],
  )
  const found = inPoints(
    uncoveredInk(picture, [at(80, 50, 162, 62), at(250, 50, 298, 61)], inkLevel(picture)).places,
  )
  expect(found.map(([left, top]) => [left < 33, top > 45 && top < 56])).toEqual([[true, true]])
})
test('two figures alone in a line are print: the end of a day that its column broke off', async () => {
  const picture = await printed(['2026-01-01 - 2026-01-', 30, 60], ['31', 30, 76], ['.', 200, 76])
  const found = inPoints(uncoveredInk(picture, [at(30, 50, 152, 61)], inkLevel(picture)).places)
  expect(found.map(([left, top]) => [left < 33, top > 62 && top < 72])).toEqual([[true, true]])
})
test('specks and rules are no print', async () => {
  const picture = await printed(['Total', 30, 60], ['. . .', 200, 60], ['____________________', 200, 110])
  expect(uncoveredInk(picture, [at(30, 50, 58, 61)], inkLevel(picture)).places).toEqual([])
})

describe('many places', () => {
  const rows = Array.from({ length: 14 }, (_, i) => 14 + i * 13)
  const columns = (count: number) =>
    printedIn(
      StandardFonts.Helvetica,
      ...Array.from({ length: count }, (_, c) =>
        rows.map((y): [string, number, number] => ['12 Mar', 20 + c * 70, y]),
      ).flat(),
    )
  const read = [at(20, 4, 55, 15)]
  test('that stand under one another are columns that were passed over', async () => {
    const picture = await columns(3)
    const found = uncoveredInk(picture, read, inkLevel(picture))
    expect([found.places.length, found.many]).toEqual([41, false])
  })
  test('more than are worth looking at one by one are said to be many', async () => {
    const picture = await columns(5)
    expect(uncoveredInk(picture, read, inkLevel(picture))).toEqual({ places: [], many: true })
  })
})
test('two lines set so close that their ink joins are two places', async () => {
  const picture = await printed(
    ['Harbour Union Bank', 30, 30],
    ['Direct debit', 30, 80],
    ['Isles Water', 30, 89.5],
  )
  const found = inPoints(uncoveredInk(picture, [at(30, 20, 135, 31)], inkLevel(picture)).places).sort(
    (a, b) => a[1] - b[1],
  )
  expect(found.map(([, top, , bottom]) => [Math.round(top / 10) * 10, bottom - top < 14])).toEqual([
    [70, true],
    [80, true],
  ])
})
