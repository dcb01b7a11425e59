import type { Grey } from './greyscale.ts'

/** Dots of the picture to a side of a cell, whose mean the grain of paper hardly moves. */
const CELL = 5
/** Cells to either side over which print is closed: no stroke is wider than this. */
const REACH = 2
/**
 * Shades that are lighter than paper by less are paper; those nearer to ink than this share of the way may be
 * a bar with light print.
 */
const [LEAST, LIGHT] = [6, 0.35]
/** A share of the page that must be shaded to be worth it: less is the edge of a sheet, or a stamp. */
const WORTH = 0.012

/**
 * A picture with lightly shaded places as light as its paper: every other row of a table, boxes to fill in,
 * the darker side of a sheet. The grain of a shade is stretched with the print on it, and a reader sees a
 * figure where a table is. What the page looks like without its print is found by closing (Serra, "Image
 * Analysis and Mathematical Morphology", 1982) the means of small cells.
 * @param level dots darker than this are ink
 * @param paper how bright the paper is
 * @returns the very picture where nothing is shaded
 */
export function removeShading(picture: Grey, level: number, paper: number): Grey {
  const { width, height, data } = picture
  const [columns, rows] = [Math.floor(width / CELL), Math.floor(height / CELL)]
  const ground = smoothed(closed(means(picture, columns, rows), columns, rows), columns, rows)
  const darkest = level + LIGHT * (paper - level)
  const lift = new Uint8Array(ground.length)
  let shaded = 0
  for (let i = 0; i < ground.length; i++) {
    if (ground[i] > paper - LEAST || ground[i] < darkest) continue
    lift[i] = paper - ground[i]
    shaded++
  }
  if (shaded < ground.length * WORTH) return picture
  const lifted = new Uint8Array(data)
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const by = lift[row * columns + column]
      if (by === 0) continue
      for (let y = row * CELL; y < (row + 1) * CELL; y++)
        for (let at = y * width + column * CELL, end = at + CELL; at < end; at++)
          lifted[at] = Math.min(255, data[at] + by)
    }
  return { width, height, data: lifted }
}

function means({ width, data }: Grey, columns: number, rows: number): Uint8Array {
  const sums = new Uint16Array(columns)
  const out = new Uint8Array(columns * rows)
  for (let row = 0; row < rows; row++) {
    sums.fill(0)
    for (let y = row * CELL; y < (row + 1) * CELL; y++)
      for (let column = 0, at = y * width; column < columns; column++, at += CELL)
        sums[column] += data[at] + data[at + 1] + data[at + 2] + data[at + 3] + data[at + 4]
    for (let column = 0; column < columns; column++)
      out[row * columns + column] = sums[column] / (CELL * CELL)
  }
  return out
}

/**
 * The lightest of what lies around each cell, then the darkest of these: dark strokes narrower than their
 * reach are gone.
 */
function closed(cells: Uint8Array, columns: number, rows: number): Uint8Array {
  const light = lightest(cells, columns, rows)
  for (let i = 0; i < light.length; i++) light[i] = 255 - light[i]
  const dark = lightest(light, columns, rows)
  for (let i = 0; i < dark.length; i++) dark[i] = 255 - dark[i]
  return dark
}

/** The lightest cell of the square of REACH cells around each, along rows and then along columns. */
function lightest(cells: Uint8Array, columns: number, rows: number): Uint8Array {
  const across = new Uint8Array(cells.length)
  for (let y = 0; y < rows; y++)
    for (let x = 0, row = y * columns; x < columns; x++) {
      let best = 0
      for (
        let at = row + Math.max(0, x - REACH), end = row + Math.min(columns - 1, x + REACH);
        at <= end;
        at++
      )
        if (cells[at] > best) best = cells[at]
      across[row + x] = best
    }
  const out = new Uint8Array(cells.length)
  for (let y = 0; y < rows; y++) {
    const [top, end] = [Math.max(0, y - REACH) * columns, Math.min(rows - 1, y + REACH) * columns]
    for (let x = 0; x < columns; x++) {
      let best = 0
      for (let at = top + x; at <= end + x; at += columns) if (across[at] > best) best = across[at]
      out[y * columns + x] = best
    }
  }
  return out
}

/** Each cell as the mean of those around it: grain makes patches of a shade. */
function smoothed(cells: Uint8Array, columns: number, rows: number): Uint8Array {
  const out = new Uint8Array(cells)
  for (let y = 1; y < rows - 1; y++)
    for (let x = 1; x < columns - 1; x++) {
      let sum = 0
      for (let at = (y - 1) * columns + x - 1, row = 0; row < 3; row++, at += columns)
        sum += cells[at] + cells[at + 1] + cells[at + 2]
      out[y * columns + x] = sum / 9
    }
  return out
}
