import { confusions } from '../lexicon/index.ts'
import { editDistance, squeeze } from '../text/index.ts'

/** A word of a row as it was read, and how surely. */
export interface ReadWord {
  text: string
  confidence: number
}

/** What rows say, with its words as they are compared. */
export interface Phrase {
  text: string
  words: readonly string[]
}

export const phraseOf = (text: string): Phrase => ({ text, words: text.split(' ').map(squeeze) })

/** Words read less surely than this may be others; less surely than that they may be none at all. */
const [WEAK, STAIN] = [0.8, 0.6]
/** So many of a phrase's words must stand in both for the others to be known again by them. */
const IN_COMMON = 2

/**
 * What a row's words were likely meant for: the one phrase of other rows that has the same words but for
 * letters misread ("Card payment Fey Office" among "Card payment Ferry Office") and, on a `poor` page, words
 * not read at all ("Kelpnet Broadband" for "Direct debit Kelpnet Broadband"). Null where they say it already,
 * or may say something of their own: a figure apart, a word that was clearly read and is more than a letter
 * off.
 */
export function knownPhrase(
  read: readonly ReadWord[],
  phrases: readonly Phrase[],
  poor = false,
): string | null {
  const words = read.map(({ text, confidence: sure }): ReadWord => ({
    text: squeeze(text),
    confidence: sure,
  }))
  const whole = words.map((w) => w.text).join('')
  const said = phrases.find((p) => p.words.join('') === whole)
  // A space that was not seen is no word of its own.
  if (said)
    return said.text === read.map((w) => w.text).join(' ') || wordsIn(read) >= said.words.length
      ? null
      : said.text
  const near = (lost: boolean) =>
    phrases
      .flatMap(({ text, words: meant }) => {
        const slips = slipsTo(words, meant, lost)
        return slips === null ? [] : [{ text, slips }]
      })
      .sort((a, b) => a.slips - b.slips)
  const [first, second] = near(false)
  if (first) return first.slips === second?.slips ? null : first.text
  if (!poor) return null
  // Words that were not read may have been any: one phrase alone must hold all that was.
  const holding = near(true)
  return holding.length > 0 ? (holding.length === 1 ? holding[0].text : null) : alike(words, phrases)
}

const wordsIn = (read: readonly ReadWord[]): number => read.filter((w) => squeeze(w.text) !== '').length

/** Of a phrase's letters as many may be others, and of the next phrase's so many more must be. */
const [ALIKE, FURTHER] = [0.4, 0.2]

/**
 * The one phrase that letters read badly throughout are like ("Dred debi Kepnt Brdbond" for "Direct debit
 * Kelpnet Broadband").
 */
function alike(words: readonly ReadWord[], phrases: readonly Phrase[]): string | null {
  const seen = words.map((w) => w.text).join('')
  const [first, second] = phrases
    .map(({ text, words: meant }) => ({
      text,
      share: editDistance(seen, meant.join('')) / Math.max(seen.length, meant.join('').length),
      meant,
    }))
    .sort((a, b) => a.share - b.share)
  if (!first || first.share > ALIKE || (second && second.share < first.share + FURTHER)) return null
  // What was clearly read must stand in it.
  return words.every((w) => w.confidence < WEAK || first.meant.some((m) => lettersOff(w, m) !== null)) &&
    seen.replace(/\D/g, '') === first.meant.join('').replace(/\D/g, '')
    ? first.text
    : null
}

/**
 * Letters by which words as read differ from a phrase; null where no misreading explains it. Stains read
 * between the words are left out.
 * @param lost whether words of the phrase may not have been read
 */
function slipsTo(read: readonly ReadWord[], phrase: readonly string[], lost: boolean): number | null {
  const same = read.filter((w) => phrase.includes(w.text)).length
  if (same === 0 || (same < Math.min(IN_COMMON, phrase.length - 1) && !lost)) return null
  // The least slips from each word read and each of the phrase to the ends of both, from behind.
  let behind: number[] = []
  for (let i = read.length; i >= 0; i--) {
    const here: number[] = []
    for (let j = phrase.length; j >= 0; j--) {
      const unread = lost && j < phrase.length ? here[j + 1] : Infinity
      if (i === read.length) {
        here[j] = j === phrase.length ? 0 : unread
        continue
      }
      const stain = read[i].confidence < STAIN ? 1 + behind[j] : Infinity
      const as = (words: number): number => {
        const off =
          j + words <= phrase.length && behind[j + words] < Infinity
            ? lettersOff(read[i], phrase.slice(j, j + words).join(''))
            : null
        return off === null ? Infinity : off + behind[j + words]
      }
      // Two words whose space was not seen stand as one.
      here[j] = Math.min(unread, stain, as(1), as(2))
    }
    behind = here
  }
  return behind[0] < Infinity ? behind[0] : null
}

/** A word as long as this is known again with a letter misread besides strokes that were taken for one another. */
const LONG = 5
/** A word as a tired eye sees it: upright strokes are all one. */
const asSeen = (word: string): string => word.replace(/rn/g, 'm').replace(/[il1]/g, 'l').replace(/f/g, 't')

/** Letters by which a word read differs from the one meant, both squeezed; null where it is another word. */
function lettersOff({ text, confidence: sure }: ReadWord, wanted: string): number | null {
  const seen = /\d/.test(wanted) ? text : lettersFor(text, wanted)
  if (seen === wanted) return 0
  if (
    seen === '' ||
    seen.replace(/\D/g, '') !== wanted.replace(/\D/g, '') ||
    seen === `${wanted}s` ||
    wanted === `${seen}s`
  )
    return null
  const off = editDistance(seen, wanted)
  if (
    (off === 1 && wanted.length >= 3) ||
    (wanted.length >= LONG && editDistance(asSeen(seen), asSeen(wanted), 1) <= 1)
  )
    return off
  return sure < WEAK && (off <= wanted.length / 2 || isWithin(seen, wanted)) ? off : null
}

/** A word with its figures as the letters of a wanted one that look like them ("10" for "to"). */
const lettersFor = (seen: string, wanted: string): string =>
  seen.length === wanted.length
    ? [...seen].map((c, i) => (confusions.lettersInWords[c]?.includes(wanted[i]) ? wanted[i] : c)).join('')
    : seen

/** Whether all letters of a word stand in another in their order: the rest of it was too faint to be read. */
function isWithin(few: string, many: string): boolean {
  let at = 0
  for (const letter of many) if (letter === few[at]) at++
  return at === few.length
}
