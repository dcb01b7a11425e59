import { editDistance, squeeze } from '../page/text.ts'

/** A word of a row as it was read, and how surely. */
export interface ReadWord {
  text: string
  sure: number
}

/** Words read less surely than this may be others; less surely than that they may be none at all. */
const [WEAK, STAIN] = [0.8, 0.6]
/** So many of a phrase's words must stand in both for the others to be known again by them. */
const IN_COMMON = 2

/**
 * What a row's words were likely meant for: the one phrase of other rows that has the same words but for letters misread
 * ("Card payment Fey Office" among "Card payment Ferry Office") and, on a `poor` page, words not read at all ("Kelpnet
 * Broadband" for "Direct debit Kelpnet Broadband"). Null where they say it already, or may say something of
 * their own: a figure apart, a word that was clearly read and is more than a letter off.
 */
export function meantPhrase(read: readonly ReadWord[], phrases: readonly string[], poor = false): string | null {
  const slips = (lost: boolean) => phrases.flatMap((phrase) => { const n = slipsTo(read, phrase.split(' '), lost); return n === null ? [] : [{ phrase, n }] }).sort((a, b) => a.n - b.n)
  const [first, second] = slips(false)
  if (first) return first.n === 0 || first.n === second?.n ? null : first.phrase
  // Words that were not read may have been any: one phrase alone must hold all that was.
  const [only, other] = poor ? slips(true) : []
  return only && !other ? only.phrase : null
}

/** Letters by which words as read differ from a phrase; null where no misreading explains it. Stains read between the words are left out. @param lost whether words of it may not have been read */
function slipsTo(read: readonly ReadWord[], phrase: readonly string[], lost: boolean): number | null {
  const same = read.filter((w) => phrase.some((p) => squeeze(p) === squeeze(w.text))).length
  if (same === 0 || (same < Math.min(IN_COMMON, phrase.length - 1) && !lost)) return null
  const rest = (i: number, j: number): number => {
    const unread = lost && j < phrase.length ? rest(i, j + 1) : Infinity
    if (i === read.length) return j === phrase.length ? 0 : unread
    const stain = read[i].sure < STAIN ? 1 + rest(i + 1, j) : Infinity
    const off = j < phrase.length ? lettersOff(read[i], phrase[j]) : null
    return Math.min(unread, stain, off === null ? Infinity : off + rest(i + 1, j + 1))
  }
  const slips = rest(0, 0)
  return Number.isFinite(slips) ? slips : null
}

/** A word as long as this is known again with a letter misread besides strokes that were taken for one another. */
const LONG = 5
/** A word as a tired eye sees it: upright strokes are all one. */
const asSeen = (word: string): string => word.replace(/rn/g, 'm').replace(/[il1]/g, 'l').replace(/f/g, 't')

function lettersOff(word: ReadWord, meant: string): number | null {
  const [seen, wanted] = [squeeze(word.text), squeeze(meant)]
  if (seen === wanted) return 0
  if (seen === '' || seen.replace(/\D/g, '') !== wanted.replace(/\D/g, '') || seen === `${wanted}s` || wanted === `${seen}s`) return null
  const off = editDistance(seen, wanted)
  if ((off === 1 && wanted.length >= 3) || (wanted.length >= LONG && editDistance(asSeen(seen), asSeen(wanted), 1) <= 1)) return off
  return word.sure < WEAK && (off <= wanted.length / 2 || isWithin(seen, wanted)) ? off : null
}

/** Whether all letters of a word stand in another in their order: the rest of it was too faint to be read. */
function isWithin(few: string, many: string): boolean {
  let at = 0
  for (const letter of many) if (letter === few[at]) at++
  return at === few.length
}
