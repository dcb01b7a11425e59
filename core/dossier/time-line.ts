import type { Program } from '../program/index.ts'
import { addDays, addMonths } from '../text/index.ts'
import { counting, fieldOf, isAnothers, usableText, type Paper } from './paper.ts'

/** A stretch of days that a paper covers. */
export interface Span {
  start: string
  end: string
  document: string
  label: string
}

/** A day that a paper names. */
export interface Mark {
  day: string
  document: string
  label: string
  field: string
}

/** Papers of one kind laid along the days: what they cover, where days are missing, which days they name. */
export interface Lane {
  type: string
  spans: Span[]
  gaps: { start: string; end: string }[]
  marks: Mark[]
}

export interface TimeLine {
  from: string
  to: string
  lanes: Lane[]
}

/**
 * The papers that a program asks for by the days they cover, or by months in a row, on one line of time. Null
 * where it asks for none such, or none is there.
 */
export function timeLineOf(program: Program, papers: readonly Paper[], asOf: string): TimeLine | null {
  const needs = program.requirements.flatMap((r) => r.ways.flatMap((w) => w.needs))
  const lanes = new Map<string, Lane>()
  const lane = (type: string): Lane => {
    if (!lanes.has(type)) lanes.set(type, { type, spans: [], gaps: [], marks: [] })
    return lanes.get(type)!
  }
  for (const { type, covers, months, fresh } of needs) {
    const there = counting(papers, type).filter((p) => !isAnothers(p))
    if (covers)
      for (const paper of there) {
        const [start, end] = [usableText(paper, covers.from), usableText(paper, covers.to)]
        if (start && end && start <= end)
          lane(type).spans.push({ start, end, document: paper.id, label: paper.label })
      }
    if (months)
      for (const paper of there) {
        const field = fresh?.field ?? months.field
        const day = usableText(paper, field)
        if (day && fieldOf(paper, field))
          lane(type).marks.push({ day, document: paper.id, label: paper.label, field })
      }
  }
  for (const one of lanes.values()) {
    one.spans.sort((a, b) => a.start.localeCompare(b.start))
    one.marks.sort((a, b) => a.day.localeCompare(b.day))
    one.gaps = gapsIn(one.spans)
  }
  const found = [...lanes.values()].filter((l) => l.spans.length + l.marks.length > 0)
  if (found.length === 0) return null
  const days = found.flatMap((l) => [
    ...l.spans.flatMap((s) => [s.start, s.end]),
    ...l.marks.map((m) => m.day),
  ])
  // A misread year must not squeeze all that matters into a hair's breadth.
  const near = days.filter((d) => d >= addMonths(asOf, -24) && d <= addMonths(asOf, 3))
  const shown = [...(near.length > 0 ? near : days), asOf].sort()
  return {
    from: `${shown[0].slice(0, 8)}01`,
    to: addDays(addMonths(`${shown.at(-1)!.slice(0, 8)}01`, 1), -1),
    lanes: found,
  }
}

function gapsIn(spans: readonly Span[]): { start: string; end: string }[] {
  const gaps: { start: string; end: string }[] = []
  let covered = spans[0]?.end ?? ''
  for (const { start, end } of spans.slice(1)) {
    if (start > addDays(covered, 1)) gaps.push({ start: addDays(covered, 1), end: addDays(start, -1) })
    if (end > covered) covered = end
  }
  return gaps
}
