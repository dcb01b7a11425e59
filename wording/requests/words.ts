import type { ChecklistMessages } from '../../core/model/index.ts'
import type { Sentences } from '../sentences.ts'

/** Codes of reasons that an applicant is never told: nothing is asked for where they hold. */
type Quiet =
  | 'requirement.waived'
  | 'requirement.not_asked_for'
  | 'requirement.not_known_yet'
  | 'requirement.nobody_named'
  | 'requirement.each_person'
  | 'paper.good'
  | 'months.there'
  | 'years.there'
  | 'coverage.whole'

/** Why a requirement is not met, said to whoever applies. */
export type Reasons = Sentences<Omit<ChecklistMessages, Quiet>>

/** How days and amounts are written in one language. */
export interface Figures {
  day: (iso: string) => string
  /** "March 2026" of months since year 0. */
  month: (index: number) => string
  list: (items: readonly string[]) => string
  /** Any of several. */
  either: (items: readonly string[]) => string
}

/** What makes a paper good, each a few words behind its name; null where it says nothing. */
export interface WantWords {
  whose: (persons: string[]) => string
  /** Somebody whose name was not read. */
  applicant: string
  notBefore: (day: string) => string
  validOn: (day: string) => string
  months: (count: number) => string
  lackingMonths: (months: string) => string
  years: (years: string) => string
  covers: (months: number) => string
  atLeast: (amount: string) => string
  signed: string
  dated: string
  allPages: string
}

/** What is said of a paper that was brought. */
export interface BroughtWords {
  /** A kind of paper that there are several of: "Payslip, September 2026". */
  oneOf: (title: string, of: string) => string
  is: (paper: string) => string
  does: string
  asked: (list: string) => string
  already: string
  notAsked: string
  notSure: string
}

/** What requests to applicants are made of, in one language. */
export interface RequestSentences {
  figures: Figures
  reasons: Reasons
  want: WantWords
  /** Several ways, any of which would do. */
  oneOf: string
  differs: (says: string) => string
  says: (papers: string, value: string) => string
  whichIsRight: string
  yes: string
  no: string
  doesNotFit: (says: string) => string
  hardToRead: (pages: string, paper: string) => string
  lacksPages: (pages: string, paper: string) => string
  pages: (numbers: readonly number[]) => string
  rejected: (paper: string, reason: string) => string
  again: string
  sign: string
  /** What was brought for it. */
  brought: BroughtWords
  /** The letter. */
  subject: (lender: string, caseNumber: string) => string
  opening: (applicant: string) => string
  reminderOpening: (applicant: string, day: string) => string
  askedBefore: (day: string) => string
  link: string
  due: (day: string) => string
  byMail: string
  closing: (lender: string) => string
  thanks: (applicant: string, lender: string) => string
  calledBack: (applicant: string, lender: string) => string
}
