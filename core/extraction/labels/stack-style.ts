import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import type { Page, Word } from '../../model/index.ts'

/**
 * How a page sets labels in small print: over their values, or beneath them as captions on a rule. Told by
 * print alone, whatever the words say: small print belongs to the larger print that stands nearest in its
 * column.
 */
export interface StackStyle {
  way: 'heads' | 'captions'
  /** Words of small print that labels a value, and is none. */
  small: ReadonlySet<Word>
}

/** Letters as low as this beside those of their values are small print. */
const SMALL = 0.8
/** Two pieces of print begin in one column as near as this, as a share of the page's width. */
const ALIGNED = 0.008
/** What stands nearer by this much, as a share of the way to the other, is its own. */
const NEARER = 0.75
/** Print further away than so many of its heights belongs to something else. */
const REACH = 2.2
/** So many pieces of small print, and so large a share of them, make the style of a page. */
const [FEWEST, MOSTLY] = [3, 0.75]

const known = new WeakMap<readonly Word[], StackStyle | null>()

/** The way a page stacks labels and values; null where it does not, or both ways. */
export function stackStyle(page: Page): StackStyle | null {
  let style = known.get(page.words)
  if (style === undefined) known.set(page.words, (style = styleOf(page)))
  return style
}

function styleOf(page: Page): StackStyle | null {
  const lines = linesOf(page)
  const ways: { way: StackStyle['way']; segment: Segment }[] = lines.flatMap((line, i) =>
    line.segments.flatMap((segment) => {
      const way = wayOf(page, lines, i, segment)
      return way ? [{ way, segment }] : []
    }),
  )
  const captions = ways.filter(({ way }) => way === 'captions').length
  const most = Math.max(captions, ways.length - captions)
  if (most < FEWEST || most < ways.length * MOSTLY) return null
  const way = captions === most ? 'captions' : 'heads'
  return {
    way,
    small: new Set(ways.filter((w) => w.way === way).flatMap(({ segment }) => segment.words)),
  }
}

/** Which way a piece of small print lies to the larger print of its column; null where it is none, or alone. */
function wayOf(
  page: Page,
  lines: readonly Line[],
  index: number,
  segment: Segment,
): StackStyle['way'] | null {
  if (!/\p{L}{2}/u.test(segment.text)) return null
  const gaps = ([-1, 1] as const).map((way) => gapTo(page, lines, index, segment, way))
  const [up, down] = gaps
  if (up < down * NEARER) return 'captions'
  return down < up * NEARER ? 'heads' : null
}

/** Points to the next larger print of the column; infinite where smaller print, or none, stands within reach. */
function gapTo(page: Page, lines: readonly Line[], index: number, segment: Segment, way: -1 | 1): number {
  const own = lines[index]
  for (let i = index + way; i >= 0 && i < lines.length; i += way) {
    const [upper, lower] = way > 0 ? [own, lines[i]] : [lines[i], own]
    const gap = Math.max(0, (lower.box[1] - upper.box[3]) * page.height)
    if (gap > own.height * REACH) return Infinity
    if (!lines[i].segments.some((s) => Math.abs(s.box[0] - segment.box[0]) < ALIGNED)) continue
    return own.height < lines[i].height * SMALL ? gap : Infinity
  }
  return Infinity
}
