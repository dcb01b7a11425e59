import type { Answer } from './answers/answer.ts'
import { arrange, openDoubts } from './answers/arrange.ts'
import { fill } from './answers/fill.ts'
import { judgeChecklist, type RequirementResult } from './check/checklist.ts'
import { dealDeck, type Question } from './findings/deck.ts'
import type { Document } from './findings/document.ts'
import type { Finding } from './findings/finding.ts'
import { gatherFindings, type PackageFile } from './findings/findings.ts'
import { labelDocuments } from './findings/label.ts'
import { withCopies } from './dossier/duplicates.ts'
import { withEchoes } from './reconciliation/consensus.ts'
import { judgeFacts, type FactResult } from './dossier/facts.ts'
import { withJoins } from './reconciliation/statement-chain.ts'
import { withOddities } from './reconciliation/outliers.ts'
import { withRowWords } from './reconciliation/row-spelling.ts'
import { applicantOf, personsOf, withOwners, type Persons } from './dossier/persons.ts'
import { secondPerson, withSecondPerson } from './dossier/co-applicant.ts'
import { withVersions } from './dossier/versions.ts'
import { judgeChecks, type CheckResult } from './dossier/checks.ts'
import type { Page } from './model/page.ts'
import type { DocumentType, Program } from './program/schema.ts'
import { typeById, unknownType } from './program/types/index.ts'
import { SIGNATURE_SURE } from './extraction/marks/signature.ts'
import { readDocument, type DocumentReading } from './extraction/fields/extract.ts'
import type { FieldValue } from './model/value.ts'
import { lackingPages } from './classification/missing-pages.ts'
import type { Piece } from './classification/piece.ts'

/** All that a judgement rests on. Answers are in the order they were given, undone ones left out. */
export interface Situation {
  files: readonly PackageFile[]
  pages: readonly Page[]
  pieces: readonly Piece[]
  program: Program
  types: readonly DocumentType[]
  answers: readonly Answer[]
  /** The day the package is judged on, ISO. */
  asOf: string
  /** The words of English, by which misread rows of pictures are known; loaded when asked for. */
  english?: () => ReadonlySet<string>
}

/** Grows when the shape of an assessment changes: a stored one of an older shape is made again before it is shown. */
export const ASSESSMENT_FORM = 2

/** A judged package: what screens show and reports say. */
export interface Assessment {
  form: number
  documents: Document[]
  persons: Persons
  facts: FactResult[]
  checks: CheckResult[]
  checklist: RequirementResult[]
  findings: Finding[]
  deck: Question[]
}

/** Reads a document; given so that a caller can keep readings of documents that did not change. */
export type Reader = (pages: readonly number[], type: DocumentType) => DocumentReading

/** A reader straight from pages. */
export function pageReader(pages: readonly Page[]): Reader {
  const byNumber = new Map(pages.map((p) => [p.number, p]))
  return (numbers, type) =>
    readDocument(
      numbers.map((n) => byNumber.get(n)!),
      type,
    )
}

/** What was read of documents, by type and pages (`readingKey`). */
export type Readings = Map<string, DocumentReading>

export const readingKey = (type: string, pages: readonly number[]): string => `${type}:${pages.join(',')}`

/** The type and the pages of a key. */
const partsOf = (key: string): [type: string, pages: number[]] => {
  const at = key.lastIndexOf(':')
  return [
    key.slice(0, at),
    key
      .slice(at + 1)
      .split(',')
      .map(Number),
  ]
}

/** Drops what was read of documents with a page that changed. */
export function forgetPages(readings: Readings, changed: ReadonlySet<number>): void {
  for (const key of [...readings.keys()])
    if (partsOf(key)[1].some((page) => changed.has(page))) readings.delete(key)
}

/**
 * A reader that keeps what it read, so that judging again reads only documents whose pages changed.
 * @param kept readings from before; those read now are added
 */
export function keepingReader(read: Reader, kept: Readings = new Map()): Reader {
  return (numbers, type) => {
    const key = readingKey(type.id, numbers)
    let reading = kept.get(key)
    if (!reading) kept.set(key, (reading = read(numbers, type)))
    return reading
  }
}

/**
 * One paper that no reader was made for costs the others nothing: where reading it fails, a person is asked for all of its
 * values, and told why.
 */
function readOrAsk(read: Reader, pages: readonly number[], type: DocumentType): DocumentReading {
  try {
    return read(pages, type)
  } catch (error) {
    const reason = `this paper could not be read: ${error instanceof Error ? error.message : String(error)}`
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
      fields,
      signature: type.signature ? { signed: false, sure: 0, page: pages.at(-1)!, box: [0, 0, 1, 1] } : null,
    }
  }
}

