import { boxAround, type Page } from '../../model/index.ts'
import { type Line, linesOf } from '../../layout/index.ts'
import { isCurrency } from '../../locale/index.ts'
import { columnWords } from '../../lexicon/index.ts'
import { memoize, nearlyWord, tokens } from '../../text/index.ts'
import type { Column, Field } from '../../program/index.ts'

/** The heads of tables: which column of a type stands where on a page. */

export interface HeaderColumn {
  column: Column | null
  left: number
  right: number
  /** -1 where amounts under it leave the account. */
  sign: 1 | -1 | 0
  /** Its words, folded. */
  said: readonly string[]
}

/** Words that say which way amounts go, without the gaps between them, as print often has them: "Paidout". */
const goes = (way: 'out' | 'in'): ReadonlySet<string> =>
  new Set(columnWords.flatMap((words) => words[way].map((phrase) => tokens(phrase).join(''))))
const [OUTGOING, INCOMING] = [goes('out'), goes('in')]

/**
 * Where the columns under a table's head part, as fractions of the page, and where its first row begins; null
 * where no head is found.
 */
export function headEdges(
  pages: readonly Page[],
  field: Field,
): { page: number; top: number; edges: number[]; columns: { name: string | null; out: boolean }[] } | null {
  for (const page of pages) {
    const lines = linesOf(page)
    const head = findHeader(lines, field)
    if (!head) continue
    const columns = head.columns.toSorted((a, b) => a.left - b.left)
    const bottom = lines[head.last].box[3]
    // Amounts end under the end of their heads and words begin under their beginning: the line lies just
    // before the next words, or just behind figures.
    const between = columns.slice(1).map((c, i) => {
      const before = columns[i]
      const words =
        !c.column || c.column.kind === 'text' || c.column.kind === 'name' || c.column.kind === 'date'
      return words
        ? c.left - 0.01
        : Math.max(before.right + 0.005, Math.min(c.left - 0.01, (before.right + c.left) / 2))
    })
    return {
      page: page.number,
      top: bottom + 0.002,
      edges: [Math.max(0, columns[0].left - 0.02), ...between, Math.min(1, columns.at(-1)!.right + 0.03)],
      columns: columns.map((c) => ({ name: c.column?.name ?? null, out: c.sign < 0 })),
    }
  }
  return null
}

/** The line that heads the table: most of its columns' labels, each as a segment or words of its own. */
export function findHeader(
  lines: Line[],
  field: Field,
): { line: number; last: number; columns: HeaderColumn[] } | null {
  let best: { line: number; last: number; columns: HeaderColumn[]; score: number } | null = null
  lines.forEach((line, index) => {
    // Heads are words: a line of sentences or of amounts is none.
    if (line.words.length > 20 || line.words.filter((w) => /\d[.,]\d{2}\b/.test(w.text)).length > 1) return
    const columns = headColumns(line, field)
    const known = new Set(columns.map((c) => c.column?.name).filter(Boolean))
    const wanted = field.columns.filter((c) => !c.optional).length
    if (known.size < Math.max(2, wanted - 1)) return
    const strangers = columns.filter((c) => !c.column).length
    const score = known.size * 2 - strangers
    nameOthers(columns, field)
    if (!best || score > best.score) best = { line: index, last: index, columns, score }
  })
  return best
}

/** Where columns begin as near as this on two pages, they are the same one. */
const AS_NEAR = 0.03

/**
 * Whether a line heads another table, as "Deductions | Current | YTD" does under the rows of earnings: words
 * of which two or more are heads of this one's columns, over figures that are not its own. One is enough where
 * it stands over this table's own amounts, as "Deductions | Amount" does: no row says that in place of one.
 * @param own the head of this table, which later pages may repeat
 */
export function headsAnother(
  line: Line,
  own: { text: string; columns: readonly HeaderColumn[] },
  field: Field,
): boolean {
  if (line.text === own.text || line.segments.length < 2 || line.words.some((w) => /\d/.test(w.text)))
    return false
  const known = headColumns(line, field).filter((c) => c.column)
  const amounts = known.filter((c) => c.column!.kind === 'money')
  return (
    (amounts.length > 0 && new Set(known.map((c) => c.column!.name)).size >= 2) ||
    amounts.some((c) =>
      own.columns.some((o) => o.column === c.column && Math.abs(o.right - c.right) < AS_NEAR),
    )
  )
}

/** The heads of a page; one that could not be read is what it was on the page before. */
export const asBefore = (columns: HeaderColumn[], before: HeaderColumn[] | null): HeaderColumn[] =>
  columns.map((c) =>
    c.column
      ? c
      : {
          ...c,
          ...pick(
            before?.find(
              (b) =>
                b.column &&
                Math.abs(b.left - c.left) < AS_NEAR &&
                !(b.column.kind !== 'money' && columns.some((o) => o.column === b.column)),
            ),
          ),
        },
  )
