import { overlap, type Page, localeOf } from '../../model/index.ts'
import { type Line, linesOf, type Segment } from '../../layout/index.ts'
import type { DocumentType } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { kindReaders } from '../parsers/index.ts'
import { fieldsNear } from '../labels/find-labels.ts'

/** Lines that are looked through for the head of a grid. */
const REACH = 14
const NEAR = 0.85

/**
 * Amounts in a grid, which a row and a column name together: "Gross" in the row and "Year to date" over the
 * column is the gross of the year, and no label alone says so.
 */
export function gridCandidates(page: Page, type: DocumentType): Candidate[] {
  const lines = linesOf(page)
  return lines.flatMap((line, index) => {
    const [row, ...cells] = line.segments
    if (cells.length < 2 || /\d/.test(row.text) || row.words.length > 5) return []
    const amounts = cells.flatMap((cell) =>
      kindReaders
        .money(cell.words, localeOf(page))
        .filter((r) => r.plausibility >= 0.8 && r.words.length === cell.words.length)
        .map((reading) => ({ cell, reading })),
    )
    if (amounts.length < 2) return []
    return amounts.flatMap(({ cell, reading }) => {
      const head = headOver(lines, index, cell)
      if (!head) return []
      return fieldsNear(`${row.text} ${head.text}`, type).flatMap(
        ({ key, similarity: near }): Candidate[] => {
          const field = type.fields.find((f) => f.name === key)!
          return near < NEAR || field.kind !== 'money'
            ? []
            : [
                {
                  field: key,
                  value: reading.value,
                  raw: reading.raw,
                  words: reading.words,
                  page,
                  repaired: reading.repaired,
                  score: 1 + near * 2.2,
                  label: true,
                },
              ]
        },
      )
    })
  })
}

/** The words over a cell in the nearest line above that has no figures: the head of its column. */
function headOver(lines: readonly Line[], index: number, cell: Segment): Segment | null {
  for (const line of lines.slice(Math.max(0, index - REACH), index).reverse()) {
    if (line.segments.length < 3 || /\d/.test(line.text)) continue
    return line.segments.find((s) => overlap(s.box[0], s.box[2], cell.box[0], cell.box[2]) > 0) ?? null
  }
  return null
}
