import { linesOf, type Line } from '../../layout/index.ts'
import {
  countryNamed,
  currencySign,
  dateOrderOf,
  internLocale,
  isCurrency,
  isCurrencySign,
  type Lender,
  type Locale,
  NEUTRAL,
  usualCurrency,
  usualDateOrder,
  usualDecimal,
  usualOrderWith,
} from '../../locale/index.ts'
import type { Page, Word } from '../../model/index.ts'
import { isDay, otherDay, parseDate } from '../parsers/date.ts'

/**
 * How one paper writes amounts and days, from what it shows; its lender's ways hold where it shows nothing.
 * Days are told by those that fit one order only (12/31), by rows that must follow one another, by how near
 * they lie to days that are plain, by the country in its letterhead, and by its currency.
 */
export function inferLocale(pages: readonly Page[], lender: Lender): Locale {
  const lines = pages.flatMap((page) => linesOf(page))
  const country = countryOn(lines)
  const { currency, open } = currencyOn(lines, pages, lender, country)
  const decimal = decimalOn(lines) ?? usualDecimal(country ?? lender.country)
  return internLocale({
    currency,
    currencyOpen: open,
    ...orderOn(lines, lender, { country, currency }),
    decimal,
  })
}

/** The country that an address or a letterhead ends with; null where none or several do. */
function countryOn(lines: readonly Line[]): string | null {
  const named = new Set(
    lines.flatMap(({ segments }) =>
      segments.flatMap(({ text }) => countryNamed(text.split(/[,·|]/).at(-1)!.trim()) ?? []),
    ),
  )
  return named.size === 1 ? [...named][0] : null
}

/** One amount in so many with the lender's own sign says that the others have it too, on a picture. */
const OWN_AMONG = 3

/**
 * The currency that most amounts are in; those without a sign are in it. Weak print makes one sign of another
 * (a € reads as £ more easily than a £ as €), so that on pictures a few of the lender's own stand for all,
 * and none of them leaves the currency open.
 */
function currencyOn(
  lines: readonly Line[],
  pages: readonly Page[],
  lender: Lender,
  country: string | null,
): { currency: string; open: boolean } {
  const local = usualCurrency(country)
  const votes = new Map<string, number>()
  const vote = (currency: string) => votes.set(currency, (votes.get(currency) ?? 0) + 1)
  for (const line of lines)
    line.words.forEach((word, i) => {
      const said = saidBeside(word, line.words[i - 1], line.words[i + 1], local ?? lender.currency)
      if (said) vote(said)
    })
  const [first] = [...votes].sort((a, b) => b[1] - a[1])
  if (!first) return { currency: lender.currency, open: false }
  const scanned = pages.some((page) => page.source !== 'text')
  const own = votes.get(lender.currency) ?? 0
  const currency = own * (scanned ? OWN_AMONG : 1) >= first[1] ? lender.currency : first[0]
  return { currency, open: scanned && currency !== lender.currency && currency !== local }
}

/**
 * The currency that a word says by itself, or beside an amount; null for a word that several share, as "francs":
 * which of them a paper is in, it does not say.
 */
