import type { Locale } from '../../locale/index.ts'
import { type Box, boxAround, overlap, type Page, plain, type Word, localeOf } from '../../model/index.ts'
import { isSentence, type Line, linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import type { FieldKind } from '../../program/index.ts'
import { kindReaders } from '../parsers/index.ts'
import { addressLikeness, nameLikeness, orgLikeness } from '../parsers/words.ts'

/** What a paper of no known type says: a value, with the wording that leads to it where one does. */
export interface UntypedValue {
  label: string | null
  /** In its normal form. */
  value: string
  raw: string
  kind: FieldKind
  page: number
  box: Box
}

/** Rows that stand in the same columns. */
export interface UntypedTable {
  head: string[] | null
  rows: string[][]
  page: number
  box: Box
}

export interface UntypedReading {
  /** The largest print near the top: what the paper calls itself. */
  heading: string | null
  values: UntypedValue[]
  tables: UntypedTable[]
}

/** Words of a label at most. */
const MOST_LABEL = 6
/** Shares of the page that columns may be out of line by. */
const ALIGNED = 0.02
const FEWEST_ROWS = 3

/**
 * Reads a paper that nobody configured: labels with what stands beside or beneath them, tables, and days,
 * amounts and names that stand alone, in reading order. Nothing of it is certain; it spares typing.
 */
export function extractUntyped(pages: readonly Page[]): UntypedReading {
  const said: UntypedReading = { heading: pages[0] ? headingOf(pages[0]) : null, values: [], tables: [] }
  for (const page of pages) {
    const tables = tablesOn(page)
    said.tables.push(
      ...tables.map(({ lines, head }): UntypedTable => ({
        head: head ? head.segments.map((s) => s.text) : null,
        rows: lines.map((l) => l.segments.map((s) => s.text)),
        page: page.number,
        box: boxAround([...(head ? [head] : []), ...lines].map((l) => l.box)),
      })),
    )
    const inTable = new Set(tables.flatMap(({ lines, head }) => (head ? [head, ...lines] : lines)))
    said.values.push(...valuesOn(page, inTable))
  }
  return said
}

function headingOf(page: Page): string | null {
  const usual = typicalHeight(page)
  const high = linesOf(page).filter(
    (l) => l.box[1] < 0.4 && /\p{L}{3}/u.test(l.text) && !isSentence(l.segments[0]),
  )
  const large = [...high].sort((a, b) => b.height - a.height)[0]
  return large && large.height > usual * LARGE ? large.segments[0].text : null
}

function tablesOn(page: Page): { lines: Line[]; head: Line | null }[] {
  const lines = linesOf(page)
  const usual = typicalHeight(page)
  const found: { lines: Line[]; head: Line | null }[] = []
  for (let at = 0; at < lines.length;) {
    let end = at + 1
    while (end < lines.length && inColumns(lines[at], lines[end])) end++
    const rows = lines.slice(at, end)
    if (rows.length >= FEWEST_ROWS && rows[0].segments.length >= 3 && !isForm(rows, usual)) {
      // The head has no figures; it was taken for the first row where its columns are as those below.
      const own = !/\d/.test(rows[0].text)
      const before = lines[at - 1]
      const head = own
        ? rows[0]
        : before && before.segments.length >= 2 && !/\d/.test(before.text)
          ? before
          : null
      found.push({ head, lines: own ? rows.slice(1) : rows })
    }
    at = end
  }
  return found
}

/** Whether every other row captions the one below: cells of a form stand in columns, too. */
const isForm = (rows: readonly Line[], usual: number): boolean =>
  rows.every((row, i) => i % 2 === 1 || captionsOver(row, rows[i + 1], usual).length > 0)

/** Two rows of as many cells, each cell under the other's: their left ends or their right ends in line. */
const inColumns = (a: Line, b: Line): boolean =>
  a.segments.length >= 3 &&
  a.segments.length === b.segments.length &&
  a.segments.every(
    (s, i) =>
      Math.abs(s.box[0] - b.segments[i].box[0]) < ALIGNED ||
      Math.abs(s.box[2] - b.segments[i].box[2]) < ALIGNED ||
      overlap(s.box[0], s.box[2], b.segments[i].box[0], b.segments[i].box[2]) >
        0.6 * Math.min(s.box[2] - s.box[0], b.segments[i].box[2] - b.segments[i].box[0]),
  )

function valuesOn(page: Page, inTable: ReadonlySet<Line>): UntypedValue[] {
  const lines = linesOf(page)
  const usual = typicalHeight(page)
  const used = new Set<Segment>()
  const found: UntypedValue[] = []
  const put = (label: string | null, words: readonly Word[]) => {
    const said = sayingOf(label, words, page)
    if (said) found.push(said)
    return said !== null
  }
  lines.forEach((line, index) => {
    if (inTable.has(line)) return
    for (const [caption, value] of captionsOver(line, lines[index + 1], usual)) {
      if (used.has(caption) || used.has(value)) continue
      used.add(caption).add(value)
      put(labelOf(caption.words), value.words)
    }
    line.segments.forEach((segment, i) => {
      if (used.has(segment)) return
      const colon = segment.words.findIndex((w) => w.text.endsWith(':'))
      if (colon >= 0 && colon < segment.words.length - 1) {
        if (
          colon < MOST_LABEL &&
          put(labelOf(segment.words.slice(0, colon + 1)), segment.words.slice(colon + 1))
        )
          used.add(segment)
        return
      }
      if (!isLabel(segment)) return
      const beside = line.segments[i + 1]
      if (beside && !used.has(beside) && !isSentence(beside) && !beside.text.endsWith(':')) {
        used.add(segment).add(beside)
        put(labelOf(segment.words), beside.words)
        return
      }
      const below = lines[index + 1]?.segments.find(
        (s) =>
          Math.abs(s.box[0] - segment.box[0]) < ALIGNED &&
          s.box[1] - segment.box[3] < (segment.box[3] - segment.box[1]) * 1.5 &&
          !s.text.includes(':'),
      )
      if (
        beside === undefined &&
        below &&
        !inTable.has(lines[index + 1]) &&
        !used.has(below) &&
        /\d/.test(below.text) &&
        !isSentence(below)
      ) {
        used.add(segment).add(below)
        put(labelOf(segment.words), below.words)
      }
    })
  })
  // What stands alone and has the form of a value says what it is by itself.
  lines.forEach((line) => {
    if (!inTable.has(line))
      for (const segment of line.segments)
        if (!used.has(segment) && FORMED.some((kind) => formOf(kind, segment.words, localeOf(page))))
          put(null, segment.words)
  })
  return found.sort((a, b) => a.box[1] - b.box[1] || a.box[0] - b.box[0])
}

/** Print from which on it is a heading's, as a share of what is usual on the page. */
const LARGE = 1.15
/** Captions in small print, as a share of the height of the values under them. */
const SMALL = 0.85

/**
 * Small captions, with what stands under each in the print of the page: the cells of a form. What stands under
 * a firm's name in larger print is the paper's heading.
 */
function captionsOver(
  line: Line,
  below: Line | undefined,
  usual: number,
): [caption: Segment, value: Segment][] {
  if (!below || line.height > below.height * SMALL || below.height > usual * LARGE) return []
  return line.segments.flatMap((caption): [Segment, Segment][] => {
    const value = below.segments.find(
      (s) =>
        Math.abs(s.box[0] - caption.box[0]) < ALIGNED &&
        s.box[1] - caption.box[3] < (s.box[3] - s.box[1]) * 1.5,
    )
    return isLabel(caption) && value && !isSentence(value) ? [[caption, value]] : []
  })
}

const isLabel = (segment: Segment): boolean =>
  segment.words.length <= MOST_LABEL &&
  /\p{L}{2}/u.test(segment.text) &&
  !/\d/.test(segment.text) &&
  !isSentence(segment) &&
  !/[.!]$/.test(segment.text)

const labelOf = (words: readonly Word[]): string =>
  words
    .map((w) => w.text)
    .join(' ')
    .replace(/[\s:.…_]+$/u, '')

const FORMED = ['iban', 'email', 'date', 'money', 'percent'] as const satisfies readonly FieldKind[]

/** The value of a kind that all of the words make up, its marks aside. */
function formOf(kind: keyof typeof kindReaders, words: readonly Word[], locale: Locale): string | null {
  // Numbers are read for percentages too; without its sign one is a number.
  if (kind === 'percent' && !words.some((w) => w.text.includes('%'))) return null
  const reading = kindReaders[kind]([...words], locale).find(
    (r) => r.plausibility >= 0.8 && r.words.length >= words.filter((w) => /[\p{L}\d]/u.test(w.text)).length,
  )
  return reading ? plain(reading.value) : null
}

function sayingOf(label: string | null, words: readonly Word[], page: Page): UntypedValue | null {
  const raw = words
    .map((w) => w.text)
    .join(' ')
    .replace(/^[\s._…·]+|[\s._…]+$/gu, '')
  if (!/[\p{L}\d]/u.test(raw)) return null
  const box = boxAround(words.map((w) => w.box))
  for (const kind of FORMED) {
    const value = formOf(kind, words, localeOf(page))
    if (value) return { label, value, raw, kind, page: page.number, box }
  }
  return { label, value: raw, raw, kind: kindOfWords(raw, label), page: page.number, box }
}

function kindOfWords(text: string, label: string | null): FieldKind {
  if (/^\+?\d[\d ()/-]{7,}$/.test(text) && /phone|tel|mobile|fax/i.test(label ?? '')) return 'phone'
  if (/^-?\d+(?:[.,]\d+)?$/.test(text))
    return /\b(?:no|number|ref|code|id)\b/i.test(label ?? '') ? 'id' : 'number'
  if (/\d/.test(text) && text.split(' ').length <= 2) return 'id'
  if (addressLikeness(text) >= 0.9) return 'address'
  if (orgLikeness(text) === 1) return 'org'
  return nameLikeness(text) >= 0.95 && /name|holder|owner|skipper|signed|by\b|for\b/i.test(label ?? '')
    ? 'name'
    : 'text'
}
