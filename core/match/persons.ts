import type { DocumentType, Program } from '../program/schema.ts'
import { typeById } from '../program/types/index.ts'
import { comparers } from './comparers.ts'
import { counts, fieldOf, splitReference, usableText, valueIn, type Owner, type Paper } from './paper.ts'

/** Who applies, by the names on the application. */
export interface Persons {
  applicant: string | null
  coApplicant: string | null
}

/** So many papers of one name speak for who applies where the form itself was not read. */
const SPEAKING = 3

/**
 * The applicant's name: as the form has it, or where that could not be read, as most of the papers have it. Without one,
 * two people's papers would be held against one another.
 * @param nameField the field that says whose paper a type is
 */
export function applicantOf(papers: readonly Paper[], program: Program, nameField: (type: string) => string | null): string | null {
  const onForm = valueIn(papers, program.persons.applicant)
  const [, field] = splitReference(program.persons.applicant)
  const told = onForm && typeof onForm.value === 'string' ? onForm.value : null
  if (onForm && !fieldOf(onForm.paper, field)!.needsReview) return told
  const names = papers.filter(counts).flatMap((p) => {
    const own = nameField(p.type)
    const name = own && usableText(p, own)
    return name && !fieldOf(p, own)!.needsReview ? [name] : []
  })
  const agreeing = (name: string) => names.filter((n) => comparers.name({ value: n, sure: 1 }, { value: name, sure: 1 }).relation !== 'different').length
  const most = names.reduce<{ name: string | null; count: number }>((best, name) => { const count = agreeing(name); return count > best.count ? { name, count } : best }, { name: null, count: SPEAKING - 1 })
  return most.name !== null && most.count * 2 > names.length ? most.name : told
}

export function personsOf(papers: readonly Paper[], program: Program, applicant: string | null): Persons {
  const name = (reference: string | undefined) => {
    const value = reference ? valueIn(papers, reference)?.value : null
    return typeof value === 'string' ? value : null
  }
  return { applicant, coApplicant: name(program.persons.coApplicant) }
}

/** Says of each paper whose it is, from the name that its type gives it. */
export function withOwners(papers: readonly Paper[], persons: Persons, types: readonly DocumentType[]): Paper[] {
  return papers.map((paper) => {
    const type = typeById(types, paper.type)
    const owner = ownerOf(paper, persons, type)
    return { ...paper, owner, ownerAsked: owner === 'other' && fieldOf(paper, type.person!)!.needsReview }
  })
}

function ownerOf(paper: Paper, persons: Persons, type: DocumentType): Owner {
  const name = type.person ? usableText(paper, type.person) : null
  if (!name) return 'nobody'
  const sure = fieldOf(paper, type.person!)!.confidence
  const is = (person: string | null) => person !== null && comparers.name({ value: name, sure }, { value: person, sure: 1 }).relation !== 'different'
  if (is(persons.applicant)) return 'applicant'
  if (is(persons.coApplicant)) return 'co_applicant'
  return 'other'
}
