import {
  currencySign,
  isCurrencySign,
  type Locale,
  minorDigits,
  NEUTRAL,
  perLocale,
} from '../../locale/index.ts'
import type { Word } from '../../model/index.ts'
import { asDigits, isWeak, rawOf, type KindReader, type Reading } from './reading.ts'

interface ParsedAmount {
  value: { amount: string; currency: string }
  plausibility: number
  repaired: boolean
  /** Its sign means one currency, or the paper's own. */
  certain: boolean
}

/** Longer texts are no amounts, with the longest name of a currency behind them. */
const LONGEST = 28
const LONGEST_NAME = 24

/** An amount taken apart: what stands around its figures. */
interface Parts {
  figures: string
  negative: boolean
  currency: string | null
  certain: boolean
}

const MINUS = '-−–'

/** Takes signs, brackets and currencies off both ends, in whatever order they stand. */
function takeApart(text: string, own: string): Parts {
  const parts: Parts = { figures: text, negative: false, currency: null, certain: true }
  const take = (length: number, behind: boolean) => {
    parts.figures = (
      behind ? parts.figures.slice(0, -length || undefined) : parts.figures.slice(length)
    ).trim()
  }
  for (let before = ''; before !== parts.figures;) {
    before = parts.figures
    const { figures } = parts
    const side = /\s*(?:\bCR\.?|\bDR\.?|(?<=\d\s?)DR?)$/i.exec(figures)
    if (MINUS.includes(figures[0])) {
      parts.negative = true
      take(1, false)
    } else if (MINUS.includes(figures.at(-1)!)) {
      parts.negative = true
      take(1, true)
    } else if (/^\(.*\)$/.test(figures)) {
      parts.negative = true
      parts.figures = figures.slice(1, -1).trim()
    } else if (figures.startsWith('+')) take(1, false)
    else if (figures.endsWith('+')) take(1, true)
    else if (side) {
      parts.negative ||= /d/i.test(side[0])
      take(side[0].length, true)
    } else
      for (const end of ['ahead', 'behind'] as const) {
        const sign = currencySign(parts.figures, end, own)
        if (!sign) continue
        // "$1,250.00 CAD": a code says more than a sign that several currencies share.
        if (parts.currency === null || !parts.certain || end === 'behind') {
          parts.currency = sign.currency
          parts.certain = sign.certain
        }
        take(sign.printed.length, end === 'behind')
      }
    if (parts.figures === '') break
  }
  return parts
}

/**
 * One amount with either decimal sign and the currency before, behind or unsaid: `EUR 48,750.00`, `$48,750.00`,
 * `48 750,00 €`, `1'234.50 CHF`, `1,23,456.00`, `24.10-`, `(24.10)`, `24.10 DR`.
 * @param weak from a picture, where letters among the figures are figures misread
 * @returns null where the text is not one amount; `plausibility` is lower without cents or currency
 */
export const parseMoney = (text: string, locale: Locale, weak = false): ParsedAmount | null =>
  (weak ? parseWeakMoney : parseClearMoney)(text, locale)

const parseClearMoney = perLocale<ParsedAmount | null>((text, locale) => amountIn(text, locale, false))
const parseWeakMoney = perLocale<ParsedAmount | null>((text, locale) => amountIn(text, locale, true))

function amountIn(text: string, locale: Locale, weak: boolean): ParsedAmount | null {
  const given = text
    .trim()
    .replace(/[:;]+$|(?<=[.,]\d{2})[.,;:]+$/, '')
    .replace(/\s*(?:\/-|,-+|\.-+)$/, '')
  if (given.length === 0 || given.length > LONGEST + LONGEST_NAME) return null
  const { figures, negative, currency: said, certain } = takeApart(given, locale.currency)
  if (figures === '' || figures.length > LONGEST) return null
  let rest = figures
  // ".950,00" and "093.45" begin in the middle of an amount: the label before it ran over its first figure.
  let repaired = /^[.,]?0\d{2}[.,]\d{2}$|^[.,]\d{3}(?:[.,]\d{2})?$/.test(rest)
  rest = rest.replace(/^[.:,]+\s*/, '')
  if (!FIGURES.test(rest)) {
    const digits = (rest.match(/\d/g) ?? []).length
    // "is 403.73": a word before an amount is none of its figures.
    if (!weak || rest.split(' ').some((part) => part.length > 1 && !/\d/.test(part))) return null
    const mended = asDigits(rest)
    // A word is not an amount: only a few letters among digits are slips.
    if (!FIGURES.test(mended) || digits < 2 || digits * 2 < mended.replace(/\D/g, '').length) return null
    rest = mended
    repaired = true
  }
  const currency = said ?? locale.currency
  const number = decimalOf(rest, currency)
  if (number === null) return null
  // A figure or two alone may be anything: a quantity, a day, the rest of an amount that was not read.
  const fit =
    (number.cents ? 0.85 : /^\d{1,2}\.0+$/.test(number.amount) ? 0.25 : 0.55) + (said === null ? 0 : 0.15)
  return {
    value: { amount: (negative ? '-' : '') + number.amount, currency },
    plausibility: (repaired ? 0.7 : 1) * fit,
    repaired,
    certain,
  }
}

