import { confusions, months } from '../../lexicon/index.ts'
import { editDistance, fold, memoize } from '../../text/index.ts'
import { asDigits, readSpans, type KindReader } from './reading.ts'

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

const fullYear = (year: string): number =>
  year.length === 4 ? +year : +year > 50 ? 1900 + +year : 2000 + +year

const NUMERIC = /^(\d{1,2})\s?[/.\-–]\s?(\d{1,2})\s?[/.\-–]\s?(\d{4}|\d{2})$/
/** Day, month and year one to a box: a form's comb loses the strokes between them. */
const COMB = /^(\d{2})(\d{2})((?:19|20)\d{2})$/
const ISO = /^(\d{4})\s?[-/.]\s?(\d{1,2})\s?[-/.]\s?(\d{1,2})$/
const NAMED =
  /^(\d{1,2})(?:st|nd|rd|th|er|\.|º)?[\s-]*(?:(?:day of |de |of )\s*)?([a-z]{3,10})\.?,?[\s-]*(?:de |del )?(\d{4}|\d{2})$/
/** Readers of pictures lose the space behind its comma, or take that for a point. */
const MONTH_FIRST = /^([a-z]{3,10})\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:[,.]\s*|\s+)(\d{4})$/

/**
 * One date written out, days before months; null for anything else.
 * @returns the ISO date, and whether a letter had to be read as a digit
 */
export const parseDate = memoize(
  (text): { value: string; plausibility: number; repaired: boolean } | null => {
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
    const comb = COMB.exec(clean)
    const packed = comb && isoDate(+comb[3], +comb[2], +comb[1])
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
  },
)

/**
 * A date as weak readers and hasty hands write it, for pictures alone: on a page with a text layer such
 * figures are no date. Strokes read as figures ("1510911965"), points and strokes lost or taken for others
 * ("06.022026", "25.02:2026", "0803/2026"), or that are none ("199.2-03-16"), letters in day and year
 * ("z4-NOV-8s"), a month a letter off ("4 Hay 1963"), a day beyond its month ("46 Nov") and a year that lies
 * centuries back ("05.12.1783").
 */
const parseWeakDate = memoize((text): { value: string; plausibility: number; repaired: boolean } | null => {
  const found = parseDate(text)
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
    clean.replace(/^[4-9](?=\d[\s./-])/, (tens) => TENS[tens]),
    clean.replace(/(?<!\d)1[0-8](\d{2})(?!\d)/, '19$1').replace(/(?<!\d)2[1-9](\d{2})(?!\d)/, '20$1'),
  ]
  const value = tried.map((form) => (form === text ? null : dateIn(form))).find((date) => date !== null)
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

function dateIn(text: string): string | null {
  let hit = NUMERIC.exec(text)
  if (hit) return isoDate(fullYear(hit[3]), +hit[2], +hit[1]) ?? isoDate(fullYear(hit[3]), +hit[1], +hit[2])
  hit = ISO.exec(text)
  if (hit) return isoDate(+hit[1], +hit[2], +hit[3])
  hit = NAMED.exec(text)
  if (hit) {
    const month = monthOf(hit[2])
    return month ? isoDate(fullYear(hit[3]), month, +hit[1]) : null
  }
  hit = MONTH_FIRST.exec(text)
  if (hit) {
    const month = monthOf(hit[1])
    return month ? isoDate(+hit[3], month, +hit[2]) : null
  }
  return null
}

/** A day begins with a figure, with what may be one misread, or with a month. */
const beginsDay = (word: string): boolean =>
  /\d/.test(word) || word.length <= 3 || monthOf(word.replace(/^[(:,;.]+|[),;:.]+$/g, '')) !== undefined

export const readDates: KindReader = (words) =>
  words.some((w) => w.confidence < 1 || /\d/.test(w.text))
    ? readSpans(words, 6, (text, weak) => (weak ? parseWeakDate : parseDate)(text), beginsDay)
    : []

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
export const parsePeriod = memoize((text): { start: string; end: string } | null => {
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
    const end = parseDate(year[1])?.value
    return end ? { start: dayAfterYearBefore(end), end } : null
  }
  const parts = clean
    .replace(/^(?:from|du|del|desde)\s+/, '')
    .replace(/^(\d{1,2})(to|au|al)\s/, '$1 $2 ')
    .split(/\s+(?:to|until|till|through|au|al|hasta|a|and)\s+|\s+[-~=]+\s*|\s*[-~=]+\s+|\s*\.{2,}\s*|\s*>\s*/)
  // The strokes inside its days may stand apart like the one between them: "01-JAN- 26 - 31-JAN-26".
  for (let at = 1; at < parts.length; at++) {
    const [start, end] = [parseDate(parts.slice(0, at).join('-')), parseDate(parts.slice(at).join('-'))]
    if (start && end) return start.value <= end.value ? { start: start.value, end: end.value } : null
  }
  if (parts.length === 2) {
    const end = parseDate(parts[1])
    if (!end) return null
    const day = /^(\d{1,2})(?:st|nd|rd|th|er)?(?:\s+([a-z]{3,10})|\s?[/.]\s?(\d{1,2}))?\.?$/.exec(parts[0])
    if (!day) return null
    const month = day[2] ? monthOf(day[2]) : day[3] ? +day[3] : +end.value.slice(5, 7)
    const begin = month ? isoDate(+end.value.slice(0, 4), month, +day[1]) : null
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
