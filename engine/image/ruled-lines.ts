import type { Box } from '../../core/model/index.ts'
import { closeUp, findCombBoxes, type Side } from './comb-boxes.ts'
import { inkLevel, paperLevel, type Grey } from './greyscale.ts'
import { eraseLineResidue, type Erased } from './line-residue.ts'

/** Thickest stroke, in dots at 200 dpi, that is still a ruled line rather than a bar of ink. */
const THICK = 8

/** No rule is lighter than this: paper itself may be. */
const LIGHTEST = 212

/** Dots aside of a box's side in which the rule that it stands on is looked for. */
const BESIDE = [-12, -9, -7, -5, -3, 0, 3, 5, 7, 9, 12]

/** Dots of paper that do not end a run. */
const GAP = 2

/** Inches that light letters on a bar are at most tall. */
const LETTERS = 0.4

/** Inches that the side of a box for a letter is at least tall. */
const BOX = 0.1

/** A picture without rules, and the way back for boxes of words found on it. */
export interface Cleared {
  picture: Grey
  back: (box: Box) => Box
}

/**
 * A copy of the picture without ruled lines: frames and rules make readers lose the words between them. Only
 * thin, long, straight runs of ink are taken out; letters are far shorter. Letters in boxes of their own are
 * moved together.
 */
export function removeRuledLines(picture: Grey, dpi: number): Cleared {
  const { width, height } = picture
  const ink = Math.min(200, inkLevel(picture) + 8)
  // Frames are often printed grey, half-way between ink and paper.
  const level = Math.max(ink, Math.min(LIGHTEST, Math.round((ink + paperLevel(picture)) / 2)))
  const long = Math.round(dpi * 0.55)
  const thick = Math.max(3, Math.round((THICK * dpi) / 200))
  const given = picture.data
  const data = new Uint8Array(given)
  const bars = barsIn(picture, ink, long, thick, Math.round(dpi * LETTERS))
  // Rows are 1 dot apart in a row's direction and `width` across it; columns the other way round. Where a
  // rule was taken out, the sides of the boxes that stood on it are strokes from rule to rule, as tall as
  // letters.
  const erased: Erased = { lying: new Uint8Array(data.length), standing: new Uint8Array(data.length) }
  const ruled: Ruled = { dots: erased.lying, rows: new Uint16Array(height) }
  eraseRuns(given, data, {
    lines: height,
    length: width,
    step: 1,
    across: width,
    level,
    long,
    thick,
    bars,
    erased: erased.lying,
    rows: ruled.rows,
  })
  const down = {
    lines: width,
    length: height,
    step: width,
    across: 1,
    level,
    long,
    thick,
    bars,
    erased: erased.standing,
  }
  eraseRuns(given, data, down)
  const sides: Side[] = []
  eraseSides(given, data, ruled, { ...down, short: Math.round(dpi * BOX) }, (side) => sides.push(side))
  const cleared = { width, height, data }
  eraseLineResidue(cleared, erased, level)
  for (const bar of bars) turnLight(cleared, bar, ink)
  return { picture: cleared, back: closeUp(cleared, findCombBoxes(sides, dpi), ink) }
}

/** A broad bar of ink, in dots. */
interface Bar {
  left: number
  top: number
  right: number
  bottom: number
}

/** Finds bars of ink, which carry light print. Nothing is taken out of them: it would eat the letters. */
function barsIn(
  { width, height, data }: Grey,
  level: number,
  long: number,
  thick: number,
  letters: number,
): Bar[] {
  const bars: Bar[] = []
  const add = (left: number, right: number, y: number) => {
    // Light letters break the dark rows of a bar in its middle.
    const bar = bars.find(
      (b) =>
        y - b.bottom <= letters &&
        Math.min(b.right, right) - Math.max(b.left, left) > 0.5 * Math.min(b.right - b.left, right - left),
    )
    if (!bar) return void bars.push({ left, right, top: y, bottom: y + thick })
    bar.left = Math.min(bar.left, left)
    bar.right = Math.max(bar.right, right)
    bar.bottom = y + thick
  }
  // A run that is long enough covers one of these places, wherever it begins.
  for (let y = 0; y + thick < height; y += 4) {
    const isDark = (x: number): boolean =>
      data[y * width + x] < level && data[(y + thick) * width + x] < level
    for (let x = long - 1; x < width; x += long) {
      if (!isDark(x)) continue
      let [left, right] = [x, x + 1]
      while (left > 0 && isDark(left - 1)) left--
      while (right < width && isDark(right)) right++
      if (right - left >= long) add(left, right, y)
      x = Math.max(x, right - 1)
    }
  }
  return bars
}

