import type { Box } from '../../core/model/index.ts'
import type { Grey } from './greyscale.ts'

/** A side of a box for a letter: an upright stroke from rule to rule, in dots. */
export interface Side {
  x: number
  top: number
  bottom: number
}

/** A row of boxes for one letter each. `edges` are the sides from left to right. */
export interface Comb {
  top: number
  bottom: number
  edges: number[]
}

/** Inches from side to side that a box for one letter may be wide. */
const WIDEST = 0.36
/** Inches within which two strokes are one side, and two sides stand on the same rules. */
const SAME = 0.035
/** Fewer boxes in a row are boxes for words or ticks, unless the page has a comb with boxes as wide. */
const LEAST = 4

/** Finds the combs of a page among the sides of its boxes: boxes of one width in a row. */
export function findCombBoxes(sides: readonly Side[], dpi: number): Comb[] {
  const rows = evenRows(sides, dpi)
  const combs = rows.filter((row) => row.edges.length > LEAST)
  return rows.filter(
    (row) =>
      row.edges.length > LEAST || combs.some((comb) => Math.abs(pitchOf(row) / pitchOf(comb) - 1) < 0.05),
  )
}

const pitchOf = ({ edges }: Comb): number => (edges.at(-1)! - edges[0]) / (edges.length - 1)

/** Rows of two and more boxes of one width. */
function evenRows(sides: readonly Side[], dpi: number): Comb[] {
  const combs: Comb[] = []
  for (const row of rowsOf(sides, SAME * dpi)) {
    const edges = strokesOf(row, SAME * dpi)
    let run = [edges[0]]
    const close = () => {
      const even = evened(run)
      if (even.length > 2)
        combs.push({
          top: middle(row.map((s) => s.top)),
          bottom: middle(row.map((s) => s.bottom)),
          edges: even,
        })
    }
    for (const edge of edges.slice(1)) {
      // A side that was not found leaves a gap of two or three boxes.
      if (edge - run.at(-1)! > WIDEST * dpi * 2) {
        close()
        run = []
      }
      run.push(edge)
    }
    close()
  }
  return combs
}

/** Sides with tops and bottoms at about the same heights. */
function rowsOf(sides: readonly Side[], same: number): Side[][] {
  const rows: Side[][] = []
  for (const side of [...sides].sort((a, b) => a.top - b.top)) {
    const row = rows.find(
      (r) => Math.abs(r.at(-1)!.top - side.top) <= same && Math.abs(r.at(-1)!.bottom - side.bottom) <= same,
    )
    if (row) row.push(side)
    else rows.push([side])
  }
  return rows
}

/** A side is several dots thick, and is found once for each of them. */
function strokesOf(row: readonly Side[], same: number): number[] {
  const strokes: number[][] = []
  for (const x of row.map((s) => s.x).sort((a, b) => a - b)) {
    if (strokes.length > 0 && x - strokes.at(-1)!.at(-1)! <= same) strokes.at(-1)!.push(x)
    else strokes.push([x])
  }
  return strokes.map((s) => Math.round((s[0] + s.at(-1)!) / 2))
}

/** The longest even row among the edges, those that lack put in; empty where the boxes differ in width. */
function evened(edges: readonly number[]): number[] {
  const gaps = edges.slice(1).map((x, i) => x - edges[i])
  if (gaps.length === 0) return []
  const pitch = middle(gaps)
  let best: number[] = []
  let row: number[] = [edges[0]]
  for (const [i, gap] of gaps.entries()) {
    const boxes = Math.round(gap / pitch)
    if (boxes >= 1 && boxes <= 3 && Math.abs(gap - boxes * pitch) <= 0.14 * pitch)
      for (let k = 1; k <= boxes; k++) row.push(Math.round(edges[i] + (gap * k) / boxes))
    else row = [edges[i + 1]]
    if (row.length > best.length) best = [...row]
  }
  return best
}

const middle = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)]

/** Steps from letter to letter, in widths of a usual letter. */
const APART = 1.15
/** Dots beside a side that still belong to it. */
const EDGE = 3

