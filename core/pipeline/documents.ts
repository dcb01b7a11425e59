import { type Lender, localeOfLender } from '../locale/index.ts'
import { type FieldValue, message, type Page } from '../model/index.ts'
import { type Answer, arrange, type Arranged, fill, type FilledField, openDoubts } from '../answers/index.ts'
import { missingPages, type Piece } from '../classification/index.ts'
import { type DocumentReading, SIGNATURE_SURE } from '../extraction/index.ts'
import { type Document, labelDocuments } from '../findings/index.ts'
import { type DocumentType, typeById } from '../program/index.ts'
import { pageReader, type Reader } from './readings.ts'
import { settleAlike } from './settle-alike.ts'

/** What documents are made of: the machine's cut, and what people said of it. */
interface Given {
  pages: readonly Page[]
  pieces: readonly Piece[]
  types: readonly DocumentType[]
  lender: Lender
  answers: readonly Answer[]
}

interface Draft {
  arranged: Arranged
  pages: readonly number[]
  type: DocumentType
  reading: DocumentReading
  fields: FilledField[]
}

/**
 * The documents of a package as each stands by itself: arranged as people said, read, and filled in with
 * their answers. What the papers say of one another is the passes' to find.
 */
export function documentsOf(given: Given, pages: ReadonlyMap<number, Page>, read: Reader): Document[] {
  const placed = new Set(given.pieces.flatMap((p) => p.pages))
  const outside = given.pages.flatMap((p) => (placed.has(p.number) ? [] : [p.number]))
  const drafts = arrange(given.pieces, given.answers, outside).map((arranged): Draft => {
    const type = typeById(given.types, arranged.type)
    const reading = readOrAsk(() => read(arranged.pages, type), arranged.pages, type, given.lender)
    const fields = fill(reading.fields, arranged.pages, given.answers)
    return { arranged, pages: arranged.pages, type, reading, fields }
  })
  const settled = settleAlike(drafts, pages, pageReader([...pages.values()], given.lender))
  const labels = labelDocuments(settled)
  return settled.map((draft, i) => documentOf(draft, labels[i], given.answers, pages))
}

/**
 * One paper that no reader was made for costs the others nothing: where reading it fails, a person is asked
 * for all of its values, and told why.
 */
function readOrAsk(
  read: () => DocumentReading,
  pages: readonly number[],
  type: DocumentType,
  lender: Lender,
): DocumentReading {
  try {
    return read()
  } catch (error) {
    const fault = error instanceof Error ? error.message : String(error)
    const reason = message('value.reader_failed', { fault })
    const fields = type.fields.map((f): FieldValue => ({
      name: f.name,
      value: null,
      raw: null,
      confidence: 0,
      needsReview: true,
      reason,
      others: [],
      repaired: false,
      page: null,
      box: null,
    }))
    return {
      locale: localeOfLender(lender),
      fields,
      signature: type.signature
        ? { signed: false, confidence: 0, page: pages.at(-1)!, box: [0, 0, 1, 1] }
        : null,
    }
  }
}

/** Share of the chance of all types by which one of them is clear. */
const CLEAR_TYPE = 0.95

function documentOf(
  { arranged, type, reading, fields }: Draft,
  label: string,
  answers: readonly Answer[],
  pages: ReadonlyMap<number, Page>,
): Document {
  const said = answers
    .filter((a): a is Answer & { kind: 'signed' } => a.kind === 'signed' && arranged.pages.includes(a.page))
    .at(-1)
  const signature = reading.signature
    ? { ...reading.signature, signed: said?.signed ?? reading.signature.signed, said: said !== undefined }
    : null
  const doubts = openDoubts(arranged)
  const needsReview = isUnsure(arranged, type, doubts.length) || doubts.some((d) => d.rule)
  return {
    id: `d${arranged.pages[0]}`,
    type: type.id,
    typeAsked: needsReview && !arranged.typeSaid,
    label,
    pages: arranged.pages,
    fields,
    locale: reading.locale,
    signed: type.signature ? (said?.signed ?? reading.signature?.signed ?? false) : null,
    signedAsked: signature !== null && !signature.said && signature.confidence < SIGNATURE_SURE,
    owner: 'nobody',
    ownerAsked: false,
    lacking: type.id === 'unknown' ? [] : missingPages(arranged.pages.map((n) => pages.get(n)!)),
    copyOf: null,
    supersededBy: null,
    confidence: arranged.typeSaid ? 1 : arranged.confidence,
    needsReview,
    types: arranged.types,
    cutBefore: arranged.cutBefore,
    doubts,
    contested: arranged.contested ?? null,
    typeSaid: arranged.typeSaid,
    cutSaid: arranged.cutSaid,
    signature,
  }
}

/** Whether a person is to look at what a document is, and where it begins and ends. */
function isUnsure(arranged: Arranged, type: DocumentType, openDoubtCount: number): boolean {
  if (arranged.typeSaid || (arranged.confidence >= type.threshold && type.id !== 'unknown')) return false
  // Once a person has said where it begins and ends, only its type can be in doubt.
  const endsSaid = arranged.cutSaid || ((arranged.doubts ?? []).length > 0 && openDoubtCount === 0)
  const all = arranged.types.reduce((sum, t) => sum + t.confidence, 0)
  const typeClear = (arranged.types[0]?.confidence ?? 0) > CLEAR_TYPE * all
  return !(endsSaid && typeClear)
}
