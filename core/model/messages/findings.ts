import type { Money, Value } from '../value.ts'
import type { Inner, None } from './parameters.ts'

/** What a person must see of a package. `title` is a lender's word for a requirement, fact, check or limit. */
export interface FindingMessages {
  'finding.requirement': { title: string; reason: Inner }
  'finding.conflict': { title: string; values: { value: Value; paper: string }[] }
  'finding.check': { title: string; detail: Inner }
  /** `otherCurrency` is the amount, where it cannot be held against the limit's. */
  'finding.strangers_paper': { paper: string; page: number }
  'finding.limit': { title: string; tells: string; otherCurrency: Money | null }
  'finding.copy': { paper: string; page: number; of: string }
  'finding.superseded': { paper: string; page: number; by: string }
  'finding.unknown_pages': { first: number; last: number }
  'finding.lacks_pages': { paper: string; pages: number[] }
  /** What the engine says of the picture or of the file. */
  'finding.hard_to_read': { page: number; problem: string }
  'finding.unusable_file': { file: string; problem: string }
  'finding.file_notice': { file: string; notice: string }
  /** What somebody decided against the papers. */
  'decision.value': None
  'decision.accepted': None
  'decision.ask': None
  'decision.waived': None
}
