import type { DocumentType, Program } from '../program/schema.ts'
import { typeById } from '../program/types/index.ts'
import { compareNames } from './names.ts'
import { fieldOf, usableText, valueIn, type Owner, type Paper } from './paper.ts'

/** Who applies, by the names on the application. */
export interface Persons {
  applicant: string | null
  coApplicant: string | null
}

export function personsOf(papers: readonly Paper[], program: Program): Persons {
  const name = (reference: string | undefined) => {
    const value = reference ? valueIn(papers, reference)?.value : null
    return typeof value === 'string' ? value : null
  }
  return { applicant: name(program.persons.applicant), coApplicant: name(program.persons.coApplicant) }
}

/** Says of each paper whose it is, from the name that its type gives it. */
export function withOwners(papers: readonly Paper[], persons: Persons, types: readonly DocumentType[]): Paper[] {
  return papers.map((paper) => ({ ...paper, owner: ownerOf(paper, persons, typeById(types, paper.type)) }))
}

function ownerOf(paper: Paper, persons: Persons, type: DocumentType): Owner {
  const name = type.person ? usableText(paper, type.person) : null
  if (!name) return 'nobody'
  const sure = fieldOf(paper, type.person!)!.confidence
  const is = (person: string | null) => person !== null && compareNames({ value: name, sure }, { value: person, sure: 1 }).relation !== 'different'
  if (is(persons.applicant)) return 'applicant'
  if (is(persons.coApplicant)) return 'co_applicant'
  return 'other'
}
