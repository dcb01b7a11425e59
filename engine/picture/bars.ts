import { inkLevel, type Grey } from './grey.ts'

/** A stretch of a picture in dots. */
export interface Patch { left: number; top: number; width: number; height: number }

const WINDOW = 200
const STEP = 50
/** Rows this far apart say the same where bars stand, and hardly ever where letters do. */
const APART = 6
/** So many changes between dark and light in a window are bars; letters and rules have fewer in rows that agree. */
const FEWEST = 26
const DIFFERING = 0.07

/**
 * Places of a picture where upright bars stand side by side, as barcodes have them: rows full of changes that are the
 * same as the rows below. Finding them is quick; reading them is not, so that only these places are read.
 * @returns patches with a margin around them, the largest first
 */
export function barPatches(picture: Grey): Patch[] {
  const { width, height, data } = picture
  const level = inkLevel(picture)
  const columns = Math.max(0, Math.floor((width - WINDOW) / STEP) + 1)
  const rows = Math.floor((height - 2 * APART) / APART)
  const hits = new Uint8Array(columns * Math.max(0, rows))
  for (let r = 0; r < rows; r++) {
    const at = r * APART * width
    for (let c = 0; c < columns; c++) if (isBars(data, at + c * STEP, width, level)) hits[r * columns + c] = 1
  }
  return patchesOf(hits, columns, Math.max(0, rows)).map(({ left, top, right, bottom }) => {
    const [x0, y0] = [Math.max(0, left * STEP - WINDOW), Math.max(0, top * APART - 20)]
    return { left: x0, top: y0, width: Math.min(width, right * STEP + WINDOW * 2) - x0, height: Math.min(height, (bottom + 3) * APART + 20) - y0 }
  }).sort((a, b) => b.width * b.height - a.width * a.height)
}

function isBars(data: Uint8Array, start: number, width: number, level: number): boolean {
  let changes = 0
  let differing = 0
  let before = data[start] < level
  const [lower, lowest] = [start + APART * width, start + 2 * APART * width]
  for (let x = 0; x < WINDOW; x++) {
    const dark = data[start + x] < level
    if (dark !== before) changes++
    before = dark
    if (dark !== data[lower + x] < level || dark !== data[lowest + x] < level) differing++
    if (differing > WINDOW * DIFFERING) return false
  }
  return changes >= FEWEST
}

/** Groups of hits that touch, two rows high at least. */
function patchesOf(hits: Uint8Array, columns: number, rows: number): { left: number; top: number; right: number; bottom: number }[] {
  const found: { left: number; top: number; right: number; bottom: number }[] = []
  for (let start = 0; start < hits.length; start++) {
    if (hits[start] !== 1) continue
    const patch = { left: columns, top: rows, right: 0, bottom: 0 }
    const open = [start]
    hits[start] = 2
    while (open.length > 0) {
      const at = open.pop()!
      const [x, y] = [at % columns, Math.floor(at / columns)]
      Object.assign(patch, { left: Math.min(patch.left, x), top: Math.min(patch.top, y), right: Math.max(patch.right, x), bottom: Math.max(patch.bottom, y) })
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -2; dx <= 2; dx++) {
          const [nx, ny] = [x + dx, y + dy]
          if (nx < 0 || ny < 0 || nx >= columns || ny >= rows || hits[ny * columns + nx] !== 1) continue
          hits[ny * columns + nx] = 2
          open.push(ny * columns + nx)
        }
    }
    if (patch.bottom > patch.top) found.push(patch)
  }
  return found
}
