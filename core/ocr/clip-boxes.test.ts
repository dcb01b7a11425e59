import { clipOverlappingBoxes } from './clip-boxes.ts'
import { linesOf } from '../layout/lines.ts'
import { pageNumberOf } from '../layout/page-numbers.ts'
import { pageOf } from '../testing/page-of.ts'
import type { Word } from '../model/page.ts'

const word = (text: string, left: number, right: number, top = 0.96): Word => ({
  text,
  confidence: 0.95,
  box: [left, top, right, top + 0.01],
})
const footer = [
  word('Page', 0.8234, 0.8876),
  word('1', 0.8551, 0.8621),
  word('of', 0.8667, 0.8783),
  word('2', 0.8829, 0.8899),
]

test('a box that goes on over the words behind ends where they begin', () => {
  expect(clipOverlappingBoxes(footer).map((w) => w.box[2])).toEqual([0.8551, 0.8621, 0.8783, 0.8899])
})
test('so that a page number is one line', () => {
  const page = { ...pageOf([], { source: 'ocr' }), words: clipOverlappingBoxes(footer) }
  expect(linesOf(page)).toHaveLength(1)
  expect(pageNumberOf(page)).toEqual({ page: 1, of: 2 })
})
test('words of other lines end nothing', () => {
  const lines = [word('Amount', 0.2, 0.4), word('due', 0.3, 0.35, 0.98)]
  expect(clipOverlappingBoxes(lines)).toEqual(lines)
})
