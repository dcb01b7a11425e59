import { inkLevel, type Grey } from './greyscale.ts'
import { reduce } from './measure.ts'

/** A point in dots. */
type Point = readonly [x: number, y: number]
/** The corners of a sheet in a photograph: top left, top right, bottom right, bottom left. */
export type Quad = readonly [Point, Point, Point, Point]

/** Dots across the picture on which the sheet is looked for. */
const SMALL = 320
/** Shares of the picture that a sheet covers: less is a stamp, more is a scan that needs nothing. */
const [LEAST, MOST] = [0.2, 0.96]
/** How much lighter the sheet is than what it lies on. */
const LIGHTER = 40
/** Share of a quadrilateral that the sheet fills; a hand over its edge or a curled corner leave less. */
const FILLED = 0.93
/** Cosine of the angle at a corner at most: of a sheet seen from far aside nothing can be read. */
const SLANTED = 0.5
/** Corners nearer to a rectangle's than this share of the picture are a sheet laid straight. */
const STRAIGHT = 0.012

/**
 * The corners of a light sheet or card photographed on something darker; null where there is none, or the
 * picture is the sheet itself.
 */
export function findSheet(picture: Grey): Quad | null {
  const small = reduce(picture, SMALL)
  const { width, height } = small
  const level = inkLevel(small)
  const sheet = largestLight(small, level)
  const area = sheet.length
  if (area < LEAST * width * height || area > MOST * width * height) return null
  const around = rim(small)
  const on = sheet.reduce((sum, at) => sum + small.data[at], 0) / area
  if (on - around < LIGHTER) return null
  // The corners of a convex shape lie furthest along the diagonals.
  const furthest = (of: (x: number, y: number) => number): Point => {
    let [best, most] = [sheet[0], -Infinity]
    for (const at of sheet) {
      const value = of(at % width, Math.floor(at / width))
      if (value > most) [best, most] = [at, value]
    }
    return [best % width, Math.floor(best / width)]
  }
  const quad: Quad = [
    furthest((x, y) => -x - y),
    furthest((x, y) => x - y),
    furthest((x, y) => x + y),
    furthest((x, y) => y - x),
  ]
  const filled = area / Math.max(1, areaOf(quad))
  if (
    filled < FILLED ||
    filled > 1 / FILLED ||
    quad.some((_, i) => Math.abs(cosineAt(quad, i)) > SLANTED) ||
    isStraight(quad, width, height)
  )
    return null
  const scale = picture.width / width
  return quad.map(([x, y]): Point => [
    Math.min(picture.width - 1, x * scale),
    Math.min(picture.height - 1, y * scale),
  ]) as unknown as Quad
}

/** Dots of the largest light patch; print on it parts nothing, since it is grown over by its surroundings. */
function largestLight({ width, height, data }: Grey, level: number): number[] {
  const seen = new Uint8Array(width * height)
  let largest: number[] = []
  for (let start = 0; start < data.length; start++) {
    if (seen[start] || data[start] < level) continue
    const patch: number[] = []
    const open = [start]
    seen[start] = 1
    while (open.length > 0) {
      const at = open.pop()!
      patch.push(at)
      const x = at % width
      for (const [next, inside] of [
        [at - 1, x > 0],
        [at + 1, x < width - 1],
        [at - width, at >= width],
        [at + width, at < data.length - width],
      ] as const)
        if (inside && !seen[next] && data[next] >= level) {
          seen[next] = 1
          open.push(next)
        }
    }
    if (patch.length > largest.length) largest = patch
  }
  return withHoles(largest, width, height)
}

/** The dots of a patch and those between its outermost in each row: print and pictures on the sheet. */
function withHoles(patch: readonly number[], width: number, height: number): number[] {
  const [left, right] = [new Int32Array(height).fill(width), new Int32Array(height).fill(-1)]
  for (const at of patch) {
    const [x, y] = [at % width, Math.floor(at / width)]
    left[y] = Math.min(left[y], x)
    right[y] = Math.max(right[y], x)
  }
  const filled: number[] = []
  for (let y = 0; y < height; y++) for (let x = left[y]; x <= right[y]; x++) filled.push(y * width + x)
  return filled
}

