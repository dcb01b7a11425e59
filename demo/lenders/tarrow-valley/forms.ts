/** Ways to write amounts and days in the United States. Amounts are in cents, days ISO dates. */

const plain = new Intl.NumberFormat('en-US', { minimumFractionDigits: 2 })
const grouped = (cents: number): string => plain.format(Math.abs(cents) / 100)

export const amounts = {
  sign: (cents: number) => `${cents < 0 ? '-' : ''}$${grouped(cents)}`,
  bare: (cents: number) => `${cents < 0 ? '-' : ''}${grouped(cents)}`,
  wide: (cents: number) => `${cents < 0 ? '-' : ''}$ ${grouped(cents)}`,
}
export type WriteAmount = (cents: number) => string

const written = (options: Intl.DateTimeFormatOptions): WriteDay => {
  const format = new Intl.DateTimeFormat('en-US', { timeZone: 'UTC', ...options })
  return (iso) => format.format(new Date(iso))
}
const slashes = written({ month: '2-digit', day: '2-digit', year: 'numeric' })

export type WriteDay = (iso: string) => string
export const days = {
  slashes,
  dashes: (iso: string) => slashes(iso).replaceAll('/', '-'),
  short: written({ dateStyle: 'short' }),
  long: written({ dateStyle: 'long' }),
  medium: written({ dateStyle: 'medium' }),
  bare: written({ month: '2-digit', day: '2-digit' }),
  named: written({ month: 'short', day: '2-digit' }),
} satisfies Record<string, WriteDay>
