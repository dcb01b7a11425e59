import type { Locale } from '../../locale/index.ts'
import type { Word } from '../../model/index.ts'
import { editDistance } from '../../text/index.ts'
import { parseDate, readDates } from '../parsers/date.ts'
import { asDigits, isWeak, rawOf } from '../parsers/reading.ts'

/**
 * The day that some words of a row are: an ISO date, or `--MM-DD` where it stands without its year; null
 * where they are none as a whole. On a picture strokes may be lost or seen where none are ("2026-0201", "12’
 * Mar 2026").
 */
export function rowDate(words: Word[], locale: Locale): string | null {
  const raw = rawOf(words)
  const day = parseDate(raw, locale)?.value ?? shortDate(raw, locale)
  if (day || !isWeak(words)) return day
  const bare = raw
    .replace(/[^\p{L}\d\s./-]/gu, '')
    .trim()
    .replace(/^(\d) (?=\d\D)/, '$1')
  return (
    packedDay(bare, locale) ??
    parseDate(bare, locale)?.value ??
    shortDate(bare, locale) ??
    weakDay(words, locale)
  )
}

function weakDay(words: Word[], locale: Locale): string | null {
  const [found] = readDates(words, locale)
  return found?.words.length === words.length ? (found.value as string) : null
}

const DAY_FIRST = /^(?<day>\d{1,2})(?:st|nd|rd|th)?[\s-]?(?<month>[A-Za-zÀ-ÿ]{3,10})\.?$/
const MONTH_FIRST = /^(?<month>[A-Za-zÀ-ÿ]{3,10})\.?[\s-]?(?<day>\d{1,2})(?:st|nd|rd|th)?$/

/** Day and month alone, as many statements print them; the year is filled in from the statement's period. */
export function shortDate(text: string, locale: Locale): string | null {
  const figures = /^(\d{1,2})[/.\- ](\d{1,2})\.?$/.exec(text.trim())
  const named = DAY_FIRST.exec(text.trim()) ?? MONTH_FIRST.exec(text.trim())
  const { day = '', month = '' } = named?.groups ?? {}
  // A leap year has all days.
  const parsed = figures
    ? parseDate(`${figures[1]}/${figures[2]}/2000`, locale)
    : named && parseDate(`${day} ${month} 2000`, locale)
  return parsed ? `--${parsed.value.slice(5)}` : null
}

/** A day that begins with its year and lost a stroke or both: "2026-0201", "20260201". */
function packedDay(text: string, locale: Locale): string | null {
  const [, year, month, day] = /^((?:19|20)\d{2})-?(\d{2})-?(\d{2})$/.exec(text) ?? []
  return year ? (parseDate(`${year}-${month}-${day}`, locale)?.value ?? null) : null
}

/** So many figures lost, added or taken for others are a slip of a reader. */
const SLIPS = 2

/**
 * Of some days, the one that figures were likely meant for: "091032026" for 9 March 2026. Null where none is
 * near or two are as near as each other.
 * @param days ISO dates, or `--MM-DD`
 */
export function nearestDate(raw: string, days: readonly string[]): string | null {
  const named = /\p{L}{2}/u.test(raw)
  const seen = (named ? raw : asDigits(raw)).replace(/\D/g, '')
  if (seen === '') return null
  const far = (day: string) => Math.min(...formsOf(day, named).map((form) => editDistance(seen, form, SLIPS)))
  const [best, next] = days.map((day) => ({ day, far: far(day) })).sort((a, b) => a.far - b.far)
  if (best === undefined || best.far > Math.min(SLIPS, (seen.length - 1) / 2)) return null
  return next && next.far === best.far ? null : best.day
}

/** The figures of a day in the orders that papers write them. */
function formsOf(iso: string, named: boolean): string[] {
  const [year, month, day] = [iso.startsWith('--') ? '' : iso.slice(0, 4), iso.slice(-5, -3), iso.slice(-2)]
  if (named) return [day, `${Number(day)}`].flatMap((d) => (year ? [d, d + year] : [d]))
  return [
    day + month,
    month + day,
    ...(year
      ? [year + month + day, day + month + year, day + month + year.slice(2), month + day + year]
      : []),
  ]
}
