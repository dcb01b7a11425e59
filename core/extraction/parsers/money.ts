import { memoize } from '../../text/index.ts'
import type { Word } from '../../model/index.ts'
import { asDigits, isWeak, rawOf, type KindReader, type Reading } from './reading.ts'

const SIGNS: Record<string, string> = {
  E: 'EUR',
  '€': 'EUR',
  EUR: 'EUR',
  EVR: 'EUR',
  EURO: 'EUR',
  EUROS: 'EUR',
  '£': 'GBP',
  GBP: 'GBP',
  $: 'USD',
  USD: 'USD',
}
/** The reader of writing by hand knows no €: before or behind an amount with its cents, an E is one. */
const CURRENCY =
  /€|£|(?<![A-Z])(?:EUROS?|EUR|EVR|GBP|USD)(?![A-Z])|(?<=[.,]\d{2}\s?)E$|^E(?=\s?\d[\d.,' ]*[.,]\d{2}$)/i

/**
 * One amount with either decimal convention: `EUR 48,750.00`, `€48.750,00`, `48 750,00 €`, `24.10-`,
 * `(24.10)`, `24.10 DR`.
 * @returns null where the text is not one amount; `plausibility` is lower without cents or currency
 */
export const parseMoney = memoize(
  (text): { value: { amount: string; currency: string }; plausibility: number; repaired: boolean } | null => {
    let currency = 'EUR'
    let rest = text
      .trim()
      .replace(/[:;]+$|(?<=[.,]\d{2})[.,;:]+$/, '')
      .replace(/\s*(?:\/-|,-+|\.-+)$/, '')
    if (rest.length === 0 || rest.length > 28) return null
    const sign = CURRENCY.exec(rest)
    if (sign) {
      currency = SIGNS[sign[0].toUpperCase()] ?? currency
      rest = (rest.slice(0, sign.index) + ' ' + rest.slice(sign.index + sign[0].length)).trim()
    }
    let negative = false
    const trailing = /\s*(?:[\-−–]|\bDR\.?|\bD)$/i.exec(rest)
    if (/^[-−–]\s?/.test(rest)) {
      negative = true
      rest = rest.replace(/^[-−–]\s?/, '')
    } else if (/^\(.*\)$/.test(rest)) {
      negative = true
      rest = rest.slice(1, -1)
    } else if (trailing) {
      negative = true
      rest = rest.slice(0, trailing.index)
    } else rest = rest.replace(/^\+\s?/, '').replace(/\s*(?:\+|\bCR\.?)$/i, '')
    rest = rest.trim()
    // ".950,00" and "093.45" begin in the middle of an amount: the label before it ran over its first figure.
    let repaired = /^[.,]?0\d{2}[.,]\d{2}$|^[.,]\d{3}(?:[.,]\d{2})?$/.test(rest)
    rest = rest.replace(/^[.:,]+\s*/, '')
    if (!/^[\d.,' ]+$/.test(rest)) {
      const digits = (rest.match(/\d/g) ?? []).length
      // "is 403.73": a word before an amount is none of its figures.
      if (rest.split(' ').some((part) => part.length > 1 && !/\d/.test(part))) return null
      const mended = asDigits(rest)
      // A word is not an amount: only a few letters among digits are slips.
      if (!/^[\d.,' ]+$/.test(mended) || digits < 2 || digits * 2 < mended.replace(/\D/g, '').length)
        return null
      rest = mended
      repaired = true
    }
    const number = decimalOf(rest)
    if (number === null) return null
    // A figure or two alone may be anything: a quantity, a day, the rest of an amount that was not read.
    const fit = (number.cents ? 0.85 : /^\d{1,2}\.00$/.test(number.amount) ? 0.25 : 0.55) + (sign ? 0.15 : 0)
    return {
      value: { amount: (negative ? '-' : '') + number.amount, currency },
      plausibility: repaired ? fit * 0.7 : fit,
      repaired,
    }
  },
)

/**
 * "37,63.2,40" on a picture: a figure alone between marks has one of them from a slip of the pen; without
 * that it is an amount.
 */
function parseWithoutStray(text: string): ReturnType<typeof parseMoney> {
  const parts = text.split(/([.,])/)
  const lone =
    parts.length < 7 ? -1 : parts.findIndex((part, i) => i > 0 && i < parts.length - 1 && /^\d$/.test(part))
  if (lone < 0) return null
  const [found, ...others] = [lone - 1, lone + 1].flatMap(
    (mark) => parseMoney(parts.filter((_, i) => i !== mark).join('')) ?? [],
  )
  return found && others.length === 0
    ? { ...found, plausibility: found.plausibility * 0.7, repaired: true }
    : null
}

/** "€60,69/.20", "€/2,000.00": a stroke among figures is a hasty 1. */
function parseWithStrokes(text: string): ReturnType<typeof parseMoney> {
  const found =
    /[\d€£$]\/|\/\d/.test(text) && /[.,]\d{2}$/.test(text) ? parseMoney(text.replaceAll('/', '1')) : null
  return found && { ...found, plausibility: found.plausibility * 0.7, repaired: true }
}

/** "f40 000,00 €": a currency sign on a picture, read as the letter that it looks like. */
function parseWithoutSign(text: string): ReturnType<typeof parseMoney> {
  const found = /^[fFCEe]\d.*[.,]\d{2}/.test(text) ? parseMoney(text.slice(1)) : null
  return found && { ...found, plausibility: found.plausibility * 0.7, repaired: true }
}

function decimalOf(text: string): { amount: string; cents: boolean } | null {
  // Weak readers put a space behind a comma: "22, 436.00".
  const compact = text.replace(/\s+([.,])\s*(?=\d)|([.,])\s+(?=\d)/g, '$1$2')
  const ending = /[.,](\d{2})$/.exec(compact)
  const whole = ending ? compact.slice(0, ending.index) : compact
  if (!/^\d{1,3}(?:[.,' ]\d{3})+$|^\d{1,9}$/.test(whole)) return null
  const digits = whole.replace(/\D/g, '').replace(/^0+(?=\d)/, '')
  return { amount: `${digits}.${ending ? ending[1] : '00'}`, cents: ending !== null }
}

/**
 * All amounts in a run of words. Thousands split by spaces are joined; amounts standing side by side are kept
 * apart.
 */
export const readMoney: KindReader = (words) => {
  const readings: Reading[] = []
  for (let at = 0; at < words.length;) {
    const found = longestAmount(words, at)
    if (found) {
      readings.push(found)
      at += found.words.length
    } else at++
  }
  return readings
}

function longestAmount(words: Word[], at: number): Reading | null {
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
    const parsed =
      parseMoney(text) ??
      (weak ? (parseWithoutStray(text) ?? parseWithoutSign(text) ?? parseWithStrokes(text)) : null)
    // A rate is no amount: "VAT 20 %".
    const rate = /%$/.test(text) || /^%/.test(words[at + length]?.text ?? '')
    // A cheque's number before an amount is none: "000412 -EUR 113.93".
    const numbered =
      (/^0\d/.test(text) && !/[.,]\d{2}\b/.test(text)) ||
      (/^\d+ -?(?:EUR|€)$/.test(text) && /^\d[\d.,]*[.,]\d{2}$/.test(words[at + length]?.text ?? ''))
    if (parsed && !rate && !numbered && !/\d[.,]\d{2}\s+\d/.test(text))
      return { ...parsed, words: span, raw: text }
  }
  return null
}
