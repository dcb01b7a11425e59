import type { Lender } from '../locale/index.ts'
import type { Answer } from '../answers/index.ts'
import { judgeChecklist, type RequirementResult } from '../check/index.ts'
import {
  type CheckResult,
  type FactResult,
  judgeChecks,
  judgeFacts,
  type Persons,
  type Replacement,
} from '../dossier/index.ts'
import {
  dealDeck,
  type DeckTypes,
  type Document,
  type Finding,
  gatherFindings,
  type OpenStray,
  type PackageFile,
  type Question,
} from '../findings/index.ts'
import type { Page } from '../model/index.ts'
import type { Piece } from '../classification/index.ts'
import { type DocumentType, type Program, typeById, unknownType } from '../program/index.ts'
import { documentsOf } from './documents.ts'
import { type Step, stepsOver } from './passes.ts'
import { pageReader, type Reader } from './readings.ts'

/** All that a judgement rests on. Answers are in the order they were given, undone ones left out. */
export interface Situation {
  files: readonly PackageFile[]
  pages: readonly Page[]
  pieces: readonly Piece[]
  program: Program
  types: readonly DocumentType[]
  /** Whose papers they are: how they are written where they do not show it. */
  lender: Lender
  answers: readonly Answer[]
  /** The day the package is judged on, ISO. */
  asOf: string
  /** Pages behind sheets of other cases that a person is asked about; none where papers have no other case to go to. */
  strays?: readonly OpenStray[]
  /** Pages that the applicant was asked to bring once more, and those that they brought for them. */
  replacements?: readonly Replacement[]
  /** What the applicant says, by the fact or check that they were asked about (`fact:ID`), since it was decided last. */
  said?: ReadonlyMap<string, string>
  /** The words of English, by which misread rows of pictures are known; loaded when asked for. */
  english?: () => ReadonlySet<string>
}

/** Grows when the shape of an assessment changes: a stored one of an older shape is made again before it is shown. */
export const ASSESSMENT_FORM = 6

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

/**
 * The later half of the way: pieces and people's answers → documents → values → facts, checks, checklist →
 * findings and deck. Pure: the same situation gives the same assessment.
 */
export function assess(
  situation: Situation,
  read: Reader = pageReader(situation.pages, situation.lender),
): Assessment {
  const { program, types, answers, asOf } = situation
  const { papers, persons } = packageSteps(situation, read).at(-1)!.after
  const documents = papers as Document[]
  const facts = judgeFacts(documents, program, answers)
  const checks = judgeChecks(documents, { program, types, answers, asOf })
  const { currency } = situation.lender
  const titles = new Map([...types, unknownType].map((t) => [t.id, t.title]))
  const checklist = judgeChecklist(program, { papers: documents, persons, asOf, titles, currency }, answers)
  const findings = gatherFindings({
    files: situation.files,
    pages: situation.pages,
    papers: documents,
    facts,
    checks,
    checklist,
    program,
    currency,
  })
  const { strays, said } = situation
  const deck = dealDeck({
    documents,
    facts,
    checks,
    checklist,
    program,
    types: deckTypes(types),
    strays,
    said,
  })
  return { form: ASSESSMENT_FORM, documents, persons, facts, checks, checklist, findings, deck }
}

/** What each look over all papers of a package makes of them, from documents that stand alone to the last. */
export function packageSteps(
  situation: Situation,
  read: Reader = pageReader(situation.pages, situation.lender),
): Step[] {
  const { program, types, answers, replacements, asOf, english } = situation
  const typesById = new Map([...types, unknownType].map((t) => [t.id, t]))
  const pages = new Map(situation.pages.map((p) => [p.number, p]))
  const standing = documentsOf(situation, pages, read)
  return stepsOver(standing, {
    program,
    types,
    typesById,
    pages: withLocales(pages, standing),
    answers,
    replacements,
    asOf,
    english,
  })
}

/** Pages with how their papers write amounts and days. */
function withLocales(
  pages: ReadonlyMap<number, Page>,
  documents: readonly Document[],
): ReadonlyMap<number, Page> {
  const known = new Map(pages)
  for (const { pages: numbers, locale } of documents)
    for (const number of numbers) known.set(number, { ...pages.get(number)!, locale })
  return known
}

/** What questions say of types and their fields. */
function deckTypes(types: readonly DocumentType[]): DeckTypes {
  const field = (type: string, name: string) => typeById(types, type).fields.find((f) => f.name === name)
  return {
    title: (id) => typeById(types, id).title,
    fieldTitle: (type, name) => field(type, name)?.title ?? name,
    fieldKind: (type, name) => field(type, name)?.kind ?? 'text',
    threshold: (id) => typeById(types, id).threshold,
  }
}
