import type { FilledField } from '../answers/index.ts'
import type { Value } from '../model/index.ts'

/**
 * Whose paper it is: an applicant's, somebody's whom a value of another paper names (`named:type.field`), a
 * stranger's who is here with a card or the like of their own, or `other`, somebody's whom nothing names here.
 */
export type Owner = 'applicant' | 'co_applicant' | `named:${string}` | 'stranger' | 'other' | 'nobody'

/** Whether a paper is known to be somebody's besides the applicant: it says nothing of them. */
export const isAnothers = ({ owner }: Pick<Paper, 'owner'>): boolean =>
  owner === 'co_applicant' || owner === 'stranger' || owner.startsWith('named:')

/** A document with its values, as facts, checks and the checklist see it. */
export interface Paper {
  id: string
  type: string
  /** Whether somebody is still asked what it is, or where it begins and ends. */
  typeAsked: boolean
  /** What a person calls it: "Payslip February 2026". */
  label: string
  pages: number[]
  fields: FilledField[]
  /** null where the type expects no signature. */
  signed: boolean | null
  /** Whether it is signed is still asked about: the ink was doubtful, or no place for it was found. */
  signedAsked: boolean
  owner: Owner
  /** It is nobody's here by a name that is still asked about: rightly read, it may be somebody's. */
  ownerAsked: boolean
  /** Page numbers of its own that are not there. */
  lacking: number[]
  /** The paper that this one is a copy of. */
  copyOf: string | null
  /** The newer version of this paper that counts in its place. */
  supersededBy: string | null
}

/** Values that are likelier wrong than right take no part in comparisons until a person answers. */
export const TAKES_PART = 0.5

export const fieldOf = (paper: Paper, name: string): FilledField | undefined =>
  paper.fields.find((f) => f.name === name)

/** A value sure enough to compare, or null. */
export function usable(paper: Paper, name: string): Value {
  const field = fieldOf(paper, name)
  return field && field.value !== null && field.confidence >= TAKES_PART ? field.value : null
}

/** A usable text value (date, name, id), or null. */
export const usableText = (paper: Paper, name: string): string | null => {
  const value = usable(paper, name)
  return typeof value === 'string' ? value : null
}

/** Copies of another paper count as nothing new, and older versions not at all. */
export const counts = (paper: Paper): boolean => paper.copyOf === null && paper.supersededBy === null

/** The papers of a type that count. */
export const counting = (papers: readonly Paper[], type: string): Paper[] =>
  papers.filter((p) => p.type === type && counts(p))

/** Splits `type.field`. */
export const splitReference = (reference: string): [type: string, field: string] =>
  reference.split('.') as [string, string]

/** The first usable value of `type.field` in the package. */
export function valueIn(papers: readonly Paper[], reference: string): { paper: Paper; value: Value } | null {
  const [type, name] = splitReference(reference)
  for (const paper of counting(papers, type)) {
    const value = usable(paper, name)
    if (value !== null) return { paper, value }
  }
  return null
}