function saidBeside(
  { text }: Word,
  before: Word | undefined,
  next: Word | undefined,
  own: string,
): string | null {
  if (/\d/.test(text)) {
    return certain(currencySign(text, 'ahead', own) ?? currencySign(text, 'behind', own))
  }
  const bare = text.replace(/^\(|[):.,]+$/g, '')
  if (!isCurrencySign(bare)) return null
  const beside = [before, next].some((w) => w && /\d[\d.,' ]*[.,]\d{2}\b|\d{3}/.test(w.text))
  const headed =
    isCurrency(bare) && (text !== bare || /^(?:in|en|currency|devise|moneda)$/i.test(before?.text ?? ''))
  return beside || headed ? certain(currencySign(`${bare} 1`, 'ahead', own)) : null
}

const certain = (sign: ReturnType<typeof currencySign>): string | null =>
  sign?.certain ? sign.currency : null

const AMOUNT = /(?<![\d.,])\d{1,3}(?:[.,'’ ]\d{2,3})*([.,])\d{2}(?![\d.,])/g

/** The decimal sign of most amounts. */
function decimalOn(lines: readonly Line[]): Locale['decimal'] {
  let points = 0
  for (const { text } of lines) for (const [, mark] of text.matchAll(AMOUNT)) points += mark === '.' ? 1 : -1
  return points > 0 ? '.' : points < 0 ? ',' : null
}

const NUMERIC = /(?<![\d/.\-])(\d{1,2})\s?([/.\-])\s?(\d{1,2})\s?\2\s?(?:\d{4}|\d{2})(?![\d/\-]|\.\d)/g
const DAY_FIRST = /\b\d{1,2}(?:st|nd|rd|th)?(?: of)? \p{L}{3,10}\.?,? (?:19|20)\d\d\b/u
const MONTH_FIRST = /\b\p{L}{3,10}\.? \d{1,2}(?:st|nd|rd|th)?,? (?:19|20)\d\d\b/u

/** Log-odds of month before day, by what speaks for it; the same of day before month with a minus. */
const FOR = {
  /** What the lender says of its papers. */
  lender: 2,
  /** A day that is one in this order only. */
  onlyOne: 3,
  /** Rows follow one another, or lie within a month, in this order only; or days lie near the paper's others. */
  inner: 3,
  country: 2.5,
  /** The order of the countries whose currency it is. */
  currency: 1.5,
  /** How days with the name of their month are written. */
  named: 1,
  /** Points between the figures, which countries with the month first do not write. */
  points: 1.5,
}
/** Nearer to even than this, nobody can tell. */
const EVEN = 1
/** Votes of one sort count so many times at most: papers repeat themselves. */
const MOST_VOTES = 3

/** Days on a weak print say less. */
const WEAK_VOTE = 0.4

function orderOn(
  lines: readonly Line[],
  lender: Lender,
  { country, currency }: { country: string | null; currency: string },
): Pick<Locale, 'dateOrder' | 'orderOpen'> {
  const usual = dateOrderOf(lender)
  const votes = { onlyOne: 0, points: 0, named: 0 }
  const open: string[] = []
  const plain: string[] = []
  const firsts: string[] = []
  for (const line of lines) {
    const weight = line.words.some((w) => w.confidence < 0.9) ? WEAK_VOTE : 1
    for (const { 0: raw, 1: a, 2: mark, 3: b, index } of line.text.matchAll(NUMERIC)) {
      if (mark === '.') votes.points -= 1
      if (!isDay(raw)) continue
      if (+a > 12 || +b > 12) {
        votes.onlyOne += (+b > 12 ? 1 : -1) * weight
        plain.push(raw)
      } else if (+a !== +b) {
        open.push(raw)
        if (index === 0) firsts.push(raw)
      }
    }
    if (MONTH_FIRST.test(line.text)) votes.named += 1
    if (DAY_FIRST.test(line.text)) votes.named -= 1
  }
  const way = (order: string | null): number => (order === 'mdy' ? 1 : order === 'dmy' ? -1 : 0)
  const capped = (count: number) => Math.max(-MOST_VOTES, Math.min(MOST_VOTES, count))
  const homes = currency === lender.currency ? null : usualOrderWith(currency)
  const odds =
    way(usual) * FOR.lender +
    capped(votes.onlyOne) * FOR.onlyOne +
    innerEvidence(open, firsts, plain) * FOR.inner +
    way(usualDateOrder(country)) * (country ? FOR.country : 0) +
    way(homes) * FOR.currency +
    Math.sign(votes.named) * FOR.named +
    Math.sign(votes.points) * FOR.points
  const undecided = open.length > 0 && Math.abs(odds) < EVEN
  const dateOrder = odds > 0 ? 'mdy' : odds < 0 ? 'dmy' : usual
  return { dateOrder, orderOpen: undecided }
}

const DAYS_FIRST = internLocale({ ...NEUTRAL, dateOrder: 'dmy' })

const DAY = 86_400_000
const stampOf = (iso: string): number => Date.parse(iso) / DAY

/** Both days that figures may mean. */
const bothOf = (raw: string): { dmy: number; mdy: number } | null => {
  const mdy = otherDay(raw)
  const dmy = parseDate(raw, DAYS_FIRST)?.value
  return mdy && dmy ? { dmy: stampOf(dmy), mdy: stampOf(mdy) } : null
}

/** 1 where only months before days make sense of the paper's days together, -1 where only days before months do. */
function innerEvidence(open: readonly string[], firsts: readonly string[], plain: readonly string[]): number {
  const rows = firsts.flatMap((raw) => bothOf(raw) ?? [])
  if (rows.length >= ROWS) {
    const told = compared(steps(rows.map((r) => r.dmy)), steps(rows.map((r) => r.mdy)))
    if (told !== 0) return told
  }
  const known = plain.flatMap((raw) => parseDate(raw, DAYS_FIRST)?.value ?? []).map(stampOf)
  const days = open.flatMap((raw) => bothOf(raw) ?? [])
  if (known.length === 0 || days.length === 0) return 0
  const far = (of: (d: { dmy: number; mdy: number }) => number) =>
    days.reduce((sum, d) => sum + Math.min(...known.map((k) => Math.abs(k - of(d)))), 0) / days.length
  const [dmy, mdy] = [far((d) => d.dmy), far((d) => d.mdy)]
  return dmy > APART * mdy && mdy < NEAR ? 1 : mdy > APART * dmy && dmy < NEAR ? -1 : 0
}

/** So many rows follow one another by more than chance. */
const ROWS = 4
/** Days lie so many times nearer in one order than in the other, and not further than so many days, where that tells. */
const APART = 2.5
const NEAR = 45

interface Steps {
  ups: number
  downs: number
  span: number
}
const steps = (days: readonly number[]): Steps => ({
  ups: days.filter((d, i) => i > 0 && d > days[i - 1]).length,
  downs: days.filter((d, i) => i > 0 && d < days[i - 1]).length,
  span: Math.max(...days) - Math.min(...days),
})

/** Which of two orders has the rows in order, or else close together. */
function compared(dmy: Steps, mdy: Steps): number {
  const [a, b] = [Math.min(dmy.ups, dmy.downs), Math.min(mdy.ups, mdy.downs)]
  if (a !== b && Math.min(a, b) === 0) return a < b ? -1 : 1
  return dmy.span > APART * mdy.span ? 1 : mdy.span > APART * dmy.span ? -1 : 0
}
