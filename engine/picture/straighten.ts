import type { Box } from '../../core/page/geometry.ts'
import { paperOf, type Grey } from './grey.ts'
import { pictures } from './library.ts'

/** A picture turned by a small angle, and the way back for boxes found on it. */
export interface Straight {
  picture: Grey
  /** Maps fractions of the straightened picture to fractions of the one before. */
  back: (box: Box) => Box
  /** The other way. */
  forth: (box: Box) => Box
}

/** Turns a leaning picture upright; below a quarter of a degree it is left as it is, since turning blurs print a little. */
export async function straighten(picture: Grey, skew: number): Promise<Straight> {
  if (Math.abs(skew) < 0.25) return { picture, back: (box) => box, forth: (box) => box }
  const sharp = await pictures()
  // White corners beside grey paper would be taken for the paper, and the paper for ink.
  const paper = paperOf(picture)
  const { data, info } = await sharp(picture.data, { raw: { width: picture.width, height: picture.height, channels: 1 } })
    .rotate(-skew, { background: { r: paper, g: paper, b: paper } })
    .extractChannel(0)
    .raw()
    .toBuffer({ resolveWithObject: true })
  const angle = (skew * Math.PI) / 180
  /** Turns a box about the middle, from a page of one size to one of another; the box itself stays upright. */
  const between = (from: { width: number; height: number }, to: { width: number; height: number }, turn: number) => ([l, t, r, b]: Box): Box => {
    const [x, y] = [((l + r) / 2 - 0.5) * from.width, ((t + b) / 2 - 0.5) * from.height]
    const cx = (x * Math.cos(turn) - y * Math.sin(turn)) / to.width + 0.5
    const cy = (x * Math.sin(turn) + y * Math.cos(turn)) / to.height + 0.5
    const [w, h] = [((r - l) * from.width) / to.width / 2, ((b - t) * from.height) / to.height / 2]
    return [cx - w, cy - h, cx + w, cy + h]
  }
  return { picture: { width: info.width, height: info.height, data: new Uint8Array(data) }, back: between(info, picture, angle), forth: between(picture, info, -angle) }
}
