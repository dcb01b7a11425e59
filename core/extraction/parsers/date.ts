import { confusions, months } from '../../lexicon/index.ts'
import { internLocale, NEUTRAL, perLocale, type DateOrder, type Locale } from '../../locale/index.ts'
import { editDistance, fold } from '../../text/index.ts'
import type { Word } from '../../model/index.ts'
import { asDigits, rawOf, readSpans, type KindReader } from './reading.ts'

const monthByName = new Map(
  months.flatMap((year) => year.flatMap((names, i) => names.map((name) => [name, i + 1] as const))),
)

/** The number of a month by its name in any language there is; undefined for other words. */
export const monthOf = (name: string): number | undefined => monthByName.get(fold(name).replace(/\.$/, ''))

/** The ISO date of a day that exists, else null. */
export function isoDate(year: number, month: number, day: number): string | null {
  const date = new Date(Date.UTC(year, month - 1, day))
  if (
    date.getUTCFullYear() !== year ||
    date.getUTCMonth() !== month - 1 ||
    date.getUTCDate() !== day ||
    year < 1900 ||
    year > 2100
  )
    return null
  return date.toISOString().slice(0, 10)
}

function fullYear(year: string): number {
  const figures = year.replace("'", '')
  return figures.length === 4 ? +figures : +figures > 50 ? 1900 + +figures : 2000 + +figures
}

/** What two figures before or behind a year say, in an order. */
const dayAndMonth = (a: string, b: string, order: DateOrder): { day: number; month: number } =>
  order === 'mdy' ? { month: +a, day: +b } : { day: +a, month: +b }

/** The day that two figures and a year are in an order, or in the other where they can be none in that. */
function numericDay(a: string, b: string, year: number, order: DateOrder): string | null {
  const { day, month } = dayAndMonth(a, b, order)
  return isoDate(year, month, day) ?? isoDate(year, day, month)
}

