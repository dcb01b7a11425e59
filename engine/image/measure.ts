import { type InkGrid, packInk } from '../../core/model/index.ts'
import { inkLevel, type Grey } from './greyscale.ts'
import { runsOf } from './runs.ts'

const COLUMNS = 200

/** Where a page is dark, in cells of about 3 points. */
export function inkGrid(picture: Grey): InkGrid {
  const { width, height } = picture
  const rows = Math.max(1, Math.round((COLUMNS * height) / width))
  const runs = runsOf(picture, Math.min(200, Math.max(90, inkLevel(picture) + 12)))
  const starts = Uint32Array.from({ length: COLUMNS + 1 }, (_, column) =>
    Math.ceil((column * width) / COLUMNS),
  )
  const columnOf = Uint8Array.from({ length: width }, (_, x) => Math.floor((x * COLUMNS) / width))
  const cells = new Uint8Array(COLUMNS * rows)
  const dark = new Uint32Array(COLUMNS)
  for (let row = 0; row < rows; row++) {
    dark.fill(0)
    const [top, bottom] = [Math.ceil((row * height) / rows), Math.ceil(((row + 1) * height) / rows)]
    for (let run = runs.rows[top]; run < runs.rows[bottom]; run++)
      for (let at = runs.from[run]; at < runs.to[run];) {
        const column = columnOf[at]
        const end = Math.min(runs.to[run], starts[column + 1])
        dark[column] += end - at
        at = end
      }
    for (let column = 0; column < COLUMNS; column++) {
      const all = (bottom - top) * (starts[column + 1] - starts[column])
      if (all) cells[row * COLUMNS + column] = Math.min(255, Math.round((dark[column] / all) * 255))
    }
  }
  return packInk(COLUMNS, rows, cells)
}

/** What a picture of a page is like, before anything is read from it. */
export interface Measures {
  /** Degrees that the lines lean; turning the picture by as much the other way puts it right. */
  skew: number
  /** The same of lines that run the other way: which way they run is a guess that their reading may prove wrong. */
  skewOtherwise: number
  /** Lines run down the page rather than across. */
  sideways: boolean
  /** Share of dark dots, borders left out. */
  dark: number
  /** Median of the light half: how bright the paper is, 0 to 255. */
  paper: number
  /** Paper less ink level: how far print stands out. */
  contrast: number
}

/**
 * Measures skew, orientation and light on a reduced picture. Skew is the angle at which the rows of dark dots
 * are most uneven. Source: Postl, "Detection of linear oblique structures and skew scan in digitized
 * documents", 1986.
 */
export function measure(picture: Grey): Measures {
  const small = reduce(picture, 700)
  const level = inkLevel(small)
  const points = new Uint16Array(2 * small.width * small.height)
  let count = 0
  let lightSum = 0
  let light = 0
  let dark = 0
  let darkSum = 0
  const [marginX, marginY] = [Math.round(small.width * 0.04), Math.round(small.height * 0.03)]
  for (let y = marginY; y < small.height - marginY; y++)
    for (let x = marginX; x < small.width - marginX; x++) {
      const value = small.data[y * small.width + x]
      if (value < level) {
        dark++
        darkSum += value
        if (!deep(small, x, y, level)) {
          points[count++] = x
          points[count++] = y
        }
      } else {
        lightSum += value
        light++
      }
    }
  const area = (small.width - 2 * marginX) * (small.height - 2 * marginY)
  const paper = light ? lightSum / light : 255
  const ink = dark ? darkSum / dark : paper
  const step = Math.max(1, Math.floor(count / 2 / 25_000)) * 2
  const [xs, ys, back] = [0, 1, -1].map((which) => {
    const every = new Float64Array(Math.ceil(count / step))
    for (let i = 0; i < every.length; i++)
      every[i] = which < 0 ? -points[i * step + 1] : points[i * step + which]
    return every
  })
  const across = bestAngle(xs, ys, small.height, small.width)
  const down = bestAngle(back, xs, small.width, small.height)
  const sideways = down.score > across.score * 1.25
  const [skew, skewOtherwise] = sideways ? [down.angle, across.angle] : [across.angle, down.angle]
  return { skew, skewOtherwise, sideways, dark: dark / area, paper, contrast: paper - ink }
}

/** Dots of a reduced picture that a stroke of print is thinner than. */
const DEEP = 5

/** Inside of broad ink. A bar says nothing of how lines lean but by its edges, and outweighs them all. */
function deep({ width, height, data }: Grey, x: number, y: number, level: number): boolean {
  if (x < DEEP || y < DEEP || x >= width - DEEP || y >= height - DEEP) return false
  const at = y * width + x
  return (
    data[at - DEEP] < level &&
    data[at + DEEP] < level &&
    data[at - DEEP * width] < level &&
    data[at + DEEP * width] < level
  )
}

const steps = (from: number, to: number, by: number): number[] =>
  Array.from({ length: Math.round((to - from) / by) + 1 }, (_, i) => from + i * by)

/**
 * The peak of a page full of lines is half a degree wide: beside a dark bar cut straight by the page's edge,
 * wider steps miss it.
 */
const COARSE = [...steps(-8, -2.5, 0.5), ...steps(-2, 2, 0.2), ...steps(2.5, 8, 0.5)]

/** @param xs, ys places of dots along the lines and across them */
function bestAngle(
  xs: Float64Array,
  ys: Float64Array,
  along: number,
  across: number,
): { angle: number; score: number } {
  const score = (degrees: number): number => {
    const slope = Math.tan((degrees * Math.PI) / 180)
    const offset = Math.ceil(Math.abs(slope) * across) + 1
    const rows = new Int32Array(along + 2 * offset + 2)
    const middle = offset + 0.5
    for (let i = 0; i < xs.length; i++) rows[(ys[i] - slope * xs[i] + middle) | 0]++
    let sum = 0
    for (let i = 1; i < rows.length; i++) sum += (rows[i] - rows[i - 1]) ** 2
    return sum
  }
  let best = { angle: 0, score: score(0) * 1.02 }
  for (const a of COARSE) {
    const s = score(a)
    if (s > best.score) best = { angle: a, score: s }
  }
  const coarse = best.angle
  for (let a = coarse - 0.4; a <= coarse + 0.4; a += 0.1) {
    const s = score(a)
    if (s > best.score) best = { angle: a, score: s }
  }
  return best
}

/** The picture at most `most` dots wide, each dot the mean of those it stands for. */
export function reduce(picture: Grey, most: number): Grey {
  const factor = Math.floor(Math.max(picture.width, picture.height) / most)
  if (factor < 2) return picture
  const width = Math.floor(picture.width / factor)
  const height = Math.floor(picture.height / factor)
  const data = new Uint8Array(width * height)
  const { data: from, width: stride } = picture
  const sums = new Uint32Array(width)
  for (let y = 0; y < height; y++) {
    sums.fill(0)
    for (let dy = 0; dy < factor; dy++)
      // Three dots to one is the usual case, and told apart takes a third of the time.
      if (factor === 3)
        for (let x = 0, at = (y * 3 + dy) * stride; x < width; x++, at += 3)
          sums[x] += from[at] + from[at + 1] + from[at + 2]
      else
        for (let x = 0, at = (y * factor + dy) * stride; x < width; x++)
          for (const end = at + factor; at < end; at++) sums[x] += from[at]
    for (let x = 0, to = y * width; x < width; x++, to++) data[to] = sums[x] / (factor * factor)
  }
  return { width, height, data }
}
