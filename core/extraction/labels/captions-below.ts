import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'
import type { LabelsByLine } from './value-regions.ts'
import type { LabelHit } from './label.ts'

/** Lines of one column stand no further apart than so many heights of their letters. */
const TOGETHER = 2.4
/** How far sideways, as a share of the width, what stands in one column may begin. */
const ALIGNED = 0.008

/**
 * Whether labels stand under their values rather than over them, where both are set evenly in a column: it
 * then begins with a value and ends with a label.
 * @returns 1 for labels under their values, -1 for labels over them, 0 where the column does not say
 */
export function captionsBelow(label: LabelHit, labels: LabelsByLine): -1 | 0 | 1 {
  if (!label.alone) return 0
  const first = end(label, labels, -1)
  const last = end(label, labels, 1)
  if (!first || !last || first.steps + last.steps < 3) return 0
  return first.isLabel === last.isLabel ? 0 : last.isLabel ? 1 : -1
}

/**
 * Where the column ends, going from a label up or down over values and labels in turn; null where two of a
 * kind follow one another.
 */
function end(
  { page, line, segment }: LabelHit,
  labels: LabelsByLine,
  way: -1 | 1,
): { isLabel: boolean; steps: number } | null {
  const lines = linesOf(page)
  let at = { line, segment, isLabel: true, steps: 0 }
  for (;;) {
    const next = nextIn(page, lines, at.line, at.segment, way)
    if (!next) return at
    const isLabel = (labels.get(next.line) ?? []).some((l) => l.segment === next.segment && l.alone)
    if (isLabel === at.isLabel) return null
    at = { ...next, isLabel, steps: at.steps + 1 }
  }
}

function nextIn(
  page: Page,
  lines: readonly Line[],
  from: number,
  segment: Segment,
  way: -1 | 1,
): { line: number; segment: Segment } | null {
  for (let i = from + way; i >= 0 && i < lines.length; i += way) {
    const [upper, lower] = way > 0 ? [segment.box, lines[i].box] : [lines[i].box, segment.box]
    if ((lower[1] - upper[3]) * page.height > Math.max(lines[i].height, lines[from].height) * TOGETHER)
      return null
    const found = lines[i].segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < ALIGNED)
    if (found) return { line: i, segment: found }
  }
  return null
}
