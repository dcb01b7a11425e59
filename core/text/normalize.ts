import { memoize } from './memoize.ts'

/** Lower case, without accents and typographic variants: what two prints of one word have in common. */
export function fold(text: string): string {
  let plain = true
  for (let i = 0; i < text.length; i++)
    if (text.charCodeAt(i) > 127) {
      plain = false
      break
    }
  if (plain) return text.toLowerCase()
  return text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[’‘`´]/g, "'")
    .replace(/[“”«»]/g, '"')
    .replace(/[‐‑‒–—−]/g, '-')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .replace(/ø/g, 'o')
    .replace(/æ/g, 'ae')
    .replace(/œ/g, 'oe')
    .replace(/ð/g, 'd')
    .replace(/þ/g, 'th')
    .replace(/ł/g, 'l')
}

/** The letters and digits of a text, folded: `Nº. 12-B` is `no12b`. */
export const squeeze = (text: string): string => fold(text).replace(/[^a-z0-9]+/g, '')

/** Folded words of a text, punctuation dropped; apostrophes join (`d'émission` is `demission`). */
export const tokens = memoize((text): readonly string[] =>
  fold(text)
    .replace(/'/g, '')
    .split(/[^a-z0-9]+/)
    .filter(Boolean),
)

const SCRATCH = new Uint16Array(64)

/**
 * Levenshtein distance, given up as `limit + 1` once it must exceed `limit`. Source: Wagner & Fischer, "The
 * string-to-string correction problem", 1974.
 */
export function editDistance(a: string, b: string, limit = Infinity): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1
  // One row is enough, each cost taking the place of the one above it; short words, by far the most, share one array.
  const row = b.length < SCRATCH.length ? SCRATCH : new Uint16Array(b.length + 1)
  for (let j = 0; j <= b.length; j++) row[j] = j
  for (let i = 1; i <= a.length; i++) {
    const letter = a.charCodeAt(i - 1)
    let diagonal = row[0]
    let least = (row[0] = i)
    for (let j = 1; j <= b.length; j++) {
      const above = row[j]
      const cost = Math.min(above + 1, row[j - 1] + 1, diagonal + (letter === b.charCodeAt(j - 1) ? 0 : 1))
      diagonal = above
      row[j] = cost
      if (cost < least) least = cost
    }
    if (least > limit) return limit + 1
  }
  return row[b.length]
}

/** Whether `read` is `wanted` as a weak reader may print it: one slip in five letters or more, two in ten. */
export function nearlyWord(read: string, wanted: string): boolean {
  if (read === wanted) return true
  if (Math.abs(read.length - wanted.length) > 2) return false
  const slips = wanted.length >= 10 ? 2 : wanted.length >= 5 ? 1 : 0
  return slips > 0 && editDistance(read, wanted, slips) <= slips
}
