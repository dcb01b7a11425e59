import { inkLevel, paperLevel, type Grey } from './greyscale.ts'
import { dotsOf, paperBits } from './runs.ts'
import { removeShading } from './shading.ts'

/**
 * Shares of the way from ink's level to paper at which paper becomes white, and beyond ink's level at which
 * ink becomes black.
 */
const WHITE = 0.15
const BLACK = 0.9

/**
 * A copy with paper white, shaded or not, and ink black: the grain of paper and sensors misleads readers more
 * than a lost grey does.
 */
export function stretchContrast(given: Grey): Grey {
  const level = inkLevel(given)
  const paper = paperLevel(given)
  const picture = removeShading(given, level, paper)
  const reach = Math.max(8, paper - level)
  const [black, white] = [level - BLACK * reach, level + (1 - WHITE) * reach]
  const shade = Uint8Array.from({ length: 256 }, (_, value) =>
    Math.min(255, Math.max(0, Math.round(((value - black) * 255) / (white - black)))),
  )
  const stretched = { ...picture, data: new Uint8Array(picture.data) }
  const { bytes, fours } = dotsOf(stretched.data)
  // On a page without ink no shade may become quite white.
  const bits = shade[255] === 255 ? paperBits(shade.indexOf(255)) : 0
  for (let i = 0; i < bytes.length; i += 4) {
    // Most of a page is paper, four dots at once.
    if (bits !== 0 && i + 4 <= bytes.length && (fours[i >> 2] & bits) === bits) fours[i >> 2] = -1
    else for (let at = i; at < Math.min(i + 4, bytes.length); at++) bytes[at] = shade[bytes[at]]
  }
  return stretched
}
