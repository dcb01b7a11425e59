import type { Status } from '../../core/check/index.ts'
import type { FileProblem } from './file-problems.ts'

/** What a letter to whoever sent papers is made of, in one language. */
export interface LetterWords {
  pages: (n: number) => string
  files: (n: number) => string
  /** The first line, of what arrived. */
  thanks: (files: string, pages: string) => string
  reading: string
  filed: (caseNumber: string) => string
  arrived: string
  there: string
  lacking: string
  complete: string
  unusable: string
  /** Behind what somebody is still asked about. */
  unsure: string
  unchecked: (title: string) => string
  exceeded: (title: string, said: string, most: string) => string
  refused: string
  unexpected: (title: string, expected: string) => string
  identity: Record<'valid' | 'not valid' | 'cannot tell' | 'asked', string>
  status: Record<Exclude<Status, 'satisfied' | 'not_applicable' | 'waived'>, string>
  problem: Record<FileProblem, string>
  farewell: (lender: string) => string
}
