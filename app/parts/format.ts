import { isMoney, plain, type Value } from '../../core/model/index.ts'
import { dayName } from '../../core/text/index.ts'

/** A value as a person reads it: days in words, amounts grouped. */
export function show(value: Value): string {
  if (typeof value === 'string' && /^\d{4}-\d{2}-\d{2}$/.test(value)) return dayName(value)
  if (Array.isArray(value)) return `${value.length} rows`
  if (isMoney(value)) return plain(value)
  return plain(value)
}

/** How long ago, in the largest fitting unit. */
export function ago(then: Date | string): string {
  const minutes = Math.max(0, Math.round((Date.now() - new Date(then).getTime()) / 60_000))
  if (minutes < 60) return `${minutes} min`
  const hours = Math.round(minutes / 60)
  return hours < 48 ? `${hours} h` : `${Math.round(hours / 24)} days`
}

export const moment = (then: Date | string): string =>
  new Date(then).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })

export function fileSize(bytes: number): string {
  if (bytes < 1024) return `${bytes} bytes`
  return bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`
}

/** What is said of open packages that were cut anew, behind another sentence. */
export const recutInWords = (packages: number): string =>
  packages === 0
    ? ''
    : ` ${count(packages, 'open package')} nobody has touched ${packages === 1 ? 'is' : 'are'} cut anew.`

export const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`
