/** Lower case, without accents and typographic variants: what two prints of one word have in common. */
export function fold(text: string): string {
  let plain = true
  for (let i = 0; i < text.length; i++) if (text.charCodeAt(i) > 127) { plain = false; break }
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
export const tokens = (text: string): readonly string[] => {
  let found = known.get(text)
  if (!found) {
    found = fold(text).replace(/'/g, '').split(/[^a-z0-9]+/).filter(Boolean)
    // The words of papers repeat without end; what is remembered of them must not grow likewise.
    if (known.size >= REMEMBERED) known.clear()
    known.set(text, found)
  }
  return found
}
const REMEMBERED = 20_000
const known = new Map<string, readonly string[]>()

/**
 * Levenshtein distance, given up as `limit + 1` once it must exceed `limit`.
 * Source: Wagner & Fischer, "The string-to-string correction problem", 1974.
 */
export function editDistance(a: string, b: string, limit = Infinity): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1
  let before = Array.from({ length: b.length + 1 }, (_, i) => i)
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    let least = i
    for (let j = 1; j <= b.length; j++) {
      const cost = Math.min(before[j] + 1, row[j - 1] + 1, before[j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1))
      row.push(cost)
      if (cost < least) least = cost
    }
    if (least > limit) return limit + 1
    before = row
  }
  return before[b.length]
}

/** Whether `read` is `wanted` as a weak reader may print it: one slip in five letters or more, two in ten. */
export function nearlyWord(read: string, wanted: string): boolean {
  if (read === wanted) return true
  if (Math.abs(read.length - wanted.length) > 2) return false
  const slips = wanted.length >= 10 ? 2 : wanted.length >= 5 ? 1 : 0
  return slips > 0 && editDistance(read, wanted, slips) <= slips
}
