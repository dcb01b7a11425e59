import { isCurrencySign } from '../../locale/index.ts'
import { type Line, linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'

/** What stands around a run of words, and how far away, in heights of the page's usual letters. */
export interface Captions {
  /**
   * The nearest words to the left in its line: other figures of the row are stepped over. Where there are none, the
   * caption that it is set to the middle of.
   */
  left: string
  leftGap: number
  /** How many segments of figures stand between. */
  leftSkipped: number
  /** The whole caption to the left where it goes over several lines, at whichever of them the run stands. */
  side: string
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
/** Lines of one caption are no further apart than this, in heights of letters. */
const ONE_CAPTION = 0.6
/** A caption set to the middle of its value leaves no more than this between them, in heights of letters. */
const MIDDLE = 0.35
/** A caption goes over so many lines above and below its value at most. */
const CAPTION_LINES = 2
/** Lines of one caption begin at one edge, within this share of the page's width. */
const ALIGNED = 0.012
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
  const all = lines.flatMap(({ segments, height }, line) =>
    segments.map((segment, at) => ({ segment, at, segments, line, larger: height > usual * LARGER })),
  )
  const years = new Map(lines.flatMap(({ segments }) => columnYears(segments)))
  const captions = new Map<Segment, Captions>()
  let part = ''
  all.forEach(({ segment, at, segments, line, larger }, i) => {
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
    const caption = sideOf(segment, left, lines, line, tall)
    const side = caption.map((s) => s.text).join(' ')
    captions.set(segment, {
      left: left?.text ?? side,
      leftGap: caption.length > 0 ? Math.min(FAR, (x0 - (left ?? caption[0]).box[2]) / wide) : FAR,
      leftSkipped: at - 1 - leftAt,
      side: left && caption.length < 2 ? '' : side,
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

/**
 * The lines of a caption to the left of a run, from the top: those over and under the one in its own line, or, where there is none,
 * the two or more that the run is set to the middle of. A line with something in the run's column is another row's.
 */
function sideOf(
  segment: Segment,
  left: Segment | undefined,
  lines: readonly Line[],
  line: number,
  tall: number,
): Segment[] {
  const caption: Segment[] = left ? [left] : []
  for (const step of [-1, 1]) {
    let last = left ?? segment
    let apart = left ? ONE_CAPTION : MIDDLE
    for (let n = 1; n <= CAPTION_LINES; n++) {
      const next = lines[line + step * n]?.segments.at(-1)
      if (!next || next.box[2] > segment.box[0] || isFigures(next)) break
      const gap = step < 0 ? last.box[1] - next.box[3] : next.box[1] - last.box[3]
      const edges = caption.flatMap((s) => s.words.map((w) => w.box[0]))
      if (gap > apart * tall) break
      if (caption.length > 0 && !edges.some((x) => Math.abs(x - next.box[0]) < ALIGNED)) break
      caption.push(next)
      last = next
      apart = ONE_CAPTION
    }
  }
  return caption.sort((a, b) => a.box[1] - b.box[1])
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
