import type { Box } from './geometry.ts'

/** A coarse picture of a page: for each cell, the share of dark points in it, 0 to 255, row by row. */
export interface InkGrid {
  columns: number
  rows: number
  /** base64 of columns × rows bytes, so that it travels in JSON. */
  cells: string
}

/** Packs measured cells for storage. */
export function packInk(columns: number, rows: number, cells: Uint8Array): InkGrid {
  if (cells.length !== columns * rows) throw new Error('ink cells do not fill the grid')
  // Row by row, and applied, not spread: a letter at a time takes longer than drawing the page.
  let binary = ''
  for (let at = 0; at < cells.length; at += columns)
    binary += String.fromCharCode.apply(null, cells.subarray(at, at + columns) as unknown as number[])
  return { columns, rows, cells: btoa(binary) }
}

const unpacked = new WeakMap<InkGrid, Uint8Array>()

/** The cells of a packed grid. */
export function unpackInk(grid: InkGrid): Uint8Array {
  let cells = unpacked.get(grid)
  if (!cells) {
    const binary = atob(grid.cells)
    cells = new Uint8Array(binary.length)
    for (let i = 0; i < binary.length; i++) cells[i] = binary.charCodeAt(i)
    unpacked.set(grid, cells)
  }
  return cells
}

/** What strokes of a pen inside `area` look like once print, rules and frames are taken out. */
export interface Strokes {
  /** Cells with ink that belongs to no word and no rule. */
  cells: number
  /** Extent of those cells as shares of the page. */
  width: number
  height: number
}

/** Cells of an area that are dark once print, rules and frames are taken out; 1 for each, over the whole grid. */
function strokeCells(
  grid: InkGrid,
  [x0, y0, x1, y1]: [number, number, number, number],
  printed: readonly Box[],
): Uint8Array {
  const cells = unpackInk(grid)
  const { columns, rows } = grid
  const dark = new Uint8Array(columns * rows)
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) if (cells[y * columns + x] > 22) dark[y * columns + x] = 1
  for (const [left, top, right, bottom] of printed) {
    for (let y = Math.max(y0, Math.floor(top * rows)); y < Math.min(y1, Math.ceil(bottom * rows)); y++)
      for (
        let x = Math.max(x0, Math.floor(left * columns));
        x < Math.min(x1, Math.ceil(right * columns));
        x++
      )
        dark[y * columns + x] = 0
  }
  const across = Math.max(10, Math.round(columns * 0.09))
  eraseRules(dark, columns, [x0, y0, x1, y1], across)
  for (let y = y0; y < y1; y++) eraseDots(dark, columns, [y, x0, x1], across)
  const down = Math.max(8, Math.round(rows * 0.035))
  for (let x = x0; x < x1; x++) eraseRuns(dark, y0 * columns + x, columns, y1 - y0, down)
  eraseSpecks(dark, columns, [x0, y0, x1, y1])
  return dark
}

/** Cells of paper that do not part one stroke from the next: a line to sign on, taken out, leaves as many. */
const APART = 2

/**
 * The strokes of a page that hang together, each with its place: what a hand drew in one go, what print
 * nobody could read, stains.
 */
export function strokesOn(grid: InkGrid, printed: readonly Box[]): (Strokes & { box: Box })[] {
  const { columns, rows } = grid
  const dark = strokeCells(grid, [0, 0, columns, rows], printed)
  const found: (Strokes & { box: Box })[] = []
  for (let start = 0; start < dark.length; start++) {
    if (dark[start] !== 1) continue
    let [left, top, right, bottom, cells] = [columns, rows, 0, 0, 0]
    const open = [start]
    dark[start] = 2
    while (open.length > 0) {
      const at = open.pop()!
      const [x, y] = [at % columns, Math.floor(at / columns)]
      cells++
      ;[left, top, right, bottom] = [
        Math.min(left, x),
        Math.min(top, y),
        Math.max(right, x + 1),
        Math.max(bottom, y + 1),
      ]
      for (let ny = Math.max(0, y - APART); ny <= Math.min(rows - 1, y + APART); ny++)
        for (let nx = Math.max(0, x - APART); nx <= Math.min(columns - 1, x + APART); nx++) {
          const near = ny * columns + nx
          if (dark[near] !== 1) continue
          dark[near] = 2
          open.push(near)
        }
    }
    found.push({
      cells,
      width: (right - left) / columns,
      height: (bottom - top) / rows,
      box: [left / columns, top / rows, right / columns, bottom / rows],
    })
  }
  return found
}

/**
 * Looks for pen strokes in `area`: dark cells outside `printed` boxes. Long straight runs (signature lines,
 * frames) are taken out first, or every empty signature line would count as signed.
 */
