import type { Page } from '../../model/index.ts'
import type { DocumentType } from '../../program/index.ts'
import type { Candidate } from './candidate.ts'

/** A value that a sentence carries over the end of a line is only begun where the line ends. */
export function acrossLines(found: Map<string, Candidate[]>): void {
  for (const candidates of found.values())
    for (const begun of candidates)
      if (
        begun.relation === 'inline' &&
        candidates.some(
          (c) =>
            !c.relation &&
            c.words.length > begun.words.length &&
            begun.words.every((w, i) => c.words[i] === w),
        )
      )
        begun.score -= 3
}

type Style = 'beside' | 'below' | 'above'
const styleOf = (c: Candidate): Style =>
  c.relation === 'below' || c.relation === 'above' ? c.relation : 'beside'

/**
 * A designer sets all values of a page alike: beside their labels, beneath or above them. Where the certain
 * ones show a style, the same label read another way round is likely another label's value.
 */
export function preferPageStyle(type: DocumentType, found: Map<string, Candidate[]>): void {
  onesidedPages(type, found)
  const votes = new Map<Page, Record<Style, number>>()
  for (const candidates of found.values()) {
    const labelled = candidates.filter((c) => c.relation && c.label).sort((a, b) => b.score - a.score)
    const best = labelled[0]
    if (!best) continue
    const vote = votes.get(best.page) ?? { beside: 0, below: 0, above: 0 }
    // A label that could be read only one way tells more than one that had a choice.
    vote[styleOf(best)] += labelled.some((c) => styleOf(c) !== styleOf(best)) ? 0.5 : 1
    votes.set(best.page, vote)
  }
  for (const candidates of found.values())
    for (const candidate of candidates) {
      const vote = votes.get(candidate.page)
      if (!vote || !candidate.relation || (candidate.relation === 'inline' && !candidate.hangs)) continue
      const own = candidates.filter((c) => c.relation && c.label).sort((a, b) => b.score - a.score)[0]
      // Its own vote does not speak for it.
      const mine = vote[styleOf(candidate)] - (own === candidate ? 0.5 : 0)
      const most = Math.max(vote.beside, vote.below, vote.above)
      if (mine + most >= 3 && most >= 3 * mine) candidate.score -= 2
    }
}

/**
 * Where values stand over their labels in even lines, nearly every label has a fitting value beneath it too:
 * its neighbour's. The few that can be read one way only tell which way the page goes.
 */
function onesidedPages(type: DocumentType, found: Map<string, Candidate[]>): void {
  const ways = new Map<Page, { above: number; below: number }>()
  // Where it is signed, a form is set its own way.
  const stacked = type.fields
    .filter((f) => f.near !== 'signature')
    .map((f) => found.get(f.name)!)
    .map((candidates) =>
      candidates.filter((c) => c.label && (c.relation === 'above' || c.relation === 'below')),
    )
  for (const candidates of stacked) {
    const [first] = candidates
    if (!first || candidates.some((c) => c.relation !== first.relation)) continue
    const way = ways.get(first.page) ?? { above: 0, below: 0 }
    way[first.relation as 'above' | 'below']++
    ways.set(first.page, way)
  }
  for (const candidates of stacked)
    for (const candidate of candidates) {
      const way = ways.get(candidate.page)
      if (!way || Math.max(way.above, way.below) < 2 || Math.min(way.above, way.below) > 0) continue
      const own = way.above > 0 ? 'above' : 'below'
      if (candidate.relation !== own && candidates.some((c) => c.relation === own)) candidate.score -= 2
    }
}
