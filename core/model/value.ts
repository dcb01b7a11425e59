/** An amount as a decimal string with two places, and its ISO 4217 currency. */
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
