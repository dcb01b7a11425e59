import type { Line, Segment } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'
import { contentWords, isStopWord, type Wordings } from './wording-similarity.ts'
import type { LabelMeaning, LabelHit } from './label.ts'

/** Labels that are one though they are said in several tongues or set in several lines. */

/** In so many languages a card may say what its lines are. */
const TONGUES = 4

/**
 * "Given names / Prénoms" is one label said twice: what its first half means, the whole means. Without this
 * the second half would be read as the value of the first.
 */
export function bilingual(hits: LabelHit[]): LabelHit[] {
  const inside = new Set<LabelHit>()
  const whole = hits.map((hit) => {
    const { words } = hit.lineOf
    if (inside.has(hit) || !hit.leads || words[hit.to]?.text !== '/') return hit
    // A stroke in the next column parts nothing here.
    const stroke = hit.segment.words.indexOf(words[hit.to])
    if (stroke < 0) return hit
    let to = hit.to
    for (let tongues = 1; tongues < TONGUES && words[to]?.text === '/'; tongues++) {
      const at = hit.segment.words.indexOf(words[to])
      if (at < 0) break
      const rest = hit.segment.words.slice(at + 1)
      const end = rest.findIndex((w, i) => /:$/.test(w.text) || rest[i + 1]?.text === '/')
      const said = end < 0 ? rest : rest.slice(0, end + 1)
      if (said.length === 0 || said.length > 5 || said.some((w) => /\d/.test(w.text))) break
      const again = hits.find((h) => h.line === hit.line && h.from === to + 1)
      // What goes on in small letters still belongs to this half ("Cover limit for the roof").
      const behind = again ? said.slice(again.to - to - 1) : []
      to = again && !behind.every((w) => /^\p{Ll}/u.test(w.text)) ? again.to : to + 1 + said.length
    }
    if (to === hit.to) return hit
    for (const other of hits)
      if (other.line === hit.line && other.from > hit.from && other.to <= to) inside.add(other)
    return {
      ...hit,
      to,
      twice: true,
      colon: /:$/.test(words[to - 1].text) || words[to]?.text === ':',
      alone: hit.segment.words.at(-1) === words[to - 1],
    }
  })
  return whole.filter((_, i) => !inside.has(hits[i]))
}

/** How near every tongue of a label must come to a wording of its field. */
const WELL_KNOWN = 0.85

/** Lines that a narrow cell breaks a label in three tongues into, at most. */
const LONGEST_CELL = 6

/**
 * Labels in several tongues that a narrow cell breaks over many lines: "Date of" over "expiry / Date" over
 * "d’expiration / Fecha" over "de caducidad". Their strokes part the tongues, wherever the lines end.
 */
export function inCells(
  page: Page,
  lines: readonly Line[],
  heads: ReadonlySet<number>,
  hits: readonly LabelHit[],
  wordings: Wordings<string>,
): LabelHit[] {
  const done = new Set<Segment>()
  return lines.flatMap((line, index) =>
    line.segments.flatMap((segment): LabelHit[] => {
      if (done.has(segment) || heads.has(index)) return []
      const cell = cellFrom(page, lines, index, segment)
      const ended = cell.at(-1)?.segment.text.endsWith(':')
      for (let length = 1; length <= cell.length; length++) {
        const parts = cell.slice(0, length)
        const text = parts.map((p) => p.segment.text).join(' ')
        // What goes on behind a stroke, or up to a colon, is not all there; the line behind what is all there
        // is its value.
        if (
          !text.includes('/') ||
          /\/\s*$/.test(text) ||
          cell[length]?.segment.text.includes('/') ||
          (ended && length < cell.length)
        )
          continue
        const tongues = text
          .replace(/:$/, '')
          .split('/')
          .map((tongue) => wordings.nearest(tongue.trim())[0])
        const [first] = tongues
        if (
          !first ||
          first.similarity < KNOWN ||
          !tongues.every((t) => t?.key === first.key && t.similarity >= WELL_KNOWN)
        )
          continue
        if (length === 1) return []
        for (const part of parts) done.add(part.segment)
        for (const hit of hits)
          if (parts.some((p) => p.segment === hit.segment)) hit.similarity = Math.min(hit.similarity, 0.3)
        const lastLine = parts.at(-1)!.at
        const beside = line.segments.some((s) => s.box[0] > segment.box[2]) && text.endsWith(':')
        const own = beside ? parts[0] : parts.at(-1)!
        return parts.map((part): LabelHit => ({
          ...spanOf(page, lines[part.at], part.at, part.segment),
          colon: text.endsWith(':'),
          meanings: part === own ? [{ role: 'field', field: first.key, rank: 0 }] : [{ role: 'other' }],
          similarity: part === own ? first.similarity : 1,
          ...(part === own && beside ? { lastLine } : {}),
        }))
      }
      return []
    }),
  )
}

