import type { Document } from '../../../core/findings/index.ts'

/** A document as far as its pages are compared. */
type Paged = Pick<Document, 'id' | 'pages' | 'copyOf' | 'supersededBy'>

/**
 * What a page is worth comparing with: the same page of the paper that this one is a copy of, else the page
 * before it.
 */
export function pairOf(document: Paged, page: number, documents: readonly Paged[]): number | undefined {
  const original = documents.find((d) => d.id === document.copyOf || d.id === document.supersededBy)
  if (original) return original.pages[Math.min(document.pages.indexOf(page), original.pages.length - 1)]
  const order = documents.flatMap((d) => d.pages)
  return order[order.indexOf(page) - 1] ?? order[order.indexOf(page) + 1]
}
