import type { Locale } from '../../locale/index.ts'
import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import { type Page, type Word, localeOf } from '../../model/index.ts'
import type { Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { monthEnd, parsePeriod } from '../parsers/date.ts'
import { kindReaders } from '../parsers/index.ts'

export interface Period {
  start: string
  end: string
  words: Word[]
  raw: string
}

/** A period ends with a year, whose figures a weak reader may have taken for letters. */
const endsPeriod = (word: Word): boolean =>
  /\d/.test(word.text) || (word.confidence < 1 && word.text.length <= 5)

/** The longest stretch of words that is a period; the month and year of a whole date are none. */
export function periodIn(words: Word[], locale: Locale): Period | null {
  if (!words.some((w) => /\d/.test(w.text))) return null
  for (let length = Math.min(9, words.length); length >= 1; length--)
    for (let at = 0; at + length <= words.length; at++) {
      if (!endsPeriod(words[at + length - 1])) continue
      const span = words.slice(at, at + length)
      const raw = span.map((w) => w.text).join(' ')
      const period = parsePeriod(raw, locale)
      const before = words[at - 1]?.text ?? ''
      if (
        period &&
        (/\d.*[-/]$/.test(before) || (length <= 2 && /^\d{1,2}(?:st|nd|rd|th|er|\.)?[-.]?$/.test(before)))
      )
        continue
      if (period) return { ...period, words: span, raw }
    }
  // The stroke between two days is the first thing a weak reader loses.
  const days = kindReaders.date(words, locale)
  if (days.length === 2 && (days[0].value as string) < (days[1].value as string))
    return {
      start: days[0].value as string,
      end: days[1].value as string,
      words: days.flatMap((d) => d.words),
      raw: words.map((w) => w.text).join(' '),
    }
  return null
}

/** Two days of which the narrow column broke off the last figures. */
const CUT_SHORT = /(\d{4}-\d{2})-01\s*[-–—~]\s*(\d{4}-\d{2})-?$/

/** "2026-02-01 - 2026-02-", with the figures under it unread: what begins with its month ends with it, likely. */
export function cutShort(words: Word[]): Period | null {
  const raw = words.map((w) => w.text).join(' ')
  const [, begins, ends] = CUT_SHORT.exec(raw) ?? []
  return begins && begins === ends
    ? { start: `${begins}-01`, end: monthEnd(+begins.slice(0, 4), +begins.slice(5)), words, raw }
    : null
}

/** Whether a field is the first or the last day of a stretch of days; null where it is neither. */
export const endOf = ({ sources }: Pick<Field, 'sources'>): 'start' | 'end' | null =>
  sources.includes('period_start') ? 'start' : sources.includes('period_end') ? 'end' : null

const known = new WeakMap<Segment, Map<Locale, Period | null>>()

/** The period in a segment, or over the end of its line; looked for once of each. */
export function periodOf(segment: Segment, next: Line | undefined, locale: Locale): Period | null {
  let read = known.get(segment)
  if (!read) known.set(segment, (read = new Map<Locale, Period | null>()))
  let period = read.get(locale)
  if (period === undefined) {
    period = periodIn(segment.words, locale) ?? overTheEnd(segment, next, locale)
    read.set(locale, period)
  }
  return period
}

/** "… between 25/01/2025 and" over "24/01/2027.": a sentence carries a period over the end of its line. */
function overTheEnd({ words, box }: Segment, next: Line | undefined, locale: Locale): Period | null {
  const rest = next?.segments.find((s) => Math.abs(s.box[0] - box[0]) < 0.02)
  return rest &&
    words.length >= SENTENCE &&
    /\d|^(?:and|to|until|till|au|al|[y\-–]|et)$/i.test(words.at(-1)!.text)
    ? periodIn([...words.slice(-SENTENCE), ...rest.words.slice(0, 4)], locale)
    : null
}
const SENTENCE = 5

/** Periods printed without a label ("1 March 2026 to 31 March 2026" under a heading). */
export function periodCandidates(page: Page, field: Field): Candidate[] {
  return linesOf(page).flatMap((line, index) =>
    line.box[1] > 0.45 || index > 24
      ? []
      : line.segments.flatMap((segment): Candidate[] => {
          const period = periodOf(segment, linesOf(page)[index + 1], localeOf(page))
          if (!period) return []
          const share = period.words.length / segment.words.length
          const range = period.words.length > 2
          return [
            {
              field: field.name,
              value: endOf(field) === 'start' ? period.start : period.end,
              raw: period.raw,
              words: period.words,
              page,
              repaired: false,
              period: true,
              score: (range ? 1.5 : 0.7) - (1 - share) - index * 0.03,
            },
          ]
        }),
  )
}
