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
 * ("Card payment Fey Office" among "Card payment Ferry Office"). Null where they say it already, or may say something of
 * their own: a figure apart, a word that was clearly read and is more than a letter off.
 */
export function meantPhrase(read: readonly ReadWord[], phrases: readonly string[]): string | null {
  const near = phrases.map((phrase) => ({ phrase, slips: slipsTo(read, phrase.split(' ')) })).filter((p) => p.slips !== null).sort((a, b) => a.slips! - b.slips!)
  if (near.length === 0 || near[0].slips === 0 || near[0].slips === near[1]?.slips) return null
  return near[0].phrase
}

/** Letters by which words as read differ from a phrase; null where no misreading explains it. Stains read between the words are left out. */
function slipsTo(read: readonly ReadWord[], phrase: readonly string[]): number | null {
  const same = read.filter((w) => phrase.some((p) => squeeze(p) === squeeze(w.text))).length
  if (same < Math.min(IN_COMMON, phrase.length - 1) || same === 0) return null
  const rest = (i: number, j: number): number => {
    if (i === read.length) return j === phrase.length ? 0 : Infinity
    const left = read[i].sure < STAIN ? 1 + rest(i + 1, j) : Infinity
    const off = j < phrase.length ? lettersOff(read[i], phrase[j]) : null
    return off === null ? left : Math.min(left, off + rest(i + 1, j + 1))
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
