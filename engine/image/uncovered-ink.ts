import type { Box } from '../../core/model/index.ts'
import type { Grey } from './greyscale.ts'
import { runsOf } from './runs.ts'

/** Dots of the picture to a side of a cell: letters of small print are some four cells high. */
const CELL = 4
/** Dots of ink that make a cell dark. */
const INKED = 3
/** Cells around a word that are its own: the soft edges of letters, accents, a line under it. */
const AROUND = 1
/** In heights of the usual word: a space within a line, and the least and most that a line of print is high. */
const SPACE = 0.9
const [LOWEST, HIGHEST] = [0.45, 1.8]
/**
 * The number of a page may be set half as high as its lines: a row so much longer than high, and of so many
 * cells in height, is print; of a row of dots more is paper than ink.
 */
const [LONG, SMALLEST, FILLED] = [4, 2, 0.5]
/** Print is wider than high, and neither a rule nor a filled patch. */
const WIDER = 1.3
const [PALEST, DARKEST] = [0.12, 0.75]
/** In heights of the usual word: what is lower is a point or a dash. */
const FIGURE = 0.6
/** Two figures are nearly as wide as high, and half of their place is paper. */
const [PAIR, SOLID] = [0.85, 0.6]
/** A 1 is wider than what is left of a rule, as a share of its height. */
const NARROWEST = 0.25
/** With more places than this it is a drawing, or a page that is noise all over. */
const MOST = 30
/**
 * So many places under one another with one edge, to a cell, are a column of print that was passed over as a
 * whole.
 */
const COLUMN = 4
const EDGE = 1

/** The height of the middle one of words by height, on a page so many dots or cells high; 0 without any. */
export function usualHeight(words: readonly Box[], height: number): number {
  const heights = words.map((b) => (b[3] - b[1]) * height).sort((a, b) => a - b)
  return heights[heights.length >> 1] ?? 0
}

/** Ink that no word covers. */
export interface UncoveredInk {
  places: Box[]
  /** There are more places than are worth looking at one by one: a part of the page was passed over as a whole. */
  many: boolean
}

/**
 * Places as high as lines of print where there is ink and no word: a reader that takes the lines close to a
 * rule for a part of its frame passes over them, and small labels over their values most of all.
 * @param words boxes of the words that were read, as shares of the picture
 * @param level dots darker than this are ink
 */
export function uncoveredInk(picture: Grey, words: readonly Box[], level: number): UncoveredInk {
  const { width, height } = picture
  if (words.length === 0) return { places: [], many: false }
  const [columns, rows] = [Math.floor(width / CELL), Math.floor(height / CELL)]
  const cells = darkCells(picture, columns, rows, level)
  for (const box of words) cover(cells, columns, rows, box)
  const usual = usualHeight(words, rows)
  /** Plainly a line or a figure in one, or only likely print: two figures alone, very small print. */
  const printOn = ({ box: [l, t, r, b], dark }: Group): 'plain' | 'likely' | null => {
    const [wide, high] = [r - l, b - t]
    const share = dark / (wide * high)
    const dots: Box = [l * CELL, t * CELL, r * CELL, b * CELL]
    const ink = () => inkIn(picture, dots, level)
    const small = () =>
      high >= SMALLEST &&
      wide >= high * LONG &&
      inkedColumns(picture, dots, level) > FILLED &&
      !hasRule(picture, dots, level)
    if (high > usual * HIGHEST || share < PALEST) return null
    if (high < usual * LOWEST) return small() && ink() <= DARKEST ? 'likely' : null
    // Of small print every cell is dark: whether it is a filled patch only its dots tell.
    if (wide >= high * WIDER) return share <= DARKEST || ink() <= DARKEST ? 'plain' : null
    if (high < usual * FIGURE || wide < high * NARROWEST) return null
    // A figure alone, as a quantity is, stands in a line with words; a speck stands anywhere.
    const middle = (t + b) / 2 / rows
    if (words.some((w) => middle > w[1] && middle < w[3])) return 'plain'
    // The last two figures of a day that its column broke off stand in a line of their own.
    return wide >= high * PAIR && ink() <= SOLID ? 'likely' : null
  }
  const found = groups(cells, columns, rows, Math.max(2, Math.round(usual * SPACE)))
    .flatMap((group) =>
      isTall(group, usual) ? linesIn(picture, { cells, columns }, group, usual, level) : [group],
    )
    .map((group) => ({ group, print: printOn(group) }))
    .filter(({ print }) => print !== null)
  // On a grainy page much is likely print; what plainly is must not be lost with it.
  const likely = found.length > MOST ? found.filter(({ print }) => print === 'plain') : found
  // A long column has more places than a drawing: the days of a month's bookings.
  const kept = likely.length > MOST ? inColumns(likely) : likely
  const places = kept.map(
    ({
      group: {
        box: [l, t, r, b],
      },
    }): Box => [(l * CELL) / width, (t * CELL) / height, (r * CELL) / width, (b * CELL) / height],
  )
  return places.length > MOST * 2 ? { places: [], many: true } : { places, many: false }
}

