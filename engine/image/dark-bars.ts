import { type InkGrid, unpackInk } from '../../core/model/index.ts'
import { inkLevel, type Grey } from './greyscale.ts'
import { runsOf, type Runs } from './runs.ts'

/** A stretch of a picture in dots. */
export interface Patch {
  left: number
  top: number
  width: number
  height: number
}

const WINDOW = 200
const STEP = 50
/** Rows this far apart say the same where bars stand, and hardly ever where letters do. */
const APART = 6
/** So many changes between dark and light in a window are bars; letters and rules have fewer in rows that agree. */
const FEWEST = 26
const DIFFERING = 0.07

/**
 * Places of a picture where upright bars stand side by side, as barcodes have them: rows full of changes that
 * are the same as the rows below. Finding them is quick; reading them is not, so that only these places are
 * read.
 * @param lying whether bars are looked for that lie one over the other, as on a label stuck on sideways
 * @returns patches with a margin around them, the largest first
 */
export function darkBars(picture: Grey, lying = false): Patch[] {
  const level = inkLevel(picture)
  const lines = lying ? columnsOf(picture) : rowsOf(picture)
  const { width, data } = lines
  const height = lying ? picture.width : picture.height
  const columns = Math.max(0, Math.floor((width - WINDOW) / STEP) + 1)
  const rows = Math.max(0, lines.height - 2)
  const hits = new Uint8Array(columns * rows)
  const runs = runsOf(lines, level)
  const changes = new Uint16Array(width + 1)
  for (let r = 0; r < rows; r++) {
    if (2 * (runs.rows[r + 1] - runs.rows[r]) < FEWEST) continue
    countChanges(runs, r, width, changes)
    for (let c = 0; c < columns; c++) {
      const [from, to] = [c * STEP, c * STEP + WINDOW]
      // Between the first dot of a window and the one before it is no change of the window.
      if (
        changes[to] - changes[from + 1] >= FEWEST &&
        differing(data, r * width + from, width, level) <= WINDOW * DIFFERING
      )
        hits[r * columns + c] = 1
    }
  }
  return patchesOf(hits, columns, rows, 1)
    .map(({ left, top, right, bottom }) => {
      const [x0, y0] = [Math.max(0, left * STEP - WINDOW), Math.max(0, top * APART - 20)]
      const [wide, tall] = [
        Math.min(width, right * STEP + WINDOW * 2) - x0,
        Math.min(height, (bottom + 3) * APART + 20) - y0,
      ]
      return lying
        ? { left: y0, top: x0, width: tall, height: wide }
        : { left: x0, top: y0, width: wide, height: tall }
    })
    .sort((a, b) => b.width * b.height - a.width * a.height)
}

/** Every so manieth row of a picture. */
function rowsOf({ width, height, data }: Grey): Grey {
  const lines: Grey = {
    width,
    height: Math.floor(height / APART),
    data: new Uint8Array(width * Math.floor(height / APART)),
  }
  for (let line = 0; line < lines.height; line++)
    lines.data.set(data.subarray(line * APART * width, (line * APART + 1) * width), line * width)
  return lines
}

/** Every so manieth column of a picture, as rows. */
function columnsOf({ width, height, data }: Grey): Grey {
  const lines: Grey = {
    width: height,
    height: Math.floor(width / APART),
    data: new Uint8Array(height * Math.floor(width / APART)),
  }
  for (let y = 0; y < height; y++)
    for (let line = 0, at = y * width; line < lines.height; line++, at += APART)
      lines.data[line * height + y] = data[at]
  return lines
}

/** Cells of the ink's grid across the smallest code that is looked for: a centimetre. */
const SQUARE = 9
/** A square code is dark by half, give or take; lines of print are dark by less, for there is paper between them. */
const [PALEST, DARKEST] = [0.3, 0.75]
/** In none of its rows or columns of cells is it nearly white: between lines of print there always is one. */
const FAINTEST = 0.16

/**
 * Places of a picture that are dark by half in every row and column, as square codes are.
 * @param grid the ink of the very picture
 * @returns patches with a margin around them, the largest first
 */
