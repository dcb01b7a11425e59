import { fold } from '../../text/index.ts'
import { plain } from '../../model/index.ts'
import { asDigits, readSpans, rawOf, type KindReader, type Reading, type WordsReader } from './reading.ts'
import type { Locale } from '../../locale/index.ts'
import { isDay } from './date.ts'
import { isAmount } from './money.ts'

/** Spaces are no part of an id; hyphens and strokes are. */
export const tidyId = (text: string): string =>
  text
    .replace(/\s+/g, '')
    .replace(/^[:.#,;=]+|[.,;:]+$/g, '')
    .replace(/[–—−]/g, '-')
    .toUpperCase()

/** Ids: runs of words with digits in them, in capitals. Words of letters alone end the run. */
export const readIds: WordsReader = (words) =>
  readSpans(
    words,
    5,
    (given, weak) => {
      // "/20484-7849": no number begins with a stroke, but a hasty 1 does.
      // "R:030392-5560": the colon of its label, seen twice.
      const text = weak
        ? given
            .replace(/^[/|\\](?=\d{4})/, '1')
            .replace(/^\p{L}:(?=\d{4})/u, '')
            .replace(/(?<=\d{3})[\]|]$/, '1')
        : given
      const parts = text.split(' ')
      // "226/95328/H. In consideration": a sentence ends with the number.
      if (parts.slice(1).some((p) => /^[A-Z][a-z]+$/.test(p))) return null
      // "No. C-24899": the word for a number is none of it.
      if (parts.length > 1 && /^n[or°º]{0,2}\.?:?$/i.test(parts[0])) return null
      // A hyphen that a weak reader set apart still joins long numbers; short ones are the ends of a span.
      const joined = / - /.test(text) && text.replace(/\D/g, '').length >= 9
      if (parts.some((p) => /[a-z]{2}/.test(p) || (!/[A-Z0-9]/i.test(p) && !(joined && p === '-'))))
        return null
      if (parts.length > 1 && parts.some((p) => p.length > 14)) return null
      const value = tidyId(text)
      const digits = (value.match(/\d/g) ?? []).length
      if (
        value.length < 4 ||
        value.length > 24 ||
        digits < 2 ||
        !/^[A-Z0-9][A-Z0-9\-/.]*[A-Z0-9]$/.test(value)
      )
        return null
      // An amount is no number of anything, whatever currency stands beside it.
      if (isDay(text) || isAmount(value)) return null
      return { value, plausibility: digits >= 4 ? 1 : 0.8, repaired: text !== given }
    },
    (word) => !/[a-z]{2}/.test(word),
  )

/** The point before the end of an address, which a weak reader lost: "ann@islepostexample". */
const WITHOUT_POINT = /^([\w.+-]+@[\w-]{3,})(com|org|net|info|example)$/

const ADDRESS_OF_MAIL = /^[\w.+-]+@[\w-]+(?:\.[\w-]+)+$/
/** What is whole by itself goes on with no word beside it, whatever points stand between. */
const isAddressOfMail = (word: string): boolean => ADDRESS_OF_MAIL.test(word.replace(/[.,;:]$/, ''))

export const readEmails: WordsReader = (words) =>
  !words.some((w) => w.text.includes('@'))
    ? []
    : readSpans(words, 3, (text, weak) => {
        // Weak readers part an address at its dots and its @; a label before it is no part of it.
        if (text.includes(' ') && (!/[.@] | [.@]/.test(text) || text.split(' ').some(isAddressOfMail)))
          return null
        const value = text
          .replace(/\s+/g, '')
          .replace(/[.,;:]$/, '')
          .toLowerCase()
        if (ADDRESS_OF_MAIL.test(value)) return { value, plausibility: 1, repaired: false }
        const unparted = weak ? WITHOUT_POINT.exec(value) : null
        return unparted ? { value: `${unparted[1]}.${unparted[2]}`, plausibility: 0.5, repaired: true } : null
      }).map((reading) => {
        // "wilma garvie@…": a point that a reader of pictures lost would leave half an address, and nothing
        // to tell it by.
        const [before, first] = words
        if (
          reading.words[0] !== first ||
          before.confidence === 1 ||
          !/^[a-z]{2,}$/.test(before.text) ||
          /mail|courriel|correo/.test(before.text)
        )
          return reading
        return {
          ...reading,
          value: `${before.text}.${plain(reading.value)}`,
          words: [before, ...reading.words],
          raw: `${before.text} ${reading.raw}`,
          plausibility: 0.5,
          repaired: true,
        }
      })

/** "165Z", "+uu": half a telephone number would be left beside a letter that stands for a figure. */
function withFigures(part: string): string {
  if (/^\d+[A-Z|]\d*$/i.test(part) && part.length > 2) return asDigits(part)
  return /^\+[uy\d]{2}$/i.test(part) ? part.replace(/[uy]/gi, '4') : part
}

export const readPhones: WordsReader = (words) =>
  readSpans(
    words,
    7,
    (given, weak) => {
      const text = weak ? given.trim().replace(/\S+/g, withFigures) : given.trim()
      const digits = text.replace(/\D/g, '')
      if (!/^\+?[\d()][\d\s()./-]*\d$/.test(text) || digits.length < 6 || digits.length > 15) return null
      if (isDay(text)) return null
      return {
        value: text,
        plausibility: text.includes('+') || digits.length > 8 ? 1 : 0.8,
        repaired: text !== given.trim(),
      }
    },
    (word) => /^[+\d()]/.test(word),
  )

const NUMBER_WORDS: Record<string, string> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
  twelve: '12',
}

