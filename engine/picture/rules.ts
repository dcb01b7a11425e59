import type { Box } from '../../core/page/geometry.ts'
import { closeUp, combsOf, type Side } from './combs.ts'
import { inkLevel, paperOf, type Grey } from './grey.ts'

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
 * A copy of the picture without ruled lines: frames and rules make readers lose the words between them. Only thin, long,
 * straight runs of ink are taken out; letters are far shorter. Letters in boxes of their own are moved together.
 */
export function withoutRules(picture: Grey, dpi: number): Cleared {
  const { width, height } = picture
  const ink = Math.min(200, inkLevel(picture) + 8)
  // Frames are often printed grey, half-way between ink and paper.
  const level = Math.max(ink, Math.min(LIGHTEST, Math.round((ink + paperOf(picture)) / 2)))
  const long = Math.round(dpi * 0.55)
  const thick = Math.max(3, Math.round((THICK * dpi) / 200))
  const given = picture.data
  const data = new Uint8Array(given)
  const bars = barsIn(picture, ink, long, thick, Math.round(dpi * LETTERS))
  // Rows are 1 dot apart in a row's direction and `width` across it; columns the other way round.
  eraseRuns(given, data, { lines: height, length: width, step: 1, across: width, level, long, thick, bars })
  // Where a rule was taken out, the sides of the boxes that stood on it are strokes from rule to rule, as tall as letters.
  const ruled = new Uint8Array(data.length)
  for (let at = 0; at < data.length; at++) if (data[at] !== given[at]) ruled[at] = 1
  const sides: Side[] = []
  eraseRuns(given, data, { lines: width, length: height, step: width, across: 1, level, long, thick, bars, sides: { ruled, short: Math.round(dpi * BOX), found: (x, top, bottom) => sides.push({ x, top, bottom }) } })
  const cleared = { width, height, data }
  for (const bar of bars) turnLight(cleared, bar, ink)
  return { picture: cleared, back: closeUp(cleared, combsOf(sides, dpi), ink) }
}

/** A broad bar of ink, in dots. */
interface Bar {
  left: number
  top: number
  right: number
  bottom: number
}

/** Finds bars of ink, which carry light print. Nothing is taken out of them: it would eat the letters. */
function barsIn({ width, height, data }: Grey, level: number, long: number, thick: number, letters: number): Bar[] {
  const bars: Bar[] = []
  const add = (left: number, right: number, y: number) => {
    // Light letters break the dark rows of a bar in its middle.
    const bar = bars.find((b) => y - b.bottom <= letters && Math.min(b.right, right) - Math.max(b.left, left) > 0.5 * Math.min(b.right - b.left, right - left))
    if (!bar) return void bars.push({ left, right, top: y, bottom: y + thick })
    bar.left = Math.min(bar.left, left)
    bar.right = Math.max(bar.right, right)
    bar.bottom = y + thick
  }
  for (let y = 0; y + thick < height; y += 4)
    for (let x = 0, run = 0; x <= width; x++) {
      const dark = x < width && data[y * width + x] < level && data[(y + thick) * width + x] < level
      if (dark) run++
      else {
        if (run >= long) add(x - run, x, y)
        run = 0
      }
    }
  return bars
}