/**
 * Turns light print on a bar of ink into dark print on paper, which readers lose less of. A picture is no
 * bar: it is not dark throughout; nor is a patch without print.
 */
function turnLight({ width, data }: Grey, { left, top, right, bottom }: Bar, level: number): void {
  let [dark, darkSum, lightest] = [0, 0, 0]
  for (let y = top; y <= bottom; y += 2)
    for (let x = left; x < right; x += 2) {
      const value = data[y * width + x]
      if (value < level) {
        dark++
        darkSum += value
      } else lightest = Math.max(lightest, value)
    }
  if (lightest === 0 || dark < 0.7 * Math.ceil((bottom - top + 1) / 2) * Math.ceil((right - left) / 2)) return
  const ground = darkSum / dark
  const scale = 245 / Math.max(40, lightest - ground)
  for (let y = top; y <= bottom; y++) {
    const row = data.subarray(y * width + left, y * width + right)
    // Above and below a bar that leans a little, paper is no print.
    if (row.reduce((light, v) => light + (v < level ? 0 : 1), 0) > 0.6 * row.length) continue
    row.forEach((value, i) => {
      row[i] = Math.min(250, Math.max(0, 250 - (value - ground) * scale))
    })
  }
}

interface Direction {
  lines: number
  length: number
  step: number
  across: number
  level: number
  long: number
  thick: number
  bars: readonly Bar[]
  /** Notes the thickness of what was taken out, dot by dot. */
  erased: Uint8Array
  /** Notes how many dots were taken out of each row. */
  rows?: Uint16Array
}

/** Dots that were rules (not nought), and how many of them are in each row. */
interface Ruled {
  dots: Uint8Array
  rows: Uint16Array
}

/** Whether any of three dots in a row is dark: a run has no wider gap. */
const darkAround = (from: Uint8Array, at: number, step: number, level: number): boolean =>
  from[at] < level || from[at - step] < level || from[at + step] < level

/**
 * Takes long runs of ink out. Only every so manieth dot is looked at first: a run that is long enough covers
 * three of these one after the other, which print hardly ever does, and only there all dots are gone through.
 */
function eraseRuns(from: Uint8Array, to: Uint8Array, given: Direction): void {
  const { lines, length, step, across, level, long } = given
  const stride = Math.max(2, Math.floor((long - 2) / 3))
  const samples = Math.floor((length - 2) / stride)
  const inARow = new Uint16Array(lines)
  const runsWithin = (line: number, first: number, end: number) =>
    eachRun(
      from,
      { base: line * across, first: Math.max(0, first), end: Math.min(length, end), step },
      level,
      long,
      (last, run) => {
        if (!inBar(given, line, last - (run >> 1)))
          erase(from, to, { ...given, base: line * across, end: last, run, line })
      },
    )
  const looked = (line: number, k: number, dark: boolean) => {
    if (dark) return void inARow[line]++
    if (inARow[line] >= 3) runsWithin(line, (k - inARow[line] - 1) * stride - 1, k * stride + 2)
    inARow[line] = 0
  }
  // As the dots follow in memory, whatever the direction: going down one column after the other is several
  // times slower.
  if (step === 1)
    for (let line = 0; line < lines; line++)
      for (let k = 1; k <= samples; k++)
        looked(line, k, darkAround(from, line * across + k * stride, 1, level))
  else
    for (let k = 1; k <= samples; k++)
      for (let line = 0, at = k * stride * step; line < lines; line++, at++)
        looked(line, k, darkAround(from, at, step, level))
  for (let line = 0; line < lines; line++)
    if (inARow[line] >= 3) runsWithin(line, (samples - inARow[line]) * stride - 1, length)
}

const inBar = ({ bars, step }: Direction, line: number, i: number): boolean =>
  bars.some((b) =>
    step === 1
      ? i >= b.left && i <= b.right && line >= b.top && line <= b.bottom
      : line >= b.left && line <= b.right && i >= b.top && i <= b.bottom,
  )

/**
 * Calls back with the end (exclusive) and length of each run of ink of `least` dots or more between two
 * places of a line.
 */
function eachRun(
  from: Uint8Array,
  { base, first, end, step }: { base: number; first: number; end: number; step: number },
  level: number,
  least: number,
  found: (end: number, run: number) => void,
): void {
  let [run, gap] = [0, 0]
  for (let i = first, at = base + first * step; i < end; i++, at += step) {
    if (from[at] < level) {
      run += gap + 1
      gap = 0
    } else if (run > 0 && ++gap > GAP) {
      if (run >= least) found(i - GAP, run)
      run = gap = 0
    }
  }
  if (run >= least) found(end - gap, run)
}

