import { isPageNumber, type Line, linesOf, type Segment } from '../../layout/index.ts'
import { type Box, overlap, type Page, type Word } from '../../model/index.ts'
import { hasPostcode } from '../parsers/words.ts'
import { ends } from './find-labels.ts'
import type { LabelHit } from './label.ts'

/** How a place lies to its label. */
export type Relation = 'inline' | 'right' | 'below' | 'above'

/** Words that may hold the value of a label. */
export interface Region {
  relation: Relation
  words: Word[]
  page: Page
  /** Line of the page, for values that go on below. */
  line: number
  /** Points from the foot of its line to the foot of its label's, where it stands above or below. */
  gap?: number
}

/** Index of the labels of one page by line, to know where a region must end. */
export type LabelsByLine = Map<number, LabelHit[]>

export function labelsByLine(labels: readonly LabelHit[]): LabelsByLine {
  const byLine: LabelsByLine = new Map()
  for (const label of labels) byLine.set(label.line, [...(byLine.get(label.line) ?? []), label])
  return byLine
}

/** A stroke or dot that parts things in a line; a reader of pictures takes one for another. */
const PARTING = /^[—–·•|¦~*]$/

/**
 * "Ottilie Carrow Registered under no.: SK088": a colon ends a label, known or not, that begins with its last
 * capital.
 */
function untilColon(words: Word[]): Word[] {
  let from = words.findIndex((w, i) => i > 0 && /\p{L}[.)]?:$/u.test(w.text))
  while (from > 1 && /^\p{Ll}/u.test(words[from].text)) from--
  return from < 1 ? words : words.slice(0, from)
}

/**
 * The words of a segment up to the next label that could head a value of its own, known or with a colon
 * behind a parting stroke.
 */
function untilLabel(words: Word[], labels: readonly LabelHit[]): Word[] {
  const end = words.findIndex(
    (word, i) =>
      labels.some((l) => ends(l) && l.lineOf.words[l.from] === word) ||
      (i > 0 &&
        PARTING.test(word.text) &&
        words.slice(i + 1, i + 5).some((w) => /\p{L}[.)]?:$/u.test(w.text))),
  )
  return end < 0 ? words : words.slice(0, end)
}

/**
 * The words before one that begins the label of the next column: that label goes on straight beneath, and its
 * value stands behind. "Marguerite Núñez Serial | AB-87792" over "identification no." would be a stranger's
 * name otherwise.
 */
function untilColumn(words: Word[], index: number, page: Page, labels: readonly LabelHit[]): Word[] {
  const [line, next] = [linesOf(page)[index], linesOf(page)[index + 1]]
  if (
    words.length < 2 ||
    !next ||
    line.segments.at(-1)!.words.includes(words.at(-1)!) ||
    (next.box[1] - line.box[3]) * page.height > line.height * 0.75
  )
    return words
  const begins = words.findIndex(
    (w, i) =>
      i > 0 &&
      labels.some((l) => l.lineOf.words[l.from] === w) &&
      next.segments.some((s) => Math.abs(s.box[0] - w.box[0]) < 0.003 && /^\p{L}/u.test(s.text)),
  )
  return begins > 0 ? words.slice(0, begins) : words
}

