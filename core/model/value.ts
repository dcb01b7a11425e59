import { minorDigits, NO_CURRENCY } from '../locale/index.ts'

/** An amount as a decimal string with the places that its currency has, two most often, and its ISO 4217 currency. */
export interface Money {
  amount: string
  currency: string
}

/** A row of a table, by column. */
export type Row = Record<string, string | Money | null>

/** A value in its normal form: dates ISO, ids without spaces, numbers as decimal strings. */
export type Value = string | boolean | Money | Row[] | null

export const isMoney = (value: unknown): value is Money =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  'amount' in value &&
  'currency' in value

/**
 * An amount in the smallest units that its currency has, cents most often. Sums are done in these: decimal
 * fractions do not add up exactly in floating point.
 */
export const cents = ({ amount, currency }: Money): number =>
  Math.round(Number(amount) * 10 ** minorDigits(currency))

/**
 * Whether amounts can be added up or held against one another. Where nobody says a currency, it is taken for
 * the other's: that it was not said is asked about where the amount was read.
 */
export const sameCurrency = (a: string, b: string): boolean =>
  a === b || a === NO_CURRENCY || b === NO_CURRENCY

/** The currencies of amounts, where they are several. */
export function severalCurrencies(amounts: readonly Money[]): string[] {
  const all = [...new Set(amounts.map((a) => a.currency))].filter((c) => c !== NO_CURRENCY)
  return all.length > 1 ? all.sort() : []
}

/** Whether an amount is more than a number of its own currency. */
export const isOver = (amount: Money, most: number): boolean =>
  cents(amount) > cents({ amount: String(most), currency: amount.currency })

/** The amount of so many of a currency's smallest units. */
export function fromCents(sum: number, currency: string): Money {
  const digits = minorDigits(currency)
  return { amount: (sum / 10 ** digits).toFixed(digits), currency }
}

/** A value in one line, for messages and for comparing whether two are the same. */
export function plain(value: Value): string {
  if (value === null) return ''
  if (typeof value === 'string') return value
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (isMoney(value)) return `${value.currency} ${groupThousands(value.amount)}`
  return value
    .map((row) =>
      Object.values(row)
        .map((cell) => (cell === null ? '' : typeof cell === 'string' ? cell : cell.amount))
        .join(' | '),
    )
    .join('\n')
}

/** `48750.00` as `48,750.00`. */
export const groupThousands = (amount: string): string => amount.replace(/\B(?=(?:\d{3})+(?:\.|$))/g, ',')