/**
 * In heights of the usual word: more than two or three lines are hardly joined by specks and letters that
 * reach below theirs.
 */
const LINES = 4
const isTall = ({ box: [, top, , bottom] }: Group, usual: number): boolean =>
  bottom - top > usual * HIGHEST && bottom - top <= usual * LINES

/**
 * The lines of print in a group that is too high for one, as two close ones are; the group itself where no
 * paper parts it.
 */
function linesIn(
  picture: Grey,
  { cells, columns }: { cells: Uint8Array; columns: number },
  group: Group,
  usual: number,
  level: number,
): Group[] {
  const [left, top, right, bottom] = group.box
  const bands = bandsIn(picture, [left * CELL, top * CELL, right * CELL, bottom * CELL], level).filter(
    (band) => band.to - band.from >= usual * CELL * BAND,
  )
  if (bands.length < 2) return [group]
  return bands.map((band) => {
    const box: Group['box'] = [
      Math.floor(band.left / CELL),
      Math.floor(band.from / CELL),
      Math.ceil(band.right / CELL),
      Math.ceil(band.to / CELL),
    ]
    let dark = 0
    for (let y = box[1]; y < box[3]; y++)
      for (let x = box[0]; x < box[2]; x++) if (cells[y * columns + x] !== 0) dark++
    return { box, dark }
  })
}

/** Of places, those that stand under one another with their left or their right edges. */
function inColumns<T extends { group: Group }>(places: readonly T[]): T[] {
  const fellows = ({ box }: Group, edge: 0 | 2) =>
    places.filter(({ group }) => Math.abs(group.box[edge] - box[edge]) <= EDGE).length
  return places.filter(({ group }) => fellows(group, 0) >= COLUMN || fellows(group, 2) >= COLUMN)
}

/** Whether a row of dots in a box is ink for longer than any letter is. */
function hasRule({ width, data }: Grey, [left, top, right, bottom]: Box, level: number): boolean {
  const longest = (bottom - top) * 2
  for (let y = top; y < bottom; y++)
    for (let x = left, run = 0; x < right; x++) {
      run = data[y * width + x] < level ? run + 1 : 0
      if (run > longest) return true
    }
  return false
}

/** The share of a box's columns of dots with ink in them. */
function inkedColumns({ width, data }: Grey, [left, top, right, bottom]: Box, level: number): number {
  let inked = 0
  for (let x = left; x < right; x++) {
    let y = top
    while (y < bottom && data[y * width + x] >= level) y++
    if (y < bottom) inked++
  }
  return inked / (right - left)
}

/** The share of dots in a box that are ink. */
function inkIn({ width, data }: Grey, [left, top, right, bottom]: Box, level: number): number {
  let dark = 0
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) if (data[y * width + x] < level) dark++
  return dark / ((right - left) * (bottom - top))
}

/** In heights of the usual word: a taller box may reach over two lines, which both are at least that high. */
const TALL = 1.25
const BAND = 0.35

/**
 * The boxes of words without a line above or below that a reader took for a part of the same row: of the
 * bands of ink that paper parts, the widest and highest is the word's. Without this a label would stay hidden
 * under the box of the value that it is over.
 */