export function strokesIn(grid: InkGrid, area: Box, printed: readonly Box[]): Strokes {
  const { columns, rows } = grid
  const x0 = Math.max(0, Math.floor(area[0] * columns))
  const x1 = Math.min(columns, Math.ceil(area[2] * columns))
  const y0 = Math.max(0, Math.floor(area[1] * rows))
  const y1 = Math.min(rows, Math.ceil(area[3] * rows))
  const dark = strokeCells(grid, [x0, y0, x1, y1], printed)
  let count = 0
  let left = x1,
    right = x0,
    top = y1,
    bottom = y0
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++)
      if (dark[y * columns + x]) {
        count++
        left = Math.min(left, x)
        right = Math.max(right, x + 1)
        top = Math.min(top, y)
        bottom = Math.max(bottom, y + 1)
      }
  if (count === 0) return { cells: 0, width: 0, height: 0 }
  return { cells: count, width: (right - left) / columns, height: (bottom - top) / rows }
}

/**
 * A rule that leans by a hair steps into the next row of cells: what follows it there for so many cells is
 * its end.
 */
const STEP = 6

/** Takes out rules, with the ends of those that lean: such an end and a few specks were once a signature. */
function eraseRules(
  dark: Uint8Array,
  columns: number,
  [x0, y0, x1, y1]: [number, number, number, number],
  across: number,
): void {
  const inked = dark.slice()
  for (let y = y0; y < y1; y++) eraseRuns(dark, y * columns + x0, 1, x1 - x0, across)
  const isRule = (x: number, y: number) =>
    y >= y0 && y < y1 && x >= x0 && x < x1 && inked[y * columns + x] === 1 && dark[y * columns + x] === 0
  const isInk = (x: number, y: number) => y >= y0 && y < y1 && inked[y * columns + x] === 1
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      if (!dark[y * columns + x]) continue
      let end = x
      while (end < x1 && dark[y * columns + end]) end++
      // On one side lies the rule, under the run or where the run ends; on the other nothing but paper.
      const beside = [-1, 1].some((side) => {
        let [ruled, covered] = [0, 0]
        for (let at = x - 1; at <= end; at++) if (isRule(at, y + side)) ruled++
        for (let at = x; at < end; at++) if (isInk(at, y - side)) covered++
        return ruled > 0 && covered <= (end - x) * STRAY
      })
      if (end - x >= STEP && beside) dark.fill(0, y * columns + x, y * columns + end)
      x = end
    }
}

/** Cells of a speck at most, across and down, and how far from all other ink it lies. */
const [SPECK, ALONE] = [2, 4]

/** Takes out specks of dust, which lie alone: a pen's strokes lie beside one another. */
function eraseSpecks(
  dark: Uint8Array,
  columns: number,
  [x0, y0, x1, y1]: [number, number, number, number],
): void {
  const inked = (top: number, left: number, bottom: number, right: number): number => {
    let count = 0
    for (let y = Math.max(y0, top); y < Math.min(y1, bottom); y++)
      for (let x = Math.max(x0, left); x < Math.min(x1, right); x++) count += dark[y * columns + x]
    return count
  }
  const specks: [x: number, y: number][] = []
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++) {
      // Looked at once, from its upper left.
      if (
        !dark[y * columns + x] ||
        (y > y0 && dark[(y - 1) * columns + x]) ||
        (x > x0 && dark[y * columns + x - 1])
      )
        continue
      if (
        inked(y - ALONE, x - ALONE, y + SPECK + ALONE, x + SPECK + ALONE) ===
        inked(y, x, y + SPECK, x + SPECK)
      )
        specks.push([x, y])
    }
  for (const [x, y] of specks)
    for (let row = y; row < Math.min(y1, y + SPECK); row++)
      dark.fill(0, row * columns + x, row * columns + Math.min(x1, x + SPECK))
}

function eraseRuns(dark: Uint8Array, start: number, step: number, length: number, atLeast: number): void {
  let run = 0
  for (let i = 0; i <= length; i++) {
    if (i < length && dark[start + i * step]) run++
    else {
      if (run >= atLeast) for (let k = i - run; k < i; k++) dark[start + k * step] = 0
      run = 0
    }
  }
}

/** Cells between two dots of a row at most, and the share of the cells over and under it that may be dark. */
const DOTS_APART = 3
const STRAY = 0.15

/** A row of dots to sign on is a cell or two high, with paper over and under it; a pen goes up and down. */
function eraseDots(
  dark: Uint8Array,
  columns: number,
  [y, from, to]: readonly [row: number, from: number, to: number],
  atLeast: number,
): void {
  const inked = (row: number, left: number, right: number): number => {
    let count = 0
    for (let x = left; x <= right; x++) count += dark[row * columns + x] ?? 0
    return count
  }
  for (let x = from; x < to; x++) {
    if (!dark[y * columns + x]) continue
    let right = x
    for (let next = x + 1; next < to && next - right <= DOTS_APART; next++)
      if (dark[y * columns + next]) right = next
    const span = right - x + 1
    if (span >= atLeast && [y - 1, y + 2].every((row) => inked(row, x, right) <= span * STRAY))
      for (const row of [y, y + 1]) dark.fill(0, row * columns + x, row * columns + right + 1)
    x = right
  }
}
