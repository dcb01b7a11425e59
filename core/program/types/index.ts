import { documentTypeSchema, type DocumentType } from '../schema.ts'
import { bankStatement } from './bank-statement.ts'
import { coverLetter } from './cover-letter.ts'
import { creditConsent } from './credit-consent.ts'
import { identityCard } from './identity-card.ts'
import { insuranceCover } from './insurance-cover.ts'
import { loanApplication } from './loan-application.ts'
import { payslip } from './payslip.ts'
import { purchaseQuote } from './purchase-quote.ts'
import { utilityBill } from './utility-bill.ts'
import { vesselRegistration } from './vessel-registration.ts'

/** The document types that ship with Jigsa; a lender's own are of the same shape. */
export const builtInTypes: DocumentType[] = [
  loanApplication, identityCard, utilityBill, payslip, bankStatement, purchaseQuote, vesselRegistration, insuranceCover, creditConsent, coverLetter,
].map((data) => documentTypeSchema.parse(data))

/** The type of pages that fit no other; it has no signs of its own. */
export const unknownType: DocumentType = documentTypeSchema.parse({
  id: 'unknown', title: 'Unknown paper', short: 'Unknown', pages: { min: 1, max: 500 }, titles: [], fields: [],
})

/** The type of that id; pages of a type nobody defined are unknown papers. */
export const typeById = (types: readonly DocumentType[], id: string): DocumentType => types.find((t) => t.id === id) ?? unknownType
