import type { Sharp } from 'sharp'

/** A grey picture, one byte a dot, row by row; 0 is black. */
export interface Grey {
  width: number
  height: number
  data: Uint8Array
}

/**
 * A picture in grey. Colours are weighed here: the library would do so in linear light, which costs three
 * times as much. Source: ITU-R BT.601, luma.
 */
export async function toGreyscale(picture: Sharp): Promise<Grey> {
  const {
    data,
    info: { width, height, channels },
  } = await picture.raw().toBuffer({ resolveWithObject: true })
  if (channels === 1)
    return { width, height, data: new Uint8Array(data.buffer, data.byteOffset, data.length) }
  const grey = new Uint8Array(width * height)
  const fours =
    channels === 3 && data.byteOffset % 4 === 0
      ? new Int32Array(grey.buffer, 0, grey.length >> 2)
      : new Int32Array(0)
  foursOfColour(new Int32Array(data.buffer, data.byteOffset - (data.byteOffset % 4), data.length >> 2), fours)
  for (let i = fours.length * 4, at = i * channels; i < grey.length; i++, at += channels)
    grey[i] = luma(data[at], data[at + 1], data[at + 2])
  return { width, height, data: grey }
}

const luma = (red: number, green: number, blue: number): number =>
  (red * 77 + green * 150 + blue * 29 + 128) >> 8

/**
 * Four dots of three colours each lie in three numbers: read so, and not byte by byte, a page takes half the
 * time.
 */
function foursOfColour(colours: Int32Array, grey: Int32Array): void {
  for (let i = 0, at = 0; i < grey.length; i++, at += 3) {
    const a = colours[at]
    const b = colours[at + 1]
    const c = colours[at + 2]
    const first = luma(a & 255, (a >> 8) & 255, (a >> 16) & 255)
    const second = luma(a >>> 24, b & 255, (b >> 8) & 255)
    const third = luma((b >> 16) & 255, b >>> 24, c & 255)
    const fourth = luma((c >> 8) & 255, (c >> 16) & 255, c >>> 24)
    grey[i] = first | (second << 8) | (third << 16) | (fourth << 24)
  }
}

/**
 * A picture as a file for Tesseract, which takes a sixth longer over a page in plainer formats: it reads
 * those dot by dot. Source: TIFF 6.0, baseline greyscale, one strip.
 */
export function toTiff({ width, height, data }: Grey): Buffer {
  const entries = [
    [256, width],
    [257, height],
    [258, BITS_A_DOT],
    [259, UNPACKED],
    [262, BLACK_IS_ZERO],
    [STRIP_OFFSETS, 0],
    [277, 1],
    [278, height],
    [279, data.length],
  ]
  const head = Buffer.alloc(8 + 2 + entries.length * 12 + 4)
  head.write('II*\0', 'latin1')
  head.writeUInt32LE(8, 4)
  head.writeUInt16LE(entries.length, 8)
  entries.forEach(([tag, value], i) => {
    const at = 10 + i * 12
    head.writeUInt16LE(tag, at)
    head.writeUInt16LE(LONG, at + 2)
    head.writeUInt32LE(1, at + 4)
    head.writeUInt32LE(tag === STRIP_OFFSETS ? head.length : value, at + 8)
  })
  return Buffer.concat([head, data])
}

const [BITS_A_DOT, UNPACKED, BLACK_IS_ZERO, LONG, STRIP_OFFSETS] = [8, 1, 1, 4, 273]

/** So many dots of a picture say what its shades are. */
const SAMPLE = 200_000
const sampleStep = (picture: Grey): number => Math.max(1, Math.floor(picture.data.length / SAMPLE))

/**
 * The level that parts ink from paper. Source: Otsu, "A threshold selection method from gray-level
 * histograms", 1979.
 */
