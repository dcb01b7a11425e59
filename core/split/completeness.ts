import { pageNumberOf } from '../page/numbering.ts'
import type { Page } from '../page/page.ts'

/** Pages that a document's own numbering says it has and that are not there; empty where nothing is printed. */
export function lackingPages(pages: readonly Page[]): number[] {
  const numbers = pages.map(pageNumberOf).filter((n) => n !== null && n.of !== null)
  if (numbers.length === 0) return []
  // The total that most pages print: a single misread one must not make pages lacking.
  const votes = new Map<number, number>()
  for (const n of numbers) votes.set(n!.of!, (votes.get(n!.of!) ?? 0) + 1)
  const [of] = [...votes.entries()].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0]
  if (of <= pages.length || of > 60) return []
  const there = new Set(numbers.filter((n) => n!.of === of).map((n) => n!.page))
  const lacking = Array.from({ length: of }, (_, i) => i + 1).filter((n) => !there.has(n))
  return lacking.slice(0, of - pages.length)
}