/** Turns light print on a bar of ink into dark print on paper, which readers lose less of. A picture is no bar: it is not dark throughout; nor is a patch without print. */
function turnLight({ width, data }: Grey, { left, top, right, bottom }: Bar, level: number): void {
  let [dark, darkSum, lightest] = [0, 0, 0]
  for (let y = top; y <= bottom; y += 2)
    for (let x = left; x < right; x += 2) {
      const value = data[y * width + x]
      if (value < level) { dark++; darkSum += value } else lightest = Math.max(lightest, value)
    }
  if (lightest === 0 || dark < 0.7 * Math.ceil((bottom - top + 1) / 2) * Math.ceil((right - left) / 2)) return
  const ground = darkSum / dark
  const scale = 245 / Math.max(40, lightest - ground)
  for (let y = top; y <= bottom; y++) {
    const row = data.subarray(y * width + left, y * width + right)
    // Above and below a bar that leans a little, paper is no print.
    if (row.reduce((light, v) => light + (v < level ? 0 : 1), 0) > 0.6 * row.length) continue
    row.forEach((value, i) => { row[i] = Math.min(250, Math.max(0, 250 - (value - ground) * scale)) })
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
  /** Shorter runs go too where they lead from one of these dots to another. */
  sides?: { ruled: Uint8Array; short: number; found: (line: number, first: number, last: number) => void }
}

function eraseRuns(from: Uint8Array, to: Uint8Array, { lines, length, step, across, level, long, thick, bars, sides }: Direction): void {
  const inBar = (line: number, i: number) => bars.some((b) => (step === 1 ? i >= b.left && i <= b.right && line >= b.top && line <= b.bottom : line >= b.left && line <= b.right && i >= b.top && i <= b.bottom))
  const side = (base: number, first: number, last: number): boolean => {
    if (!sides || last - first < sides.short) return false
    // Where it meets the rule, the rule is as thick as the side is long and was left: its neighbours tell.
    const onRule = (i: number) => BESIDE.some((aside) => [-1, 0, 1, 2, 3].some((on) => sides.ruled[base + aside * across + (i + (i === first ? on : -on)) * step] === 1))
    if (!onRule(first) || !onRule(last)) return false
    sides.found(base / across, first, last)
    return true
  }
  const ended = (line: number, end: number, run: number) => {
    const base = line * across
    if ((run >= long || side(base, end - run, end - 1)) && !inBar(line, end - (run >> 1))) erase(from, to, { base, end, run, step, across, line, lines, level, thick })
  }
  // Most runs are strokes of letters, too short for anything: they are told apart before anybody is called.
  const least = Math.min(long, sides ? sides.short + 1 : long)
  if (step === 1) {
    for (let line = 0, at = 0; line < lines; line++) {
      let [run, gap] = [0, 0]
      for (let i = 0; i < length; i++, at++) {
        if (from[at] < level) {
          run += gap + 1
          gap = 0
        } else if (run > 0 && ++gap > GAP) {
          if (run >= least) ended(line, i - GAP, run)
          run = gap = 0
        }
      }
      if (run >= least) ended(line, length - gap, run)
    }
    return
  }
  // All columns side by side, dot by dot as they follow in memory: going down one column after the other is several times slower.
  const runs = new Uint16Array(lines)
  const gaps = new Uint8Array(lines)
  for (let i = 0, at = 0; i < length; i++)
    for (let line = 0; line < lines; line++, at++) {
      if (from[at] < level) {
        runs[line] += gaps[line] + 1
        gaps[line] = 0
      } else if (runs[line] > 0 && ++gaps[line] > GAP) {
        if (runs[line] >= least) ended(line, i - GAP, runs[line])
        runs[line] = gaps[line] = 0
      }
    }
  for (let line = 0; line < lines; line++) if (runs[line] >= least) ended(line, length - gaps[line], runs[line])
}

function erase(from: Uint8Array, to: Uint8Array, given: { base: number; end: number; run: number; step: number; across: number; line: number; lines: number; level: number; thick: number }): void {
  const { base, end, run, step, across, line, lines, level, thick } = given
  const light = Math.min(250, level + 8)
  for (let i = end - run; i < end; i++) {
    const at = base + i * step
    let before = 0
    while (before <= thick && line - before - 1 >= 0 && from[at - (before + 1) * across] < level) before++
    let behind = 0
    while (before + behind <= thick && line + behind + 1 < lines && from[at + (behind + 1) * across] < level) behind++
    // A letter that stands on the line is thicker here, and stays; so does a bar of ink, whose light letters must not be filled.
    const [above, below] = [line - before - 4, line + behind + 4]
    const paper = (above < 0 || from[at - (before + 4) * across] >= light) && (below >= lines || from[at + (behind + 4) * across] >= light)
    if (before + behind + 1 > thick || !paper) continue
    to[at] = 255
    // The soft edge of a rule would still part the letters on either side.
    if (line - before - 1 >= 0) to[at - (before + 1) * across] = 255
    if (line + behind + 1 < lines) to[at + (behind + 1) * across] = 255
  }
}
