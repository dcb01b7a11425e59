import { boxAround } from '../model/index.ts'
import type { Line, Segment } from '../layout/index.ts'

/** An amount with its cents; "12.03.26" is none. */
const AMOUNT = /^\D{0,3}\d{1,3}(?:[.,' ]?\d{3})*[.,]\d{2}\D{0,3}$/
/** What is left of one whose point was not read. */
const POINTLESS = /^([-+−]?\d{1,5})(\d{2})([-+−]?)$/
/** Amounts of one column end as near as this to one another, as a share of the page's width. */
const ENDS = 0.008
/** So many amounts make a column. */
const COLUMN = 3
/** As sure as an amount is whose point stands where its column says. */
const LIKELY = 0.6

/**
 * The lines of a picture with the points that its amounts lost: figures alone that end where a column of
 * amounts ends are cents ("2029" under "29.14"). They count as weakly read, so that the sums must bear them
 * out.
 */
export function withDecimalPoints(lines: readonly Line[]): Line[] {
  const ends = lines.flatMap((line) => line.segments.flatMap((s) => (AMOUNT.test(s.text) ? [s.box[2]] : [])))
  const inColumn = ({ box: [, , right] }: Segment): boolean =>
    ends.filter((end) => Math.abs(end - right) < ENDS).length >= COLUMN
  return lines.map((line) => {
    if (!line.segments.some((s) => isPointless(s) && inColumn(s))) return line
    const segments = line.segments.map((s) => (isPointless(s) && inColumn(s) ? pointed(s) : s))
    const words = segments.flatMap((s) => s.words)
    return {
      ...line,
      segments,
      words,
      text: words.map((w) => w.text).join(' '),
      box: boxAround(words.map((w) => w.box)),
    }
  })
}

const isPointless = ({ words, text }: Segment): boolean =>
  words.length === 1 && POINTLESS.test(text) && text.length > 2

function pointed(segment: Segment): Segment {
  const [word] = segment.words
  const text = word.text.replace(POINTLESS, '$1.$2$3')
  return { ...segment, text, words: [{ ...word, text, confidence: Math.min(word.confidence, LIKELY) }] }
}
