import { boxAround, overlap } from '../../model/index.ts'
import { isAmount } from '../parsers/money.ts'
import type { Line, Segment } from '../../layout/index.ts'

const DAY = /^\D{0,2}(?:\d{4}-\d{2}-\d{2}|\d{1,2}(?:st|nd|rd|th)?[./\s-]{1,2}(?:\d{1,2}\b|\p{L}{3}))/u
/** The share of its height by which a line of amounts lies beside the day: less are two rows set close. */
const BESIDE = 0.15
/** Of two lines that share out a row, the share that lies beside the other where they are one row. */
const WITHIN = 0.75

/**
 * Rows whose figures stand in the middle of two lines of words, which fall into two lines on a picture that
 * leans. Either the amounts stand by themselves beneath the day; or each line has some of the words, one of
 * them the day, and the amounts are dealt out between them.
 */
export function joinSplitRows(lines: readonly Line[]): Line[] {
  const joined: Line[] = []
  for (const line of lines) {
    const above = joined.at(-1)
    if (
      above &&
      isDayWithWords(above) &&
      isAmounts(line) &&
      line.box[0] > above.box[2] &&
      lies(above, line, BESIDE)
    )
      joined[joined.length - 1] = together(above, [...above.segments, ...line.segments])
    else if (
      above &&
      startsWithDay(above) !== startsWithDay(line) &&
      areApart(above, line) &&
      lies(above, line, WITHIN)
    )
      joined[joined.length - 1] = inOrder(above, line)
    else joined.push(line)
  }
  return joined
}

/** Whether as much of a line as a share of its height lies beside the one above. */
const lies = (above: Line, line: Line, share: number): boolean =>
  above.box[3] - line.box[1] > (line.box[3] - line.box[1]) * share

const isAmountIn = (s: Segment): boolean => isAmount(s.text)
const isWords = (s: Segment): boolean => /\p{L}{2}/u.test(s.text) && !isAmountIn(s)
const startsWithDay = ({ segments }: Line): boolean => segments.length >= 2 && DAY.test(segments[0].text)

/**
 * Whether two lines have an amount and a balance between them, each in its own column, and some words; a
 * remnant of figures is neither.
 */
function areApart(above: Line, line: Line): boolean {
  if (![above, line].every((l) => l.segments.some((s) => isAmountIn(s) || isWords(s)))) return false
  const segments = [...above.segments, ...line.segments]
  const amounts = segments.filter(isAmountIn)
  return (
    amounts.length === 2 &&
    overlap(amounts[0].box[0], amounts[0].box[2], amounts[1].box[0], amounts[1].box[2]) <= 0 &&
    segments.some(isWords)
  )
}

/** One of them may have lost its point or its cents. */
const isAmounts = ({ segments }: Line): boolean =>
  segments.length >= 2 &&
  segments.every((s) => !/\p{L}/u.test(s.text) && /\d{2}/.test(s.text)) &&
  segments.some(isAmountIn)
const isDayWithWords = (line: Line): boolean =>
  startsWithDay(line) && !line.segments.some(isAmountIn) && line.segments.slice(1).some(isWords)

/** The day, the words of the upper line and of the lower, and what else they have. */
function inOrder(upper: Line, lower: Line): Line {
  const dated = startsWithDay(upper) ? upper : lower
  const others = [...upper.segments, ...lower.segments].filter((s) => s !== dated.segments[0])
  return together(dated, [
    dated.segments[0],
    ...others.filter(isWords),
    ...others.filter((s) => !isWords(s)).sort((a, b) => a.box[0] - b.box[0]),
  ])
}

function together(line: Line, segments: Segment[]): Line {
  const words = segments.flatMap((s) => s.words)
  return {
    ...line,
    segments,
    words,
    text: words.map((w) => w.text).join(' '),
    box: boxAround(words.map((w) => w.box)),
  }
}
