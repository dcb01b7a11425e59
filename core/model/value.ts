import type { Box } from './geometry.ts'

/** An amount as a decimal string with two places, and its ISO 4217 currency. */
export interface Money {
  amount: string
  currency: string
}

/** A row of a table, by column. */
export type Row = Record<string, string | Money | null>

/** A value in its normal form: dates ISO, ids without spaces, numbers as decimal strings. */
export type Value = string | boolean | Money | Row[] | null

/** What a paper says for one field, where, and how sure that is. */
export interface FieldValue {
  name: string
  value: Value
  /** As read. */
  raw: string | null
  confidence: number
  needsReview: boolean
  /** Why it is asked about, in words for a person; null where it is not. */
  reason: string | null
  /** Runners-up, the likeliest first. */
  others: { value: Value; raw: string; page: number; box: Box }[]
  /** An impossible reading was mended by its one likely explanation. */
  repaired: boolean
  page: number | null
  box: Box | null
  /** Places of a table's rows, in their order; absent for other kinds. */
  rowPlaces?: { page: number; box: Box }[]
}

export const isMoney = (value: unknown): value is Money =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && 'amount' in value

/** Whole cents of an amount. Sums are done in cents: decimal fractions do not add up exactly in floating point. */
export const cents = (money: Money): number => Math.round(Number(money.amount) * 100)

/** The amount of so many cents. */
export const fromCents = (sum: number, currency = 'EUR'): Money => ({
  amount: (sum / 100).toFixed(2),
  currency,
})

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
