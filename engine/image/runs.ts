import type { Grey } from './greyscale.ts'

/**
 * Runs of ink of a picture, row by row from the top: those of row y are the ones from `rows[y]` to before
 * `rows[y + 1]`.
 */
export interface Runs {
  rows: Uint32Array
  /** First dot of each run, and the first behind it, as columns. */
  from: Uint32Array
  to: Uint32Array
}

/**
 * Runs of dots darker than a level. Nearly all of a page is paper, and what is counted along runs costs a
 * tenth of what is counted dot by dot.
 */
export function runsOf(picture: Grey, level: number): Runs {
  const { width, height } = picture
  const dots = dotsOf(picture.data)
  const rows = new Uint32Array(height + 1)
  let [from, to] = [new Uint32Array(1 << 16), new Uint32Array(1 << 16)]
  let count = 0
  for (let y = 0; y < height; y++) {
    rows[y] = count
    if (count + width > from.length) [from, to] = [longer(from, width), longer(to, width)]
    count = runsInRow(dots, level, [y * width, (y + 1) * width], { from, to }, count)
  }
  rows[height] = count
  return { rows, from, to }
}

function longer(all: Uint32Array<ArrayBuffer>, least: number): Uint32Array<ArrayBuffer> {
  const more = new Uint32Array(all.length * 2 + least)
  more.set(all)
  return more
}

/** Dots one by one and four at a time. */
export interface Dots {
  bytes: Uint8Array
  fours: Int32Array
}

/**
 * Four dots in one number can be read only where their memory begins at a multiple of four; elsewhere they
 * are copied.
 */
export function dotsOf(data: Uint8Array): Dots {
  const bytes = data.byteOffset % 4 === 0 ? data : new Uint8Array(data)
  return { bytes, fours: new Int32Array(bytes.buffer, bytes.byteOffset, bytes.length >> 2) }
}

/** Bits that four dots share when all of them are surely no darker than a level; 0 where no such bits are known. */
export function paperBits(level: number): number {
  for (let bits = 1; bits < 8; bits++)
    if (level <= 256 - 2 ** (8 - bits)) return (((0xff00 >> bits) & 0xff) * 0x01010101) | 0
  return 0
}

/** Notes the runs of one row behind those that are there. Returns how many there are then. */
function runsInRow(
  { bytes, fours }: Dots,
  level: number,
  [row, end]: readonly [from: number, to: number],
  { from, to }: { from: Uint32Array; to: Uint32Array },
  count: number,
): number {
  const bits = paperBits(level)
  for (let at = row; at < end;) {
    if (bytes[at] >= level) {
      at++
      // Paper is passed over four dots at a time.
      if ((at & 3) === 0 && bits !== 0) while (at + 4 <= end && (fours[at >> 2] & bits) === bits) at += 4
      continue
    }
    from[count] = at - row
    while (at < end && bytes[at] < level) at++
    to[count++] = at - row
  }
  return count
}
