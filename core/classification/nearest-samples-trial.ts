import type { Page } from '../model/index.ts'
import type { DocumentType } from '../program/index.ts'
import { segmentPages, type Knowledge } from './segment.ts'
import type { Piece } from './piece.ts'

/** A package that people finished: its pages, and the documents as they stood then. */
export interface FinishedPackage {
  pages: readonly Page[]
  documents: readonly { type: string; pages: readonly number[] }[]
}

/** How well finished packages are taken apart anew, beside how people left them. */
export interface TrialScore {
  documents: number
  /** Documents of just the right pages and type. */
  right: number
  /** Of them, those that nobody would have been asked about; and those that were wrong unasked. */
  sure: number
  wrongUnasked: number
  pages: number
  pagesRight: number
  /** Pages of one type taken for another. */
  confusions: { from: string; to: string; pages: number }[]
}

/** Takes packages apart that nothing was learnt from, and compares with what people made of them. */
export function tryKnowledge(
  packages: readonly FinishedPackage[],
  types: readonly DocumentType[],
  knowledge: Knowledge,
): TrialScore {
  const threshold = new Map(types.map((t) => [t.id, t.threshold]))
  const score: TrialScore = {
    documents: 0,
    right: 0,
    sure: 0,
    wrongUnasked: 0,
    pages: 0,
    pagesRight: 0,
    confusions: [],
  }
  const confusions = new Map<string, number>()
  for (const { pages, documents } of packages) {
    const pieces = segmentPages(pages, types, knowledge)
    const truth = new Map(documents.map((d) => [keyOf(d.pages), d.type]))
    const asked = (piece: Piece) =>
      piece.type === 'unknown' || piece.confidence < (threshold.get(piece.type) ?? 1)
    score.documents += documents.length
    for (const piece of pieces) {
      const right = truth.get(keyOf(piece.pages)) === piece.type
      if (right) score.right++
      if (right && !asked(piece)) score.sure++
      if (!right && !asked(piece)) score.wrongUnasked++
    }
    const told = new Map(pieces.flatMap((p) => p.pages.map((n) => [n, p.type] as const)))
    for (const { type, pages: numbers } of documents)
      for (const number of numbers) {
        score.pages++
        const as = told.get(number) ?? 'unknown'
        if (as === type) score.pagesRight++
        else confusions.set(`${type} ${as}`, (confusions.get(`${type} ${as}`) ?? 0) + 1)
      }
  }
  score.confusions = [...confusions]
    .map(([key, count]) => {
      const [from, to] = key.split(' ')
      return { from, to, pages: count }
    })
    .sort((a, b) => b.pages - a.pages)
  return score
}

const keyOf = (pages: readonly number[]): string => [...pages].sort((a, b) => a - b).join(',')
