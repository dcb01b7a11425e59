import { boxAround } from '../page/geometry.ts'
import { linesOf, type Line, type Segment } from '../page/layout.ts'
import type { Page, Word } from '../page/page.ts'

/** Marks that no cell of a table is made of: a sign, a bracket or a currency may be part of an amount, and "&" of a firm. */
const MARK = /^[^\p{L}\p{N}€£$()+−–—&/%-]+$/u
/** A dash before the first cell of a row is the sign of nothing. */
const DASH = /^[+−–—-]+$/
/** A letter that stands alone and is read less surely than this is a speck. */
const LETTER = 0.9

const known = new WeakMap<Page, Line[]>()

/**
 * The lines of a page as rows are read from them: on a picture, without what its grain was taken for. One "*" before the
 * day would lose the row, one ";" behind the words spoil them.
 */
export function linesWithoutSpecks(page: Page): Line[] {
  if (page.source === 'text') return linesOf(page)
  let lines = known.get(page)
  if (!lines) known.set(page, (lines = linesOf(page).map(withoutSpecks).filter((line) => line.words.length > 0)))
  return lines
}

function withoutSpecks(line: Line): Line {
  const isSpeck = (word: Word, segment: Segment): boolean => MARK.test(word.text) || (segment === line.segments[0] && segment.words.length === 1 && DASH.test(word.text)) || (segment.words.length === 1 && word.sure < LETTER && /^\p{Ll}$/u.test(word.text))
  const segments = line.segments.flatMap((segment): Segment[] => {
    const words = segment.words.filter((w) => !isSpeck(w, segment))
    return words.length === segment.words.length ? [segment] : words.length === 0 ? [] : [{ words, text: spoken(words), box: boxAround(words.map((w) => w.box)) }]
  })
  const words = segments.flatMap((s) => s.words)
  return words.length === line.words.length ? line : { ...line, segments, words, text: spoken(words), box: words.length > 0 ? boxAround(words.map((w) => w.box)) : line.box }
}

const spoken = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')
