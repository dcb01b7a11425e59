import { inkLevel, type Grey } from './grey.ts'

/** Thickest stroke, in dots at 200 dpi, that is still a ruled line rather than a bar of ink. */
const THICK = 8

/**
 * A copy of the picture without ruled lines: frames and rules make readers lose the words between them. Only thin, long,
 * straight runs of ink are taken out; letters are far shorter.
 */
export function withoutRules(picture: Grey, dpi: number): Grey {
  const { width, height } = picture
  const level = Math.min(200, inkLevel(picture) + 8)
  const long = Math.round(dpi * 0.55)
  const thick = Math.max(3, Math.round((THICK * dpi) / 200))
  const data = new Uint8Array(picture.data)
  if (barsIn(picture, level, long, thick) > 0.004 * data.length) return picture
  // Rows are 1 dot apart in a row's direction and `width` across it; columns the other way round.
  eraseRuns(picture.data, data, { lines: height, length: width, step: 1, across: width, level, long, thick })
  eraseRuns(picture.data, data, { lines: width, length: height, step: width, across: 1, level, long, thick })
  return { width, height, data }
}

/** Dots in broad bars of ink. A page with light print on dark bars is left alone: taking lines out would eat its letters. */
function barsIn({ width, height, data }: Grey, level: number, long: number, thick: number): number {
  let dots = 0
  for (let y = 0; y + thick < height; y += 4)
    for (let x = 0, run = 0; x <= width; x++) {
      const dark = x < width && data[y * width + x] < level && data[(y + thick) * width + x] < level
      if (dark) run++
      else {
        if (run >= long) dots += run * 4
        run = 0
      }
    }
  return dots
}

interface Direction {
  lines: number
  length: number
  step: number
  across: number
  level: number
  long: number
  thick: number
}

function eraseRuns(from: Uint8Array, to: Uint8Array, { lines, length, step, across, level, long, thick }: Direction): void {
  for (let line = 0; line < lines; line++) {
    let run = 0
    let gap = 0
    const base = line * across
    for (let i = 0; i <= length; i++) {
      const dark = i < length && from[base + i * step] < level
      if (dark) {
        run += gap + 1
        gap = 0
      } else if (run > 0 && gap < 2 && i < length) gap++
      else {
        if (run >= long) erase(from, to, { base, end: i - gap, run, step, across, line, lines, level, thick })
        run = 0
        gap = 0
      }
    }
  }
}

function erase(from: Uint8Array, to: Uint8Array, given: { base: number; end: number; run: number; step: number; across: number; line: number; lines: number; level: number; thick: number }): void {
  const { base, end, run, step, across, line, lines, level, thick } = given
  const light = Math.min(250, level + 8)
  for (let i = end - run; i < end; i++) {
    const at = base + i * step
    let before = 0
    while (before <= thick && line - before - 1 >= 0 && from[at - (before + 1) * across] < level) before++
    let behind = 0
    while (before + behind <= thick && line + behind + 1 < lines && from[at + (behind + 1) * across] < level) behind++
    // A letter that stands on the line is thicker here, and stays; so does a bar of ink, whose light letters must not be filled.
    const [above, below] = [line - before - 4, line + behind + 4]
    const paper = (above < 0 || from[at - (before + 4) * across] >= light) && (below >= lines || from[at + (behind + 4) * across] >= light)
    if (before + behind + 1 <= thick && paper) to[at] = 255
  }
}