/** Mean shade along the edge of a picture. */
function rim({ width, height, data }: Grey): number {
  let [sum, count] = [0, 0]
  for (let x = 0; x < width; x++) {
    sum += data[x] + data[(height - 1) * width + x]
    count += 2
  }
  for (let y = 0; y < height; y++) {
    sum += data[y * width] + data[y * width + width - 1]
    count += 2
  }
  return sum / count
}

const areaOf = (quad: Quad): number =>
  Math.abs(
    quad.reduce((sum, [x, y], i) => {
      const [nx, ny] = quad[(i + 1) % 4]
      return sum + x * ny - nx * y
    }, 0),
  ) / 2

function cosineAt(quad: Quad, i: number): number {
  const [[x, y], [ax, ay], [bx, by]] = [quad[i], quad[(i + 3) % 4], quad[(i + 1) % 4]]
  const [u, v] = [
    [ax - x, ay - y],
    [bx - x, by - y],
  ]
  return (u[0] * v[0] + u[1] * v[1]) / Math.max(1e-6, Math.hypot(...u) * Math.hypot(...v))
}

/** A sheet that lies straight and fills nearly all: skew and borders are somebody else's to see to. */
function isStraight(quad: Quad, width: number, height: number): boolean {
  const corners: Quad = [
    [0, 0],
    [width - 1, 0],
    [width - 1, height - 1],
    [0, height - 1],
  ]
  return quad.every(([x, y], i) => Math.hypot(x - corners[i][0], y - corners[i][1]) < STRAIGHT * width * 2)
}

/**
 * The part of a picture within four corners, as it looks from straight above. Source: Heckbert, "Fundamentals
 * of texture mapping and image warping", 1989 (the projective map of a square to a quadrilateral).
 * @param channels bytes a dot
 */
export function unwarp(
  { width, height, data }: { width: number; height: number; data: Uint8Array },
  channels: number,
  quad: Quad,
): { width: number; height: number; data: Uint8Array } {
  const [[x0, y0], [x1, y1], [x2, y2], [x3, y3]] = quad
  const side = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1])
  const [wide, tall] = [
    Math.round(Math.max(side(quad[0], quad[1]), side(quad[3], quad[2]))),
    Math.round(Math.max(side(quad[0], quad[3]), side(quad[1], quad[2]))),
  ]
  const [dx1, dy1, dx2, dy2, sx, sy] = [
    x1 - x2,
    y1 - y2,
    x3 - x2,
    y3 - y2,
    x0 - x1 + x2 - x3,
    y0 - y1 + y2 - y3,
  ]
  const det = dx1 * dy2 - dx2 * dy1
  const [g, h] = [(sx * dy2 - dx2 * sy) / det, (dx1 * sy - sx * dy1) / det]
  const [a, b, d, e] = [x1 - x0 + g * x1, x3 - x0 + h * x3, y1 - y0 + g * y1, y3 - y0 + h * y3]
  const out = new Uint8Array(wide * tall * channels)
  for (let y = 0; y < tall; y++) {
    const v = (y + 0.5) / tall
    for (let x = 0; x < wide; x++) {
      const u = (x + 0.5) / wide
      const w = g * u + h * v + 1
      const [px, py] = [
        Math.max(0, Math.min(width - 1.001, (a * u + b * v + x0) / w)),
        Math.max(0, Math.min(height - 1.001, (d * u + e * v + y0) / w)),
      ]
      const [ix, iy] = [Math.floor(px), Math.floor(py)]
      const [fx, fy] = [px - ix, py - iy]
      const at = (iy * width + ix) * channels
      const [right, below] = [at + channels, at + width * channels]
      for (let c = 0; c < channels; c++)
        out[(y * wide + x) * channels + c] =
          (data[at + c] * (1 - fx) + data[right + c] * fx) * (1 - fy) +
          (data[below + c] * (1 - fx) + data[below + channels + c] * fx) * fy
    }
  }
  return { width: wide, height: tall, data: out }
}
