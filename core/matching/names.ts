import { message, plain, type Value } from '../model/index.ts'
import { fold, memoize, nearlyWord, squeeze, tokens } from '../text/index.ts'
import { different, same, variant, type Comparer } from './agreement.ts'
import { legalForms, maidenNames, particles, titles, wordsPattern } from '../lexicon/index.ts'
import { isConfusion } from './confusions.ts'

/** German and Nordic letters are written with or without their e (Müller, Mueller; Åse, Aase). */
const transliterated = (token: string): string =>
  token
    .replace(/([aou])e/g, '$1')
    .replace(/aa/g, 'a')
    .replace(/ij/g, 'y')

/** Words of a person's name that count: titles and particles dropped. */
const nameParts = memoize((name) => {
  const named = tokens(name).filter((t) => !maidenNames.has(t))
  const untitled = named.filter((t) => !titles.has(t))
  // "M. Brandreth" is Marguerite as likely as Monsieur: an initial is kept where nothing but the family name
  // would be left.
  const strongly = (list: string[]) => list.filter((t) => !particles.has(t))
  const parts =
    strongly(untitled).length < 2 && named.length > untitled.length && named[0].length === 1
      ? named
      : untitled
  const strong = strongly(parts)
  return strong.length > 0 ? strong : parts
})

/**
 * Names of persons: case, accents, titles, order of parts, initials, a middle name left out and a maiden name
 * added are variants of one name; another surname or another given name is another person.
 */
export const compareNames: Comparer = (a, b) => {
  const [left, right] = [plain(a.value), plain(b.value)]
  if (squeeze(left) === squeeze(right))
    return left === right ? same : variant(message('agreement.letter_case_or_accents'))
  const [p, q] = [nameParts(left), nameParts(right)]
  if (p.length === 0 || q.length === 0) return different(message('agreement.no_name'))
  if (p.join('') === q.join('')) return variant(message('agreement.title_or_accents'))
  if ([...p].sort().join(' ') === [...q].sort().join(' ')) return variant(message('agreement.order'))
  const [few, many] = p.length <= q.length ? [p, q] : [q, p]
  const left0 = [...many]
  let initials = 0
  let slips = 0
  let whole = 0
  for (const part of [...few].sort((x, y) => y.length - x.length)) {
    let at = left0.indexOf(part)
    if (at < 0) at = left0.findIndex((o) => transliterated(o) === transliterated(part))
    if (at < 0) {
      at = left0.findIndex(
        (o) => (part.length === 1 && o.startsWith(part)) || (o.length === 1 && part.startsWith(o)),
      )
      if (at >= 0) {
        initials++
        left0.splice(at, 1)
        continue
      }
      // One letter of an initial is misread as easily as any other.
      at = left0.findIndex(
        (o) =>
          isConfusion(o, part, [a, b], true) ||
          (part.length === 1 && isConfusion(o[0], part, [a, b])) ||
          (o.length === 1 && isConfusion(part[0], o, [a, b])),
      )
      if (at >= 0) slips++
    }
    if (at < 0)
      return different(
        few.length > 1 && many.some((m) => nearlyWord(part, m))
          ? message('agreement.spelt_otherwise')
          : message('agreement.another_name'),
      )
    whole++
    left0.splice(at, 1)
  }
  // "O." alone, or two names with nothing but initials in common, says nothing.
  if (whole === 0) return different(message('agreement.initials_alone'))
  if (few.length === 1 && many.length > 1) return different(message('agreement.one_part_alone'))
  if (slips) return variant(message('agreement.reading_slip'))
  if (left0.length > 0) {
    if (few.length >= 2 && MAIDEN_IN.test(fold(left + ' ' + right)))
      return variant(message('agreement.maiden_name'))
    return variant(initials ? message('agreement.initials') : message('agreement.name_left_out'))
  }
  return variant(initials ? message('agreement.initials') : message('agreement.transliteration'))
}

/** Whether no word of one name is a word of the other: names of two persons, however either was misread. */
export const shareNoWord = (a: string, b: string): boolean =>
  !nameParts(a).some((p) =>
    nameParts(b).some(
      (q) => p === q || (p.length > 1 && q.length > 1 && (nearlyWord(p, q) || nearlyWord(q, p))),
    ),
  )

const MAIDEN_IN = wordsPattern([...maidenNames])

const LONG_FORMS: Readonly<Record<string, string>> = legalForms.long
const LEGAL: ReadonlySet<string> = new Set(
  Object.values(LONG_FORMS).filter((form) => !legalForms.none.includes(form)),
)

/** Names of firms: legal forms and their short forms, "and" and "&", case and spacing do not make another firm. */
export const compareOrgs: Comparer = (a, b) => {
  const parts = (value: Value) =>
    tokens(
      plain(value)
        .replace(/&/g, ' and ')
        .replace(/\b([A-Z])\.(?=[A-Z]\b)/gi, '$1'),
    )
      .filter((t) => t !== 'and' && t !== 'the')
      .map((t) => LONG_FORMS[t] ?? t)
  if (squeeze(plain(a.value)) === squeeze(plain(b.value)))
    return plain(a.value) === plain(b.value) ? same : variant(message('agreement.letter_case'))
  const [p, q] = [parts(a.value), parts(b.value)]
  if (p.join('') === q.join('')) return variant(message('agreement.short_forms'))
  const bare = (list: string[]) => list.filter((t) => !LEGAL.has(t)).join('')
  if (bare(p) && bare(p) === bare(q)) return variant(message('agreement.company_suffix'))
  if (isConfusion(bare(p), bare(q), [a, b], true)) return variant(message('agreement.reading_slip'))
  return different(message('agreement.another_firm'))
}
