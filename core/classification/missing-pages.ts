import { isNumberDisputed, pageNumberOf } from '../layout/index.ts'
import type { Page } from '../model/index.ts'

/** Pages that a document's own numbering says it has and that are not there; empty where nothing is printed. */
export function missingPages(pages: readonly Page[]): number[] {
  const numbers = pages.map(pageNumberOf).filter((n) => n !== null && n.of !== null)
  if (numbers.length === 0) return []
  // The total that most pages print: a single misread one must not make pages lacking, nor one that two
  // readers read apart.
  const votes = new Map<number, number>()
  for (const page of pages) {
    const of = pageNumberOf(page)?.of
    if (of) votes.set(of, (votes.get(of) ?? 0) + (isNumberDisputed(page) ? 0.5 : 1))
  }
  const [[of, voices]] = [...votes.entries()].sort((a, b) => b[1] - a[1] || b[0] - a[0])
  if (of <= pages.length || of > 60 || voices < 1) return []
  const there = new Set(numbers.filter((n) => n!.of === of).map((n) => n!.page))
  const lacking = Array.from({ length: of }, (_, i) => i + 1).filter((n) => !there.has(n))
  return lacking.slice(0, of - pages.length)
}
