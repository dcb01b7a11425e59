import type { Box, Page } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { ruleHits, type Rule } from './user-rules.ts'
import { segmentPages, type Knowledge } from './segment.ts'
import type { Piece } from './piece.ts'

/** What a rule would do to the cut of a package. */
export interface RuleTrial {
  hits: { page: number; places: Box[] }[]
  changes: RuleChange[]
}

export type RuleChange =
  | { kind: 'begins'; page: number; now: boolean }
  | { kind: 'type'; page: number; from: string; to: string }
  /** The pages say otherwise, so a person would be asked. */
  | { kind: 'asked'; page: number }

/**
 * Cuts a package with and without a rule, beside all that is known already, and tells the difference page by
 * page.
 */
export function tryRule(
  pages: readonly Page[],
  types: readonly DocumentType[],
  known: Knowledge,
  rule: Rule,
): RuleTrial {
  const hits = pages.flatMap((page) => {
    const places = ruleHits(page, rule)
    return places ? [{ page: page.number, places }] : []
  })
  if (hits.length === 0) return { hits, changes: [] }
  const before = byPage(segmentPages(pages, types, known))
  const after = byPage(segmentPages(pages, types, { ...known, rules: [...(known.rules ?? []), rule] }))
  const changes = pages.flatMap(({ number }): RuleChange[] => {
    const [was, is] = [before.get(number), after.get(number)]
    if (!was || !is) return []
    const [began, begins] = [was.pages[0] === number, is.pages[0] === number]
    return [
      ...(began !== begins ? [{ kind: 'begins' as const, page: number, now: begins }] : []),
      ...(was.type !== is.type && (begins || began)
        ? [{ kind: 'type' as const, page: number, from: was.type, to: is.type }]
        : []),
      ...((is.contested === rule.name && begins) ||
      is.doubts?.some((d) => d.page === number && d.rule === rule.name)
        ? [{ kind: 'asked' as const, page: number }]
        : []),
    ]
  })
  return { hits, changes }
}

const byPage = (pieces: readonly Piece[]): Map<number, Piece> =>
  new Map(pieces.flatMap((p) => p.pages.map((n) => [n, p] as const)))
