import type { Answer, FilledField } from '../answers/index.ts'
import type { DocumentType } from '../program/index.ts'
import { plain } from '../model/index.ts'
import { comparers } from '../matching/index.ts'
import { counts, fieldOf, type Paper } from './paper.ts'

/**
 * Finds papers that are versions of one another: of one type, agreeing in what tells one matter from the
 * next, of different days. The newest counts, of those signed where the type is signed, or the one that a
 * person chose; the others name it as what supersedes them. Values still asked about make no version: a
 * misread date would hide a paper that counts.
 */
export function markVersions(
  papers: readonly Paper[],
  types: ReadonlyMap<string, DocumentType>,
  answers: readonly Answer[],
): Paper[] {
  const by = new Map<string, string>()
  for (const type of types.values()) {
    if (!type.versions) continue
    for (const group of groupsOf(
      papers.filter((p) => p.type === type.id && counts(p)),
      type,
    )) {
      const chosen = newest(group, type, answers)
      for (const paper of group) if (paper !== chosen) by.set(paper.id, chosen.id)
    }
  }
  return papers.map((paper) => (by.has(paper.id) ? { ...paper, supersededBy: by.get(paper.id)! } : paper))
}

const settled = (paper: Paper, name: string): FilledField | null => {
  const field = fieldOf(paper, name)
  return field && field.value !== null && !field.needsReview ? field : null
}

function groupsOf(papers: readonly Paper[], type: DocumentType): Paper[][] {
  const { date, of } = type.versions!
  const groups: Paper[][] = []
  for (const paper of papers) {
    if (!settled(paper, date)) continue
    const group = groups.find(([first]) => of.every((name) => agree(paper, first, name, type)))
    if (group) group.push(paper)
    else groups.push([paper])
  }
  // Two papers of one day are two papers: nothing tells which is the newer.
  return groups.filter(
    (group) => new Set(group.map((p) => fieldOf(p, date)!.value)).size === group.length && group.length > 1,
  )
}

function agree(a: Paper, b: Paper, name: string, type: DocumentType): boolean {
  const [p, q] = [settled(a, name), settled(b, name)]
  const kind = type.fields.find((f) => f.name === name)!.kind
  const compare = comparers[kind as keyof typeof comparers] ?? comparers.text
  return (
    p !== null &&
    q !== null &&
    compare({ value: p.value, confidence: 1 }, { value: q.value, confidence: 1 }).relation !== 'different'
  )
}

function newest(group: readonly Paper[], type: DocumentType, answers: readonly Answer[]): Paper {
  const said = answers.filter((a) => a.kind === 'version').map((a) => a.page)
  const chosen = said.toReversed().flatMap((page) => group.find((p) => p.pages.includes(page)) ?? [])[0]
  if (chosen) return chosen
  const signed = type.signature ? group.filter((p) => p.signed && !p.signedAsked) : []
  const day = (paper: Paper) => plain(fieldOf(paper, type.versions!.date)!.value)
  return (signed.length > 0 ? signed : group).reduce((a, b) => (day(b) > day(a) ? b : a))
}
