/** Arithmetic on ISO dates (`YYYY-MM-DD`), in whole days of UTC so that no clock change shifts a day. */

const DAY = 86_400_000
const stamp = (iso: string): number => Date.parse(`${iso}T00:00:00Z`)

export const addDays = (iso: string, days: number): string =>
  new Date(stamp(iso) + days * DAY).toISOString().slice(0, 10)

/** Days from `a` to `b`; negative where b is earlier. */
export const daysBetween = (a: string, b: string): number => Math.round((stamp(b) - stamp(a)) / DAY)

/** So many months later; the 31st becomes the month's last day. */
export function addMonths(iso: string, months: number): string {
  const [year, month, day] = iso.split('-').map(Number)
  const last = new Date(Date.UTC(year, month - 1 + months + 1, 0)).getUTCDate()
  return new Date(Date.UTC(year, month - 1 + months, Math.min(day, last))).toISOString().slice(0, 10)
}

/** Months since year 0, so that months in a row differ by one. */
export const monthIndex = (iso: string): number => +iso.slice(0, 4) * 12 + +iso.slice(5, 7) - 1

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

/** `March 2026` of a month index. */
export const monthName = (index: number): string => `${MONTHS[index % 12]} ${Math.floor(index / 12)}`

/** `14 March 2026`. */
export const dayName = (iso: string): string =>
  `${+iso.slice(8)} ${MONTHS[+iso.slice(5, 7) - 1]} ${iso.slice(0, 4)}`