/** A number with its thousands parted: "48,210", "1.248.210". */
const GROUPED = /^\d{1,3}([.,'’ ])\d{3}(?:\1\d{3})*(?:[.,]\d{1,2})?$/

/**
 * A number without noughts behind its point: "2.00" is 2. Three figures behind one mark are thousands where
 * the paper's decimal sign is the other; where it shows none they stay.
 */
export function plainNumber(text: string, { decimal }: Locale): string {
  const mark = GROUPED.exec(text)?.[1]
  const grouped =
    mark !== undefined &&
    (decimal !== null ? mark !== decimal : text.split(mark).length > 2 || /['’ ]/.test(mark))
  return (grouped ? text.replaceAll(mark, '') : text)
    .replace(',', '.')
    .replace(/\.(\d)?0$/, (_, first?: string) => (first && first !== '0' ? `.${first}` : ''))
}

/** "4, 8": figures of one number that a hand set apart, on a picture, lie closer than words do. */
function pieced(readings: Reading[]): Reading[] {
  const [a, b] = readings
  if (
    readings.length !== 2 ||
    ![a, b].every((r) => r.words.length === 1 && r.words[0].confidence < 1 && /^\d+$/.test(plain(r.value)))
  )
    return readings
  const [left, right] = [a.words[0], b.words[0]]
  const figure = (right.box[2] - right.box[0]) / right.text.length
  if (right.box[0] - left.box[2] > figure * 0.8) return readings
  return [
    {
      value: `${plain(a.value)}${plain(b.value)}`,
      words: [left, right],
      raw: rawOf([left, right]),
      plausibility: 0.5,
      repaired: true,
    },
    a,
    b,
  ]
}

/** Plain numbers, with a unit behind them; years are made months where the words say so. */
export const readNumbers: KindReader = (words, locale) => {
  const readings = readSpans(words, 1, (given, weak) => {
    const text = weak ? given.replace(/(?<=\d)\|(?=\d)/g, '') : given
    const value = NUMBER_WORDS[fold(text)] ?? text.replace(/^[x×]|[.,;:)]+$|(?:pcs|x|×)$/g, '')
    return /^\d{1,7}(?:[.,]\d{1,3})?$/.test(value) || GROUPED.test(value)
      ? { value: plainNumber(value, locale), plausibility: 0.9, repaired: false }
      : null
  })
  return pieced(readings).map((reading) => {
    const next = words[words.indexOf(reading.words.at(-1)!) + 1]
    const unit = next ? fold(next.text).replace(/[^a-z]/g, '') : ''
    if (/^(?:years?|yrs?|ans?|anos?)$/.test(unit))
      return {
        ...reading,
        value: String(Number(reading.value) * 12),
        words: [...reading.words, next],
        raw: rawOf([...reading.words, next]),
      }
    return reading
  })
}
