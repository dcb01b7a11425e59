import { isCurrencySign } from '../../locale/index.ts'
import { linesOf } from '../../layout/index.ts'
import { type Word, localeOf } from '../../model/index.ts'
import { monthOf } from '../parsers/date.ts'
import { kindReaders } from '../parsers/index.ts'
import { rawOf, type Reading } from '../parsers/reading.ts'
import { LEGAL_FORM } from '../parsers/words.ts'
import { continuing, type LabelsByLine, type Region } from '../labels/value-regions.ts'
import type { LabelHit } from '../labels/label.ts'

/** Values that the column they stand in is too narrow for, and that go on in the next line. */

/** Closer than this, as a share of the letters' height, two lines in the column of values are one value. */
const ONE_VALUE = 0.55

/** Shares of the page's width: what begins as near as this to where a value begins stands straight under it. */
const UNDER = 0.004

/**
 * The second line of a name: the legal form of a firm, or beside its label what nothing but the label's own
 * second line stands before.
 */
export function secondLine(region: Region, label: LabelHit, byLine: LabelsByLine): Word[] | null {
  const [under] = continuing(region, byLine, 1)
  if (under && under.words.length === 1 && LEGAL_FORM.test(under.text)) return under.words
  if (region.relation !== 'right' || region.line !== label.line || region.words.length > 4) return null
  const line = linesOf(region.page)[region.line]
  const next = linesOf(region.page)[region.line + 1]
  const [segment, third] = continuing(region, byLine, 2)
  // Under a name an address may begin with the name of a house: a third line with no label of its own tells.
  const thirdLine = third && linesOf(region.page).find((l) => l.segments.includes(third))
  if (thirdLine && thirdLine.segments[0] === third) return null
  if (
    !segment ||
    !next?.segments.includes(segment) ||
    segment.words.length > 3 ||
    /[\d:@]/.test(segment.text)
  )
    return null
  if ((next.box[1] - line.box[3]) * region.page.height > line.height * ONE_VALUE) return null
  const before = next.segments.filter((s) => s.box[2] <= segment.box[0])
  return before.length === 0 || (label.lastLine ?? 0) > region.line ? segment.words : null
}

/** Kinds whose values show by their form that a narrow column broke them off. */
const BREAKING: ReadonlySet<string> = new Set(['date', 'iban', 'money', 'id'])

/** Words that end in the middle of something: a stroke, a day without its month, a month without its year. */
export function isWrapped(words: readonly Word[]): boolean {
  const last = words.at(-1)!.text
  return (
    /(?:[-–/]|\d,|^(?:to|until|till|through|au|al|hasta|\d{1,2}(?:st|nd|rd|th|er)?))$/u.test(last) ||
    monthOf(last) !== undefined
  )
}

/** What stands straight under a region in its column: the rest of a value that its column is too narrow for. */
export function wrappedRest(region: Region, byLine: LabelsByLine): Word[] {
  const rest = continuing(region, byLine, 2)
    .filter((s) => s.words.length <= 4)
    .flatMap((s) => s.words)
  return rest.length > 0 ? rest : underWithin(region)
}

/**
 * The words straight under a region where no gap parts them from what stands before: "November" over "27,
 * 2026" behind the end of a label.
 */
function underWithin({ page, words, line }: Region): Word[] {
  const [own, next] = [linesOf(page)[line], linesOf(page)[line + 1]]
  if (!next || (next.box[1] - own.box[3]) * page.height > own.height * ONE_VALUE) return []
  const left = words[0].box[0]
  for (const segment of next.segments) {
    const at = segment.words.findIndex((w) => Math.abs(w.box[0] - left) < UNDER)
    if (at > 0 && segment.words.length - at <= 4) return segment.words.slice(at)
  }
  return []
}

/** The values in a region, with its next line where its own words hold none of the kind: "16-03-" over "2026". */
export function wholeReadings(
  region: Region,
  kind: keyof typeof kindReaders,
  byLine: LabelsByLine,
): Reading[] {
  const locale = localeOf(region.page)
  const own = kindReaders[kind](region.words, locale)
  // The last figures of a telephone number, alone in the column of values.
  if (kind === 'phone') {
    const [rest] = continuing(region, byLine, 1)
    const whole =
      rest && /^\d[\d ]{1,9}$/.test(rest.text)
        ? kindReaders
            .phone([...region.words, ...rest.words])
            .filter((r) => r.words.includes(rest.words.at(-1)!))
        : []
    return whole.length > 0 ? whole : own
  }
  if (
    !BREAKING.has(kind) ||
    region.words.length > 8 ||
    (kind === 'id' ? !/-$/.test(region.words.at(-1)!.text) : own.some((r) => r.plausibility > 0.6)) ||
    !(
      /\d|\p{Sc}/u.test(rawOf(region.words)) ||
      region.words.some((w) => isCurrencySign(w.text)) ||
      (kind === 'date' && isWrapped(region.words))
    )
  )
    return own
  const rest = wrappedRest(region, byLine)
  // The shortest that makes a whole value: what stands beneath it is the next one's.
  for (let more = 1; more <= Math.min(4, rest.length); more++) {
    const whole = kindReaders[kind]([...region.words, ...rest.slice(0, more)], locale).filter(
      (r) =>
        r.plausibility > 0.6 && r.words.some((w) => region.words.includes(w)) && r.words.includes(rest[0]),
    )
    if (whole.length > 0) return whole
  }
  return own
}
