import type { Grey } from './greyscale.ts'
import { dotsOf } from './runs.ts'

/**
 * Dots that were taken out of a picture: each with the thickness of the rule it was part of, for lying and
 * standing rules apart.
 */
export interface Erased {
  lying: Uint8Array
  standing: Uint8Array
}

/** Dots that what is left of a rule may be thicker than the rule beside it: its soft edge on both sides. */
const SOFT = 2

/**
 * Takes out what is left of rules that were taken out: the dots where two of them crossed, and shreds of
 * their edges. A reader takes them for quotation marks and points at the words beside them ("“01/02",
 * "115.80."). Only what goes on in the direction of a rule and is no thicker than it is touched; a comma that
 * reaches a line under it is taller, and a point above a line does not go on along it.
 * @param level dots darker than this are ink; the softer dots around a remnant go with it
 */
export function eraseLineResidue(picture: Grey, erased: Erased, level: number): void {
  const { width, data } = picture
  const lying = shredder(picture, level, (at) => Math.floor(at / width))
  const standing = shredder(picture, level, (at) => at % width)
  const shred = (at: number): void => {
    const [along, down] = [erased.lying[at], erased.standing[at]]
    if (along) {
      lying(at - 1, along + SOFT)
      lying(at + 1, along + SOFT)
    }
    if (down) {
      standing(at - width, down + SOFT)
      standing(at + width, down + SOFT)
    }
  }
  const [lie, stand] = [dotsOf(erased.lying).fours, dotsOf(erased.standing).fours]
  for (let four = 0; four <= lie.length; four++) {
    // Nearly all of a page is no rule: it is passed over four dots at a time.
    if (four < lie.length && lie[four] === 0 && stand[four] === 0) continue
    for (let at = Math.max(1, four * 4); at < Math.min(four * 4 + 4, data.length - 1); at++) shred(at)
  }
}

const [SEEN, STAYS] = [1, 2]

/**
 * Takes out all dots of ink that hang together with one, where they reach over fewer than `most` places
 * across the rule. What was once found to reach further stays whole: seen from its other end it would look
 * small.
 */
function shredder(
  { width, height, data }: Grey,
  level: number,
  across: (at: number) => number,
): (start: number, most: number) => void {
  const state = new Uint8Array(data.length)
  return (start, most) => {
    if (start < 0 || start >= data.length || data[start] >= level || state[start]) return
    const dots = [start]
    state[start] = SEEN
    let [least, last, stays] = [across(start), across(start), false]
    for (let i = 0; i < dots.length && !stays; i++) {
      const [x, y] = [dots[i] % width, Math.floor(dots[i] / width)]
      for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v++)
        for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
          const at = v * width + u
          if (data[at] >= level || state[at] === SEEN) continue
          stays ||= state[at] === STAYS
          state[at] = SEEN
          dots.push(at)
          least = Math.min(least, across(at))
          last = Math.max(last, across(at))
        }
      stays ||= last - least >= most
    }
    for (const dot of dots) {
      if (stays) state[dot] = STAYS
      else for (const row of [-width, 0, width]) data.fill(255, Math.max(0, dot + row - 1), dot + row + 2)
    }
  }
}
