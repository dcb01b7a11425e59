/** Ways to write amounts and days in the United States. Amounts are in cents, days ISO dates. */

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

const grouped = (cents: number): string =>
  `${Math.floor(Math.abs(cents) / 100)
    .toString()
    .replace(/\B(?=(?:\d{3})+$)/g, ',')}.${String(Math.abs(cents) % 100).padStart(2, '0')}`

export const amounts = {
  sign: (cents: number) => `${cents < 0 ? '-' : ''}$${grouped(cents)}`,
  bare: (cents: number) => `${cents < 0 ? '-' : ''}${grouped(cents)}`,
  brackets: (cents: number) => (cents < 0 ? `($${grouped(cents)})` : `$${grouped(cents)}`),
  behind: (cents: number) => `${grouped(cents)}${cents < 0 ? '-' : ''}`,
  wide: (cents: number) => `${cents < 0 ? '-' : ''}$ ${grouped(cents)}`,
}
export type WriteAmount = (cents: number) => string

const parts = (iso: string) => ({ y: iso.slice(0, 4), m: iso.slice(5, 7), d: iso.slice(8) })
export const days = {
  slashes: (iso: string) => `${parts(iso).m}/${parts(iso).d}/${parts(iso).y}`,
  short: (iso: string) => `${+parts(iso).m}/${+parts(iso).d}/${parts(iso).y.slice(2)}`,
  dashes: (iso: string) => `${parts(iso).m}-${parts(iso).d}-${parts(iso).y}`,
  long: (iso: string) => `${MONTHS[+parts(iso).m - 1]} ${+parts(iso).d}, ${parts(iso).y}`,
  medium: (iso: string) => `${MONTHS[+parts(iso).m - 1].slice(0, 3)} ${+parts(iso).d}, ${parts(iso).y}`,
  bare: (iso: string) => `${parts(iso).m}/${parts(iso).d}`,
  named: (iso: string) => `${MONTHS[+parts(iso).m - 1].slice(0, 3)} ${parts(iso).d}`,
}
export type WriteDay = (iso: string) => string
