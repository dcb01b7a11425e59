import { documentTypeSchema, type DocumentType } from '../../schema.ts'
import { accountApplication } from './account-application.ts'
import { bankStatement } from './bank-statement.ts'
import { berthAgreement } from './berth-agreement.ts'
import { boardResolution } from './board-resolution.ts'
import { businessAccounts } from './business-accounts.ts'
import { coverLetter } from './cover-letter.ts'
import { creditConsent } from './credit-consent.ts'
import { debitMandate } from './debit-mandate.ts'
import { employmentLetter } from './employment-letter.ts'
import { fishingLicence } from './fishing-licence.ts'
import { identityCard } from './identity-card.ts'
import { incorporationCertificate } from './incorporation-certificate.ts'
import { insuranceCover } from './insurance-cover.ts'
import { loanApplication } from './loan-application.ts'
import { loanPayoff } from './loan-payoff.ts'
import { ownersDeclaration } from './owners-declaration.ts'
import { payslip } from './payslip.ts'
import { purchaseQuote } from './purchase-quote.ts'
import { surveyReport } from './survey-report.ts'
import { taxAssessment } from './tax-assessment.ts'
import { taxSelfCertification } from './tax-self-certification.ts'
import { utilityBill } from './utility-bill.ts'
import { vesselRegistration } from './vessel-registration.ts'
/** The document types that ship with Jigsa; a lender's own are of the same shape. */
export const builtInTypes: DocumentType[] = [
  loanApplication,
  identityCard,
  utilityBill,
  payslip,
  bankStatement,
  purchaseQuote,
  vesselRegistration,
  insuranceCover,
  creditConsent,
  coverLetter,
  employmentLetter,
  taxAssessment,
  businessAccounts,
  surveyReport,
  fishingLicence,
  berthAgreement,
  loanPayoff,
  debitMandate,
  accountApplication,
  incorporationCertificate,
  ownersDeclaration,
  taxSelfCertification,
  boardResolution,
].map((data) => documentTypeSchema.parse(data))
