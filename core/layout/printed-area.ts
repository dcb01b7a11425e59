import type { Box, Page, Word } from '../model/index.ts'
import { tokens } from '../text/index.ts'
import { linesOf } from './lines.ts'

/** A word read less surely than this may be a scrawl. */
const PRINT = 0.65

/** A word less sure than this is no print where print is sure: a scrawl is spelt as a word too. */
const SCRAWL = 0.4
const CLEAR_PRINT = 0.85

/**
 * Words taller than so many usual ones of their page are a hand's where one of those beside it is read less surely
 * than print of its size is: "MAMA", "Hamish Torguhill". A heading is read surely from end to end.
 */
const [TALL, LARGE_PRINT] = [1.5, 0.85]

interface Hands {
  usual: number
  tall: ReadonlySet<Word>
}

const handsOn = new WeakMap<readonly Word[], Hands>()
function hands(page: Page): Hands {
  const known = handsOn.get(page.words)
  if (known) return known
  const heights = page.words.map((w) => w.box[3] - w.box[1]).sort((a, b) => a - b)
  const usual = heights[heights.length >> 1] ?? 0
  const isTall = (w: Word) => w.box[3] - w.box[1] > TALL * usual
  const tall = linesOf(page).flatMap(({ segments }) =>
    segments.flatMap(({ words }) => {
      const large = words.filter(isTall)
      return large.some((w) => w.confidence < LARGE_PRINT) ? large : []
    }),
  )
  const found = { usual, tall: new Set(tall) }
  handsOn.set(page.words, found)
  return found
}

/** The usual height of the words of a page, as a share of its own. */
export const usualWord = (page: Page): number => hands(page).usual

/** Whether a word is print, and not a scrawl that was spelt as one: print parts one place to sign from the next. */
export const isPrint = (word: Word, page: Page): boolean =>
  word.confidence > PRINT && !hands(page).tall.has(word)

/** Places of print. Of dots to sign on, only their own height: the pen goes over them. */
export function printedOn(page: Page): Box[] {
  const sures = page.words.map((w) => w.confidence).sort((a, b) => a - b)
  const clear = (sures[sures.length >> 1] ?? 0) >= CLEAR_PRINT
  return page.words.flatMap((w): Box[] => {
    if ((w.confidence <= 0.55 && tokens(w.text).join('').length <= 5) || (clear && w.confidence < SCRAWL))
      return []
    const [left, top, right, bottom] = w.box
    return [/[\p{L}\p{N}]/u.test(w.text) ? w.box : [left, bottom - (bottom - top) * 0.5, right, bottom]]
  })
}

/** A word of so many letters is none that a scrawl is read as, unless it is tall. */
const LONG = 8

/** Places of print that no scrawl would be read as. */
export const surelyPrintedOn = (page: Page): Box[] =>
  printedOn({
    ...page,
    words: page.words.filter(
      (w) => isPrint(w, page) || (tokens(w.text).join('').length > LONG && !hands(page).tall.has(w)),
    ),
  })
