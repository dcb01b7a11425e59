import { segmentPages } from '../core/classification/index.ts'
import { extractDocument } from '../core/extraction/index.ts'
import { linesOf, typicalHeight } from '../core/layout/index.ts'
import type { Lender } from '../core/locale/index.ts'
import type { Page } from '../core/model/index.ts'
import { type DocumentType, typeById } from '../core/program/index.ts'
import { fold } from '../core/text/index.ts'
import { Dice } from '../demo/dice.ts'
import { described } from './fit/described.ts'
import type { BenchCase } from './run.ts'
import { equalValues } from './score.ts'

/** How papers are read when less is said of them, or by them. */
export interface LessSaid {
  /** Values right by whole types, and by types with two labels a field. */
  values: number
  valuesByTwoLabels: number
  /** Pages of the right type, and the same with the titles taken off the papers. */
  types: number
  typesWithoutTitles: number
}

const SEED = 11

/** Measures both on papers cut as they truly are. */
export function measureLessSaid(
  cases: readonly BenchCase[],
  types: readonly DocumentType[],
  lender: Lender,
): LessSaid {
  const few = described(types, new Dice(SEED))
  const tally = { values: 0, right: 0, rightByTwo: 0, pages: 0, typed: 0, untitled: 0 }
  for (const { pages, truth } of cases) {
    for (const paper of truth.documents) {
      const own = paper.pages.flatMap((p) => pages[p - 1] ?? [])
      const rightBy = (known: readonly DocumentType[]): number => {
        const type = known.find((t) => t.id === paper.type)
        if (!type) return 0
        const { fields } = extractDocument(own, type, lender)
        return Object.entries(paper.fields).filter(([name, { value }]) =>
          equalValues(fields.find((f) => f.name === name)?.value ?? null, value),
        ).length
      }
      tally.values += Object.keys(paper.fields).length
      tally.right += rightBy(types)
      tally.rightByTwo += rightBy(few)
    }
    const typed = (read: readonly Page[]) => {
      const pieces = segmentPages([...read], types)
      return truth.documents.reduce(
        (sum, paper) =>
          sum +
          paper.pages.filter((p) =>
            pieces.some((piece) => piece.pages.includes(p) && piece.type === paper.type),
          ).length,
        0,
      )
    }
    tally.pages += truth.documents.reduce((sum, paper) => sum + paper.pages.length, 0)
    tally.typed += typed(pages)
    tally.untitled += typed(withoutTitles(pages, truth.documents, types))
  }
  return {
    values: tally.right / tally.values,
    valuesByTwoLabels: tally.rightByTwo / tally.values,
    types: tally.typed / tally.pages,
    typesWithoutTitles: tally.untitled / tally.pages,
  }
}

/** Letters so much larger than the usual make a title, in the upper part of a page. */
const [LARGER, UPPER] = [1.25, 0.45]

/** Pages without the large lines at the head of each paper, and without whatever names its type. */
function withoutTitles(
  pages: readonly Page[],
  papers: readonly { type: string; pages: readonly number[] }[],
  types: readonly DocumentType[],
): Page[] {
  const titlesOf = new Map(
    papers.map((paper) => [paper.pages[0], typeById(types, paper.type).titles.map(fold)] as const),
  )
  return pages.map((page) => {
    const titles = titlesOf.get(page.number)
    if (!titles) return page
    const usual = typicalHeight(page)
    const gone = new Set(
      linesOf(page)
        .filter(
          (line) =>
            (line.height > usual * LARGER && line.words[0].box[1] < UPPER) ||
            titles.some((title) => fold(line.words.map((w) => w.text).join(' ')).includes(title)),
        )
        .flatMap((line) => line.words.map((w) => w.box)),
    )
    return { ...page, words: page.words.filter((w) => !gone.has(w.box)) }
  })
}