/** The lines of words set straight beneath one another, up to one that ends with a colon. */
function cellFrom(
  page: Page,
  lines: readonly Line[],
  index: number,
  first: Segment,
): { at: number; segment: Segment }[] {
  const cell: { at: number; segment: Segment }[] = []
  for (
    let at = index, segment: Segment | undefined = first;
    segment && cell.length < LONGEST_CELL && segment.words.length <= 5 && !/[\d\p{Sc}]/u.test(segment.text);
  ) {
    cell.push({ at, segment })
    if (segment.text.endsWith(':')) break
    const { box }: Segment = segment
    const next = lines.findIndex(
      (l, i) =>
        i > at &&
        i < at + 4 &&
        l.segments.some(
          (s) =>
            Math.abs(s.box[0] - box[0]) < ALIGNED &&
            (s.box[1] - box[3]) * page.height < lines[at].height * LEADING,
        ),
    )
    if (next < 0) break
    segment = lines[next].segments.find((s) => Math.abs(s.box[0] - box[0]) < ALIGNED)
    at = next
  }
  return cell
}
const ALIGNED = 0.008

/** A segment as a label that holds nothing else. */
const spanOf = (
  page: Page,
  line: Line,
  index: number,
  segment: Segment,
): Omit<LabelHit, 'meanings' | 'colon' | 'similarity'> => ({
  line: index,
  from: line.words.indexOf(segment.words[0]),
  to: line.words.indexOf(segment.words.at(-1)!) + 1,
  length: 1,
  mended: false,
  page,
  lineOf: line,
  segment,
  leads: true,
  alone: true,
})

/** Of a label in two lines, as a share of its letters' height: lines further apart are two labels. */
const LEADING = 0.75
/** As near as this to a wording is the wording itself. */
const KNOWN = 0.98
/** So much nearer must both lines together come than the first alone, where no colon ends them. */
const TOGETHER = 0.08

/** Lines that a page's broken labels are looked for in. */
interface Broken {
  page: Page
  lines: readonly Line[]
  /** Lines that are headings, by their numbers. */
  heads: ReadonlySet<number>
  /** Labels found in single lines. */
  hits: readonly LabelHit[]
  wordings: Wordings<string>
}

/** One line of a label. */
interface Part {
  at: number
  segment: Segment
}

/** Words that one line of a broken label has at most, and lines that such a label has. */
const MOST_WORDS = 5
const MOST_LINES = 4
/** A label of two lines without a colon. */
const OPEN_LINES = 2
/** What is said together must be at least as near as this to a wording. */
const LIKE = 0.85
/** What a label that goes on in another line may still be worth by itself. */
const REST = 0.3

const whole = (segment: Segment): string =>
  segment.words
    .map((w) => w.text)
    .join(' ')
    .replace(/[:.…_]+$/, '')

/**
 * Labels that a narrow column breaks in two ("Registered / address:"): neither half says what the whole does.
 * What stands beside the first line is where its value begins; without this an address would be read from its
 * second line on.
 */
export function wrapped(
  page: Page,
  lines: readonly Line[],
  heads: ReadonlySet<number>,
  hits: readonly LabelHit[],
  wordings: Wordings<string>,
): LabelHit[] {
  const given: Broken = { page, lines, heads, hits, wordings }
  const found: LabelHit[] = []
  const done = new Set<Segment>()
  lines.forEach((line, index) => {
    if (heads.has(index)) return
    for (const segment of line.segments) {
      if (done.has(segment) || !mayBegin(segment, wordings)) continue
      const parts = partsFrom({ at: index, segment }, given)
      if (parts.length < OPEN_LINES) continue
      const nearest = saidTogether(parts, given)
      if (!nearest) continue
      for (const hit of hits)
        if (parts.some((p) => p.segment === hit.segment)) hit.similarity = Math.min(hit.similarity, REST)
      for (const part of parts.slice(1)) done.add(part.segment)
      found.push(...labelsOf(parts, nearest, given))
    }
  })
  return found
}

const mayBegin = (segment: Segment, wordings: Wordings<string>): boolean =>
  segment.words.length <= MOST_WORDS &&
  !/[\d\p{Sc}:;,./]/u.test(segment.text) &&
  (isStopWord(segment.text) || contentWords(segment.text).every((g) => wordings.knows(g)))

