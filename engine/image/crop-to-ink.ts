import { inkLevel, paperLevel, type Grey } from './greyscale.ts'

/** Paper above and below the ink, as a share of its height. */
const MARGIN = 0.15

/**
 * A line of writing with little paper above and below, so that its letters fill the height that a reader of
 * lines brings it to: tall loops far apart make them small, and small ones are mixed up. Its columns stay
 * where they are.
 */
export function cropToInk(line: Grey): Grey {
  const level = inkLevel(line)
  const { width, height, data } = line
  const inked = Array.from({ length: height }, (_, y) => {
    let dark = 0
    for (let x = 0; x < width; x++) if (data[y * width + x] < level) dark++
    // One dot is a speck.
    return dark > 1
  })
  const [top, bottom] = [inked.indexOf(true), inked.lastIndexOf(true) + 1]
  if (top < 0) return line
  const margin = Math.round((bottom - top) * MARGIN)
  const snug: Grey = {
    width,
    height: bottom - top + 2 * margin,
    data: new Uint8Array(width * (bottom - top + 2 * margin)).fill(paperLevel(line)),
  }
  snug.data.set(data.subarray(top * width, bottom * width), margin * width)
  return snug
}