/** Whether a text is an amount with its cents, in whatever currency. */
export const isAmount = (text: string): boolean =>
  /[.,]\d{2}\D*$/.test(text) && parseMoney(text, NEUTRAL) !== null

const FIGURES = /^[\d.,'’\u00a0\u202f ]+$/

/**
 * "37,63.2,40" on a picture: a figure alone between marks has one of them from a slip of the pen; without
 * that it is an amount.
 */
function parseWithoutStray(text: string, locale: Locale): ParsedAmount | null {
  const parts = text.split(/([.,])/)
  const lone =
    parts.length < 7 ? -1 : parts.findIndex((part, i) => i > 0 && i < parts.length - 1 && /^\d$/.test(part))
  if (lone < 0) return null
  const [found, ...others] = [lone - 1, lone + 1].flatMap(
    (mark) => parseWeakMoney(parts.filter((_, i) => i !== mark).join(''), locale) ?? [],
  )
  return found && others.length === 0 ? guessed(found) : null
}

/** "€60,69/.20", "€/2,000.00": a stroke among figures is a hasty 1. */
const parseWithStrokes = (text: string, locale: Locale): ParsedAmount | null =>
  /[\d\p{Sc}]\/|\/\d/u.test(text) && /[.,]\d{2}$/.test(text)
    ? guessed(parseWeakMoney(text.replaceAll('/', '1'), locale))
    : null

/** "f40 000,00 €": a currency sign on a picture, read as the letter that it looks like. */
const parseWithoutSign = (text: string, locale: Locale): ParsedAmount | null =>
  /^[fFCEe]\d.*[.,]\d{2}/.test(text) ? guessed(parseWeakMoney(text.slice(1), locale)) : null

const guessed = (found: ParsedAmount | null): ParsedAmount | null =>
  found && { ...found, plausibility: found.plausibility * 0.7, repaired: true }

/** Thousands by threes, or as India groups them: the last three, and twos before. */
const GROUPED = /^\d{1,3}(?:[.,'’\u00a0\u202f ]\d{3})+$|^\d{1,2}(?:,\d{2})*,\d{3}$|^\d{1,9}$/

function decimalOf(text: string, currency: string): { amount: string; cents: boolean } | null {
  // Weak readers put a space behind a comma: "22, 436.00".
  const compact = text.replace(/\s+([.,])\s*(?=\d)|([.,])\s+(?=\d)/g, '$1$2')
  const digits = minorDigits(currency)
  const ending =
    /[.,](\d{2})$/.exec(compact) ?? (digits > 2 ? new RegExp(`[.,](\\d{${digits}})$`).exec(compact) : null)
  const whole = ending ? compact.slice(0, ending.index) : compact
  if (!GROUPED.test(whole)) return null
  const units = whole.replace(/\D/g, '').replace(/^0+(?=\d)/, '')
  return { amount: `${units}.${(ending?.[1] ?? '').padEnd(digits, '0')}`, cents: ending !== null }
}

/**
 * All amounts in a run of words. Thousands split by spaces are joined; amounts standing side by side are kept
 * apart.
 */
export const readMoney: KindReader = (words, locale) => {
  const readings: Reading[] = []
  for (let at = 0; at < words.length;) {
    const found = longestAmount(words, at, locale)
    if (found) {
      readings.push(found)
      at += found.words.length
    } else at++
  }
  return readings
}

function longestAmount(words: Word[], at: number, locale: Locale): Reading | null {
  for (let length = Math.min(5, words.length - at); length >= 1; length--) {
    const span = words.slice(at, at + length)
    // Thousands are parted by a narrow gap; a wider one parts a quantity from its price.
    if (
      span.some(
        (w, i) =>
          i > 0 &&
          /\d$/.test(span[i - 1].text) &&
          /^\d/.test(w.text) &&
          w.box[0] - span[i - 1].box[2] >
            ((w.box[2] - w.box[0]) / w.text.length) * (w.confidence < 1 ? 2.1 : 1.7),
      )
    )
      continue
    const text = rawOf(span)
    if (!/\d/.test(text)) continue
    const weak = isWeak(span)
    const parsed = weak
      ? (parseWeakMoney(text, locale) ??
        parseWithoutStray(text, locale) ??
        parseWithoutSign(text, locale) ??
        parseWithStrokes(text, locale))
      : parseMoney(text, locale)
    // A rate is no amount: "VAT 20 %".
    const rate = /%$/.test(text) || /^%/.test(words[at + length]?.text ?? '')
    // A cheque's number before an amount is none: "000412 -EUR 113.93".
    const numbered =
      (/^0\d/.test(text) && !/[.,]\d{2}\b/.test(text)) ||
      (/^\d+ /.test(text) &&
        isCurrencySign(text.replace(/^\d+ -?/, '')) &&
        /^\d[\d.,]*[.,]\d{2}$/.test(words[at + length]?.text ?? ''))
    if (parsed && !rate && !numbered && !/\d[.,]\d{2}\s+\d/.test(text))
      return {
        value: parsed.value,
        plausibility: parsed.plausibility,
        repaired: parsed.repaired,
        words: span,
        raw: text,
      }
  }
  return null
}
