import limits from './limits.json' with { type: 'json' }

/** A picture in shades of grey, row by row, 0 black to 255 white. */
export interface GreyPicture {
  width: number
  height: number
  grey: Uint8Array | Uint8ClampedArray
}

/** What is wrong with a photograph of a paper, before anybody reads it. */
export type PictureFault = 'dark' | 'empty' | 'blurred' | 'cut off'

/** What is measured of a picture; `limits.json` says from where on each is a fault, and what that was fitted on. */
interface PictureMeasures {
  /** The shade that a twentieth of the picture is lighter than: paper, where there is any. */
  light: number
  /** Share of pixels at an edge of something. */
  edges: number
  /** Share of pixels at a soft one: there is something, out of focus. */
  soft: number
  /** How steep edges are, as a share of the contrast around them: print in focus goes from black to white at once. */
  steepness: number
  /** The densest edge of the picture's four borders, as a share of the density inside. */
  border: number
}

/** A step of so many shades from one pixel to the next but one is an edge. */
const EDGE = 48
/** A step of so many shades is a soft edge; grain of a camera stays below. */
const SOFT_EDGE = 12
/** Pixels around an edge whose contrast it is held against. */
const AROUND = 4
/** Width of the border that is looked at, as a share of the picture's side. */
const BORDER = 0.012

/** Measures a picture of about a thousand pixels in length. */
function measurePicture({ width, height, grey }: GreyPicture): PictureMeasures {
  const shades = new Uint32Array(256)
  for (const shade of grey) shades[shade]++
  let [edges, soft, steep, contrast] = [0, 0, 0, 0]
  const rim = Math.max(2, Math.round(Math.min(width, height) * BORDER))
  const sides = { left: 0, right: 0, top: 0, bottom: 0 }
  let inside = 0
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x
      const across = Math.abs(grey[at + 1] - grey[at - 1])
      const down = Math.abs(grey[at + width] - grey[at - width])
      const step = Math.max(across, down)
      if (step >= SOFT_EDGE) soft++
      if (step < EDGE) continue
      edges++
      if (x < rim) sides.left++
      else if (x >= width - rim) sides.right++
      else if (y < rim) sides.top++
      else if (y >= height - rim) sides.bottom++
      else inside++
      const by = across >= down ? 1 : width
      const [low, high] = extremes(grey, at - AROUND * by, at + AROUND * by, by)
      contrast += high - low
      steep += step
    }
  const insideArea = Math.max(1, (width - 2 * rim) * (height - 2 * rim))
  const density = inside / insideArea
  const most = Math.max(
    sides.left / (rim * height),
    sides.right / (rim * height),
    sides.top / (rim * width),
    sides.bottom / (rim * width),
  )
  return {
    light: percentile(shades, grey.length, 0.95),
    edges: edges / grey.length,
    soft: soft / grey.length,
    steepness: contrast > 0 ? steep / contrast : 0,
    border: density > 0 ? most / density : 0,
  }
}

function extremes(
  grey: GreyPicture['grey'],
  from: number,
  to: number,
  by: number,
): [low: number, high: number] {
  let [low, high] = [255, 0]
  for (let at = Math.max(0, from); at <= to && at < grey.length; at += by) {
    if (grey[at] < low) low = grey[at]
    if (grey[at] > high) high = grey[at]
  }
  return [low, high]
}

function percentile(shades: Uint32Array, all: number, share: number): number {
  let seen = 0
  for (let shade = 0; shade < 256; shade++) {
    seen += shades[shade]
    if (seen >= share * all) return shade
  }
  return 255
}

/** What seems wrong with a picture; null where nothing does. The first that holds is told: a dark picture is blurred, too. */
export function pictureFault(picture: GreyPicture): PictureFault | null {
  const { light, edges, soft, steepness, border } = measurePicture(picture)
  if (light < limits.light) return 'dark'
  if (edges < limits.edges) return soft > limits.soft ? 'blurred' : 'empty'
  if (steepness < limits.steepness) return 'blurred'
  return border > limits.border ? 'cut off' : null
}
