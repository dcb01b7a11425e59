import { isCurrencySign } from '../../locale/index.ts'
import { type Box, overlap, type Page, type Word } from '../../model/index.ts'
import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import { fold } from '../../text/index.ts'
import type { DocumentType } from '../../program/index.ts'
import { isStopWord } from './wording-similarity.ts'

/** Words of a label at most; longer ones are sentences, which stand on one paper alone. */
const MOST_WORDS = 6
/** In heights of a line: a label over its value is no further off. */
const FURTHEST = 2.4

/** What a marked value is of. */
export interface Marked {
  type: DocumentType
  field: string
  /** Other values of its paper, as they are printed there. */
  others: readonly string[]
}

/**
 * The wording that leads to a value: what stands before it in its line, else over it, else beneath it. This
 * is what one marked example teaches: papers of other layouts with that wording are then read by it.
 * @param box the place of the value
 * @returns null where nothing stands there that could be learnt
 */
export function labelBeside(page: Page, box: Box, marked: Marked): string | null {
  const wordings = wordingsBeside(page, box)
  // What is known to lead to it already is its label, and nothing is left to learn.
  const end = wordings.findIndex((w) => isKnown(marked, w))
  return (end < 0 ? wordings : wordings.slice(0, end)).find((w) => refusedLabel(marked, w) === null) ?? null
}

/** What stands before a value in its line, over it and beneath it, as far as it may be a label, in lower case. */
export function wordingsBeside(page: Page, box: Box): string[] {
  const lines = linesOf(page)
  const at = lines.findIndex((line) => line.words.some((w) => within(w, box)))
  if (at < 0) return []
  const line = lines[at]
  const first = line.words.findIndex((w) => within(w, box))
  return [
    wordingOf(before(line, first)),
    near(lines, at, line.words[first].box, -1),
    near(lines, at, line.words[first].box, 1),
  ].filter((w) => w !== null)
}

const within = ({ box: [l, t, r, b] }: Word, [left, top, right, bottom]: Box): boolean => {
  const [x, y] = [(l + r) / 2, (t + b) / 2]
  return x >= left - 0.002 && x <= right + 0.002 && y >= top - 0.004 && y <= bottom + 0.004
}

/** Words before a value: of its own segment where some lead to it, else the segment next to it. */
function before(line: Line, first: number): Word[] {
  const own = line.segments.find((s) => s.words.includes(line.words[first]))!
  const led = own.words.slice(0, own.words.indexOf(line.words[first])).filter((w) => !isCurrencySign(w.text))
  if (led.length > 0) return afterOthers(led)
  const beside = line.segments[line.segments.indexOf(own) - 1]
  return beside ? beside.words : []
}

/**
 * "Born 14/03/1980, expires": of what stands before a value in a sentence, only what follows the last mark or
 * figure.
 */
function afterOthers(words: readonly Word[]): Word[] {
  const last = words.findLastIndex((w, i) => i < words.length - 1 && /\d|[,;.:]$/.test(w.text))
  return words.slice(last + 1)
}

/** What stands over a value, or beneath it: -1 up, 1 down. */
function near(lines: readonly Line[], at: number, box: Box, way: -1 | 1): string | null {
  const tall = box[3] - box[1]
  for (
    let i = at + way;
    lines[i] &&
    Math.max(lines[at].box[1] - lines[i].box[3], lines[i].box[1] - lines[at].box[3]) < tall * FURTHEST;
    i += way
  ) {
    const found: Segment | undefined = lines[i].segments.find(
      (s) => overlap(s.box[0], s.box[2], box[0], box[2]) > 0,
    )
    if (found) return wordingOf(found.words)
  }
  return null
}

function wordingOf(words: readonly Word[]): string | null {
  const text = words
    .map((w) => w.text)
    .filter((text) => !isCurrencySign(text))
    .join(' ')
    .replace(/\p{Sc}/gu, ' ')
    .replace(/^\P{L}+/u, '')
    .replace(/[\s:.…_·|*=-]+$/u, '')
    .trim()
  const count = text.split(/\s+/).length
  return count <= MOST_WORDS && /\p{L}{3}/u.test(text) && !/\d/.test(text) && !isStopWord(text)
    ? text.toLowerCase()
    : null
}

const isKnown = ({ type, field }: Marked, wording: string): boolean =>
  type.fields.find((f) => f.name === field)?.labels.some((l) => fold(l) === fold(wording)) ?? false

/** Shorter values than this may well be words of a label. */
const TELLING = 4

/**
 * Why a wording cannot be learnt for a field, in words; null where it can. A name taken for a label would
 * lead to whatever stands beside that name on every paper to come.
 */
export function refusedLabel(marked: Marked, wording: string): string | null {
  const { type, field, others } = marked
  if (isKnown(marked, wording)) return 'it is known already'
  if ([type.title, ...type.titles].some((t) => fold(t) === fold(wording)))
    return 'it is what the paper is called'
  if (others.some((value) => value.length >= TELLING && fold(wording).includes(fold(value))))
    return 'it is a value of this paper'
  const other = type.fields.find((f) => f.name !== field && f.labels.some((l) => fold(l) === fold(wording)))
  // One wording for two values is common ("date"); one that names another value for sure would read that one as this.
  return other && type.fields.filter((f) => f.labels.some((l) => fold(l) === fold(wording))).length === 1
    ? `it leads to “${other.title}”`
    : null
}

/**
 * A type with wordings that were learnt, the latest first: what a person showed comes before what is listed.
 * Those that skip are lines of a table that are no rows.
 */
export function withLearntLabels(
  type: DocumentType,
  learnt: readonly { field: string; wording: string; skips?: boolean }[],
): DocumentType {
  if (learnt.length === 0) return type
  return {
    ...type,
    fields: type.fields.map((f) => {
      const of = (skips: boolean) =>
        learnt.filter((l) => l.field === f.name && (l.skips ?? false) === skips).map((l) => l.wording)
      const [own, never] = [of(false), of(true)]
      return own.length + never.length > 0
        ? { ...f, labels: [...new Set([...own, ...f.labels])], never: [...new Set([...f.never, ...never])] }
        : f
    }),
  }
}