/**
 * Takes out the sides of boxes that stand on a rule and hang from the next: strokes as tall as letters, from
 * rule to rule. Only between rules that lie so near one another is there anything to look for.
 */
function eraseSides(
  from: Uint8Array,
  to: Uint8Array,
  ruled: Ruled,
  given: Direction & { short: number },
  found: (side: Side) => void,
): void {
  const { lines: width, length: height, step, level, long, thick, short } = given
  const { dots } = ruled
  const onRule = (x: number, y: number, inwards: 1 | -1): boolean =>
    BESIDE.some((aside) => [-1, 0, 1, 2, 3].some((on) => dots[(y + inwards * on) * step + x + aside] > 0))
  for (const [top, bottom] of bandsOf(ruled, height, long, thick))
    for (let x = 0; x < width; x++)
      eachRun(from, { base: x, first: top, end: bottom, step }, level, short + 1, (end, run) => {
        const [first, last] = [end - run, end - 1]
        // What goes on beyond the band is no side of a box; what is long is a rule, and gone already.
        if (first <= top || end >= bottom || run >= long || !onRule(x, first, 1) || !onRule(x, last, -1))
          return
        found({ x, top: first, bottom: last })
        if (!inBar(given, x, end - (run >> 1))) erase(from, to, { ...given, base: x, end, run, line: x })
      })
}

/** Rows of a rule may carry so few dots of it. */
const RULED = 12

/** Bands of rows between rules that lie less than `long` apart, with some paper around them. */
function bandsOf(ruled: Ruled, height: number, long: number, thick: number): [top: number, bottom: number][] {
  const rows = Array.from(ruled.rows.keys()).filter((y) => ruled.rows[y] >= RULED)
  const bands: [number, number][] = []
  const around = thick + 6
  rows.slice(1).forEach((row, i) => {
    const before = rows[i]
    if (row - before <= thick || row - before > long + thick) return
    const [top, bottom] = [Math.max(0, before - around), Math.min(height, row + around)]
    const last = bands.at(-1)
    if (last && top <= last[1]) last[1] = bottom
    else bands.push([top, bottom])
  })
  return bands
}

/**
 * Of a rule at least this share lies open, with paper on both sides, and is equally thick; the feet of bold
 * letters that stand close are a run too, but part of round and straight strokes.
 */
const OPEN = 0.4

/** Takes out one run where it is a rule and no letter stands on it. */
function erase(
  from: Uint8Array,
  to: Uint8Array,
  {
    base,
    end,
    run,
    step,
    across,
    line,
    lines,
    level,
    thick,
    erased,
    rows,
  }: Direction & { base: number; end: number; run: number; line: number },
): void {
  const light = Math.min(250, level + 8)
  const open: { at: number; before: number; behind: number }[] = []
  for (let i = end - run; i < end; i++) {
    const at = base + i * step
    let before = 0
    while (before <= thick && line - before - 1 >= 0 && from[at - (before + 1) * across] < level) before++
    let behind = 0
    while (before + behind <= thick && line + behind + 1 < lines && from[at + (behind + 1) * across] < level)
      behind++
    // A letter that stands on the line is thicker here, and stays; so does a bar of ink, whose light letters
    // must not be filled.
    const [above, below] = [line - before - 4, line + behind + 4]
    const paper =
      (above < 0 || from[at - (before + 4) * across] >= light) &&
      (below >= lines || from[at + (behind + 4) * across] >= light)
    if (before + behind + 1 <= thick && paper) open.push({ at, before, behind })
  }
  const thickness = open.map((o) => o.before + o.behind).sort((a, b) => a - b)
  const usual = thickness[thickness.length >> 1]
  if (thickness.filter((t) => Math.abs(t - usual) <= 1).length < OPEN * run) return
  for (const { at, before, behind } of open) {
    const clear = (dot: number, row: number): void => {
      to[dot] = 255
      erased[dot] = before + behind + 1
      if (rows) rows[row]++
    }
    clear(at, line)
    // The soft edge of a rule would still part the letters on either side.
    if (line - before - 1 >= 0) clear(at - (before + 1) * across, line - before - 1)
    if (line + behind + 1 < lines) clear(at + (behind + 1) * across, line + behind + 1)
  }
}