const pick = (column: HeaderColumn | undefined): Partial<HeaderColumn> =>
  column ? { column: column.column, sign: column.sign } : {}

/**
 * What heads the words or the days of the rows may be worded anew, or misread: of the heads that are none of
 * the table's the words have the one with most room, and the days the first. Amounts that go one way ("Money
 * out") are those of the column whose own heads say so in other words ("Withdrawals").
 */
function nameOthers(columns: HeaderColumn[], field: Field): void {
  const take = (kind: Column['kind'], pick: (open: HeaderColumn[]) => HeaderColumn | undefined) => {
    const wanted = field.columns.find((c) => c.kind === kind && !c.optional)
    const found =
      wanted && !columns.some((c) => c.column === wanted) ? pick(columns.filter((c) => !c.column)) : undefined
    if (found) found.column = wanted!
  }
  const room = (c: HeaderColumn) =>
    Math.min(1, ...columns.filter((o) => o.left > c.left).map((o) => o.left)) - c.left
  const [leftmost] = columns.toSorted((a, b) => a.left - b.left)
  take('date', (open) => open.find((c) => c === leftmost))
  for (const open of columns.filter((c) => !c.column)) {
    const way = wayIn(open.said)
    const same = field.columns.find(
      (c) =>
        c.kind === 'money' &&
        (c.role === 'amount' || !columns.some((o) => o.column === c)) &&
        c.labels.some((label) => wayIn(tokens(label)) === way),
    )
    if (way !== 0 && same) Object.assign(open, { column: same, sign: same.role === 'amount' ? way : 0 })
  }
  take('text', (open) => open.toSorted((a, b) => room(b) - room(a))[0])
}

interface HeadLabel {
  column: Column
  words: readonly string[]
  joined: string
}

/** Shorter words are made of pieces by chance: "N.º" is no "no" of anything counted. */
const SHORTEST_JOINED = 3

const headLabels = new WeakMap<Field, (words: string) => HeadLabel[]>()

/** Which heads of a table some folded words may be, in the order of the columns. */
function headLabelsOf(field: Field): (words: string) => HeadLabel[] {
  let found = headLabels.get(field)
  if (!found) {
    const labels = field.columns.flatMap((column) =>
      column.labels.map((label): HeadLabel => ({
        column,
        words: tokens(label),
        joined: tokens(label).join(''),
      })),
    )
    found = memoize((words) => {
      const span = words.split(' ')
      // "Paidout", "Y-T-D": words of a head may stand as one, and one in pieces.
      return labels.filter(
        (l) =>
          (l.words.length === span.length && l.words.every((w, i) => nearlyWord(span[i], w))) ||
          (l.joined.length >= SHORTEST_JOINED && l.joined === span.join('')),
      )
    })
    headLabels.set(field, found)
  }
  return found
}

function headColumns(line: Line, field: Field): HeaderColumn[] {
  const columns: HeaderColumn[] = []
  const words = line.words.filter((w) => /[\p{L}\d\p{Sc}%]/u.test(w.text))
  const read = words.map((w) => tokens(w.text))
  const labels = headLabelsOf(field)
  for (let at = 0; at < words.length;) {
    let found: HeadLabel | undefined
    let length = Math.min(3, words.length - at)
    for (; length >= 1; length--) {
      // A second "amount" head of a statement is debit beside credit; other columns come once.
      found = labels(
        read
          .slice(at, at + length)
          .flat()
          .join(' '),
      ).find((l) => wayOf(l) !== 0 || !columns.some((c) => c.column?.name === l.column.name))
      if (found) break
    }
    const span = words.slice(at, at + (found ? length : 1))
    const box = boxAround(span.map((w) => w.box))
    const last = columns.at(-1)
    // "Item & description" and "Rate (EUR)" are one head each: what is no head of its own goes with the words
    // before it.
    const goesOn =
      last &&
      line.segments.some((s) => s.words.includes(span[0]) && s.box[0] <= last.left) &&
      (!found || /^\(.*\)$/.test(span[0].text))
    const said = read.slice(at, at + (found ? length : 1)).flat()
    if (goesOn) {
      last.right = box[2]
      last.said = [...last.said, ...said]
    } else
      columns.push({
        column: found?.column ?? null,
        left: box[0],
        right: box[2],
        sign: found ? wayOf(found) : 0,
        said,
      })
    at += span.length
  }
  return columns
}

/**
 * Which way amounts go under a head; the currency that it names ("Out EUR") says nothing of that. Only what a
 * type holds as one amount stands in a column for each way: amounts of a column of their own are as printed.
 */
const wayOf = ({ column, words }: HeadLabel): 1 | -1 | 0 => (column.role === 'amount' ? wayIn(words) : 0)

/** Which way amounts go by some words; 0 where they say neither. */
function wayIn(words: readonly string[]): 1 | -1 | 0 {
  const way = words.filter((word) => !isCurrency(word.toUpperCase())).join('')
  return OUTGOING.has(way) ? -1 : INCOMING.has(way) ? 1 : 0
}
