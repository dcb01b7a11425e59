import { boxAround } from '../page/geometry.ts'
import type { Line } from '../page/layout.ts'

const DAY = /^\D{0,2}(?:\d{4}-\d{2}-\d{2}|\d{1,2}(?:st|nd|rd|th)?[./\s-]{1,2}(?:\d{1,2}\b|\p{L}{3}))/u
const AMOUNT = /^[-+−–(]?\s?(?:EUR|GBP|[€£$])?\s?[-+−–]?\d[\d.,' ]*[.,]\d{2}\s?(?:EUR|GBP|[€£$])?[-+−)]?$/
/** The share of its height by which a line of amounts lies beside the day: less are two rows set close. */
const BESIDE = 0.15

/**
 * Rows of which the day stands with the first line of the words and the amounts in the middle of two: on a picture that
 * leans they fall into two lines, the one without amounts and the other without a day.
 */
export function joinParted(lines: readonly Line[]): Line[] {
  const joined: Line[] = []
  for (const line of lines) {
    const day = joined.at(-1)
    if (day && isAmounts(line) && isDayWithWords(day) && line.box[0] > day.box[2] && day.box[3] - line.box[1] > (line.box[3] - line.box[1]) * BESIDE) joined[joined.length - 1] = together(day, line)
    else joined.push(line)
  }
  return joined
}

/** One of them may have lost its point or its cents. */
const isAmounts = ({ segments }: Line): boolean => segments.length >= 2 && segments.every((s) => !/\p{L}/u.test(s.text) && /\d{2}/.test(s.text)) && segments.some((s) => AMOUNT.test(s.text))
const isDayWithWords = ({ segments }: Line): boolean => segments.length >= 2 && DAY.test(segments[0].text) && !segments.some((s) => AMOUNT.test(s.text)) && segments.slice(1).some((s) => /\p{L}{2}/u.test(s.text))

function together(day: Line, amounts: Line): Line {
  const segments = [...day.segments, ...amounts.segments]
  const words = segments.flatMap((s) => s.words)
  return { ...day, segments, words, text: words.map((w) => w.text).join(' '), box: boxAround(words.map((w) => w.box)) }
}
