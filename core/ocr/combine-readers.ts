import { type Box, boxAround, overlap, type Word } from '../model/index.ts'
import { editDistance, fold } from '../text/index.ts'

/** A letter as the second reader saw it. It knows no accents, and leaves out spaces. */
export interface Letter {
  text: string
  /** Probability of this letter among all that the reader knows. */
  confidence: number
  /** Its middle, as a share of the page's width. */
  at: number
}

/**
 * Two readers who work in different ways do not both misread the same: where they agree, it stands there. Yet
 * it is no text layer: both may have been shown a word without its first figure.
 */
const AGREED = 0.998
/** As sure as the second reader must be of every letter to be believed against the first. */
const CLEAR = 0.82
/** A reader less sure than this says nothing. */
const FAINT = 0.6
/** What the first reader is surer of than this, the second does not overrule: it makes it doubtful. */
const FIRM = 0.88
/** What the first reader is surer of than this, an unsure second does not make doubtful. */
const FIRMER = 0.93
/** A word on which the readers differ, and one that the second put right. */
const [DISPUTED, PUT_RIGHT] = [0.6, 0.8]
/** A word of the second reader's that the first made nothing like of. */
const ALONE = 0.7

/**
 * What two readers make of the same words together: the first brings spaces and accents, the second figures
 * and letters that the first mixes up.
 * @param words neighbours in one line, from left to right
 * @param letters all that the second reader saw of them, from left to right
 */
export function combineReaders(words: readonly Word[], letters: readonly Letter[]): Word[] {
  const groups = piecesJoined(words, letters)
  const dealt = deal(
    letters,
    groups.map((g) => g.word),
  )
  return groups.flatMap(({ word, pieces }, i) => {
    const joined = pieces.length > 1
    const own = dealt[i]
    const said = own
      .map((l) => l.text)
      .join('')
      .trim()
    const text = word.text.includes('€') ? withoutEuro(said) : said
    const sure = Math.min(1, ...own.map((l) => l.confidence))
    // What goes on in even steps is one figure even where the second reader cannot read it: a piece of it
    // would be another value.
    const disputed = (spelt: string): Word[] => [
      { ...word, text: spelt, confidence: Math.min(word.confidence, DISPUTED), disputed: true },
    ]
    const doubtful = (): Word[] => disputed(word.text)
    // "?" is what the first reader makes of a hasty 7.
    if (word.text === '?' && /^\d$/.test(text)) return disputed(text)
    if (bare(text) === '' || IDEOGRAPH.test(text) || sure < FAINT) return joined ? doubtful() : pieces
    if (bare(text) === bare(word.text) || wordWithFigures(text, word.text)) {
      // Where the first reader saw pieces, or a small letter for a capital, the second says how they are written.
      const spelt = joined || (sure >= CLEAR && capitalised(word.text) === text) ? text : word.text
      return sameMarks(text, spelt)
        ? [{ ...word, text: spelt, confidence: Math.max(word.confidence, AGREED) }]
        : joined
          ? doubtful()
          : pieces
    }
    // "2" of "72": one of them saw a piece alone, and nobody knows a shorter value by its looks.
    if (pieceOf(text, word.text)) return doubtful()
    if (pieceOf(word.text, text)) return disputed(text)
    // A second look by the same reader is no second voice.
    if (word.disputed) return pieces
    if (sure >= CLEAR && word.confidence < FIRM)
      return [{ ...word, text, confidence: likeEnough(text, word.text) ? PUT_RIGHT : ALONE }]
    // Of two unsure readers the second is oftener right, of writing by hand above all.
    if (word.confidence < FIRM) return disputed(text)
    return joined || sure >= CLEAR || word.confidence < FIRMER ? doubtful() : pieces
  })
}

/** What the second reader, who was taught Chinese too, makes of ticks, frames and pen strokes. */
const IDEOGRAPH = /\p{Script=Han}/u

/** Letters and figures alone, accents dropped: what both readers can agree about. */
const bare = (text: string): string => fold(text).replace(/[^a-z0-9]/g, '')

/** The second reader has no sense for words, and sees figures in them: "01d" is "Old". */
const wordWithFigures = (text: string, word: string): boolean =>
  /^\p{L}+\P{L}?$/u.test(word) &&
  /\p{Ll}/u.test(word) &&
  /\p{L}/u.test(text) &&
  bare(text).replace(/0/g, 'o').replace(/[1i]/g, 'l') === bare(word).replace(/i/g, 'l')

/** The second reader knows no euro, and takes it for an e, if for anything. */
const withoutEuro = (text: string): string => text.replace(/^[ec€](?=\d)|(?<=\d)\s?[e€]$/gi, '')

/** Whether two readings of a word share most of their letters. */
function likeEnough(a: string, b: string): boolean {
  const [p, q] = [bare(a), bare(b)]
  return editDistance(p, q) <= Math.max(1, Math.max(p.length, q.length) / 3)
}

/** Whether a figure is the beginning or the end of another. */
function pieceOf(piece: string, whole: string): boolean {
  const [short, long] = [bare(piece), bare(whole)]
  return /\d/.test(short) && short.length < long.length && (long.startsWith(short) || long.endsWith(short))
}

