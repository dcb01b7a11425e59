import type { Language } from '../../core/lexicon/index.ts'
import { isMoney, type Money, plain, type Value } from '../../core/model/index.ts'
import type { Figures } from './words.ts'

/** The manner of a language that most of its readers write days in. */
const MANNER: Record<Language, string> = { en: 'en-GB', fr: 'fr', es: 'es' }

/** How a language writes days and lists, by the data that every browser and server has of it (CLDR). */
export function figuresOf(language: Language): Figures {
  const day = new Intl.DateTimeFormat(MANNER[language], { dateStyle: 'long', timeZone: 'UTC' })
  const month = new Intl.DateTimeFormat(MANNER[language], { month: 'long', year: 'numeric', timeZone: 'UTC' })
  const and = new Intl.ListFormat(MANNER[language], { type: 'conjunction' })
  const or = new Intl.ListFormat(MANNER[language], { type: 'disjunction' })
  return {
    day: (iso) => day.format(new Date(`${iso}T00:00:00Z`)),
    month: (index) => month.format(new Date(Date.UTC(Math.floor(index / 12), index % 12, 1))),
    list: (items) => and.format(items),
    either: (items) => or.format(items),
  }
}

/** An amount as a language writes it; its currency by its letters, since one sign stands for several. */
export const amountIn = (language: Language, { amount, currency }: Money): string =>
  `${new Intl.NumberFormat(MANNER[language], {
    minimumFractionDigits: amount.split('.')[1]?.length ?? 0,
    useGrouping: 'always',
  }).format(Number(amount))} ${currency}`.trim()

const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/

/** A value of a paper as it is told to whoever brought the paper. */
export function valueIn(language: Language, value: Value, words: { yes: string; no: string }): string {
  if (isMoney(value)) return amountIn(language, value)
  if (typeof value === 'boolean') return value ? words.yes : words.no
  if (typeof value === 'string' && ISO_DAY.test(value)) return figuresOf(language).day(value)
  return plain(value)
}
