import type { RequirementResult } from '../check/index.ts'
import type { Message, Money, Value } from '../model/index.ts'

/** A paper that would do, and what makes it good. Days are ISO, months are months since year 0. */
export interface WantedPaper {
  /** The title of its type. */
  type: string
  /** Whose it must be, where that matters; null for somebody whose name was not read. */
  whose: (string | null)[]
  signed: boolean
  /** Its day must be filled in. */
  dated: boolean
  /** It may be of no earlier day. */
  notBefore: string | null
  /** It must be in force on this day. */
  validOn: string | null
  /** One for each of so many months in a row; `lacking` names those that are known to lack. */
  months: { count: number; lacking: number[] } | null
  years: string[]
  /** Together they cover so many months without a gap. */
  covers: number | null
  atLeast: Money | null
}

/** Why something is asked for. */
export type Why =
  | { kind: 'requirement'; status: RequirementResult['status']; reason: Message }
  /** Papers say different things. */
  | { kind: 'differs' }
  /** Amounts that should fit together do not. */
  | { kind: 'does not fit' }
  | { kind: 'hard to read'; paper: string; pages: number[] }
  | { kind: 'lacks pages'; paper: string; pages: number[] }
  /** `problem` is the sentence that the file was set aside with. */
  | { kind: 'unusable file'; file: string; problem: string }
  /** Somebody asks for something in words of their own. */
  | { kind: 'own words'; text: string }
  /** Somebody does not take this paper, and says why in words of their own. */
  | { kind: 'rejected'; paper: string; reason: string }

/** One thing that an applicant is asked for. The same matter has the same id in every request about a package. */
export interface RequestItem {
  /** `requirement:ID`, `fact:ID`, `check:ID`, `page:N`, `lacking:N`, `file:NAME`, `paper:N`. */
  id: string
  /**
   * What the applicant does: bring papers, sign one and bring it again, bring the same once more in a better copy, or
   * say which of several values is right.
   */
  kind: 'bring' | 'sign' | 'again' | 'say'
  /** In the lender's words: "Proof of income". */
  title: string
  why: Why
  /** What would do: any one of these ways, each all of its papers. */
  ways: WantedPaper[][]
  /** What papers say: values that differ, each once with whoever says it, or amounts that do not fit. */
  says: { value: Value; papers: string[] }[]
  /** Pages of the paper that it is about. */
  pages: number[]
}
