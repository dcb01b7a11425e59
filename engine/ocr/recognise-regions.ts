import { type Box, boxAround, type Word } from '../../core/model/index.ts'
import { combineReaders, runsAt, withCrossedT, withMailSign } from '../../core/ocr/index.ts'
import type { Grey } from '../image/greyscale.ts'
import { recogniseLine } from './ppocr.ts'

/** Dots of paper around a line, so that the reader sees where print ends. */
export const MARGIN = 4

/**
 * Looks closer at some places of a page: the second reader reads what stands there, and both readings are put
 * together.
 * @param upright the page as it is to be read, from which boxes are shares
 * @returns all words of the page
 */
export async function recogniseRegions(
  upright: Grey,
  words: readonly Word[],
  places: readonly Box[],
): Promise<Word[]> {
  const shape = upright.width / upright.height
  const instead = new Map<number, Word[]>()
  for (const run of runsAt(words, places, shape)) {
    const read = run.map((i) => words[i])
    const { picture, left, width } = cutOut(upright, boxAround(read.map((w) => w.box)))
    const letters = (await recogniseLine(picture)).map((l) => ({
      ...l,
      at: (left + l.at * width) / upright.width,
    }))
    const [first, ...rest] = run
    instead.set(first, combineReaders(read, letters))
    for (const i of rest) instead.set(i, [])
  }
  return withMailSign(words.flatMap((word, i) => instead.get(i) ?? [word]).map(withCrossedT))
}

/**
 * A part of a page with some paper around it, and where it lies, in dots.
 * @param above dots more above and below: none where other print stands as near
 */
export function cutOut(
  { width, height, data }: Grey,
  [l, t, r, b]: Box,
  above = MARGIN,
): { picture: Grey; left: number; width: number } {
  const [left, top] = [
    Math.max(0, Math.floor(l * width) - MARGIN),
    Math.max(0, Math.floor(t * height) - above),
  ]
  const [right, bottom] = [
    Math.min(width, Math.ceil(r * width) + MARGIN),
    Math.min(height, Math.ceil(b * height) + above),
  ]
  const cut: Grey = {
    width: right - left,
    height: bottom - top,
    data: new Uint8Array((right - left) * (bottom - top)),
  }
  for (let y = 0; y < cut.height; y++)
    cut.data.set(data.subarray((top + y) * width + left, (top + y) * width + right), y * cut.width)
  return { picture: cut, left, width: cut.width }
}
