import { type Box, boxAround, overlap, type Page, type Word } from '../model/index.ts'

/** Words that stand together in a line, with no column gap between them. */
export interface Segment {
  words: Word[]
  text: string
  box: Box
}

/** One printed line over the width of the page. */
export interface Line {
  words: Word[]
  segments: Segment[]
  text: string
  box: Box
  /** Height of its letters in points. */
  height: number
}

/** By the words, which no page of another size or source has: one that is told its locale keeps them. */
const known = new WeakMap<readonly Word[], Line[]>()

/**
 * The lines of a page, top to bottom, each cut into segments where a gap is wider than a space would be.
 * Works on the words alone, so a text layer and a scan are treated alike.
 */
export function linesOf(page: Page): Line[] {
  const found = known.get(page.words)
  if (found) return found
  const lines = groupLines(page)
  known.set(page.words, lines)
  return lines
}

/**
 * What is lower than this share of the usual word is a stroke or a speck, what is higher than that a bracket
 * or a rule: neither says where a line runs.
 */
const [FLAT, HIGH] = [0.4, 1.8]
/** A word of a picture that is oddly flat or tall and read less surely is no letters at all. */
const SPECK = 0.5

/**
 * How much lower a word stands than it would if its page did not lean: the right end of a line stands lower
 * or higher than its left end.
 */
function dropOn(page: Page): (w: Word) => number {
  const fall = Math.tan((page.skew * Math.PI) / 180) * (page.width / page.height)
  return (w) => ((w.box[0] + w.box[2]) / 2 - 0.5) * fall
}

/** How far down a line stands, as a share of the page's height, as if the page did not lean. */
export function levelOf({ words }: Pick<Line, 'words'>, page: Page): number {
  const drop = dropOn(page)
  return words.reduce((sum, w) => sum + middle(w) - drop(w), 0) / words.length
}

/** Letters of a stamp are so much taller than the usual, and lie over so many words of other lines. */
const [STAMPED, LIES_OVER] = [2, 2]

/** "COPY" across a page is in no line: it would become part of the name that it lies over. */
function isStamp({ box: [left, top, right, bottom] }: Word, usual: number, words: readonly Word[]): boolean {
  if (bottom - top < usual * STAMPED) return false
  const under = words.filter(
    ({ box }) =>
      box[3] - box[1] < (bottom - top) / STAMPED &&
      overlap(box[0], box[2], left, right) > 0 &&
      overlap(box[1], box[3], top, bottom) > (box[3] - box[1]) / 2,
  )
  return under.length >= LIES_OVER
}

function groupLines(page: Page): Line[] {
  const drop = dropOn(page)
  const said = page.words.filter((w) => w.text.trim() !== '')
  const heights = said.map((w) => w.box[3] - w.box[1]).sort((a, b) => a - b)
  const usual = heights[heights.length >> 1] ?? 0
  const sorted = said
    .filter((w) => !isStamp(w, usual, said))
    .sort((a, b) => middle(a) - drop(a) - middle(b) + drop(b))
  const odd = (word: Word): boolean =>
    word.box[3] - word.box[1] < usual * FLAT || word.box[3] - word.box[1] > usual * HIGH
  const rows: { words: Word[]; top: number; bottom: number }[] = []
  const put = (word: Word, near: typeof rows, alone: boolean): void => {
    const [top, bottom] = [word.box[1] - drop(word), word.box[3] - drop(word)]
    let best: (typeof rows)[number] | null = null
    let share = 0.5
    for (const row of near) {
      const common =
        overlap(top, bottom, row.top, row.bottom) /
        Math.max(1e-6, Math.min(bottom - top, row.bottom - row.top))
      // Two lines of words beside figures set to their middle come near enough to be one; no two words stand
      // in one place.
      if (common > share && !row.words.some((other) => covers(other, word))) {
        share = common
        best = row
      }
    }
    if (!best) {
      if (alone) rows.push({ words: [word], top, bottom })
      return
    }
    best.words.push(word)
    // The span follows the typical word.
    const n = best.words.length
    best.top += (top - best.top) / n
    best.bottom += (bottom - best.bottom) / n
  }
  // Only the last few rows can still take a word: the words come in order of height.
  for (const word of sorted) if (!odd(word)) put(word, rows.slice(-4).reverse(), true)
  // Strokes and brackets come last, when it is known where the lines run.
  // One that stands in none is a speck, if it is no letter: as a line of its own it would part the lines around it.
  for (const word of sorted)
    if (odd(word))
      put(word, rows, page.source === 'text' || (/[\p{L}\d]/u.test(word.text) && word.confidence >= SPECK))
  const lines = rows
    .map(({ words }) =>
      toLine(
        words.sort((a, b) => a.box[0] - b.box[0]),
        page,
      ),
    )
    .map((line) => ({ line, at: levelOf(line, page) }))
    .sort((a, b) => a.at - b.at)
    .map(({ line }) => line)
  return partedAtColumns(lines, page)
}