export function withinLines(picture: Grey, words: readonly Box[], level: number): Box[] {
  const { width, height } = picture
  const usual = usualHeight(words, height)
  return words.map((box): Box => {
    const [left, top, right, bottom] = [
      Math.round(box[0] * width),
      Math.round(box[1] * height),
      Math.round(box[2] * width),
      Math.round(box[3] * height),
    ]
    if (bottom - top <= usual * TALL) return box
    const lines = bandsIn(picture, [left, top, right, bottom], level).filter(
      (band) => band.to - band.from >= usual * BAND,
    )
    if (lines.length < 2) return box
    const { from, to } = lines.reduce((a, b) => (reach(b) > reach(a) ? b : a))
    return [box[0], from / height, box[2], to / height]
  })
}

/** Rows of dots with ink that follow one another, and how far their ink reaches across. */
interface Band {
  from: number
  to: number
  left: number
  right: number
}

/**
 * The box is the word's, which reaches from its left to its right; of two lines that both do, the higher one
 * is the word.
 */
const reach = ({ from, to, left, right }: Band): number => (right - left) * (to - from)

function bandsIn({ width, data }: Grey, [left, top, right, bottom]: Box, level: number): Band[] {
  const bands: Band[] = []
  for (let y = top, open = false; y < bottom; y++) {
    let [first, last] = [right, left]
    for (let x = left; x < right; x++)
      if (data[y * width + x] < level) [first, last] = [Math.min(first, x), x + 1]
    const inked = last > first
    if (inked && !open) bands.push({ from: y, to: y + 1, left: first, right: last })
    else if (inked)
      Object.assign(bands.at(-1)!, {
        to: y + 1,
        left: Math.min(bands.at(-1)!.left, first),
        right: Math.max(bands.at(-1)!.right, last),
      })
    open = inked
  }
  return bands
}

function darkCells(picture: Grey, columns: number, rows: number, level: number): Uint8Array {
  const counts = new Uint8Array(columns * rows)
  const runs = runsOf(picture, level)
  for (let y = 0; y < rows * CELL; y++) {
    const row = Math.floor(y / CELL) * columns
    for (let run = runs.rows[y]; run < runs.rows[y + 1]; run++)
      for (let x = runs.from[run], end = Math.min(runs.to[run], columns * CELL); x < end; x++)
        counts[row + Math.floor(x / CELL)]++
  }
  for (let i = 0; i < counts.length; i++) counts[i] = counts[i] >= INKED ? 1 : 0
  return counts
}

function cover(cells: Uint8Array, columns: number, rows: number, [l, t, r, b]: Box): void {
  const [left, right] = [
    Math.max(0, Math.floor(l * columns) - AROUND),
    Math.min(columns, Math.ceil(r * columns) + AROUND),
  ]
  for (
    let y = Math.max(0, Math.floor(t * rows) - AROUND);
    y < Math.min(rows, Math.ceil(b * rows) + AROUND);
    y++
  )
    cells.fill(0, y * columns + left, y * columns + right)
}

interface Group {
  /** In cells: left, top, and behind the last to the right and below. */
  box: [number, number, number, number]
  dark: number
}

/** Dark cells that touch, or are parted by a space within one line. */
function groups(cells: Uint8Array, columns: number, rows: number, space: number): Group[] {
  const found: Group[] = []
  for (let start = 0; start < cells.length; start++) {
    if (cells[start] !== 1) continue
    const open = [start]
    cells[start] = 2
    const group: Group = { box: [columns, rows, 0, 0], dark: 0 }
    while (open.length > 0) {
      const at = open.pop()!
      const [x, y] = [at % columns, Math.floor(at / columns)]
      const { box } = group
      group.dark++
      group.box = [Math.min(box[0], x), Math.min(box[1], y), Math.max(box[2], x + 1), Math.max(box[3], y + 1)]
      for (let v = Math.max(0, y - 1); v <= Math.min(rows - 1, y + 1); v++)
        for (let u = Math.max(0, x - space); u <= Math.min(columns - 1, x + space); u++)
          if (cells[v * columns + u] === 1) {
            cells[v * columns + u] = 2
            open.push(v * columns + u)
          }
    }
    found.push(group)
  }
  return found
}