/** The lines of a label up to its colon, or the next line alone where it has none. */
function partsFrom(first: Part, given: Broken): Part[] {
  const parts = [first]
  for (
    let next = below(first, given);
    next && parts.length < MOST_LINES;
    next = parts.at(-1)!.segment.text.endsWith(':') ? null : below(next, given)
  )
    parts.push(next)
  return hasColon(parts) ? parts : parts.slice(0, OPEN_LINES)
}

const hasColon = (parts: readonly Part[]): boolean =>
  parts.length > 1 && parts.at(-1)!.segment.text.endsWith(':')

/** Lines further beneath than this do not go on with a label. */
const REACH = 4
/** As a share of the page's width, by how much lines of one column begin apart. */
const [TEXT_EDGE, SCAN_EDGE] = [0.004, 0.008]

/** Where a label in this column goes on straight beneath. */
function below({ at, segment }: Part, { page, lines, heads }: Broken): Part | null {
  const edge = page.source === 'text' ? TEXT_EDGE : SCAN_EDGE
  for (let k = at + 1; k < Math.min(lines.length, at + REACH); k++) {
    const next = lines[k].segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < edge)
    if (next)
      return next.words.length <= MOST_WORDS &&
        !/[\d\p{Sc}]/u.test(next.text) &&
        !heads.has(k) &&
        (next.box[1] - segment.box[3]) * page.height < lines[at].height * LEADING
        ? { at: k, segment: next }
        : null
  }
  return null
}

type Nearest = ReturnType<Wordings<string>['nearest']>

/** The wordings that the lines come near to together; null where one of them alone says as much. */
function saidTogether(parts: readonly Part[], { hits, wordings }: Broken): Nearest | null {
  const spoken = (own: readonly Part[]) => own.map((p) => whole(p.segment)).join(' ')
  const said = (own: readonly Part[]) => wordings.nearest(spoken(own))
  const best = (segment: Segment) =>
    Math.max(
      0,
      ...hits
        .filter((h) => h.segment === segment && h.alone && h.meanings.some((m) => m.role !== 'title'))
        .map((h) => h.similarity),
      wordings.nearest(whole(segment))[0]?.similarity ?? 0,
    )
  /** Whether a line by itself would be taken for a label of this field, and of no other. */
  const means = (segment: Segment, field: string): boolean => {
    const own = hits.filter((h) => h.segment === segment && h.alone)
    return (
      own.length > 0 && own.every((h) => h.meanings.every((m) => m.role === 'field' && m.field === field))
    )
  }
  const nearest = said(parts)
  // "Are you" over "Who do you" over "work for?:" is no part of that question.
  if (parts.length > 2 && (said(parts.slice(1))[0]?.similarity ?? 0) >= (nearest[0]?.similarity ?? 0))
    return null
  if (nearest.length === 0 || nearest[0].similarity < LIKE) return null
  // Before a colon every line belongs to the label, whatever one of them would say alone; so do "Applicant" and
  // "name" that say the same, and what is a wording to the letter where its lines are not.
  const alike =
    nearest[0].similarity >= KNOWN &&
    (parts.every((p) => means(p.segment, nearest[0].key)) ||
      (wordings.says(spoken(parts)) && !parts.every((p) => wordings.says(whole(p.segment)))))
  const [first, rest] = [parts[0].segment, parts.at(-1)!.segment]
  return hasColon(parts) ||
    alike ||
    nearest[0].similarity >= Math.max(best(first) + TOGETHER, best(rest) - 0.02)
    ? nearest
    : null
}

function labelsOf(parts: readonly Part[], nearest: Nearest, { page, lines }: Broken): LabelHit[] {
  const [first, last] = [parts[0], parts.at(-1)!]
  const part = (
    { at, segment }: Part,
    meaning: LabelMeaning,
    said: Pick<LabelHit, 'similarity' | 'lastLine'>,
  ): LabelHit => ({
    ...spanOf(page, lines[at], at, segment),
    meanings: [meaning],
    colon: last.segment.text.endsWith(':'),
    ...said,
  })
  // A value beside it begins at the label's first line, or between the two; one beneath it follows the second.
  const beside = lines
    .slice(first.at, last.at + 1)
    .some((l) =>
      l.segments.some(
        (s) => s.box[0] > first.segment.box[2] && !(l === lines[last.at] && l !== lines[first.at]),
      ),
    )
  const speaking = beside ? first : last
  return [
    ...nearest.map(({ key, similarity }) =>
      part(
        speaking,
        { role: 'field', field: key, rank: 0 },
        { similarity: similarity * 0.97, ...(beside ? { lastLine: last.at } : {}) },
      ),
    ),
    // The label's other lines say nothing of their own, and are no value of the first.
    ...parts
      .filter((p) => p.segment !== speaking.segment)
      .map((p) => part(p, { role: 'other' }, { similarity: 1 })),
  ]
}
