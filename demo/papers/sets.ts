import * as scoringStatement from './scoring/bank-statement.ts'
import * as scoringLetter from './scoring/cover-letter.ts'
import * as scoringConsent from './scoring/credit-consent.ts'
import * as scoringCard from './scoring/identity-card.ts'
import * as scoringCover from './scoring/insurance-cover.ts'
import * as scoringApplication from './scoring/loan-application.ts'
import * as scoringPayslip from './scoring/payslip.ts'
import * as scoringQuote from './scoring/purchase-quote.ts'
import * as scoringStray from './scoring/stray.ts'
import * as scoringBill from './scoring/utility-bill.ts'
import * as scoringRegistration from './scoring/vessel-registration.ts'
import * as tuningStatement from './tuning/bank-statement.ts'
import * as tuningLetter from './tuning/cover-letter.ts'
import * as tuningConsent from './tuning/credit-consent.ts'
import * as tuningCard from './tuning/identity-card.ts'
import * as tuningCover from './tuning/insurance-cover.ts'
import * as tuningApplication from './tuning/loan-application.ts'
import * as tuningPayslip from './tuning/payslip.ts'
import * as tuningQuote from './tuning/purchase-quote.ts'
import * as tuningStray from './tuning/stray.ts'
import * as tuningBill from './tuning/utility-bill.ts'
import * as tuningRegistration from './tuning/vessel-registration.ts'

/**
 * Two sets of layouts that share no design. Rules, wordings and weights are tuned on one; scores are quoted on the
 * other, whose misses nobody tunes on.
 */
export const paperSets = {
  tuning: { layouts: 4, ...tuningStatement, ...tuningLetter, ...tuningConsent, ...tuningCard, ...tuningCover, ...tuningApplication, ...tuningPayslip, ...tuningQuote, ...tuningStray, ...tuningBill, ...tuningRegistration },
  scoring: { layouts: 2, ...scoringStatement, ...scoringLetter, ...scoringConsent, ...scoringCard, ...scoringCover, ...scoringApplication, ...scoringPayslip, ...scoringQuote, ...scoringStray, ...scoringBill, ...scoringRegistration },
} as const
export type PaperSet = keyof typeof paperSets
