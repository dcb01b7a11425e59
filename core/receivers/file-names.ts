import { counts, usable } from '../dossier/index.ts'
import type { Document } from '../findings/index.ts'
import { isMoney, type Value } from '../model/index.ts'
import { type DocumentType, unknownType } from '../program/index.ts'
import type { About } from './about.ts'
import { apart, plainLetters, safePath } from './file-path.ts'
import { fillIn, inForm, parsePattern, PatternProblem, variablesIn } from './pattern.ts'
import type { Receiver } from './receiver.ts'

/** Variables that every paper has, besides the values of its type. */
export const PAPER_VARIABLES = [
  'number',
  'type',
  'label',
  'case',
  'reference',
  'applicant',
  'program',
  'pages',
] as const

/** Papers that go to a receiver, in its order. */
export function goingOut(documents: readonly Document[], receiver: Receiver): Document[] {
  const place = new Map(receiver.order.map((type, i) => [type, i]))
  const last = receiver.order.length
  return documents
    .filter((d) => !receiver.leaveOut.includes(d.type) && (receiver.papers === 'all' || counts(d)))
    .map((document, i) => ({ document, i }))
    .sort((a, b) => (place.get(a.document.type) ?? last) - (place.get(b.document.type) ?? last) || a.i - b.i)
    .map(({ document }) => document)
}

/** What a receiver calls a type. */
export const typeName = (receiver: Receiver, types: readonly DocumentType[], id: string): string =>
  receiver.names.types[id] ?? [...types, unknownType].find((t) => t.id === id)?.title ?? id

/** What a receiver calls a value of a type. */
export const fieldName = (
  receiver: Receiver,
  types: readonly DocumentType[],
  type: string,
  field: string,
): string =>
  receiver.names.fields[`${type}.${field}`] ??
  types.find((t) => t.id === type)?.fields.find((f) => f.name === field)?.title ??
  field

const inName = (value: Value): string =>
  value === null || Array.isArray(value)
    ? ''
    : isMoney(value)
      ? `${value.amount} ${value.currency}`
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : value

/**
 * Paths of the PDFs of papers that go out, by document: by the receiver's pattern, safe on every file system, none
 * twice. A value that is likelier wrong than right names nothing.
 * @param documents in the order in which they go
 */
export function pathsOf(
  documents: readonly Document[],
  receiver: Receiver,
  types: readonly DocumentType[],
  about: About,
): Map<string, string> {
  const pieces = parsePattern(receiver.pattern)
  const width = Math.max(2, String(documents.length).length)
  const paths = documents.map((document, i) => {
    const known: Record<(typeof PAPER_VARIABLES)[number], string> = {
      number: String(i + 1).padStart(width, '0'),
      type: typeName(receiver, types, document.type),
      label: document.label,
      case: about.caseNumber,
      reference: about.reference,
      applicant: about.applicant,
      program: about.program,
      pages: String(document.pages.length),
    }
    const said = fillIn(pieces, (name) => known[name as keyof typeof known] ?? inName(usable(document, name)))
    const path = safePath(receiver.plainLetters ? plainLetters(said).replace(/[^\w/]+/g, '-') : said)
    return path === '' || path.endsWith('/') ? `${path}${known.number}` : path
  })
  const named = apart(paths, '.pdf')
  return new Map(documents.map((d, i) => [d.id, named[i]]))
}

/** A day that every form must be able to write. */
const SOME_DAY = '2026-03-04'

/** What is wrong with a receiver, in sentences; none where it can be used. @param types of the organisation */
export function receiverFaults(receiver: Receiver, types: readonly DocumentType[]): string[] {
  const faults: string[] = []
  const ids = new Set(types.map((t) => t.id))
  const fields = new Map<string, Set<string>>()
  for (const { name, kind } of types.flatMap((t) => t.fields))
    fields.set(name, (fields.get(name) ?? new Set()).add(kind))
  for (const { name, format } of variablesIn(parsePattern(receiver.pattern))) {
    const own = (PAPER_VARIABLES as readonly string[]).includes(name)
    if (!own && !fields.has(name)) faults.push(`No type has a value “${name}”.`)
    if (format === null) continue
    if (!fields.get(name)?.has('date')) faults.push(`“${name}” is no day and has no form.`)
    try {
      inForm(SOME_DAY, format)
    } catch (error) {
      if (!(error instanceof PatternProblem)) throw error
      faults.push(error.message)
    }
  }
  for (const type of [...receiver.order, ...receiver.leaveOut])
    if (!ids.has(type) && type !== 'unknown') faults.push(`There is no type “${type}”.`)
  if (receiver.contents.includes('xml') && !receiver.xml)
    faults.push('Say which values go into which elements.')
  return faults
}
