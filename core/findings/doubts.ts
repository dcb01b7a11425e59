import type { Box, Page } from '../model/index.ts'
import { numberPlaceOf } from '../layout/index.ts'
import type { Document } from './document.ts'

/** A value surer than this needs no second reader. */
const SURE = 0.94
/** On papers to be signed people write by hand, and handwriting misread can look sure. */
const SURE_BY_HAND = 0.985

/** Whether a page was read from its picture, and by the first reader alone. */
export const canBeDoubted = (page: Page): boolean =>
  (page.source === 'ocr' || page.source === 'mixed') && !page.regionsRetried

/**
 * Places on scanned pages whose reading is in doubt, by page: what a person would be asked about, and what is
 * just sure enough not to be, and page numbers that make a document lack pages: "1 of 4" may be a single
 * page's "1 of 1". A second reader looks at these before anybody is asked or told.
 */
export function doubtsOf(documents: readonly Document[], pages: readonly Page[]): Map<number, Box[]> {
  const scanned = new Set(pages.filter(canBeDoubted).map((p) => p.number))
  const doubts = new Map<number, Box[]>()
  const add = (page: number | null, box: Box | null) => {
    if (page !== null && box !== null && scanned.has(page))
      doubts.set(page, [...(doubts.get(page) ?? []), box])
  }
  for (const { fields, signed, pages: own, lacking } of documents) {
    if (lacking.length > 0) for (const page of own) add(page, numberPlaceOf(pages[page - 1]))
    for (const field of fields) {
      if (
        !['asked', 'certain', 'repaired'].includes(field.state) ||
        (!field.needsReview && field.confidence >= (signed === null ? SURE : SURE_BY_HAND))
      )
        continue
      if (field.rowPlaces) field.rowPlaces.forEach(({ page, box }) => add(page, box))
      else {
        add(field.page, field.box)
        for (const other of field.others) add(other.page, other.box)
      }
    }
  }
  return doubts
}
