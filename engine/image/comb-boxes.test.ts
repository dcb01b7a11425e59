import { closeUp, findCombBoxes, type Side } from './comb-boxes.ts'
import type { Grey } from './greyscale.ts'

const DPI = 200
const [TOP, BOTTOM] = [100, 140]
/** Sides of boxes 40 dots wide, each found for two dots of its thickness. */
const sidesAt = (xs: readonly number[], top = TOP, bottom = BOTTOM): Side[] =>
  xs.flatMap((x) => [
    { x, top, bottom },
    { x: x + 1, top: top + 1, bottom },
  ])
const every = (count: number, width = 40, from = 50): number[] =>
  Array.from({ length: count }, (_, i) => from + i * width)

test('boxes of one width in a row are a comb', () => {
  const [comb, ...others] = findCombBoxes(sidesAt(every(7)), DPI)
  expect(others).toEqual([])
  expect(comb.edges).toHaveLength(7)
  expect(comb.edges[0]).toBeCloseTo(50, -1)
})
test('a side that was not found is put in', () =>
  expect(findCombBoxes(sidesAt(every(8).filter((_, i) => i !== 3)), DPI)[0].edges).toHaveLength(8))
test('boxes of many widths are a table', () =>
  expect(findCombBoxes(sidesAt([50, 95, 170, 200, 290, 340]), DPI)).toEqual([]))
test('two boxes are for ticks, unless a comb of the page has boxes as wide', () => {
  const two = sidesAt(every(3, 40, 400), 300, 340)
  expect(findCombBoxes(two, DPI)).toEqual([])
  expect(findCombBoxes([...sidesAt(every(7)), ...two], DPI)).toHaveLength(2)
})
test('rows at other heights are combs of their own', () =>
  expect(
    findCombBoxes([...sidesAt(every(6)), ...sidesAt(every(6), 200, 240)], DPI).map((c) =>
      Math.round(c.top / 100),
    ),
  ).toEqual([1, 2]))

/** Paper with a letter, a block 8 dots wide, in the middle of the boxes named. */
function filled(boxes: readonly number[], edges: readonly number[]): Grey {
  const page = { width: 500, height: 200, data: new Uint8Array(500 * 200).fill(240) }
  for (const box of boxes) {
    const left = (edges[box] + edges[box + 1]) / 2 - 4
    for (let y = TOP + 12; y < BOTTOM - 8; y++)
      page.data.fill(10, y * page.width + left, y * page.width + left + 8)
  }
  return page
}
const inked = ({ width, data }: Grey): number[] =>
  Array.from({ length: width }, (_, x) => x).filter((x) => data[120 * width + x] < 128)

test('letters of a comb move together, in their order, and none is lost', () => {
  const [comb] = findCombBoxes(sidesAt(every(7)), DPI)
  const page = filled([0, 1, 2, 3, 4, 5], comb.edges)
  const before = inked(page)
  closeUp(page, [comb], 128)
  const behind = inked(page)
  expect(behind).toHaveLength(before.length)
  expect(behind.at(-1)! - behind[0]).toBeLessThan((before.at(-1)! - before[0]) / 2)
})
test('what is read on the changed picture is found where it stood', () => {
  const [comb] = findCombBoxes(sidesAt(every(7)), DPI)
  const page = filled([0, 1, 2, 3, 4, 5], comb.edges)
  const back = closeUp(page, [comb], 128)
  const columns = inked(page)
  const [left, , right] = back([
    columns[0] / page.width,
    TOP / page.height,
    (columns.at(-1)! + 1) / page.width,
    BOTTOM / page.height,
  ])
  expect(left * page.width).toBeGreaterThan(comb.edges[0] - 1)
  expect(left * page.width).toBeLessThan(comb.edges[1])
  expect(right * page.width).toBeGreaterThan(comb.edges[5])
})
test('an empty comb, and what stands beside one, stay as they are', () => {
  const [comb] = findCombBoxes(sidesAt(every(7)), DPI)
  const page = filled([], comb.edges)
  const same = page.data.slice()
  const back = closeUp(page, [comb], 128)
  expect(page.data).toEqual(same)
  expect(back([0.8, 0.1, 0.9, 0.2])).toEqual([0.8, 0.1, 0.9, 0.2])
})
