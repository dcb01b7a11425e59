import { message, type Message, plain, type Value } from '../model/index.ts'
import { squeeze, tokens } from '../text/index.ts'
import { different, same, variant, type Comparer } from './agreement.ts'
import { addressAbbreviations, countryWords } from '../lexicon/index.ts'
import { isConfusion } from './confusions.ts'

const parts = (value: Value): string[] =>
  tokens(plain(value))
    .map((t) => addressAbbreviations.get(t) ?? t)
    .filter(Boolean)

/**
 * Postal addresses: short forms, case, line breaks and a left-out country or postcode are the same place;
 * another number is not.
 */
export const compareAddresses: Comparer = (a, b) => {
  if (squeeze(plain(a.value)) === squeeze(plain(b.value)))
    return plain(a.value) === plain(b.value) ? same : variant(message('agreement.letter_case_or_punctuation'))
  const [p, q] = [parts(a.value), parts(b.value)]
  if (p.join('') === q.join('')) return variant(shortened(plain(a.value), plain(b.value)))
  const [few, many] = (p.length <= q.length ? [p, q] : [q, p]).map((list) =>
    list.filter((t) => !countryWords.has(t)),
  )
  const numbers = (list: string[]) => list.filter((t) => /^\d/.test(t))
  const houses = [numbers(few)[0], numbers(many)[0]]
  if (
    houses[0] !== houses[1] &&
    houses[0] !== undefined &&
    houses[1] !== undefined &&
    !many.includes(houses[0])
  ) {
    if (isConfusion(few.join(''), many.join(''), [a, b], true))
      return variant(message('agreement.reading_slip'))
    return different(message('agreement.another_house_number'))
  }
  const rest = [...many]
  const lacking = few.filter((t) => {
    const at = rest.indexOf(t)
    if (at >= 0) rest.splice(at, 1)
    return at < 0
  })
  const words = few.filter((t) => !/\d/.test(t))
  if (lacking.length === 0 && words.length >= 2)
    return variant(rest.length ? message('agreement.shorter') : message('agreement.order'))
  const joined = rest.join('')
  if (lacking.join('') === joined) return variant(message('agreement.spacing'))
  if (lacking.length <= 2 && isConfusion(lacking.join(''), joined, [a, b], true))
    return variant(message('agreement.reading_slip'))
  return different(message('agreement.another_address'))
}

function shortened(a: string, b: string): Message {
  const [p, q] = [tokens(a), tokens(b)]
  const at = p.findIndex((t, i) => t !== q[i])
  return at >= 0 && q[at]
    ? message('agreement.short_form', { short: p[at], long: q[at] })
    : message('agreement.short_forms')
}
