import type { Grey } from './grey.ts'

/** Shifts are told apart by an eighth of a dot: columns with the same shift are moved together. */
const PARTS = 8
/** Weights of four neighbours are whole numbers of so many bits behind the point. */
const BITS = 10
const WHOLE = 1 << BITS
const HALF = WHOLE / 2

/**
 * Weights of the four dots around a place that lies so many parts behind the second, so that what lies between dots is
 * on a smooth curve through them. Source: Catmull and Rom, "A class of local interpolating splines", 1974.
 */
const WEIGHTS = Int32Array.from({ length: PARTS * 4 }, (_, i) => {
  const t = Math.floor(i / 4) / PARTS
  const weight = [-t / 2 + t * t - (t * t * t) / 2, 1 - 2.5 * t * t + 1.5 * t * t * t, t / 2 + 2 * t * t - 1.5 * t * t * t, (-t * t + t * t * t) / 2][i % 4]
  return Math.round(weight * WHOLE)
})

/** The curve may swing beyond black and white: what is written there is black and white. */
const clamped = (size: number, paper: number): Uint8ClampedArray<ArrayBuffer> => new Uint8ClampedArray(size).fill(paper)

/** Moves each row along by `slope` times its distance from the middle. The picture grows so that nothing is lost; what was not there is `paper`. */
export function shearRows({ width, height, data }: Grey, slope: number, paper: number): Grey {
  const wider = width + 2 * Math.ceil((Math.abs(slope) * height) / 2)
  const out = clamped(wider * height, paper)
  const aside = (wider - width) / 2
  const row = new Uint8Array(wider + 4)
  for (let y = 0; y < height; y++) {
    const shift = aside + slope * (y + 0.5 - height / 2)
    // The dot at x comes from the place x - shift of the row.
    const whole = Math.ceil(shift)
    const part = Math.round((whole - shift) * PARTS)
    const [moved, weight] = part === PARTS ? [whole - 1, 0] : [whole, part * 4]
    row.fill(paper)
    const first = Math.max(0, -moved - 1)
    row.set(data.subarray(y * width + first, y * width + Math.min(width, wider + 2 - moved)), moved + 1 + first)
    shiftRow(row, out, y * wider, wider, weight)
  }
  return { width: wider, height, data: new Uint8Array(out.buffer) }
}

function shiftRow(row: Uint8Array, out: Uint8ClampedArray, to: number, width: number, weight: number): void {
  const [w0, w1, w2, w3] = WEIGHTS.subarray(weight, weight + 4)
  let a = row[0]
  let b = row[1]
  let c = row[2]
  for (let x = 0; x < width; x++) {
    const d = row[x + 3]
    out[to + x] = (a * w0 + b * w1 + c * w2 + d * w3 + HALF) >> BITS
    a = b
    b = c
    c = d
  }
}

/** Moves each column down by `slope` times its distance from the middle, as `shearRows` does rows. */
export function shearColumns({ width, height, data }: Grey, slope: number, paper: number): Grey {
  const aside = Math.ceil((Math.abs(slope) * width) / 2)
  const taller = height + 2 * aside
  // Three rows of paper above and below, so that no dot is looked for beyond the picture.
  const padded = new Uint8Array(width * (height + 2 * PAD)).fill(paper)
  padded.set(data, PAD * width)
  const out = clamped(width * taller, paper)
  const moved = new Int32Array(width)
  const weights = new Int32Array(width)
  /** Behind the last column that is moved as this one. */
  const ends = new Int32Array(width)
  for (let x = 0; x < width; x++) {
    const shift = aside + slope * (x + 0.5 - width / 2)
    const whole = Math.ceil(shift)
    const part = Math.round((whole - shift) * PARTS)
    moved[x] = part === PARTS ? whole - 1 : whole
    weights[x] = part === PARTS ? 0 : part * 4
  }
  for (let x = width - 1; x >= 0; x--) ends[x] = x + 1 < width && moved[x] === moved[x + 1] && weights[x] === weights[x + 1] ? ends[x + 1] : x + 1
  for (let y = 0; y < taller; y++)
    for (let x = 0; x < width; ) {
      const end = ends[x]
      const from = y - moved[x]
      if (from >= 1 - PAD && from < height + PAD - 2) blendRows(padded, out, (from + PAD) * width, y * width, width, x, end, weights[x])
      x = end
    }
  return { width, height: taller, data: new Uint8Array(out.buffer) }
}

const PAD = 3

function blendRows(data: Uint8Array, out: Uint8ClampedArray, from: number, to: number, width: number, first: number, end: number, weight: number): void {
  const w0 = WEIGHTS[weight]
  const w1 = WEIGHTS[weight + 1]
  const w2 = WEIGHTS[weight + 2]
  const w3 = WEIGHTS[weight + 3]
  for (let x = first; x < end; x++) {
    const at = from + x
    const a = data[at - width]
    const b = data[at]
    const c = data[at + width]
    const d = data[at + 2 * width]
    out[to + x] = (a * w0 + b * w1 + c * w2 + d * w3 + HALF) >> BITS
  }
}