export function densePatches({ width, height }: Grey, grid: InkGrid): Patch[] {
  const { columns, rows } = grid
  const cells = unpackInk(grid)
  const sums = new Float64Array((columns + 1) * (rows + 1))
  for (let y = 0; y < rows; y++)
    for (let x = 0, row = 0; x < columns; x++)
      sums[(y + 1) * (columns + 1) + x + 1] =
        sums[y * (columns + 1) + x + 1] + (row += cells[y * columns + x] / 255)
  const dark = (x0: number, y0: number, x1: number, y1: number): number =>
    (sums[y1 * (columns + 1) + x1] -
      sums[y0 * (columns + 1) + x1] -
      sums[y1 * (columns + 1) + x0] +
      sums[y0 * (columns + 1) + x0]) /
    ((x1 - x0) * (y1 - y0))
  const isDense = (x: number, y: number): boolean => {
    const share = dark(x, y, x + SQUARE, y + SQUARE)
    if (share < PALEST || share > DARKEST) return false
    for (let i = 0; i < SQUARE; i++)
      if (
        dark(x, y + i, x + SQUARE, y + i + 1) < FAINTEST ||
        dark(x + i, y, x + i + 1, y + SQUARE) < FAINTEST
      )
        return false
    return true
  }
  const hits = new Uint8Array(columns * rows)
  for (let y = 0; y + SQUARE <= rows; y++)
    for (let x = 0; x + SQUARE <= columns; x++) if (isDense(x, y)) hits[y * columns + x] = 1
  const [sx, sy] = [width / columns, height / rows]
  return patchesOf(hits, columns, rows, 0)
    .map(({ left, top, right, bottom }) => {
      const [x0, y0] = [Math.max(0, Math.floor((left - 3) * sx)), Math.max(0, Math.floor((top - 3) * sy))]
      return {
        left: x0,
        top: y0,
        width: Math.min(width, Math.ceil((right + SQUARE + 3) * sx)) - x0,
        height: Math.min(height, Math.ceil((bottom + SQUARE + 3) * sy)) - y0,
      }
    })
    .sort((a, b) => b.width * b.height - a.width * a.height)
}

/** Counts, up to each dot of a row, how often dark and light change. */
function countChanges({ rows, from, to }: Runs, y: number, width: number, changes: Uint16Array): void {
  let [changed, x] = [0, 0]
  const upTo = (end: number): void => {
    changes.fill(changed, x, end)
    x = end
  }
  for (let run = rows[y]; run < rows[y + 1]; run++) {
    upTo(from[run] + 1)
    if (from[run] > 0) changed++
    upTo(to[run] + 1)
    changed++
  }
  upTo(width + 1)
}

/** How many dots of a window's row differ in one of the next two. */
function differing(data: Uint8Array, at: number, width: number, level: number): number {
  let count = 0
  for (let i = at; i < at + WINDOW; i++) {
    const dark = data[i] < level
    if (dark !== data[i + width] < level || dark !== data[i + 2 * width] < level) count++
  }
  return count
}

/** Groups of hits that touch, more than `least` rows high. */
function patchesOf(
  hits: Uint8Array,
  columns: number,
  rows: number,
  least: number,
): { left: number; top: number; right: number; bottom: number }[] {
  const found: { left: number; top: number; right: number; bottom: number }[] = []
  for (let start = 0; start < hits.length; start++) {
    if (hits[start] !== 1) continue
    const patch = { left: columns, top: rows, right: 0, bottom: 0 }
    const open = [start]
    hits[start] = 2
    while (open.length > 0) {
      const at = open.pop()!
      const [x, y] = [at % columns, Math.floor(at / columns)]
      Object.assign(patch, {
        left: Math.min(patch.left, x),
        top: Math.min(patch.top, y),
        right: Math.max(patch.right, x),
        bottom: Math.max(patch.bottom, y),
      })
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -2; dx <= 2; dx++) {
          const [nx, ny] = [x + dx, y + dy]
          if (nx < 0 || ny < 0 || nx >= columns || ny >= rows || hits[ny * columns + nx] !== 1) continue
          hits[ny * columns + nx] = 2
          open.push(ny * columns + nx)
        }
    }
    if (patch.bottom - patch.top >= least) found.push(patch)
  }
  return found
}
