import { type DocumentType, documentTypeSchema } from '../core/program/index.ts'
import { segmentPages } from '../core/classification/index.ts'
import type { BenchCase } from './run.ts'

/** How papers find their types when these were described in so many wordings. */
export interface ParedRun {
  wordings: number
  /** Share of pages of a type that are taken for it. */
  typed: number
  /** Share of them that are taken for nothing known. */
  unknown: number
  /** Share of pages of no type that are taken for one, and nobody is asked. */
  strangersTaken: number
}

/** Titles and words that speak for a type, where an administrator gives so many labels a field. */
const TITLES = 2
const SIGNS = 3

/** Types as somebody describes them in ten minutes: so many wordings of each field, and what is said of them first. */
export const pared = (types: readonly DocumentType[], wordings: number): DocumentType[] =>
  types.map((type) =>
    documentTypeSchema.parse({
      ...type,
      titles: type.titles.slice(0, Math.min(TITLES, wordings)),
      signs: type.signs.slice(0, Math.min(SIGNS, wordings)),
      lastSigns: [],
      fields: type.fields.map((field) => ({
        ...field,
        labels: field.labels.slice(0, wordings),
        columns: field.columns.map((column) => ({ ...column, labels: column.labels.slice(0, wordings) })),
      })),
    }),
  )

/** Cuts the cases with types of so many wordings each. */
export const runPared = (
  cases: readonly BenchCase[],
  types: readonly DocumentType[],
  counts: readonly number[],
): ParedRun[] =>
  counts.map((wordings) => {
    const few = pared(types, wordings)
    const ids = new Set(few.map((t) => t.id))
    let [right, none, all, taken, strange] = [0, 0, 0, 0, 0]
    for (const { pages, truth } of cases) {
      const pieceOf = new Map(
        segmentPages(pages, few).flatMap((piece) => piece.pages.map((page) => [page, piece] as const)),
      )
      truth.pages.forEach(({ document }, i) => {
        if (document === null) return
        const { type } = truth.documents[document]
        const piece = pieceOf.get(i + 1)
        const found = piece?.type ?? 'unknown'
        if (!ids.has(type)) {
          strange++
          const threshold = few.find((t) => t.id === found)?.threshold ?? 1
          if (found !== 'unknown' && piece!.confidence >= threshold) taken++
          return
        }
        all++
        if (found === type) right++
        else if (found === 'unknown') none++
      })
    }
    return { wordings, typed: right / all, unknown: none / all, strangersTaken: taken / Math.max(1, strange) }
  })
