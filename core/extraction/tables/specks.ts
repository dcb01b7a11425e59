import { boxAround, type Page, type Word } from '../../model/index.ts'
import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import { withDecimalPoints } from '../../ocr/index.ts'
import { joinSplitRows } from './split-rows.ts'

/**
 * Marks that no cell of a table is made of: a sign, a bracket or a currency may be part of an amount, and "&"
 * of a firm.
 */
const MARK = /^[^\p{L}\p{N}\p{Sc}()+−–—&/%-]+$/u
/** A dash before the first cell of a row is the sign of nothing. */
const DASH = /^[+−–—-]+$/
/** A letter that stands alone and is read less surely than this is a speck. */
const LETTER = 0.9

const known = new WeakMap<Page, Line[]>()

/**
 * The lines of a page as rows are read from them: on a picture, without what its grain was taken for and with
 * lost points. One "*" before the day would lose the row, one ";" behind the words spoil them.
 */
export function linesWithoutNoise(page: Page): Line[] {
  if (page.source === 'text') return linesOf(page)
  let lines = known.get(page)
  if (!lines) {
    lines = []
    for (const line of linesOf(page)) {
      if (isStain(line)) lines = [...lines.slice(0, -1), ...lines.slice(-1).map(doubted)]
      else lines.push(withoutSpecks(line))
    }
    lines = joinSplitRows(withDecimalPoints(lines.filter((line) => line.words.length > 0)))
    known.set(page, lines)
  }
  return lines
}

/**
 * A line whose last word counts as hardly read: what was left out behind it may have been its end, and a
 * person is to see that.
 */
function doubted(line: Line): Line {
  const last = line.segments.findLast((s) => s.words.some(isSpelt))
  const segments = line.segments.map((s) => (s === last ? withDoubt(s) : s))
  return { ...line, segments, words: segments.flatMap((s) => s.words) }
}

/** A letter alone in a cell, read weakly, or one with an accent ("à"): a speck over a stain. */
const isLoneLetter = ({ text, confidence: sure }: Word): boolean =>
  (sure < LETTER && /^\p{Ll}$/u.test(text)) || (text > 'z' && /^\p{L}$/u.test(text))

const isSpelt = (word: Word): boolean => /\p{L}{2}/u.test(word.text)
const withDoubt = (segment: Segment): Segment => {
  const last = segment.words.findLast(isSpelt)
  return {
    ...segment,
    words: segment.words.map((w) => (w === last ? { ...w, confidence: Math.min(w.confidence, SCRAP) } : w)),
  }
}

function withoutSpecks(line: Line): Line {
  const isSpeck = (word: Word, segment: Segment): boolean =>
    MARK.test(word.text) ||
    (segment === line.segments[0] && segment.words.length === 1 && DASH.test(word.text)) ||
    (segment.words.length === 1 && isLoneLetter(word))
  const segments: Segment[] = []
  for (const segment of line.segments) {
    const own = segments.findLastIndex((s) => s.words.some(isSpelt))
    if (own >= 0 && isScrap(segment)) {
      if (segment.words.some(isSpelt)) segments[own] = withDoubt(segments[own])
      continue
    }
    const words = segment.words.filter((w) => !isSpeck(w, segment)).map(tidied)
    if (words.length > 0)
      segments.push({ words, text: spoken(words), box: boxAround(words.map((w) => w.box)) })
  }
  const words = segments.flatMap((s) => s.words)
  return {
    ...line,
    segments,
    words,
    text: spoken(words),
    box: words.length > 0 ? boxAround(words.map((w) => w.box)) : line.box,
  }
}

/**
 * Words read as weakly as this, apart from a row's own words, are stains and what shines through; in a line
 * of their own they may be the end of a row's, if they are not weaker still.
 */
const [SCRAP, STAIN] = [0.6, 0.35]
const isScrap = ({ words }: Segment): boolean =>
  words.length <= 2 && words.every((w) => w.confidence < SCRAP && !/\d[.,]?\d/.test(w.text))
const isStain = ({ words }: Line): boolean =>
  words.length <= 2 && words.every((w) => w.confidence < STAIN && !/\d/.test(w.text))

/** A word without what a rule or the grain of the paper added at its ends. */
function tidied(word: Word): Word {
  if (word.confidence >= 0.999) return word
  const text = word.text
    // The rule before the first column is a 1 before the day: no month has a hundred and eight days.
    .replace(/^[1Il|](?=\d{2}[/.-]\d{2}[/.-]\d{2,4}[.,;:]?$)/, '')
    .replace(/^["“”‘’'«*°_|:;.,]+(?=[\p{L}\d\p{Sc}])/u, '')
    // A dash before a day is a remnant of the rule beside it: no day is negative, and the row would begin with none.
    .replace(/^[-–—~=+]+(?=\d{1,2}(?:[/.-]\d{1,2}[/.-]\d{2,4}|[/.-]?\p{L}{3,}[/.-]?\d{0,4})[.,;:]?$)/u, '')
    .replace(/(?<=\d[.,]\d{2})["“”‘’'»*_|:;.,!\]}]+$/, '')
    .replace(/(?<=^\d{1,4}[/.-]\d{1,2}[/.-]\d{1,4})[*_|~=–—-]+$/, '')
    .replace(/(?<=^[^(]*\d[.,]\d{2})\)$/, '')
    .replace(/(?<=\p{L})["“”’»_|]+$/u, '')
    // "Ltd." and "Co." have a point of their own, and a comma may be meant.
    .replace(/(?<=\p{L}{4})[.:;]+$/u, '')
    .replace(/(?<=\p{L})_(?=\p{L})/gu, ' ')
  return text === word.text || text === '' ? word : { ...word, text }
}

const spoken = (words: readonly Word[]): string => words.map((w) => w.text).join(' ')
