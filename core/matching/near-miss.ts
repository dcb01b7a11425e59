import { editDistance, squeeze, tokens } from '../text/index.ts'
import { plain, type Value } from '../model/index.ts'
import { isOneConfusion } from './confusions.ts'

/** Codes that differ in two places are two codes: a fair reader takes one figure for another, not two. */
export const nearMiss = (a: Value, b: Value): boolean => {
  const [p, q] = [squeeze(plain(a)), squeeze(plain(b))]
  // Two letters off and every figure the same: "Tarriwick SK8" is Tarnwick, misread.
  const most = p.replace(/\D/g, '') === q.replace(/\D/g, '') ? 2 : 1
  if (p === q || wordMore(plain(a), plain(b)) || wordMore(plain(b), plain(a))) return false
  if (brokenOff(p, q)) return true
  return (
    (Math.min(p.length, q.length) >= 6 && editDistance(p, q, most) <= most) ||
    initialOff(plain(a), plain(b)) ||
    initialOff(plain(b), plain(a))
  )
}

/**
 * "Dougal Quillfe": a word whose end was lost, by a pen's stroke or at the edge, is the known one so far as
 * it goes.
 */
export const brokenOff = (read: string, known: string): boolean =>
  read.length >= 8 && !/\d/.test(known) && known.startsWith(read)

/** Whether a name is another with an initial that may have been misread: "E Northcott" beside "Fenella Northcott". */
function initialOff(short: string, full: string): boolean {
  const [few, many] = [tokens(short), tokens(full)]
  const initials = few.filter((t) => t.length === 1)
  const whole = few.filter((t) => t.length > 1)
  if (initials.length !== 1 || whole.length === 0 || !whole.every((t) => many.includes(t))) return false
  return many.some((t) => !whole.includes(t) && t[0] !== initials[0] && isOneConfusion(initials[0], t[0]))
}

/**
 * Whether a text is another with one whole word behind it: a reader mixes up letters, but "II" is no slip of
 * nothing.
 */
export const wordMore = (longer: string, shorter: string): boolean =>
  longer.toLowerCase().startsWith(`${shorter.toLowerCase()} `)

/**
 * Of values that agree, the one in the form of this one: a letter misread shows beside "Tamsin Teasdale", not
 * beside "Teasdale, T.".
 */
export function mostAlike<T extends Value>(value: Value, known: readonly T[]): T {
  const own = plain(value)
  const apart = (other: string) =>
    editDistance(squeeze(own), squeeze(other), own.length) + editDistance(own, other, own.length) / 100
  return known
    .map((one) => ({ one, apart: apart(plain(one)) }))
    .reduce((best, next) => (next.apart < best.apart ? next : best)).one
}
