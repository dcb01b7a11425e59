import { type Box, boxAround, type Page } from '../model/index.ts'
import { linesOf } from './lines.ts'
import { squeeze } from '../text/index.ts'

/** A place where the words that were looked for stand. */
export interface Hit {
  page: number
  box: Box
  /** The line around it. */
  line: string
}

/**
 * Where words stand on a page: case, accents and marks do not matter, and the last word may go on ("varn"
 * finds Varnham). Neighbours are looked at together, so that "4817" finds `MSM-26-004817` and "gannet row"
 * finds it over two words.
 */
export function findText(page: Page, wanted: string): Hit[] {
  const sought = squeeze(wanted)
  if (sought.length < 2) return []
  return linesOf(page).flatMap((line): Hit[] => {
    const starts: number[] = []
    let text = ''
    for (const word of line.words) {
      starts.push(text.length)
      text += squeeze(word.text)
    }
    const found: Hit[] = []
    for (let at = text.indexOf(sought); at >= 0; at = text.indexOf(sought, at + sought.length)) {
      const first = starts.findLastIndex((s) => s <= at)
      const last = starts.findLastIndex((s) => s < at + sought.length)
      found.push({
        page: page.number,
        box: boxAround(line.words.slice(first, last + 1).map((w) => w.box)),
        line: line.text,
      })
    }
    return found
  })
}
