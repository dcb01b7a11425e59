import { parse } from 'mrz'
import { linesOf } from '../../layout/index.ts'
import type { Page, Word } from '../../model/index.ts'
import { isoDate } from '../parsers/date.ts'

/** What the machine-readable zone of a card or passport says; values whose check digit fails are left out. */
export interface Mrz {
  documentNumber: string | null
  dateOfBirth: string | null
  expiryDate: string | null
  nationality: string | null
  /** Given names, then surnames. The zone has no check digit for them. */
  fullName: string | null
  words: Word[]
}

const tidyZone = (text: string): string =>
  text
    .toUpperCase()
    .replace(/[«‹]/g, '<')
    .replace(/[^A-Z0-9<]/g, '')

/**
 * A zone is set in capitals, of which a weak reader takes some for small letters; a line of printed labels is
 * mostly small.
 */
const MOST_SMALL = 0.2
const smallLetters = (text: string): number => (text.match(/\p{Ll}/gu) ?? []).length / text.length

/** Reads the zone of ICAO 9303 (TD1: 3 lines of 30, TD2: 2 of 36, TD3: 2 of 44) on a page, or null. */
export function readMrz(page: Page): Mrz | null {
  const lines = linesOf(page)
    .filter((line) => smallLetters(line.text) <= MOST_SMALL)
    .map((line) => ({ text: tidyZone(line.text), words: line.words }))
    .filter(
      (l) =>
        l.text.length >= 24 &&
        (l.text.includes('<<') || (/^[A-Z0-9<]{28,46}$/.test(l.text) && /\d{6}/.test(l.text))),
    )
  for (const [count, width] of [
    [3, 30],
    [2, 44],
    [2, 36],
  ] as const)
    for (let at = 0; at + count <= lines.length; at++) {
      const group = lines.slice(at, at + count)
      if (group.some((l) => Math.abs(l.text.length - width) > 4)) continue
      if (!group.some((l) => l.text.includes('<<'))) continue
      const rows = group.map((l) => fit(l.text, width))
      const read = readZone(rows)
      if (read) return { ...read, words: group.flatMap((l) => l.words) }
    }
  return null
}

/** Weak readers drop or double fillers; the length of a zone line is fixed. */
function fit(text: string, width: number): string {
  if (text.length === width) return text
  if (text.length < width) {
    const gap = text.lastIndexOf('<<')
    const missing = '<'.repeat(width - text.length)
    return gap >= 0 && gap < text.length - 2 ? text.slice(0, gap) + missing + text.slice(gap) : text + missing
  }
  let extra = text.length - width
  let cut = text.replace(/<{3,}/, (run) => {
    const drop = Math.min(extra, run.length - 2)
    extra -= drop
    return run.slice(drop)
  })
  if (cut.length > width) cut = cut.slice(0, width)
  return cut
}

function readZone(rows: string[]): Omit<Mrz, 'words'> | null {
  let result
  try {
    result = parse(rows, { autocorrect: true })
  } catch {
    return null
  }
  const field = (name: string) => {
    const detail = result.details.find((d) => d.field === name)
    return detail?.value ? detail.value : null
  }
  const holds = (check: string) => result.details.find((d) => d.field === check)?.valid === true
  const filled = (name: string) => /[A-Z0-9]/.test(field(name) ?? '')
  // One check digit in ten holds by chance, and that of nothing but fillers always; print that is no zone
  // must not pass for one.
  if (
    ['birthDate', 'documentNumber', 'expirationDate'].filter(
      (name) => filled(name) && holds(`${name}CheckDigit`),
    ).length < 2
  )
    return null
  const names = [field('firstName'), field('lastName')].filter((n): n is string => !!n)
  return {
    documentNumber: holds('documentNumberCheckDigit') ? field('documentNumber') : null,
    dateOfBirth: holds('birthDateCheckDigit') ? zoneDate(field('birthDate'), 'past') : null,
    expiryDate: holds('expirationDateCheckDigit') ? zoneDate(field('expirationDate'), 'future') : null,
    // The parser knows real states alone; the specimen state of the standard is printed as it stands.
    nationality: nationalityIn(rows),
    fullName: names.length === 2 ? names.join(' ') : null,
  }
}

/**
 * The three letters of the nationality: behind the dates of a card (TD1, TD2), behind the number of a
 * passport (TD3).
 */
function nationalityIn(rows: string[]): string | null {
  const code = (rows.length === 3 ? rows[1].slice(15, 18) : rows[1].slice(10, 13)).replace(/</g, '')
  return /^[A-Z]{1,3}$/.test(code) ? code : null
}

/** Two-digit years: births lie in the past hundred years, expiries in the coming fifty. */
function zoneDate(text: string | null, lies: 'past' | 'future'): string | null {
  if (!text || !/^\d{6}$/.test(text)) return null
  const year = +text.slice(0, 2)
  return isoDate(
    lies === 'past' && year > 20 ? 1900 + year : 2000 + year,
    +text.slice(2, 4),
    +text.slice(4, 6),
  )
}
