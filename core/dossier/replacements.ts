import type { Answer } from '../answers/index.ts'
import type { Paper } from './paper.ts'

/** Pages that somebody was asked to bring once more, and those that they brought for them. */
export interface Replacement {
  pages: readonly number[]
  by: readonly number[]
}

/**
 * Marks papers in whose place another of their type was brought: a better copy, or the same form signed. What came and
 * is another kind of paper replaces nothing; neither does it where a person said that the older one counts.
 */
export function markReplaced(
  papers: readonly Paper[],
  replacements: readonly Replacement[],
  answers: readonly Answer[],
): readonly Paper[] {
  if (replacements.length === 0) return papers
  const kept = new Set(answers.flatMap((a) => (a.kind === 'version' ? [a.page] : [])))
  return papers.map((paper) => {
    if (paper.pages.some((page) => kept.has(page))) return paper
    const newer = replacements
      .filter((r) => paper.pages.some((page) => r.pages.includes(page)))
      .flatMap((r) =>
        papers.filter((p) => p.type === paper.type && p.pages.every((page) => r.by.includes(page))),
      )
      .findLast((p) => p !== paper)
    return newer ? { ...paper, supersededBy: newer.id } : paper
  })
}
