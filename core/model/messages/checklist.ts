import type { Money } from '../value.ts'
import type { Inner, None } from './parameters.ts'

/** How old a paper may be. */
export interface Age {
  days?: number
  months?: number
}

/**
 * Why a requirement stands as it does. `type` is the title of a document type, `paper` what a person calls a
 * paper, days are ISO, months are months since year 0, `pages` are by the paper's own numbering.
 */
export interface ChecklistMessages {
  'requirement.waived': { reason: string }
  'requirement.not_asked_for': None
  'requirement.not_known_yet': { field: string }
  /** The paper that would name somebody names nobody. */
  'requirement.nobody_named': None
  'requirement.none_there': { type: string }
  'requirement.none_of_applicant': { type: string }
  /** Null where the applicant's name was not read. */
  'requirement.none_of_persons': { type: string; persons: (string | null)[] }
  'requirement.each_person': { count: number }
  'requirement.persons_not_read': { but: Inner }
  'paper.lacks_pages': { paper: string; pages: number[] }
  'paper.ran_out': { paper: string; day: string }
  'paper.begins_later': { paper: string; day: string }
  'paper.signature_asked': { paper: string }
  'paper.not_signed': { paper: string }
  'paper.not_dated': { paper: string }
  'paper.dated_later': { paper: string; day: string }
  'paper.too_old': { paper: string; day: string; age: number; allowed: Age }
  'paper.other_currency': { paper: string; amount: Money; needed: Money }
  'paper.too_low': { paper: string; amount: Money; needed: Money }
  /** `open` names the fields that are still asked about. */
  'paper.good': { paper: string; until: string | null; open: string[]; signatureOpen: boolean }
  'months.not_read': { type: string }
  'months.lacking': { type: string; there: number[]; lacking: number[] }
  'months.there': { type: string; months: number[] }
  'years.lacking': { type: string; years: string[] }
  'years.there': { type: string; years: string[] }
  'coverage.not_read': { type: string }
  'coverage.too_short': {
    type: string
    covered: { start: string; end: string }[]
    months: number
    gap: { start: string; end: string } | null
  }
  'coverage.whole': { start: string; end: string }
}
