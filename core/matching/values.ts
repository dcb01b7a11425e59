import { cents, fromCents, isMoney, sameCurrency, message, plain, type Value } from '../model/index.ts'
import { fold, squeeze } from '../text/index.ts'
import { type Agreement, different, same, variant, type Comparer } from './agreement.ts'
import { isConfusion } from './confusions.ts'

/** Two neighbouring characters changed places: what a typist's slip looks like. A finding all the same. */
function swapped(a: string, b: string): boolean {
  if (a.length !== b.length) return false
  const at = [...a].findIndex((c, i) => c !== b[i])
  return at >= 0 && a[at] === b[at + 1] && a[at + 1] === b[at] && a.slice(at + 2) === b.slice(at + 2)
}

/** Numbers and codes: spaces and punctuation do not count, every digit does. */
export const compareIds: Comparer = (a, b) => {
  const [p, q] = [squeeze(plain(a.value)), squeeze(plain(b.value))]
  if (p === q)
    return plain(a.value) === plain(b.value) ? same : variant(message('agreement.spaces_or_punctuation'))
  if (isConfusion(p, q, [a, b])) return variant(message('agreement.reading_slip'))
  if (swapped(p, q)) return different(message('agreement.digits_swapped'))
  return different(message('agreement.another_number'))
}

export const compareDates: Comparer = (a, b) => {
  const [p, q] = [plain(a.value), plain(b.value)]
  if (p === q) return same
  const digits = [p.replaceAll('-', ''), q.replaceAll('-', '')] as const
  if (isConfusion(...digits, [a, b])) return variant(message('agreement.reading_slip'))
  if (p.slice(0, 4) === q.slice(0, 4) && p.slice(5, 7) === q.slice(8) && p.slice(8) === q.slice(5, 7))
    return different(message('agreement.day_and_month_swapped'))
  return different(message('agreement.another_date'))
}

export const compareMoney: Comparer = (a, b) => {
  if (!isMoney(a.value) || !isMoney(b.value)) return different(message('agreement.no_amount'))
  if (!sameCurrency(a.value.currency, b.value.currency))
    return different(message('agreement.another_currency'))
  const apart = Math.abs(cents(a.value) - cents(b.value))
  if (apart === 0) return same
  // A form filled in by hand leaves the cents away.
  if (apart < 100 && (cents(a.value) % 100 === 0 || cents(b.value) % 100 === 0))
    return variant(message('agreement.rounded'))
  if (isConfusion(a.value.amount, b.value.amount, [a, b])) return variant(message('agreement.reading_slip'))
  return different(
    swapped(a.value.amount, b.value.amount)
      ? message('agreement.digits_swapped')
      : message('agreement.apart', { by: fromCents(apart, a.value.currency) }),
  )
}

/** Words without their points and strokes: "M.V." is "mv". */
const closed = (text: string): string => fold(text).replace(/["“”'./]/g, '')

/**
 * Compares short texts and names of things; quotation marks do not count, nor do articles.
 * @param leaves words before a name that do not count either
 */
export const textComparer = (leaves: readonly string[]): Comparer => {
  const prefixes = [...ARTICLES, ...leaves.map(closed)].sort((p, q) => q.length - p.length)
  const bare = (value: Value) => {
    const text = closed(plain(value))
    const prefix = prefixes.find((words) => text.startsWith(`${words} `))
    return squeeze(prefix ? text.slice(prefix.length) : text)
  }
  return (a, b) => compareBare(a, b, bare)
}

const ARTICLES = ['the', 'le', 'la', 'el']

function compareBare(
  a: Parameters<Comparer>[0],
  b: Parameters<Comparer>[1],
  bare: (value: Value) => string,
): Agreement {
  if (squeeze(plain(a.value)) === squeeze(plain(b.value)))
    return plain(a.value) === plain(b.value) ? same : variant(message('agreement.letter_case'))
  const [p, q] = [bare(a.value), bare(b.value)]
  if (p === q) return variant(message('agreement.prefix'))
  if (isConfusion(p, q, [a, b], true)) return variant(message('agreement.reading_slip'))
  return different(message('agreement.another_name'))
}