const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** Marks inside a figure and its sign change what it says: "1.234" is not "1234", nor "-5.00" "5.00". */
const sameMarks = (a: string, b: string): boolean =>
  !/\d/.test(a) || (marksOf(a) === marksOf(b) && hasSign(a) === hasSign(b))
const marksOf = (text: string): string => text.replace(/^\D+|\D+$/g, '').replace(/[^.,]/g, '')
/** A dash before or behind all the rest; one inside parts a day from its month. */
const hasSign = (text: string): boolean => /^\P{L}?[-−–—]|[-−–—]$/u.test(text)

/** As a share of a letter's width: how far beside its word the second reader may place a letter. */
const EDGE = 0.3

/** Whether a letter that the second reader saw is one of a word of the first's. */
export function standsOn({ at }: Letter, { box: [left, , right], text }: Word): boolean {
  const edge = ((right - left) / Math.max(1, text.length)) * EDGE
  return at > left - edge && at < right + edge
}

/**
 * Deals the letters out to the words they stand on; one that two boxes cover is the narrower one's, one
 * beside them all is nobody's.
 */
function deal(letters: readonly Letter[], words: readonly Word[]): Letter[][] {
  const dealt = words.map((): Letter[] => [])
  for (const letter of letters) {
    const covering = words.flatMap((word, i) =>
      standsOn(letter, word) ? [{ i, width: word.box[2] - word.box[0] }] : [],
    )
    const narrowest = covering.sort((a, b) => a.width - b.width)[0]
    if (narrowest) dealt[narrowest.i].push(letter)
  }
  return dealt
}

/** Figures that the first reader broke into pieces ("2 ,447 .34", as wide print tempts it to), as one word each. */
function piecesJoined(words: readonly Word[], letters: readonly Letter[]): { word: Word; pieces: Word[] }[] {
  const found: { word: Word; pieces: Word[] }[] = []
  for (const word of words) {
    const before = found.at(-1)
    if (
      before &&
      isPiece(before.word.text) &&
      isPiece(word.text) &&
      writtenOn(before.word.box, word.box, letters)
    ) {
      before.word = {
        text: before.word.text + word.text,
        confidence: Math.min(before.word.confidence, word.confidence),
        box: boxAround([before.word.box, word.box]),
      }
      before.pieces.push(word)
    } else found.push({ word, pieces: [word] })
  }
  return found
}

/** A letter further on than this many usual steps has a space before it. */
const SPACED = 1.4

/**
 * Whether the second reader's letters go on from one box to the next in even steps: a space would be a longer
 * one.
 */
function writtenOn(a: Box, b: Box, letters: readonly Letter[]): boolean {
  const both = letters.filter((l) => l.at > a[0] && l.at < b[2])
  const steps = both.slice(1).map((l, i) => l.at - both[i].at)
  if (steps.length < 2) return false
  const usual = [...steps].sort((x, y) => x - y)[steps.length >> 1]
  return steps.every((step, i) => step < usual * SPACED || both[i + 1].at < a[2] || both[i].at > b[0])
}

/** In heights of letters: what may be the next piece of a figure. */
const PIECES = 1.2
/** In heights of letters: neighbours further apart than this are read on their own. */
const NEIGHBOURS = 2.5

const isPiece = (text: string): boolean => /^[\d.,:;°'\-–/]+$/.test(text) || /^[A-Z]{3}-$/.test(text)

/** How far a box stands behind another in its line, in heights of letters; not a number where it does not. */
function apart(a: Box, b: Box, shape: number): number {
  const [low, high] = [Math.min(a[3] - a[1], b[3] - b[1]), Math.max(a[3] - a[1], b[3] - b[1])]
  return overlap(a[1], a[3], b[1], b[3]) > 0.4 * low && b[2] > a[2] ? ((b[0] - a[2]) * shape) / high : NaN
}

/**
 * The words that touch any of some places, with all pieces of figures that begin or end there, in runs of
 * neighbours in one line.
 * @param shape width of the page over its height
 * @returns for each run, where its words are in the list, from left to right
 */
export function runsAt(words: readonly Word[], places: readonly Box[], shape: number): number[][] {
  const taken = new Set<number>()
  words.forEach((w, i) => {
    if (
      (/[\p{L}\d]/u.test(w.text) || isPiece(w.text)) &&
      places.some(
        (p) =>
          overlap(p[0], p[2], w.box[0], w.box[2]) > 0 &&
          overlap(p[1], p[3], w.box[1], w.box[3]) > 0.4 * (w.box[3] - w.box[1]),
      )
    )
      taken.add(i)
  })
  const pieces = words.flatMap((w, i) => (isPiece(w.text) ? [i] : []))
  // What is taken here is gone through as well, so that a figure is followed to both its ends.
  for (const at of taken) {
    if (!isPiece(words[at].text)) continue
    for (const i of pieces)
      if (
        apart(words[at].box, words[i].box, shape) < PIECES ||
        apart(words[i].box, words[at].box, shape) < PIECES
      )
        taken.add(i)
  }
  const runs: number[][] = []
  for (const at of [...taken].sort((a, b) => words[a].box[0] - words[b].box[0])) {
    const run = runs.find((r) => apart(words[r.at(-1)!].box, words[at].box, shape) < NEIGHBOURS)
    if (run) run.push(at)
    else runs.push([at])
  }
  return runs
}
