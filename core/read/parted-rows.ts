import { boxAround } from '../page/geometry.ts'
import type { Line, Segment } from '../page/layout.ts'

const DAY = /^\D{0,2}(?:\d{4}-\d{2}-\d{2}|\d{1,2}(?:st|nd|rd|th)?[./\s-]{1,2}(?:\d{1,2}\b|\p{L}{3}))/u
const AMOUNT = /^[-+−–(]?\s?(?:EUR|GBP|[€£$])?\s?[-+−–]?\d[\d.,' ]*[.,]\d{2}\s?(?:EUR|GBP|[€£$])?[-+−)]?$/
/** The share of its height by which a line of amounts lies beside the day: less are two rows set close. */
const BESIDE = 0.15
/** Of two lines that each have an amount, the share that lies beside the other where they are one row. */
const WITHIN = 0.5

/**
 * Rows whose figures stand in the middle of two lines of words, which fall into two lines on a picture that leans: the day
 * and the first words without amounts, and the amounts without a day; or the first words with one amount, and the day and
 * the other words with the balance.
 */
export function joinParted(lines: readonly Line[]): Line[] {
  const joined: Line[] = []
  for (const line of lines) {
    const above = joined.at(-1)
    if (above && lies(above, line, BESIDE) && isAmounts(line) && isDayWithWords(above) && line.box[0] > above.box[2]) joined[joined.length - 1] = together(above, [...above.segments, ...line.segments])
    else if (above && lies(above, line, WITHIN) && startsWithDay(line) && isWords(above.segments[0]) && amountEnds(above) < amountBegins(line)) joined[joined.length - 1] = together(line, inOrder(above, line))
    else joined.push(line)
  }
  return joined
}

/** Whether as much of a line as a share of its height lies beside the one above. */
const lies = (above: Line, line: Line, share: number): boolean => above.box[3] - line.box[1] > (line.box[3] - line.box[1]) * share

const isAmount = (s: Segment): boolean => AMOUNT.test(s.text)
const isWords = (s: Segment): boolean => /\p{L}{2}/u.test(s.text) && !isAmount(s)
const startsWithDay = ({ segments }: Line): boolean => segments.length >= 2 && DAY.test(segments[0].text)
/** Where the only amount of a line ends or begins; none and several say nothing. */
const only = ({ segments }: Line): Segment | undefined => { const [amount, other] = segments.filter(isAmount); return other ? undefined : amount }
const amountEnds = (line: Line): number => only(line)?.box[2] ?? NaN
const amountBegins = (line: Line): number => only(line)?.box[0] ?? NaN

/** One of them may have lost its point or its cents. */
const isAmounts = ({ segments }: Line): boolean => segments.length >= 2 && segments.every((s) => !/\p{L}/u.test(s.text) && /\d{2}/.test(s.text)) && segments.some(isAmount)
const isDayWithWords = (line: Line): boolean => startsWithDay(line) && !line.segments.some(isAmount) && line.segments.slice(1).some(isWords)

/** The day, the words of the upper line and of the lower, and what else they have. */
function inOrder(upper: Line, lower: Line): Segment[] {
  const [day, ...rest] = lower.segments
  const others = [...upper.segments, ...rest]
  return [day, ...others.filter(isWords), ...others.filter((s) => !isWords(s))]
}

function together(line: Line, segments: Segment[]): Line {
  const words = segments.flatMap((s) => s.words)
  return { ...line, segments, words, text: words.map((w) => w.text).join(' '), box: boxAround(words.map((w) => w.box)) }
}
