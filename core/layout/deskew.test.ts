import { pageOf } from '../testing/page-of.ts'
import { skewed, deskewed } from './deskew.ts'
import type { Box } from '../model/geometry.ts'

const near = (a: Box, b: Box) => a.forEach((edge, i) => expect(edge).toBeCloseTo(b[i], 3))
const word = (text: string, box: Box) => ({ text, box, confidence: 0.9 })

test('the words of a column stand under one another again', () => {
  // Down a page that leans by two degrees clockwise a column moves to the left.
  const page = {
    ...pageOf([], { source: 'ocr' }),
    skew: 2,
    words: [word('head', [0.52, 0.2, 0.6, 0.21]), word('foot', [0.49, 0.8, 0.57, 0.81])],
  }
  const [head, foot] = deskewed(page).words
  expect(Math.abs(head.box[0] - foot.box[0])).toBeLessThan(0.001)
  expect(deskewed(page).skew).toBe(0)
})
test('the ends of a line stand at one height', () => {
  const page = {
    ...pageOf([], { source: 'ocr' }),
    skew: -2,
    words: [word('left', [0.1, 0.2, 0.2, 0.21]), word('right', [0.8, 0.1827, 0.9, 0.1927])],
  }
  const [left, right] = deskewed(page).words
  expect(Math.abs(left.box[1] - right.box[1])).toBeLessThan(0.001)
})
test('a word finds its way back', () => {
  const box: Box = [0.3, 0.7, 0.4, 0.72]
  const page = { ...pageOf([], { source: 'ocr' }), skew: 1.5, words: [word('x', box)] }
  const there = skewed(deskewed(page).words[0].box, page)
  // A box over both ends of a word is a little higher than the word.
  expect(there[0]).toBeCloseTo(box[0], 2)
  expect(there[1]).toBeLessThanOrEqual(box[1] + 1e-6)
  expect(there[3]).toBeGreaterThanOrEqual(box[3] - 1e-6)
})
test('a line is covered from end to end', () => {
  const page = { ...pageOf([], { source: 'ocr' }), skew: 2 }
  const [, top, , bottom] = skewed([0.1, 0.5, 0.9, 0.51], page)
  expect(bottom - top).toBeGreaterThan(0.02)
})
test('a page that stands straight stays as it is', () => {
  const page = pageOf([])
  expect(deskewed(page)).toBe(page)
  near(skewed([0.1, 0.2, 0.3, 0.4], page), [0.1, 0.2, 0.3, 0.4])
})
