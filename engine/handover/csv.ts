import { stringify } from 'csv-stringify/sync'
import type { About, ValueOut } from '../../core/receivers/index.ts'

/** What a program for tables takes for the beginning of a formula, or for none of its business. */
const FORMULA = /^[=+\-@\t\r\n|]/
const NUMBER = /^[+-]?\d+(?:\.\d+)?$/

/**
 * Text that no program for tables runs: what a stranger's paper begins like a formula has an apostrophe before it
 * (OWASP, CSV injection). Numbers stay numbers.
 */
export const harmless = (text: string): string =>
  FORMULA.test(text) && !NUMBER.test(text) ? `'${text}` : text

const HEAD = [
  'case',
  'reference',
  'applicant',
  'document',
  'file',
  'type',
  'type_name',
  'label',
  'field',
  'field_name',
  'row',
  'column',
  'value',
  'currency',
  'raw',
  'confidence',
  'state',
  'confirmed_by',
  'page',
  'box',
  'link',
] as const

/** Values as CSV (RFC 4180), a line each; the marks of UTF-8 in front, without which some programs guess. */
export function csvOf(values: readonly ValueOut[], about: About): string {
  const lines = values.map((v) =>
    [
      about.caseNumber,
      about.reference,
      about.applicant,
      v.document,
      v.file,
      v.type,
      v.typeName,
      v.label,
      v.field,
      v.fieldName,
      v.row ?? '',
      v.column ?? '',
      v.value === null ? '' : String(v.value),
      v.currency,
      v.raw,
      v.confidence.toFixed(3),
      v.state,
      v.confirmedBy,
      v.page ?? '',
      v.box?.map((n) => n.toFixed(4)).join(' ') ?? '',
      v.link,
    ].map((cell) => harmless(String(cell))),
  )
  return stringify([[...HEAD], ...lines], { bom: true, record_delimiter: 'windows' })
}
