import { isSentence, linesOf, type Segment, typicalHeight } from '../../layout/index.ts'
import { type Locale, NEUTRAL } from '../../locale/index.ts'
import { localeOf, type Page, plain, type Word } from '../../model/index.ts'
import type { FieldKind } from '../../program/index.ts'
import { kindReaders } from '../parsers/index.ts'
import type { Reading } from '../parsers/reading.ts'
import { addressLikeness, hasPostcode } from '../parsers/words.ts'

/** Something on a page that may be a value of a kind, whatever stands around it. */
export interface Open extends Reading {
  page: Page
  segment: Segment
  /** Lines it takes. */
  lines: number
}

export type OpenKind = keyof typeof kindReaders

/** Kinds whose form shows where a value begins and ends. */
const FORMED: ReadonlySet<FieldKind> = new Set<FieldKind>([
  'date',
  'money',
  'number',
  'percent',
  'id',
  'iban',
  'email',
  'phone',
])

/** Kinds that are figures and no more. */
const FIGURES: ReadonlySet<FieldKind> = new Set<FieldKind>(['money', 'number', 'percent'])
const NO_WORDS: ReadonlySet<Word> = new Set()

/** More words than this are no name of anything. */
const LONGEST = 9
/** Names inside a sentence are so many words at most. */
const SPOKEN = 5
/** An address or a name goes on over so many lines, as far apart as this, in heights of letters. */
const [LINES, APART] = [4, 1.1]

const known = new WeakMap<readonly Word[], { locale: Locale; byKind: Map<OpenKind, readonly Open[]> }>()

/** Everything on a page that may be a value of a kind; worked out once for a page and a way of writing. */
export function openOn(page: Page, kind: OpenKind): readonly Open[] {
  const locale = localeOf(page)
  let kept = known.get(page.words)
  if (kept?.locale !== locale) known.set(page.words, (kept = { locale, byKind: new Map() }))
  const found = kept.byKind.get(kind) ?? read(page, kind)
  kept.byKind.set(kind, found)
  return found
}

function read(page: Page, kind: OpenKind): Open[] {
  const locale = localeOf(page)
  const found: Open[] = []
  const seen = new Set<string>()
  const add = (reading: Reading, segment: Segment, lines = 1) => {
    const key = `${reading.words[0]?.box.join()} ${reading.words.length} ${plain(reading.value)}`
    if (reading.words.length === 0 || seen.has(key)) return
    seen.add(key)
    found.push({ ...reading, page, segment, lines })
  }
  const segments = linesOf(page).flatMap((l) => l.segments)
  for (const [at, segment] of segments.entries()) {
    if (FORMED.has(kind)) {
      // The day and the year of a date are no amounts and no numbers of anything.
      const dated = FIGURES.has(kind)
        ? new Set(kindReaders.date(segment.words, locale).flatMap((d) => (d.words.length > 1 ? d.words : [])))
        : NO_WORDS
      for (const reading of kindReaders[kind](segment.words, locale))
        if (!reading.words.every((w) => dated.has(w))) add(reading, segment)
      continue
    }
    for (const words of kind === 'address' ? [afterColon(segment)] : runsOf(segment))
      for (const reading of kindReaders[kind](words, locale))
        if (isFit(kind, reading)) add(withoutStop(reading), segment)
    if (kind !== 'text' && !isSentence(segment))
      for (const stack of stacksFrom(segments, at, page)) {
        const reading = joined(stack, kind)
        if (reading) add(reading, segment, stack.length)
      }
  }
  return found
}

/** The stop of the sentence that a name ends is no part of it; that of a short form is. */
const withoutStop = (reading: Reading): Reading =>
  typeof reading.value === 'string'
    ? { ...reading, value: reading.value.replace(/(?<=\p{L}{3})\.$/u, '') }
    : reading

/** What looks like nothing of its kind is no candidate of it. */
const LIKE = { name: 0.3, org: 0.3, address: 0.4 } as const
const isFit = (kind: OpenKind, { plausibility }: Reading): boolean =>
  !(kind in LIKE) || plausibility >= LIKE[kind as keyof typeof LIKE]

function afterColon({ words }: Segment): Word[] {
  const colon = words.findLastIndex((w) => w.text.endsWith(':'))
  return words.slice(colon + 1)
}

/** Runs of words that may be a name of somebody or something: the whole segment, what is behind a colon, and runs of capitals. */
function runsOf(segment: Segment): Word[][] {
  const { words } = segment
  const runs: Word[][] = []
  if (words.length <= LONGEST) runs.push(words)
  const behind = afterColon(segment)
  if (behind.length < words.length && behind.length > 0 && behind.length <= LONGEST) runs.push(behind)
  if (words.length > 3)
    for (let from = 0; from < words.length; from++) {
      if (!/^[("“]?\p{Lu}/u.test(words[from].text)) continue
      for (let to = from + 1; to <= Math.min(words.length, from + SPOKEN); to++) {
        const last = words[to - 1].text
        if (/^[("“]?\p{Lu}/u.test(last)) runs.push(words.slice(from, to))
        // What a comma or a stop closes goes no further.
        if (/[,;:)”"]$|\p{L}{3}\.$/u.test(last)) break
      }
    }
  return runs
}

/** Segments straight under one another from one on, two lines to LINES. */
function stacksFrom(segments: readonly Segment[], at: number, page: Page): Segment[][] {
  const first = segments[at]
  const tall = typicalHeight(page) / page.height
  const stack = [first]
  const stacks: Segment[][] = []
  for (let i = at + 1; i < segments.length && stack.length < LINES; i++) {
    const [next, last] = [segments[i], stack.at(-1)!]
    if (next.box[1] - last.box[3] > tall * APART) break
    if (Math.abs(next.box[0] - first.box[0]) > 0.012 || next.box[1] < last.box[3] - tall * 0.5) continue
    if (isSentence(next)) break
    stack.push(next)
    stacks.push([...stack])
  }
  return stacks
}

function joined(stack: readonly Segment[], kind: OpenKind): Reading | null {
  const words = stack.flatMap((s) => s.words)
  if (kind === 'address') {
    const text = stack.map((s) => s.text.replace(/^[\s:.]+|,$/g, '')).join(', ')
    const fit = addressLikeness(text)
    if (fit < 0.6 && !hasPostcode(text)) return null
    return { value: text, raw: text, words, plausibility: fit, repaired: false }
  }
  if (stack.length > 2 || words.length > SPOKEN + 1) return null
  const [reading] = kindReaders[kind](words, NEUTRAL)
  return reading && isFit(kind, reading) && reading.words.length === words.length ? reading : null
}