const NUMERIC = /^(\d{1,2})\s?[/.\-–]\s?(\d{1,2})\s?[/.\-–]\s?(\d{4}|\d{2})$/
/** Day, month and year one to a box: a form's comb loses the strokes between them. */
const COMB = /^(\d{2})(\d{2})((?:19|20)\d{2})$/
const COMB_YEAR_FIRST = /^((?:19|20)\d{2})(\d{2})(\d{2})$/
const COMB_SHORT = /^(\d{2})(\d{2})(\d{2})$/
const ISO = /^(\d{4})\s?[-/.]\s?(\d{1,2})\s?[-/.]\s?(\d{1,2})$/
/** "4 March 2026", "the 4th day of March, 2026", "1st of May '26". */
const NAMED =
  /^(?:(?:the|el|le) )?(\d{1,2})(?:st|nd|rd|th|er|\.|º)?[\s-]*(?:(?:day of |de |of )\s*)?([a-z]{3,10})\.?,?[\s-]*(?:de |del |in the year )?(\d{4}|'?\d{2})$/
/** "March 4, 2026", "Dec-01-2026", "Mar 4 '26"; readers of pictures lose the space behind its comma, or take that for a point. */
const MONTH_FIRST =
  /^([a-z]{3,10})\.?(?:\s+|-)(\d{1,2})(?:st|nd|rd|th)?(?:(?:[,.]\s*|\s+|-)(?:de |del )?(\d{4})|(?:,\s*|\s+)('\d{2})|,\s*(\d{2}))$/
/** "2026 March 4", "2026-Mar-04". */
const YEAR_FIRST = /^(\d{4})[\s-]+([a-z]{3,10})\.?[\s-]+(\d{1,2})$/

interface ParsedDay {
  value: string
  plausibility: number
  repaired: boolean
}

/**
 * One date written out; null for anything else. Which of two figures is the month the locale says.
 * @returns the ISO date, and whether a letter had to be read as a digit
 */
export const parseDate = perLocale<ParsedDay | null>((text, { dateOrder }) => {
  const dateIn = (form: string) => dayIn(form, dateOrder)
  const clean = fold(text)
    .trim()
    .replace(/^[(:,;.]+|[),;:.]+$/g, '')
    .trim()
  if (clean.length < 6 || clean.length > 32 || !/[\dosil]/.test(clean)) return null
  const ordinal = withItsOrdinal(clean)
  if (ordinal !== clean) {
    const value = dateIn(ordinal)
    return value ? { value, plausibility: 0.7, repaired: true } : null
  }
  const direct = dateIn(clean)
  const packed = combIn(clean, dateOrder)
  if (packed) return { value: packed, plausibility: 0.72, repaired: false }
  if (direct)
    return {
      value: direct,
      plausibility: /^\d{1,2}.\d{1,2}.\d{2}$/.test(clean) ? 0.85 : 1,
      repaired: false,
    }
  // "O1-Jan-2026", "1] January 2026": before the name of a month only figures stand.
  const day = /^[0-9osil|![\]]{1,2}(?=(?:st|nd|rd|th)?[\s.-]*[a-z]{3})/.exec(clean)?.[0]
  const named =
    day && /\D/.test(day) ? dateIn(asDigits(day.replace(/[[\]]/g, '1')) + clean.slice(day.length)) : null
  if (named) return { value: named, plausibility: 0.85, repaired: true }
  if (/[a-z]{3}/.test(clean)) return null
  const digits = asDigits(text.trim().replace(/[),;:.]+$/, ''))
  // "01. 02 +2026": weak readers lose the points between, or see strokes in them.
  const mended = dateIn(digits) ?? dateIn(digits.replace(/\s*[.,+*·°]\s*[+-]?\s*|\s+/g, '.'))
  return mended ? { value: mended, plausibility: 0.7, repaired: true } : null
})

/**
 * A date as weak readers and hasty hands write it, for pictures alone: on a page with a text layer such
 * figures are no date. Strokes read as figures ("1510911965"), points and strokes lost or taken for others
 * ("06.022026", "25.02:2026", "0803/2026"), or that are none ("199.2-03-16"), letters in day and year
 * ("z4-NOV-8s"), a month a letter off ("4 Hay 1963"), a day beyond its month ("46 Nov") and a year that lies
 * centuries back ("05.12.1783").
 */
const parseWeakDate = perLocale<ParsedDay | null>((text, locale) => {
  const found = parseDate(text, locale)
  if (found) return found
  const clean = fold(text)
    .trim()
    .replace(/^[("'‘’“”*:,;.]+|[)"'‘’“”*,;:.]+$/g, '')
    .trim()
  const named = /^([0-9a-z|!]{1,2})([\s.-]*)([a-z]{3,10})([\s.-]*)([0-9a-z|!]{2}|[0-9a-z|!]{4})$/.exec(clean)
  const tried = [
    clean.replace(/^(\d{2})[.:;,·/-]?(\d{2})[.:;,·/-]?((?:19|20)\d{2})$/, '$1.$2.$3'),
    /[a-z]{3}/.test(clean) ? clean.replace(/[-\s.,:;*]+/g, '-') : clean,
    clean.replace(/^(\d{2})1(\d{2})1((?:19|20)\d{2})$/, '$1/$2/$3'),
    /[-/]/.test(clean) ? clean.replace(/(?<=\d)[.,·](?=\d)/g, '') : clean,
    named && monthOf(named[3])
      ? asDigits(named[1]) + named[2] + named[3] + named[4] + asDigits(named[5])
      : clean,
    withLettersInMonth(clean),
    named ? named[1] + named[2] + likelyMonth(named[3]) + named[4] + named[5] : clean,
    locale.dateOrder === 'mdy' && !named ? clean : clean.replace(/^[4-9](?=\d[\s./-])/, (tens) => TENS[tens]),
    clean.replace(/(?<!\d)1[0-8](\d{2})(?!\d)/, '19$1').replace(/(?<!\d)2[1-9](\d{2})(?!\d)/, '20$1'),
  ]
  const value = tried
    .map((form) => (form === text ? null : dayIn(form, locale.dateOrder)))
    .find((date) => date !== null)
  return value ? { value, plausibility: 0.5, repaired: true } : null
})

/** What hands make of the tens of a day, by what readers see in it: no month has forty days. */
const TENS: Record<string, string> = { 4: '1', 5: '3', 6: '0', 7: '1', 8: '3', 9: '0' }

/** "15-0CT-24": figures that readers see in the letters of a month. */
function withLettersInMonth(text: string): string {
  const [, day, month, year] =
    /^(\d{1,2}[\s.-]+)((?=[a-z]*\d)[a-z01568]{3,9})([\s.-]+\d{2,4})$/.exec(text) ?? []
  const spelt = month?.replace(/\d/g, (figure) => confusions.lettersInWords[figure][0])
  return spelt && monthOf(spelt) ? day + spelt + year : text
}

/** English names alone: with those of all languages nearly every slip would fit several months. */
const [ENGLISH] = months

/** The one month whose name is a letter off; the text itself where there is none or several. */
function likelyMonth(name: string): string {
  const near = ENGLISH.filter((names) =>
    names.slice(0, 2).some((month) => month.length === name.length && editDistance(month, name, 1) === 1),
  )
  return near.length === 1 ? near[0][0] : name
}

/** English ordinals say their last figure: "8rd" was the 3rd, "28rd" the 23rd. */
const ORDINALS: Record<string, string> = { st: '1', nd: '2', rd: '3' }
const withItsOrdinal = (text: string): string =>
  text.replace(
    /\b(\d?)(\d)(st|nd|rd)\b/,
    (_, tens: string, __: string, end: string) => tens + ORDINALS[end] + end,
  )

/** The day of a form's comb, where no stroke parts its figures. */
function combIn(text: string, order: DateOrder): string | null {
  const whole = COMB.exec(text)
  if (whole) return numericDay(whole[1], whole[2], +whole[3], order)
  const first = COMB_YEAR_FIRST.exec(text)
  return first ? isoDate(+first[1], +first[2], +first[3]) : null
}

/** Six figures are a day only where boxes for one hold nothing else: elsewhere they are numbers of anything. */
function shortCombIn(text: string, order: DateOrder): string | null {
  const [, a, b, c] = COMB_SHORT.exec(text) ?? []
  if (a === undefined) return null
  return order === 'ymd' ? isoDate(fullYear(a), +b, +c) : numericDay(a, b, fullYear(c), order)
}

function dayIn(text: string, order: DateOrder): string | null {
  let hit = NUMERIC.exec(text)
  if (hit) {
    const [, a, b, c] = hit
    // Where years come first, two figures at the end are a day.
    const first = order === 'ymd' && a.length + c.length === 4 ? isoDate(fullYear(a), +b, +c) : null
    return first ?? numericDay(a, b, fullYear(c), order)
  }
  hit = ISO.exec(text)
  if (hit) return isoDate(+hit[1], +hit[2], +hit[3])
  hit = NAMED.exec(text)
  if (hit) return namedDay(hit[3], hit[2], hit[1])
  hit = MONTH_FIRST.exec(text)
  if (hit) return namedDay(hit[3] ?? hit[4] ?? hit[5], hit[1], hit[2])
  hit = YEAR_FIRST.exec(text)
  return hit ? namedDay(hit[1], hit[2], hit[3]) : null
}

function namedDay(year: string, name: string, day: string): string | null {
  const month = monthOf(name)
  return month ? isoDate(fullYear(year), month, +day) : null
}

/** Whether a text is a day, in whichever order. */
export const isDay = (text: string): boolean => parseDate(text, NEUTRAL) !== null

/** The other day that figures may mean where nothing says which of them is the month; null where only one fits. */
export function otherDay(raw: string): string | null {
  const [day, month] = [ORDERED.dmy, ORDERED.mdy].map((locale) => parseDate(raw, locale)?.value ?? null)
  return day !== month ? month : null
}
const ORDERED = {
  dmy: NEUTRAL,
  mdy: internLocale({ ...NEUTRAL, dateOrder: 'mdy' }),
}

/** A day begins with a figure, with what may be one misread, or with a month. */
const beginsDay = (word: string): boolean =>
  /\d/.test(word) || word.length <= 3 || monthOf(word.replace(/^[(:,;.]+|[),;:.]+$/g, '')) !== undefined

export const readDates: KindReader = (words, locale) => {
  if (!words.some((w) => w.confidence < 1 || /\d/.test(w.text))) return []
  const boxed = inBoxes(words, locale)
  return (
    boxed ?? readSpans(words, 8, (text, weak) => (weak ? parseWeakDate : parseDate)(text, locale), beginsDay)
  )
}

/** Six or eight figures with nothing beside them, each or each pair in a box of its own: the day of a form. */
function inBoxes(words: Word[], { dateOrder }: Locale): ReturnType<KindReader> | null {
  const figures = words.filter((w) => !/^[/.|-]$/.test(w.text))
  if (!figures.every((w) => /^\d+$/.test(w.text))) return null
  const text = figures.map((w) => w.text).join('')
  const boxes = figures.length === 1 || figures.every((w) => w.text.length <= 2 || w.text.length === 4)
  const value = !boxes ? null : (combIn(text, dateOrder) ?? shortCombIn(text, dateOrder))
  return value === null
    ? null
    : [{ value, words, raw: rawOf(words), plausibility: text.length === 8 ? 0.72 : 0.6, repaired: false }]
}

/** The last day of a month as ISO date. */
export const monthEnd = (year: number, month: number): string =>
  new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10)

/** "Year ended 31 December 2025", as accounts are headed. */
const YEAR_ENDED =
  /^(?:the )?(?:(?:financial|trading|accounting) )?(?:(?:year|(?:12|twelve) months) (?:ended|ending|to)|exercice clos|ejercicio cerrado)(?: on| le| el)? (.+)$/

/** The first day of the year that ends with a day. */
function dayAfterYearBefore(end: string): string {
  const next = new Date(`${end}T00:00:00Z`)
  next.setUTCDate(next.getUTCDate() + 1)
  next.setUTCFullYear(next.getUTCFullYear() - 1)
  return next.toISOString().slice(0, 10)
}

/** A stretch of days written as two dates, "1 to 31 March 2026", "1 - 31/03/2026" or a month's name with its year. */
export const parsePeriod = perLocale<{ start: string; end: string } | null>((text, locale) => {
  const parse = (form: string) => parseDate(form, locale)
  // "1 Jul 2024-30 Jun 2025": read in pieces its last words would be a month, and that the whole period.
  const clean = fold(text)
    .trim()
    .replace(/^[(:,;.]+|[),;:.]+$/g, '')
    .trim()
    .replace(
      /((?:19|20)\d{2})[-–—](?=\d{1,2}(?:st|nd|rd|th)?\s+[a-z]{3}|[a-z]{3}|\d{1,2}[./]\d{1,2}[./])/g,
      '$1 - ',
    )
  const year = YEAR_ENDED.exec(clean)
  if (year) {
    const end = parse(year[1])?.value
    return end ? { start: dayAfterYearBefore(end), end } : null
  }
  const parts = clean
    .replace(/^(?:from|du|del|desde)\s+/, '')
    .replace(/^(\d{1,2})(to|au|al)\s/, '$1 $2 ')
    .split(/\s+(?:to|until|till|through|au|al|hasta|a|and)\s+|\s+[-~=]+\s*|\s*[-~=]+\s+|\s*\.{2,}\s*|\s*>\s*/)
  // The strokes inside its days may stand apart like the one between them: "01-JAN- 26 - 31-JAN-26".
  for (let at = 1; at < parts.length; at++) {
    const [start, end] = [parse(parts.slice(0, at).join('-')), parse(parts.slice(at).join('-'))]
    if (start && end) return start.value <= end.value ? { start: start.value, end: end.value } : null
  }
  if (parts.length === 2) {
    const end = parse(parts[1]) ?? endInMonthOf(parts, parse)
    if (!end) return null
    const begins = yearOf(end.value, parts[0], parse)
    if (begins) return begins <= end.value ? { start: begins, end: end.value } : null
    const day = /^(\d{1,2})(?:st|nd|rd|th|er)?(?:\s+([a-z]{3,10})|\s?[/.]\s?(\d{1,2}))?\.?$/.exec(parts[0])
    if (!day) return null
    const figures = day[3] ? dayAndMonth(day[1], day[3], locale.dateOrder) : null
    const month = day[2] ? monthOf(day[2]) : (figures?.month ?? +end.value.slice(5, 7))
    const begin = month ? isoDate(+end.value.slice(0, 4), month, figures?.day ?? +day[1]) : null
    return begin && begin <= end.value ? { start: begin, end: end.value } : null
  }
  const named = /^([a-z]{3,10})\.?[\s-]+(?:de )?(\d{4})$/.exec(clean) ?? null
  const month = named ? monthOf(named[1]) : undefined
  if (named && month)
    return { start: `${named[2]}-${String(month).padStart(2, '0')}-01`, end: monthEnd(+named[2], month) }
  const numbered = /^(\d{1,2})\s?\/\s?(\d{4})$/.exec(clean)
  if (numbered && +numbered[1] >= 1 && +numbered[1] <= 12)
    return {
      start: `${numbered[2]}-${numbered[1].padStart(2, '0')}-01`,
      end: monthEnd(+numbered[2], +numbered[1]),
    }
  return null
})

/** "March 1" and "31, 2026": the end of a stretch within a month that its beginning names. */
function endInMonthOf(parts: readonly string[], parse: (text: string) => ParsedDay | null): ParsedDay | null {
  const month = /^([a-z]{3,10})\.?\s+\d{1,2}(?:st|nd|rd|th)?$/.exec(parts[0])?.[1]
  return month && /^\d{1,2}(?:st|nd|rd|th)?,?\s+\d{4}$/.test(parts[1]) ? parse(`${month} ${parts[1]}`) : null
}

/** "March 1" before "March 31, 2026": a beginning without a year is of its end's, or of the one before that. */
function yearOf(end: string, begins: string, parse: (text: string) => ParsedDay | null): string | null {
  if (!/^[a-z]{3,10}\.?\s+\d{1,2}(?:st|nd|rd|th)?$/.test(begins)) return null
  const year = Number(end.slice(0, 4))
  const same = parse(`${begins}, ${year}`)?.value
  return same && same > end ? (parse(`${begins}, ${year - 1}`)?.value ?? null) : (same ?? null)
}
