import { linesOf, typicalHeight } from '../../layout/index.ts'
import type { Page } from '../../model/index.ts'
import type { Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'

/** The year that a paper's heading names ("Notice of income tax 2025"): a year alone, no part of a day. */
export function titleYearCandidates(page: Page, field: Field): Candidate[] {
  const usual = typicalHeight(page)
  return linesOf(page).flatMap((line, index) =>
    line.box[1] > 0.3
      ? []
      : line.segments.flatMap((segment): Candidate[] => {
          const word = segment.words.find((w) => /^\(?(?:19|20)\d\d[).,:]?$/.test(w.text))
          if (!word || segment.words.length > 8) return []
          const before = segment.words[segment.words.indexOf(word) - 1]?.text ?? ''
          if (/^\d|^(?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)/i.test(before)) return []
          const value = word.text.replace(/\D/g, '')
          return [
            {
              field: field.name,
              value,
              raw: word.text,
              words: [word],
              page,
              repaired: false,
              score: 1.1 + Math.min(1.2, Math.max(0, (line.height / usual - 1) * 2)) - index * 0.04,
            },
          ]
        }),
  )
}
