import type { FilledField } from '../answers/index.ts'
import { type DocumentReading, withLearntLabels, wordingsBeside } from '../extraction/index.ts'
import { type Box, type FieldValue, type Page, plain, type Value } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { isHardlyReadable } from '../reconciliation/index.ts'
import { fold } from '../text/index.ts'
import type { Reader } from './readings.ts'

/** A document of a package, read and filled in with what people said of it. */
interface Filled {
  type: DocumentType
  pages: readonly number[]
  reading: DocumentReading
  fields: FilledField[]
}

/** A value that may be a field's, with its place. */
interface Placed {
  value: Value
  raw: string | null
  page: number | null
  box: Box | null
}

/** Reasons to ask that are about where a value stands, and not about what it says. */
const OF_PLACE: ReadonlySet<string> = new Set([
  'value.not_found',
  'value.not_found_at_label',
  'value.two_readings',
  'value.unusual_place',
])

/** As sure as a value is that stands where a person found its like on another paper. */
const LIKE_ANOTHER = 0.95

/**
 * Lets one answer settle its like: where a person showed which wording leads to a value on one paper, the same
 * wording leads to it on the others of its type, and is not asked about again. The same label on three payslips is
 * one question.
 * @param read reads a document by a type that knows one wording more
 */
export function settleAlike<P extends Filled>(
  papers: readonly P[],
  pages: ReadonlyMap<number, Page>,
  read: Reader,
): P[] {
  const taught = taughtBy(papers, pages)
  if (taught.size === 0) return [...papers]
  return papers.map((paper) => {
    const fields = paper.fields.map((field) => {
      const lessons = taught.get(keyOf(paper, field.name))
      return lessons && field.state === 'asked' && isAskedForPlace(field)
        ? (settled(paper, field, lessons, pages, read) ?? field)
        : field
    })
    return { ...paper, fields }
  })
}

/** Wordings that lead to a field of a type, by people's answers, and those that do not. */
interface Lessons {
  leads: Set<string>
  misleads: Set<string>
}

/** Whether a field is asked about for its place alone, which another paper may show. */
const isAskedForPlace = ({ needsReview, reason }: FieldValue): boolean =>
  needsReview && OF_PLACE.has(reason?.code ?? '')

const keyOf = ({ type }: Filled, field: string): string => `${type.id}.${field}`

function taughtBy(papers: readonly Filled[], pages: ReadonlyMap<number, Page>): Map<string, Lessons> {
  const taught = new Map<string, Lessons>()
  for (const paper of papers)
    paper.fields.forEach((field, i) => {
      if ((field.state !== 'confirmed' && field.state !== 'corrected') || Array.isArray(field.value)) return
      const machine = paper.reading.fields[i]
      const elsewhere = String(field.box) !== String(machine.box) || field.page !== machine.page
      // A value that was typed has no place of its own.
      const shown = field.state === 'confirmed' || elsewhere ? captionOf(field, pages) : null
      const passedOver = field.state === 'corrected' ? captionOf(machine, pages) : null
      const lessons = taught.get(keyOf(paper, field.name)) ?? { leads: new Set(), misleads: new Set() }
      if (shown !== null) lessons.leads.add(shown)
      if (passedOver !== null && passedOver !== shown) lessons.misleads.add(passedOver)
      taught.set(keyOf(paper, field.name), lessons)
    })
  for (const [key, { leads, misleads }] of taught) {
    for (const wording of misleads) leads.delete(wording)
    if (leads.size === 0) taught.delete(key)
  }
  return taught
}

/** What leads to a place: the wording that stands nearest. */
function captionOf({ page, box }: Placed, pages: ReadonlyMap<number, Page>): string | null {
  const on = page === null ? undefined : pages.get(page)
  const wording = on && box ? wordingsBeside(on, box)[0] : undefined
  return wording === undefined ? null : fold(wording)
}

function settled(
  paper: Filled,
  field: FilledField,
  { leads }: Lessons,
  pages: ReadonlyMap<number, Page>,
  read: Reader,
): FilledField | null {
  const isLed = (placed: Placed) => {
    const caption = captionOf(placed, pages)
    // The place is known by the answer, the letters are not: what was read from weak print stays asked.
    const weak = isHardlyReadable(placed, pages.get(placed.page ?? 0))
    return placed.value !== null && caption !== null && leads.has(caption) && !weak
  }
  // Other readings that were found are not taken as they are: what is in doubt of them besides their place is told by
  // reading the paper again.
  const first = isLed(field) ? field : taughtReadings(paper, field.name, leads, read).find(isLed)
  if (!first) return null
  const { value, raw, page, box } = first
  return {
    ...field,
    value,
    raw,
    page,
    box,
    confidence: Math.max(field.confidence, LIKE_ANOTHER),
    needsReview: false,
    reason: null,
    state: 'certain',
    others: [field, ...field.others].flatMap((o) =>
      o.value !== null && o.page !== null && o.box !== null && plain(o.value) !== plain(value)
        ? [{ value: o.value, raw: o.raw ?? plain(o.value), page: o.page, box: o.box }]
        : [],
    ),
  }
}

/** Readings by types that were taught, kept as long as the reading that they begin from. */
const kept = new WeakMap<DocumentReading, Map<string, DocumentReading>>()

/** What a document says of a field when the wordings that lead to it are known; nothing where more than its place is in doubt. */
function taughtReadings(
  { type, pages, reading }: Filled,
  field: string,
  leads: ReadonlySet<string>,
  read: Reader,
): FieldValue[] {
  const key = [field, ...leads].join('\n')
  const known = kept.get(reading) ?? new Map<string, DocumentReading>()
  kept.set(reading, known)
  let again = known.get(key)
  if (!again) {
    const learnt = [...leads].map((wording) => ({ field, wording }))
    known.set(key, (again = read(pages, withLearntLabels(type, learnt))))
  }
  return again.fields.filter((f) => f.name === field && (!f.needsReview || isAskedForPlace(f)))
}
