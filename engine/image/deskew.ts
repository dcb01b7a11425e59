import { dotsOf, type Dots } from './runs.ts'
import type { Grey } from './greyscale.ts'

/** Shifts are told apart by an eighth of a dot: columns with the same shift are moved together. */
const PARTS = 8
/** Weights of four neighbours are whole numbers of so many bits behind the point. */
const BITS = 10
const HALF = 1 << (BITS - 1)
/** Four dots of paper, of which nothing but paper comes. */
const fourOf = (paper: number): number => (paper * 0x01010101) | 0

/**
 * Weights of the four dots around a place that lies so many parts behind the second, so that what lies
 * between dots is on a smooth curve through them. Source: Catmull and Rom, "A class of local interpolating
 * splines", 1974.
 */
const WEIGHTS = Int32Array.from({ length: PARTS * 4 }, (_, i) => {
  const t = Math.floor(i / 4) / PARTS
  const weight = [
    -t / 2 + t * t - (t * t * t) / 2,
    1 - 2.5 * t * t + 1.5 * t * t * t,
    t / 2 + 2 * t * t - 1.5 * t * t * t,
    (-t * t + t * t * t) / 2,
  ][i % 4]
  return Math.round(weight * (1 << BITS))
})

/** Where a dot of the picture that was moved comes from: so many whole dots and weights behind. */
function shiftBy(distance: number): { whole: number; weight: number } {
  const whole = Math.ceil(distance)
  const part = Math.round((whole - distance) * PARTS)
  return part === PARTS ? { whole: whole - 1, weight: 0 } : { whole, weight: part * 4 }
}

/**
 * Moves each row along by `slope` times its distance from the middle. The picture grows so that nothing is
 * lost, to a width that four divides; what was not there is `paper`. Where there is nothing but paper, as on
 * most of a page whose paper is of one shade, it costs next to nothing.
 */
export function shearRows({ width, height, data }: Grey, slope: number, paper: number): Grey {
  const wider = Math.ceil((width + Math.abs(slope) * height) / 4) * 4
  // The curve may swing beyond black and white: what is written here is black and white.
  const out = new Uint8ClampedArray(wider * height).fill(paper)
  const row = new Uint8Array(wider + 8)
  const fours = new Int32Array(row.buffer)
  for (let y = 0; y < height; y++) {
    const { whole, weight } = shiftBy((wider - width) / 2 + slope * (y + 0.5 - height / 2))
    row.fill(paper)
    const first = Math.max(0, -whole - 1)
    row.set(
      data.subarray(y * width + first, y * width + Math.min(width, wider + 2 - whole)),
      whole + 1 + first,
    )
    shiftRow({ bytes: row, fours }, fourOf(paper), out.subarray(y * wider, (y + 1) * wider), weight)
  }
  return { width: wider, height, data: new Uint8Array(out.buffer) }
}

function shiftRow({ bytes, fours }: Dots, four: number, out: Uint8ClampedArray, weight: number): void {
  const [w0, w1, w2, w3] = WEIGHTS.subarray(weight, weight + 4)
  for (let x = 0; x < out.length; x += 4) {
    if (fours[x >> 2] === four && fours[(x >> 2) + 1] === four) continue
    for (let at = x; at < x + 4; at++)
      out[at] = (bytes[at] * w0 + bytes[at + 1] * w1 + bytes[at + 2] * w2 + bytes[at + 3] * w3 + HALF) >> BITS
  }
}

/**
 * Moves each column down by `slope` times its distance from the middle, as `shearRows` does rows. The width
 * stays.
 */
export function shearColumns(picture: Grey, slope: number, paper: number): Grey {
  const { width, height } = picture
  const taller = Math.ceil(height + Math.abs(slope) * width)
  const out = new Uint8ClampedArray(width * taller).fill(paper)
  const shifts = Array.from({ length: width }, (_, x) =>
    shiftBy((taller - height) / 2 + slope * (x + 0.5 - width / 2)),
  )
  const { bytes, fours } = dotsOf(padded(picture, paper))
  for (let first = 0; first < width;) {
    const { whole, weight } = shifts[first]
    let end = first + 1
    while (end < width && shifts[end].whole === whole && shifts[end].weight === weight) end++
    shiftColumns(bytes, fours, out, {
      four: fourOf(paper),
      width,
      first,
      end,
      weight,
      from: Math.max(0, whole - PAD + 1),
      to: Math.min(taller, height + PAD + whole - 2),
      up: PAD - whole,
    })
    first = end
  }
  return { width, height: taller, data: new Uint8Array(out.buffer) }
}

const PAD = 3

/** Three rows of paper above and below, so that no dot is looked for beyond the picture. */
function padded({ width, height, data }: Grey, paper: number): Uint8Array {
  const taller = new Uint8Array(width * (height + 2 * PAD)).fill(paper)
  taller.set(data, PAD * width)
  return taller
}

interface Columns {
  four: number
  width: number
  first: number
  end: number
  weight: number
  /** Rows that are written, and how many rows below them what is written there is found. */
  from: number
  to: number
  up: number
}

function shiftColumns(
  data: Uint8Array,
  fours: Int32Array,
  out: Uint8ClampedArray,
  { four: paper, width, first, end, weight, from, to, up }: Columns,
): void {
  const [w0, w1, w2, w3] = WEIGHTS.subarray(weight, weight + 4)
  const below = 2 * width
  const isPaper = (y: number): boolean => {
    for (
      let four = ((y + up) * width + first) >> 2, last = ((y + up) * width + end - 1) >> 2;
      four <= last;
      four++
    )
      if (fours[four] !== paper) return false
    return true
  }
  // How many rows in a row are paper, up to the last that the next one is blended of.
  let clear = 0
  for (let y = from - 1; y < from + 2; y++) clear = isPaper(y) ? clear + 1 : 0
  for (let y = from; y < to; y++) {
    clear = isPaper(y + 2) ? clear + 1 : 0
    if (clear >= 4) continue
    for (let x = first, at = (y + up) * width + first; x < end; x++, at++)
      out[y * width + x] =
        (data[at - width] * w0 + data[at] * w1 + data[at + width] * w2 + data[at + below] * w3 + HALF) >> BITS
  }
}
