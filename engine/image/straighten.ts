import type { Box } from '../../core/model/index.ts'
import { paperLevel, type Grey } from './greyscale.ts'
import { shearColumns, shearRows } from './deskew.ts'

/** A picture turned by a small angle, and the way back for boxes found on it. */
export interface Straight {
  picture: Grey
  /** Maps fractions of the straightened picture to fractions of the one before. */
  back: (box: Box) => Box
  /** The other way. */
  forth: (box: Box) => Box
}

/**
 * Turns a leaning picture upright; below a quarter of a degree it is left as it is, since turning blurs print
 * a little. Rows are moved along, then columns down, which is a turn but for a stretch of a fiftieth at the
 * eight degrees that are measured at most.
 */
export function straighten(picture: Grey, skew: number): Straight {
  if (Math.abs(skew) < 0.25) return { picture, back: (box) => box, forth: (box) => box }
  const angle = (skew * Math.PI) / 180
  const [along, down] = [Math.tan(angle), -Math.sin(angle)]
  // White corners beside grey paper would be taken for the paper, and the paper for ink.
  const paper = paperLevel(picture)
  const straight = shearColumns(shearRows(picture, along, paper), down, paper)
  /** Moves a box by its middle, from a page of one size to one of another; the box itself stays upright. */
  const between =
    (from: Grey, to: Grey, move: (x: number, y: number) => [number, number]) =>
    ([l, t, r, b]: Box): Box => {
      const [x, y] = move(((l + r) / 2 - 0.5) * from.width, ((t + b) / 2 - 0.5) * from.height)
      const [cx, cy] = [x / to.width + 0.5, y / to.height + 0.5]
      const [w, h] = [((r - l) * from.width) / to.width / 2, ((b - t) * from.height) / to.height / 2]
      return [cx - w, cy - h, cx + w, cy + h]
    }
  return {
    picture: straight,
    back: between(straight, picture, (x, y) => [x - along * (y - down * x), y - down * x]),
    forth: between(picture, straight, (x, y) => [x + along * y, y + down * (x + along * y)]),
  }
}
