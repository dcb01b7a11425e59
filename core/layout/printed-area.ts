import type { Box, Page, Word } from '../model/index.ts'
import { tokens } from '../text/index.ts'

/** A word read less surely than this may be a scrawl. */
const PRINT = 0.65

/** A word less sure than this is no print where print is sure: a scrawl is spelt as a word too. */
const SCRAWL = 0.4
const CLEAR_PRINT = 0.85

/**
 * A word taller than so many usual ones of its page, and read less surely than print of its size is, is a
 * scrawl: "MAMA", "M".
 */
const [TALL, LARGE_PRINT] = [1.5, 0.85]

const usualHeight = new WeakMap<Page, number>()
function heightOfPrint(page: Page): number {
  let usual = usualHeight.get(page)
  if (usual === undefined) {
    const heights = page.words.map((w) => w.box[3] - w.box[1]).sort((a, b) => a - b)
    usualHeight.set(page, (usual = heights[heights.length >> 1] ?? 0))
  }
  return usual
}

/** Whether a word is print, and not a scrawl that was spelt as one: print parts one place to sign from the next. */
export const isPrint = (word: Word, page: Page): boolean =>
  word.confidence > PRINT &&
  !(word.confidence < LARGE_PRINT && word.box[3] - word.box[1] > TALL * heightOfPrint(page))

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

/** Places of print that no scrawl would be read as. */
export const surelyPrintedOn = (page: Page): Box[] =>
  printedOn({
    ...page,
    words: page.words.filter((w) => isPrint(w, page) || tokens(w.text).join('').length > 8),
  })