/**
 * The later half of the way: pieces and people's answers → documents → values → facts, checks, checklist → findings and deck.
 * Pure: the same situation gives the same assessment.
 */
export function assess(situation: Situation, read: Reader = pageReader(situation.pages)): Assessment {
  const { program, types, answers, asOf } = situation
  const typesById = new Map([...types, unknownType].map((t) => [t.id, t]))
  const byNumber = new Map(situation.pages.map((p) => [p.number, p]))
  const placed = new Set(situation.pieces.flatMap((p) => p.pages))
  const outside = situation.pages.flatMap((p) => (placed.has(p.number) ? [] : [p.number]))
  const drafts = arrange(situation.pieces, answers, outside).map((arranged) => {
    const type = typeById(types, arranged.type)
    const reading = readOrAsk(read, arranged.pages, type)
    const fields = fill(reading.fields, arranged.pages, answers)
    return { arranged, type, reading, fields }
  })
  const labels = labelDocuments(drafts)
  const bare = drafts.map(({ arranged, type, reading, fields }, i): Document => {
    const said = answers.filter((a) => a.kind === 'signed' && arranged.pages.includes(a.page)).at(-1) as
      (Answer & { kind: 'signed' }) | undefined
    const signature = reading.signature
      ? { ...reading.signature, signed: said?.signed ?? reading.signature.signed, said: said !== undefined }
      : null
    const settled = arranged.typeSaid
    const doubts = openDoubts(arranged)
    // Once a person has said where it begins and ends, only its type can be in doubt.
    const endsSaid = arranged.cutSaid || ((arranged.doubts ?? []).length > 0 && doubts.length === 0)
    const typeSure =
      (arranged.types[0]?.confidence ?? 0) > 0.95 * arranged.types.reduce((sum, t) => sum + t.confidence, 0)
    const unsure = arranged.confidence < type.threshold || type.id === 'unknown'
    return {
      id: `d${arranged.pages[0]}`,
      type: type.id,
      label: labels[i],
      pages: arranged.pages,
      fields,
      signed: type.signature ? (said?.signed ?? reading.signature?.signed ?? false) : null,
      signedAsked: signature !== null && !signature.said && signature.sure < SIGNATURE_SURE,
      owner: 'nobody',
      ownerAsked: false,
      lacking: type.id === 'unknown' ? [] : lackingPages(arranged.pages.map((n) => byNumber.get(n)!)),
      copyOf: null,
      supersededBy: null,
      confidence: settled ? 1 : arranged.confidence,
      needsReview: (!settled && unsure && !(endsSaid && typeSure)) || doubts.some((d) => d.rule),
      types: arranged.types,
      cutBefore: arranged.cutBefore,
      doubts,
      contested: arranged.contested ?? null,
      typeSaid: arranged.typeSaid,
      cutSaid: arranged.cutSaid,
      signature,
    }
  })
  const copied = withVersions(withCopies(bare, typesById), typesById, answers)
  const nameField = (type: string) => typeById(types, type).person
  const applicant = applicantOf(copied, program, nameField, byNumber)
  const accompanied = withSecondPerson(copied, program, secondPerson(copied, program, applicant, nameField))
  const persons = personsOf(accompanied, program, applicant)
  // A name that other papers made certain says whose its paper is, too.
  const echoed = withJoins(
    withEchoes(withOwners(accompanied, persons, types), program, byNumber),
    program,
    byNumber,
  )
  const told = withOddities(
    withRowWords(echoed, byNumber, typesById, situation.english),
    program,
    typesById,
    byNumber,
    asOf,
  )
  const documents = withOwners(told, persons, types) as Document[]
  const facts = judgeFacts(documents, program, answers)
  const checks = judgeChecks(documents, { program, types, answers, asOf })
  const titles = new Map([...typesById].map(([id, t]) => [id, t.title]))
  const checklist = judgeChecklist(program, { papers: documents, persons, asOf, titles }, answers)
  const findings = gatherFindings({
    files: situation.files,
    pages: situation.pages,
    papers: documents,
    facts,
    checks,
    checklist,
    program,
  })
  const field = (type: string, name: string) => typeById(types, type).fields.find((f) => f.name === name)
  const deck = dealDeck({
    documents,
    facts,
    checks,
    checklist,
    program,
    types: {
      title: (id) => typeById(types, id).title,
      fieldTitle: (type, name) => field(type, name)?.title ?? name,
      fieldKind: (type, name) => field(type, name)?.kind ?? 'text',
      threshold: (id) => typeById(types, id).threshold,
    },
  })
  return { form: ASSESSMENT_FORM, documents, persons, facts, checks, checklist, findings, deck }
}