export function inkLevel(picture: Grey): number {
  const histogram = new Uint32Array(256)
  const step = sampleStep(picture)
  let total = 0
  let sum = 0
  for (let i = 0; i < picture.data.length; i += step) {
    histogram[picture.data[i]]++
    sum += picture.data[i]
    total++
  }
  let below = 0
  let sumBelow = 0
  let best = 128
  let last = 128
  let most = -1
  for (let level = 0; level < 256; level++) {
    below += histogram[level]
    if (below === 0) continue
    const above = total - below
    if (above === 0) break
    sumBelow += level * histogram[level]
    const apart = sumBelow / below - (sum - sumBelow) / above
    const between = below * above * apart * apart
    if (between > most) {
      most = between
      best = last = level
    } else if (between === most) last = level
  }
  // Between the two levels of a fax nothing lies, and any level parts them: the middle one leaves room on both sides.
  const level = Math.ceil((best + last + 1) / 2)
  const { paper, spread } = grainOf(histogram, total)
  // A few lines on grey paper weigh less than its grain, and the level would part that: such pages were taken
  // for blank.
  return spread > 0 && spread <= FINE && Math.abs(level - paper) <= GRAIN * spread
    ? Math.max(1, Math.round(paper - BEYOND * spread))
    : level
}

/**
 * In spreads of the paper's grain below its shade: a level this near parts grain from grain, ink begins that
 * far off.
 */
const [GRAIN, BEYOND] = [3, 4.5]
/** Shades vary more than this where light falls unevenly or pictures are printed, and there is no one paper. */
const FINE = 14

/**
 * The shade of most dots and how they spread around it, as a standard deviation. Source: median absolute
 * deviation, Hampel, 1974.
 */
function grainOf(histogram: Uint32Array, total: number): { paper: number; spread: number } {
  const middle = (counts: (distance: number) => number): number => {
    let [at, below] = [0, counts(0)]
    while (below < total / 2) below += counts(++at)
    return at
  }
  const paper = middle((shade) => histogram[shade])
  return {
    paper,
    spread:
      1.4826 * middle((off) => (histogram[paper - off] ?? 0) + (off > 0 ? (histogram[paper + off] ?? 0) : 0)),
  }
}

/** The median of the dots lighter than ink: how bright the paper is. */
export function paperLevel(picture: Grey): number {
  const level = inkLevel(picture)
  const histogram = new Uint32Array(256)
  let total = 0
  for (let i = 0, step = sampleStep(picture); i < picture.data.length; i += step)
    if (picture.data[i] >= level) {
      histogram[picture.data[i]]++
      total++
    }
  let [shade, below] = [0, 0]
  while (shade < 255 && below + histogram[shade] < total / 2) below += histogram[shade++]
  return shade
}

/** A picture turned clockwise by a quarter turn or more. */
export function turned(picture: Grey, degrees: 0 | 90 | 180 | 270): Grey {
  const { width, height, data } = picture
  if (degrees === 0) return picture
  const out = new Uint8Array(data.length)
  if (degrees === 180) {
    for (let i = 0; i < data.length; i++) out[data.length - 1 - i] = data[i]
    return { width, height, data: out }
  }
  // A row becomes a column, each of its dots a row further.
  for (let y = 0; y < height; y++) {
    if (degrees === 90) layDown(data.subarray(y * width, (y + 1) * width), out, height - 1 - y, height)
    else layDown(data.subarray(y * width, (y + 1) * width), out, (width - 1) * height + y, -height)
  }
  return { width: height, height: width, data: out }
}

function layDown(row: Uint8Array, out: Uint8Array, to: number, step: number): void {
  for (let i = 0; i < row.length; i++) out[to + i * step] = row[i]
}

/** Share of a page's height that a strip takes. */
const STRIP = 0.14

/** The strip over the whole width in which ink and paper change most often: there is most print. */
export function fullestStrip(picture: Grey): Grey {
  const { width, height, data } = picture
  const level = inkLevel(picture)
  const changes = new Uint32Array(height + 1)
  for (let y = 0; y < height; y++) {
    let count = 0
    if (y % 3 === 0)
      for (let x = 2, row = y * width; x < width; x += 2)
        if (data[row + x] < level !== data[row + x - 2] < level) count++
    changes[y + 1] = changes[y] + count
  }
  const tall = Math.max(1, Math.round(height * STRIP))
  let top = 0
  for (let y = 0; y + tall <= height; y += 4)
    if (changes[y + tall] - changes[y] > changes[top + tall] - changes[top]) top = y
  return { width, height: tall, data: data.slice(top * width, (top + tall) * width) }
}