/** Shares of the page's width: what begins as near as this to where others begin stands in their column. */
const STRAIGHT_UNDER = { text: 0.0015, picture: 0.003 }
/** So many lines that begin at one place make a column. */
const COLUMN = 2
/** A gap of so many times a line's usual space may part columns that stand close. */
const WIDER = 1.45
/** With such a gap one line that begins there is enough, if it is the next: a label of two lines. */
const FAR_WIDER = 2.2
/** Lines beyond so many others are of another table. */
const AROUND = 8

/**
 * Cuts segments where a column of the lines around begins, though the gap before it is no wider than a space
 * could be: a value that fills its cell would run on into the label of the next one ("+44 1611 173 Email").
 */
function partedAtColumns(lines: Line[], page: Page): Line[] {
  const reach = page.source === 'text' ? STRAIGHT_UNDER.text : STRAIGHT_UNDER.picture
  const starts = lines.map((line) => line.segments.map((s) => s.box[0]))
  return lines.map((line, index) => {
    if (!line.segments.some((s) => s.words.length > 1)) return line
    const space = usualSpace(line)
    const begins = (i: number, x: number): boolean =>
      i !== index && (starts[i]?.some((start) => Math.abs(start - x) < reach) ?? false)
    const columnAt = (x: number): number => {
      let count = 0
      for (let i = Math.max(0, index - AROUND); i <= index + AROUND && i < lines.length; i++)
        if (begins(i, x)) count++
      return count
    }
    const parts = (word: Word, before: Word): boolean => {
      // Figures of an amount and the halves of a postal code stand under those of other lines as well.
      if (/\d/.test(before.text) && /\d/.test(word.text)) return false
      const [gap, at] = [word.box[0] - before.box[2], word.box[0]]
      return (
        gap > space * WIDER &&
        (columnAt(at) >= COLUMN ||
          (gap > space * FAR_WIDER && (begins(index - 1, at) || begins(index + 1, at))))
      )
    }
    const segments = line.segments.flatMap((segment) => {
      if (isSentence(segment)) return [segment]
      const cuts = segment.words.flatMap((word, i) => (i > 0 && parts(word, segment.words[i - 1]) ? [i] : []))
      return cuts.length === 0
        ? [segment]
        : [0, ...cuts].map((from, k) => segmentOf(segment.words.slice(from, cuts[k])))
    })
    return segments.length === line.segments.length ? line : { ...line, segments }
  })
}

/** The middle of the gaps inside a line's segments, as a share of the page's width. */
function usualSpace(line: Line): number {
  const gaps = line.segments
    .flatMap((s) => s.words.slice(1).map((w, i) => w.box[0] - s.words[i].box[2]))
    .sort((a, b) => a - b)
  return gaps[(gaps.length - 1) >> 1]
}

const segmentOf = (words: Word[]): Segment => ({
  words,
  text: words.map((w) => w.text).join(' '),
  box: boxAround(words.map((w) => w.box)),
})

/** Whether two words stand one over the other rather than one behind the other. */
const covers = (a: Word, b: Word): boolean =>
  overlap(a.box[0], a.box[2], b.box[0], b.box[2]) > 0.5 * Math.min(a.box[2] - a.box[0], b.box[2] - b.box[0])

const middle = (w: Word): number => (w.box[1] + w.box[3]) / 2

function toLine(words: Word[], page: Page): Line {
  const heights = words.map((w) => (w.box[3] - w.box[1]) * page.height).sort((a, b) => a - b)
  const height = heights[heights.length >> 1]
  // A space is about one letter wide, in typewriter faces too; what is twice as wide parts columns.
  const letter =
    (words.reduce((sum, w) => sum + w.box[2] - w.box[0], 0) /
      words.reduce((sum, w) => sum + w.text.length, 0)) *
    page.width
  const gap = Math.max(5, height * 0.75, letter * 1.95)
  const segments: Segment[] = []
  let run: Word[] = []
  const flush = () => {
    if (run.length) segments.push(segmentOf(run))
    run = []
  }
  for (const word of words) {
    const last = run.at(-1)
    if (last && (word.box[0] - last.box[2]) * page.width > gap) flush()
    run.push(word)
  }
  flush()
  return {
    words,
    segments,
    text: words.map((w) => w.text).join(' '),
    box: boxAround(words.map((w) => w.box)),
    height,
  }
}

/** The median height of letters on a page in points; 10 on a page without words. */
export function typicalHeight(page: Page): number {
  const heights = linesOf(page)
    .map((l) => l.height)
    .sort((a, b) => a - b)
  return heights.length ? heights[heights.length >> 1] : 10
}

/** Words that run on, most of them small: a sentence, not a label, a value or a heading. */
export const isSentence = ({ words }: Pick<Segment, 'words'>): boolean =>
  words.length >= 7 && words.filter((w) => /^\p{Ll}/u.test(w.text)).length * 2 > words.length

/** A line that is a sentence over its whole width, or a part of one. */
export const isProse = (line: Line): boolean => line.segments.length === 1 && isSentence(line)
