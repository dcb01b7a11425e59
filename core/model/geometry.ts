/** Left, top, right, bottom as fractions of the upright page, the origin at its top left corner. */
export type Box = [left: number, top: number, right: number, bottom: number]

/** A box on a page of the package. */
export interface Place {
  page: number
  box: Box
}

/** The smallest box around all of `boxes`; throws on none, since "around nothing" has no place on a page. */
export function boxAround(boxes: readonly Box[]): Box {
  if (boxes.length === 0) throw new Error('boxAround needs at least one box')
  const around: Box = [...boxes[0]]
  for (const [left, top, right, bottom] of boxes) {
    around[0] = Math.min(around[0], left)
    around[1] = Math.min(around[1], top)
    around[2] = Math.max(around[2], right)
    around[3] = Math.max(around[3], bottom)
  }
  return around
}

/** The length of the part of [a0, a1] that lies in [b0, b1]; 0 where they are apart. */
export const overlap = (a0: number, a1: number, b0: number, b1: number): number =>
  Math.max(0, Math.min(a1, b1) - Math.max(a0, b0))

/** `box` grown by a share of the page on each side, kept on the page. */
export const grow = ([l, t, r, b]: Box, x: number, y = x): Box => [
  Math.max(0, l - x),
  Math.max(0, t - y),
  Math.min(1, r + x),
  Math.min(1, b + y),
]

/** Whether two boxes share any area. */
export const touches = (a: Box, b: Box): boolean =>
  overlap(a[0], a[2], b[0], b[2]) > 0 && overlap(a[1], a[3], b[1], b[3]) > 0

/** Boxes of words lie in those of their rows but for rounding. */
const ROUNDING = 0.002

/** Whether a box lies within another, but for a hair's breadth. */
export const encloses = ([l, t, r, b]: Box, box: Box): boolean =>
  l <= box[0] + ROUNDING && t <= box[1] + ROUNDING && r >= box[2] - ROUNDING && b >= box[3] - ROUNDING

/** What has its middle in an area: words of a line, words that were dragged over. */
export const inside = <T extends { box: Box }>(things: readonly T[], [l, t, r, b]: Box): T[] =>
  things.filter(({ box }) => {
    const [x, y] = [(box[0] + box[2]) / 2, (box[1] + box[3]) / 2]
    return x >= l && x <= r && y >= t && y <= b
  })

/** Degrees clockwise that bring a page upright. */
export type Rotation = 0 | 90 | 180 | 270

/** A box of a page after the page was turned. */
export function turnBox([l, t, r, b]: Box, turn: Rotation): Box {
  if (turn === 90) return [1 - b, l, 1 - t, r]
  if (turn === 180) return [1 - r, 1 - b, 1 - l, 1 - t]
  if (turn === 270) return [t, 1 - r, b, 1 - l]
  return [l, t, r, b]
}