/** What leads the eye to a value, specks beside it, and the small letters that weak readers see in its dots. */
const isFiller = (word: Word): boolean =>
  /^[:;,.'’‘"“”`_·…°•*~^\-–—=|]+$/.test(word.text) ||
  (word.confidence < NOISE && /^[\p{Ll}:;.,'’‘]{1,4}$/u.test(word.text))
const NOISE = 0.4

/** In heights of a label, from its foot to that of what stands beneath: nearer than the next line of a form. */
const CLOSE_BENEATH = 2

/** A row of dots or a line, as leads the eye from a label to its value. */
const LEADER = /^[._·…]{4,}$/

/** In heights of the taller: how far lower or higher a value may be set than the label that it stands beside. */
const BESIDE = 0.95
const offset = (a: Box, b: Box): number =>
  Math.abs(a[1] + a[3] - b[1] - b[3]) / 2 / Math.max(a[3] - a[1], b[3] - b[1])

/** The places where the value of a label may stand: behind it, in the next column, beneath it. */
export function regionsOf(label: LabelHit, labels: LabelsByLine): Region[] {
  const { page, lineOf: line } = label
  const regions: Region[] = []
  const here = labels.get(label.line)!.filter((l) => l !== label)
  const lastWord = line.words[label.to - 1]
  const rest = label.segment.words.slice(label.segment.words.indexOf(lastWord) + 1)
  // "Vehicle concerned: Tolvan Hauler": the label goes on to its colon.
  const figure = rest.findIndex((w) => /\d/.test(w.text))
  const colon = label.colon
    ? -1
    : rest.slice(0, figure < 0 ? 3 : Math.min(3, figure)).findIndex((w) => /\p{L}:$/u.test(w.text))
  const behind = rest.slice(colon + 1)
  // Dots lead from a label to its value: what stands before them is the label's.
  const dots = behind.findIndex((w) => LEADER.test(w.text))
  const inline = untilColumn(
    untilColon(untilLabel(dots > 0 && dots < behind.length - 1 ? behind.slice(dots + 1) : behind, here)),
    label.line,
    page,
    here,
  )
  if (inline.some((w) => !isFiller(w)))
    regions.push({ relation: 'inline', words: inline, page, line: label.line })
  // Behind a label that goes on ("VAT 20 %") the value may still stand in the next column.
  {
    const next = line.segments
      .slice(line.segments.indexOf(label.segment) + 1)
      .find((s) => s.words.some((w) => !isFiller(w)))
    if (next && behind.at(-1) === inline.at(-1)) {
      const words = untilColumn(untilLabel(next.words, here), label.line, page, here)
      if (words.length > 0) regions.push({ relation: 'right', words, page, line: label.line })
    }
  }
  const lines = linesOf(page)
  // Beside a label in two lines a value may be set to its middle.
  for (let i = label.line + 1; regions.length === 0 && i < (label.lastLine ?? 0); i++) {
    const next = lines[i].segments.find((s) => s.box[0] > label.segment.box[2])
    const words = next ? untilLabel(next.words, labels.get(i) ?? []) : []
    if (words.length > 0) regions.push({ relation: 'right', words, page, line: i })
  }
  const start = line.words[label.from].box[0]
  const end = Math.max(lastWord.box[2], start + 0.06)
  let seen = 0
  const toSign =
    label.alone && here.some((l) => l !== label && l.meanings.some((m) => m.role === 'signature'))
  for (let i = label.line + 1; i < lines.length && seen < 2; i++) {
    const gap = (lines[i].box[1] - line.box[3]) * page.height
    if (gap > Math.max(toSign ? ROOM_TO_SIGN : 26, line.height * 2.9)) break
    const reaching = lines[i].segments.filter(
      (s) =>
        overlap(s.box[0], s.box[2], start - 0.012, end) > 0 &&
        !isPageNumber(s.text) &&
        !s.words.every(isFiller),
    )
    // A long value of the column before may leave no gap to this one.
    const runOn = label.alone
      ? reaching.find(
          (s) => s.box[0] <= start - 0.06 && s.words.some((w) => Math.abs(w.box[0] - start) < 0.006),
        )
      : undefined
    const under = runOn
      ? [runOn.words.slice(runOn.words.findIndex((w) => Math.abs(w.box[0] - start) < 0.006))]
      : reaching.filter((s) => s.box[0] > start - 0.06).map((s) => s.words)
    if (under.length === 0) continue
    seen++
    const words = untilLabel(under[0], labels.get(i) ?? [])
    if (words.length === 0) break
    regions.push({
      relation: 'below',
      words,
      page,
      line: i,
      gap: (lines[i].box[3] - line.box[3]) * page.height,
    })
    break
  }
  // Writing by hand keeps to no line: half of one lower or higher it still stands beside its label, unless
  // print stands close beneath.
  const close = regions.some((r) => r.gap !== undefined && r.gap < line.height * CLOSE_BENEATH)
  for (const i of regions.some((r) => r.relation !== 'below') || close || page.source === 'text'
    ? []
    : [label.line - 1, label.line + 1]) {
    const [beside] = lines[i]?.segments ?? []
    if (!beside || beside.box[0] < label.segment.box[2] || offset(beside.box, line.box) > BESIDE) continue
    const words = untilLabel(beside.words, labels.get(i) ?? [])
    if (words.length > 0) regions.push({ relation: 'right', words, page, line: i })
  }
  const above = captioned(label, labels)
  if (above) regions.push(above)
  return regions
}

/** Points under a label beside a place to sign: the day stands on the rule that the pen's place needs room above. */
const ROOM_TO_SIGN = 52

/** What stands on the rule that a label captions from below, as forms to be signed have it. */
function captioned(label: LabelHit, labels: LabelsByLine): Region | null {
  if (!label.alone) return null
  const { page, lineOf: line } = label
  const lines = linesOf(page)
  const start = line.words[label.from].box[0]
  for (let i = label.line - 1; i >= 0; i--) {
    if ((line.box[1] - lines[i].box[3]) * page.height > Math.max(16, line.height * 1.7)) return null
    const over = lines[i].segments.find(
      (s) => overlap(s.box[0], s.box[2], start - 0.01, start + 0.2) > 0 && s.box[0] > start - 0.03,
    )
    if (!over) continue
    const words = untilLabel(over.words, labels.get(i) ?? [])
    return words.length > 0
      ? { relation: 'above', words, page, line: i, gap: (line.box[3] - lines[i].box[3]) * page.height }
      : null
  }
  return null
}

/**
 * Of what goes on below, as a share of its letters' height: capitals alone stand further apart than letters
 * with tails do.
 */
const LEADING = 1.25

/** How well what stands before a line's value must say a label, for the value to be that label's. */
const SURE_LABEL = 0.8

/**
 * Whether a segment further down in the column of values has a label of its own beside it, so that it goes on
 * with nothing: "Employer:" beside what stands under an address. A label that its column broke in two is one,
 * and its second line begins nothing.
 */
function hasOwnLabel(
  region: Region,
  line: Line,
  index: number,
  segment: Segment,
  labels: LabelsByLine,
): boolean {
  if (region.relation !== 'right') return false
  const beside = (l: Line, s: Segment | undefined) => {
    const at = s ? l.segments.indexOf(s) : l.segments.findIndex((o) => o.words.includes(region.words[0]))
    return at > 0 ? l.segments[at - 1] : undefined
  }
  const own = beside(linesOf(region.page)[region.line], undefined)
  const theirs = beside(line, segment)
  if (!own || !theirs || Math.abs(own.box[0] - theirs.box[0]) > SAME_EDGE) return false
  if (/:$/.test(own.text)) return /:$/.test(theirs.text)
  const goesOn = (labels.get(region.line) ?? []).some((l) => l.segment === own && (l.lastLine ?? 0) >= index)
  return (
    !goesOn &&
    (labels.get(index) ?? []).some(
      (l) => l.segment === theirs && l.alone && ends(l) && l.similarity >= SURE_LABEL,
    )
  )
}

/** Labels whose left edges are as near as this, as a share of the page's width, stand in one column. */
const SAME_EDGE = 0.012

/**
 * The segments that continue a region downwards in the same column, as an address does; ends at a label, a
 * value that has its own label, a gap or a shift.
 */
export function continuing(region: Region, labels: LabelsByLine, most: number): Segment[] {
  const lines = linesOf(region.page)
  // A colon set apart ("Address :") stands before the column that the value makes.
  const left = (region.words.find((w) => !isFiller(w)) ?? region.words[0]).box[0]
  const right = region.words.at(-1)!.box[2]
  const found: Segment[] = []
  let before = lines[region.line]
  for (let i = region.line + 1; i < lines.length && found.length < most; i++) {
    const line = lines[i]
    if ((line.box[1] - before.box[3]) * region.page.height > before.height * LEADING) break
    const segment =
      line.segments.find((s) => Math.abs(s.box[0] - left) < 0.012) ??
      line.segments.find((s) => Math.abs(s.box[2] - right) < 0.006)
    if (!segment) {
      // Another column may print between the lines of this one.
      if (line.segments.every((s) => s.box[0] > left + 0.15 || s.box[2] < left)) continue
      break
    }
    // "Cullen" over "Point SK6 4WE": what ends in a postal code is a place, whatever label begins like it.
    if (
      !hasPostcode(segment.text) &&
      (labels.get(i) ?? []).some((l) => ends(l) && segment.words.includes(l.lineOf.words[l.from]))
    )
      break
    if (hasOwnLabel(region, line, i, segment, labels)) break
    found.push(segment)
    before = line
  }
  return found
}
