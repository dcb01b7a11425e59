import type { Answer } from '../answers/index.ts'
import type { Paper } from './paper.ts'

/** Pages that somebody was asked to bring once more, and those that they brought for them. */
export interface Replacement {
  pages: readonly number[]
  by: readonly number[]
  /** Whether they were sent for these very pages; what comes in one heap may be anything that was asked for. */
  meant: boolean
}

/**
 * Marks papers in whose place another of their type was brought: a better copy, or the same form signed. What came and
 * is, or may be, another kind of paper replaces nothing; neither does it where a person said that the older one counts.
 * What came in a heap replaces only the one paper that goes by its name: a payslip of October is no copy of September's.
 */
export function markReplaced(
  papers: readonly Paper[],
  replacements: readonly Replacement[],
  answers: readonly Answer[],
): readonly Paper[] {
  if (replacements.length === 0) return papers
  const kept = new Set(answers.flatMap((a) => (a.kind === 'version' ? [a.page] : [])))
  const within = (paper: Paper, pages: readonly number[]) => paper.pages.every((page) => pages.includes(page))
  const named = (paper: Paper) => papers.filter((p) => p.type === paper.type && p.label === paper.label)
  return papers.map((paper) => {
    if (paper.typeAsked || paper.pages.some((page) => kept.has(page))) return paper
    const newer = replacements
      .filter((r) => paper.pages.some((page) => r.pages.includes(page)))
      .flatMap((r) =>
        papers.filter(
          (p) =>
            p.type === paper.type &&
            !p.typeAsked &&
            within(p, r.by) &&
            (r.meant || (p.label === paper.label && named(p).every((n) => n === paper || within(n, r.by)))),
        ),
      )
      .findLast((p) => p !== paper)
    return newer ? { ...paper, supersededBy: newer.id } : paper
  })
}
