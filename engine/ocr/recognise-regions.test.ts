/** @jest-environment ./tests/native-arrays.js */
import type { Word } from '../../core/model/page.ts'
import type { Grey } from '../image/greyscale.ts'
import { recogniseRegions } from './recognise-regions.ts'
import { recogniseLine } from './ppocr.ts'
import { printed } from './printed.ts'

const word = (text: string, sure: number, [x0, y0, x1, y1]: [number, number, number, number]): Word => ({
  text,
  confidence: sure,
  box: [x0 / 400, y0 / 200, x1 / 400, y1 / 200],
})
/** The part of a picture from one dot to another. */
function part({ width, data }: Grey, [left, top, right, bottom]: [number, number, number, number]): Grey {
  const rows = Array.from({ length: bottom - top }, (_, y) => [
    ...data.subarray((top + y) * width + left, (top + y) * width + right),
  ])
  return { width: right - left, height: bottom - top, data: Uint8Array.from(rows.flat()) }
}

test('a line is read letter by letter, with how sure each is and where it stands', async () => {
  const letters = await recogniseLine(part(await printed(['Total 3,135.74', 40, 60]), [105, 135, 340, 172]))
  expect(
    letters
      .map((l) => l.text)
      .join('')
      .replace(' ', ''),
  ).toBe('Total3,135.74')
  expect(Math.min(...letters.map((l) => l.confidence))).toBeGreaterThan(0.6)
  expect(letters[0].at).toBeLessThan(0.1)
  expect(letters.map((l) => l.at)).toEqual([...letters.map((l) => l.at)].sort((a, b) => a - b))
})
test('an empty line says nothing', async () =>
  expect(await recogniseLine(part(await printed(), [0, 0, 200, 40]))).toEqual([]))

const page = () => printed(['NO58 SKR', 40, 60], ['EUR 59,000.00', 200, 60], ['Port Ellery', 40, 100])
const words = [
  word('N058', 0.63, [40, 50, 71, 61]),
  word('SKR', 0.9, [75, 50, 101, 61]),
  word('EUR', 0.95, [200, 50, 226, 61]),
  word('59,000.00', 0.72, [229, 50, 283, 62]),
  word('Fort', 0.7, [40, 90, 62, 101]),
]

test('words at the places are put right or borne out, all others stay as they are', async () => {
  const looked = await recogniseRegions(await page(), words, [words[0].box, words[3].box])
  expect(looked.map((w) => w.text)).toEqual(['NO58', 'SKR', 'EUR', '59,000.00', 'Fort'])
  expect(looked[3].confidence).toBeGreaterThan(0.99)
  expect([looked[2], looked[4]]).toEqual([words[2], words[4]])
})
test('where there is nothing to look at nothing changes', async () =>
  expect(await recogniseRegions(await page(), words, [])).toEqual(words))
