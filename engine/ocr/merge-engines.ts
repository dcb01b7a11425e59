import { type Box, boxAround, inside, type Word } from '../../core/model/index.ts'
import {
  combineReaders,
  confidenceOf,
  isLegible,
  isNoise,
  type Letter,
  missingWords,
  splitGluedWords,
  withCrossedT,
  withMailSign,
  wordsFrom,
} from '../../core/ocr/index.ts'
import { inkLevel, type Grey } from '../image/greyscale.ts'
import { cropToInk } from '../image/crop-to-ink.ts'
import { cutOut, MARGIN } from './recognise-regions.ts'
import { detectLines } from './line-detection.ts'
import { recogniseLine } from './ppocr.ts'

/** In heights of the line: paper this wide between letters is a space. */
const SPACE = 0.2
/** Share of a column's dots that may be dark in paper: specks are no ink, the foot of an L is. */
const SPECKS = 0.04
/** Print reads this surely; handwriting hardly ever does. */
const PRINTED = 0.94
/** A line that the second reader is less sure of than this is noise to both. */
const SURE = 0.5
/**
 * In its own height: what is longer than the finest print across a page is a rule, over which the reader
 * would spend seconds.
 */
const LONGEST = 80
/** Nobody else has seen a line that it reads alone: it must be so sure of it, and is not believed to be surer. */
const ALONE = 0.75

/**
 * Reads a page that is too poor, or too much written by hand, for the first reader alone: lines are found
 * anew; what the first read well stays, what it read partly is put together with the second's reading, and
 * what it read as noise or not at all is the second's.
 * @param straight the page upright and straight, from which boxes are shares
 */
export async function recogniseWithBoth(straight: Grey, words: readonly Word[]): Promise<Word[]> {
  const level = inkLevel(straight)
  const instead = new Map<Word, Word[]>()
  const added: Word[] = []
  const lines = await detectLines(straight)
  for (const line of lines) {
    const first = inside(words, line).filter((w) => !instead.has(w))
    // A line that reads well is checked only where somebody may have written: figures, and what is not quite sure.
    if (isLegible(first) && first.every((w) => w.confidence >= PRINTED && !/\d/.test(w.text))) continue
    // A line is found by its core: what the first reader saw beyond it is not to be cut through.
    const reach = boxAround([line, ...first.map((w): Box => [w.box[0], line[1], w.box[2], line[3]])])
    const { letters, alone } = await readCut(
      straight,
      reach,
      line,
      level,
      lines.some((other) => touches(line, other)) ? 0 : MARGIN,
    )
    if (letters.length === 0) continue
    const noise = isNoise(first)
    if (noise && confidenceOf(alone) < SURE) continue
    const found = noise ? alone : together(first, letters, line)
    if (first.length === 0) added.push(...found)
    first.forEach((word, i) => instead.set(word, i === 0 ? found : []))
  }
  return withMailSign(
    splitGluedWords([...words.flatMap((w) => instead.get(w) ?? [w]), ...added]).map(withCrossedT),
  )
}

/**
 * What the second reader sees in a line of a page, by letters and as words of its own.
 * @param reach what is cut out
 * @param above dots of paper above and below it
 */
async function readCut(
  page: Grey,
  reach: Box,
  line: Box,
  level: number,
  above: number,
): Promise<{ letters: Letter[]; alone: Word[] }> {
  const { picture, left, width } = cutOut(page, reach, above)
  const print = cropToInk(picture)
  if (print.width > print.height * LONGEST) return { letters: [], alone: [] }
  const letters = (await recogniseLine(print)).map((l): Letter => ({
    ...l,
    at: (left + l.at * width) / page.width,
  }))
  const gaps = gapsIn(picture, level, picture.height + 2 * (MARGIN - above)).map(
    ([a, b]) => [(left + a) / page.width, (left + b) / page.width] as const,
  )
  return { letters, alone: letters.length === 0 ? [] : wordsFrom(letters, gaps, line) }
}

/** The words of a line of print that stands alone, by the second reader; none where it makes no sense to it. */
export async function recogniseAlone(page: Grey, line: Box, level: number): Promise<Word[]> {
  const { alone } = await readCut(page, line, line, level, 0)
  return confidenceOf(alone) >= ALONE && alone.some((w) => /[\p{L}\d]{3}/u.test(w.text))
    ? alone.map((w) => ({ ...w, confidence: Math.min(w.confidence, ALONE) }))
    : []
}

/** Whether one line ends where another begins. */
const touches = (line: Box, other: Box): boolean => line[3] === other[1] || line[1] === other[3]

/**
 * What both make of a line. Where the first saw nothing, or what is no word, the second's letters are all
 * there is.
 */
function together(first: readonly Word[], letters: readonly Letter[], line: Box): Word[] {
  const scrawls = (w: Word): boolean =>
    w.confidence < SURE &&
    !/[\p{L}\d]{2}/u.test(w.text) &&
    letters.filter((l) => l.text !== ' ' && l.at > w.box[0] && l.at < w.box[2]).length > 1
  const { words, runs } = missingWords(
    first.filter((w) => !scrawls(w)).sort((a, b) => a.box[0] - b.box[0]),
    letters,
  )
  const alone = runs.flatMap((run) => wordsFrom(run, [], line)).filter((w) => w.confidence >= SURE)
  return [...combineReaders(words, letters), ...alone].sort((a, b) => a.box[0] - b.box[0])
}

/** Share of a column's dots that are ink where a letter stands; a speck at the end of a line has fewer. */
const STROKE = 0.12

/** Stretches of a line's columns without ink, wide enough to be spaces in a line so `tall` with its paper. */
function gapsIn({ width, height, data }: Grey, level: number, tall: number): [number, number][] {
  const least = Math.max(3, tall * SPACE)
  const ink = Array.from({ length: width }, (_, x) => {
    let dark = 0
    for (let y = Math.floor(height * 0.1); y < height * 0.9; y++) if (data[y * width + x] < level) dark++
    return dark
  })
  const isLetter = (dark: number) => dark > height * STROKE
  // Paper before the first letter and behind the last parts nothing, though a speck stand beyond it.
  const [first, last] = [ink.findIndex(isLetter), ink.findLastIndex(isLetter)]
  const gaps: [number, number][] = []
  let from = -1
  for (let x = first; x >= 0 && x <= last; x++) {
    const paper = ink[x] <= height * SPECKS
    if (paper && from < 0) from = x
    if (paper || from < 0) continue
    if (x - from >= least) gaps.push([from, x])
    from = -1
  }
  return gaps
}