/**
 * Moves the letters of combs together, in place, as print would set them: readers take letters that stand far
 * apart for words of their own, or for nothing. An empty box stays as a space.
 * @returns the way back for boxes of words found on the changed picture, as fractions of it
 */
export function closeUp(picture: Grey, combs: readonly Comb[], level: number): (box: Box) => Box {
  const closed = combs.map((comb) => ({ comb, ...closeOne(picture, comb, level) }))
  return (box) => {
    const [x, y] = [((box[0] + box[2]) / 2) * picture.width, ((box[1] + box[3]) / 2) * picture.height]
    const found = closed.find(
      ({ comb, step }) =>
        step > 0 && y > comb.top && y < comb.bottom && x > comb.edges[0] && x < comb.edges.at(-1)!,
    )
    if (!found) return box
    const {
      comb: { edges },
      step,
      empty,
    } = found
    const boxes = (share: number) =>
      Math.max(0, Math.min(edges.length - 1, (share * picture.width - startOf(edges, step)) / step))
    const dot = (at: number) => {
      const whole = Math.min(edges.length - 2, Math.floor(at))
      return (edges[whole] + (edges[whole + 1] - edges[whole]) * (at - whole)) / picture.width
    }
    const end = boxes(box[2])
    const next = Math.round(end)
    // An empty box parts words, not columns: the word before reaches over it.
    const over = empty[next] && empty[next + 1] === false
    return [dot(boxes(box[0])), box[1], dot(over ? next + 0.75 : end), box[3]]
  }
}

/**
 * Where the first box begins after closing up: its letter stays in its place, or it would run into the label
 * before it.
 */
const startOf = (edges: readonly number[], step: number): number =>
  edges[0] + (edges[1] - edges[0] - step) / 2

/**
 * Closes one comb. `step` are the dots from letter to letter then, 0 where it was left as it is; `empty`
 * tells the boxes without a letter.
 */
function closeOne(
  { width, data }: Grey,
  { top, bottom, edges }: Comb,
  level: number,
): { step: number; empty: boolean[] } {
  const [first, last] = [top + EDGE, bottom - EDGE]
  const cells = edges
    .slice(1)
    .map((right, i) => inkOf(data, width, { left: edges[i] + EDGE, right: right - EDGE, first, last }, level))
  const widths = cells.flatMap((c) => (c ? [c.to - c.from + 1] : []))
  const empty = cells.map((c) => c === null)
  // As close as print: a little apart, and the widest letter hardly.
  const step = Math.max(Math.round(middle(widths) * APART), ...widths) + 1
  if (widths.length === 0 || step >= edges[1] - edges[0]) return { step: 0, empty }
  const letters = cells.map(
    (cell) =>
      cell &&
      Array.from({ length: last - first + 1 }, (_, y) =>
        data.slice((first + y) * width + cell.from, (first + y) * width + cell.to + 1),
      ),
  )
  const paper = middle(Array.from(data.subarray(top * width + edges[0], top * width + edges.at(-1)!)))
  for (let y = first; y <= last; y++)
    data.fill(Math.max(level + 8, paper), y * width + edges[0] + 1, y * width + edges.at(-1)!)
  letters.forEach((rows, i) => {
    const cell = cells[i]
    if (!rows || !cell) return
    const left = Math.round(startOf(edges, step) + (i + 0.5) * step - (cell.to - cell.from + 1) / 2)
    rows.forEach((row, y) => data.set(row, (first + y) * width + left))
  })
  return { step, empty }
}

/** From where to where ink stands in a box; null for an empty one. A speck is no ink. */
function inkOf(
  data: Uint8Array,
  width: number,
  { left, right, first, last }: { left: number; right: number; first: number; last: number },
  level: number,
): { from: number; to: number } | null {
  let [from, to, dots] = [-1, -1, 0]
  for (let x = left; x <= right; x++) {
    let dark = 0
    for (let y = first; y <= last; y++) if (data[y * width + x] < level) dark++
    if (dark === 0) continue
    if (from < 0) from = x
    to = x
    dots += dark
  }
  // The soft edge of a letter is lighter than ink.
  return dots < 4 ? null : { from: Math.max(left, from - 1), to: Math.min(right, to + 1) }
}
