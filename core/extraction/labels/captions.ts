import { isCurrencySign } from '../../locale/index.ts'
import { linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'

/** What stands around a run of words, and how far away, in heights of the page's usual letters. */
export interface Captions {
  /** The nearest words to the left in its line: other figures of the row are stepped over. */
  left: string
  leftGap: number
  /** How many segments of figures stand between. */
  leftSkipped: number
  above: string
  aboveGap: number
  below: string
  belowGap: number
  /** The nearest words above without figures, past what stands straight above: the head of a column. */
  head: string
  /**
   * How many years the year that heads its column of figures lies behind the newest beside it, as a number below
   * zero; null where no columns of years are.
   */
  yearsBack: number | null
  /** The nearest line above, anywhere, in larger letters than usual: the heading of a part. */
  part: string
}

/** As far as this, in heights of letters, or nothing stands there. */
export const FAR = 30
/** Letters so much larger than the usual head a part of a paper. */
const LARGER = 1.12
/** A caption above or below reaches at least so far beside its value, as a share of the page's width. */
const REACH = 0.1

const known = new WeakMap<readonly unknown[], ReadonlyMap<Segment, Captions>>()

/** What stands around each segment of a page; worked out once. */
export function captionsOn(page: Page): ReadonlyMap<Segment, Captions> {
  const found = known.get(page.words)
  if (found) return found
  const made = work(page)
  known.set(page.words, made)
  return made
}

function work(page: Page): Map<Segment, Captions> {
  const lines = linesOf(page)
  const usual = typicalHeight(page)
  const tall = Math.max(1e-6, usual / page.height)
  const wide = Math.max(1e-6, usual / page.width)
  const all = lines.flatMap(({ segments, height }) =>
    segments.map((segment, at) => ({ segment, at, segments, larger: height > usual * LARGER })),
  )
  const years = new Map(lines.flatMap(({ segments }) => columnYears(segments)))
  const captions = new Map<Segment, Captions>()
  let part = ''
  all.forEach(({ segment, at, segments, larger }, i) => {
    const leftAt = segments.findLastIndex((s, k) => k < at && !isFigures(s))
    const left: Segment | undefined = segments[leftAt]
    const [x0, y0, x1, y1] = segment.box
    const beside = ({ box }: Segment) => box[2] > x0 - 0.003 && box[0] < Math.max(x1, x0 + REACH)
    const above = nearest(all, i, -1, ({ box }) => box[3] <= y0 + tall * 0.35, beside)
    const below = nearest(all, i, 1, ({ box }) => box[1] >= y1 - tall * 0.35, beside)
    const head = nearest(
      all,
      i,
      -1,
      (s) => s.box[3] < y0 - tall * 1.2 && s !== above && !/\d/.test(s.text),
      beside,
    )
    captions.set(segment, {
      left: left?.text ?? '',
      leftGap: left ? Math.min(FAR, (x0 - left.box[2]) / wide) : FAR,
      leftSkipped: at - 1 - leftAt,
      above: above?.text ?? '',
      aboveGap: above ? Math.min(FAR, (y0 - above.box[3]) / tall) : FAR,
      below: below?.text ?? '',
      belowGap: below ? Math.min(FAR, (below.box[1] - y1) / tall) : FAR,
      head: head?.text ?? '',
      yearsBack: years.get(nearest(all, i, -1, (s) => s.box[3] < y0 && years.has(s), beside)!) ?? null,
      part,
    })
    if (larger && !/\d{3}/.test(segment.text)) part = segment.text
  })
  return captions
}

/** A head of a column has so few words, of which one is its year. */
const HEAD_WORDS = 5
const YEAR = /(?:^|\D)((?:19|20)\d\d)(?!\d|[.,]\d)/

function yearIn(segment: Segment): number | null {
  if (segment.words.length > HEAD_WORDS) return null
  const year = YEAR.exec(segment.text)?.[1]
  return year ? Number(year) : null
}

/**
 * The heads side by side that say the same but for their years, each with how far it lies behind the newest: "Year
 * 2024" beside "Year 2023", but no tax year beside a day of issue, and no two days of which each has its own label.
 */
function columnYears(segments: readonly Segment[]): [Segment, number][] {
  const runs: { segment: Segment; year: number; words: string }[][] = [[]]
  for (const segment of segments) {
    const year = yearIn(segment)
    const words = year === null ? null : segment.text.replace(`${year}`, '')
    if (runs.at(-1)![0]?.words !== words) runs.push([])
    if (year !== null) runs.at(-1)!.push({ segment, year, words: words! })
  }
  return runs.flatMap((run): [Segment, number][] => {
    const newest = Math.max(...run.map(({ year }) => year))
    return run.some(({ year }) => year !== newest)
      ? run.map(({ segment, year }) => [segment, year - newest])
      : []
  })
}

/** Whether a segment holds nothing but figures and what they are in. */
const isFigures = ({ words }: Segment): boolean =>
  words.some((w) => /\d/.test(w.text)) &&
  words.every((w) => !/\p{L}{2}/u.test(w.text) || isCurrencySign(w.text))

/** So many segments away at most is looked: what stands further is no caption. */
const LOOKED_AT = 60

/** The nearest segment from one on, in reading order, that stands clear of it and over or under it. */
function nearest(
  all: readonly { segment: Segment }[],
  from: number,
  step: 1 | -1,
  clear: (s: Segment) => boolean,
  beside: (s: Segment) => boolean,
): Segment | null {
  for (let i = from + step, n = 0; i >= 0 && i < all.length && n < LOOKED_AT; i += step, n++) {
    const { segment } = all[i]
    if (beside(segment) && clear(segment)) return segment
  }
  return null
}
