import { addDays } from '../../core/text/index.ts'
import type { Dice } from '../dice.ts'
import { dateForms, moneyForms, type DateForm, type MoneyForm, type Story } from '../story.ts'
import { Ledger, money } from '../truth.ts'
import { addressLine, fullName } from '../world.ts'
import type { StatementWishes } from './tuning/bank-statement.ts'
import type { ConsentWishes } from './tuning/credit-consent.ts'
import type { CardWishes } from './tuning/identity-card.ts'
import type { CoverWishes } from './tuning/insurance-cover.ts'
import type { ApplicationWishes } from './tuning/loan-application.ts'
import type { PayslipWishes } from './tuning/payslip.ts'
import type { QuoteWishes } from './tuning/purchase-quote.ts'
import type { BillWishes } from './tuning/utility-bill.ts'
import type { RegistrationWishes } from './tuning/vessel-registration.ts'

/** What a paper says, with the truth noted. */
export interface Facts {
  truth: Ledger
}

/** The forms of days and amounts of one layout. */
export const forms = (date: DateForm, amount: MoneyForm) => ({ d: dateForms[date], m: moneyForms[amount] })

export function payslipFacts(story: Story, wishes: PayslipWishes) {
  const truth = new Ledger()
  const { month } = wishes
  const person = wishes.employee ?? story.applicant
  const name = wishes.employeeName ?? fullName(person)
  const employer = wishes.employer ?? story.employer
  truth.put('employee_name', name)
  truth.put('employer_name', employer)
  truth.put('pay_date', month.paid)
  truth.put('period_start', month.start)
  truth.put('period_end', month.end)
  truth.put('gross_pay', money(month.gross))
  truth.put('net_pay', money(month.net))
  truth.put('year_to_date_gross', money(month.yearToDate))
  truth.put('national_number', person.nationalNumber)
  return { truth, month, person, name, employer }
}

export function billFacts(story: Story, dice: Dice, wishes: BillWishes) {
  const truth = new Ledger()
  const issued = wishes.issued ?? addDays(story.asOf, -dice.int(8, 70))
  const holder = wishes.holder ?? fullName(story.applicant)
  const street = wishes.street ?? `${story.home.number} ${story.home.street}`
  const place = `${story.home.town} ${story.home.code}`
  const account = dice.pick([dice.digits(9), `${dice.digits(2)}-${dice.digits(5)}-${dice.digits(2)}`])
  const due = dice.int(3200, 22000)
  truth.put('supplier_name', story.utility)
  truth.put('account_holder', holder)
  truth.put('service_address', `${street}, ${place}`)
  truth.put('issue_date', issued)
  truth.put('account_number', account)
  truth.put('amount_due', money(due))
  return { truth, issued, holder, street, place, account, due }
}

export function coverFacts(story: Story, dice: Dice, wishes: CoverWishes) {
  const truth = new Ledger()
  const start = wishes.start ?? addDays(story.asOf, -dice.int(10, 200))
  const end = wishes.end ?? addDays(start, 364)
  const sum = wishes.sum ?? Math.ceil(story.total / 100000) * 100000
  const premium = Math.round(sum * 0.013)
  const policy = dice.pick([`MH${dice.digits(7)}`, `${dice.digits(3)}/${dice.digits(5)}/H`])
  const insured = wishes.insured ?? fullName(story.applicant)
  const vessel = wishes.vessel ?? story.vessel
  truth.put('policy_number', policy)
  truth.put('insured_name', insured)
  truth.put('vessel_name', vessel)
  truth.put('cover_start', start)
  truth.put('cover_end', end)
  truth.put('sum_insured', money(sum))
  truth.put('premium', money(premium))
  return { truth, start, end, sum, premium, policy, insured, vessel }
}

export function registrationFacts(story: Story, dice: Dice, wishes: RegistrationWishes) {
  const truth = new Ledger()
  const expiry = wishes.expiry ?? addDays(story.asOf, dice.int(60, 1500))
  const issued = addDays(expiry, -1826)
  const [vessel, owner, hull] = [
    wishes.vessel ?? story.vessel,
    wishes.owner ?? fullName(story.applicant),
    wishes.hull ?? story.hull,
  ]
  truth.put('registration_number', story.registration)
  truth.put('vessel_name', vessel)
  truth.put('hull_number', hull)
  truth.put('owner_name', owner)
  truth.put('issue_date', issued)
  truth.put('expiry_date', expiry)
  return { truth, expiry, issued, vessel, owner, hull }
}

export function consentFacts(story: Story, wishes: ConsentWishes) {
  const truth = new Ledger()
  const person = wishes.person ?? story.applicant
  const signed = wishes.signed ?? true
  const on = wishes.signedOn ?? story.applied
  truth.put('applicant_name', fullName(person))
  truth.put('national_number', person.nationalNumber)
  if (signed) truth.put('signature_date', on)
  return { truth, person, signed, on }
}

export function quoteFacts(story: Story, dice: Dice, wishes: QuoteWishes) {
  const truth = new Ledger()
  const valid = wishes.validUntil ?? addDays(story.asOf, dice.int(12, 60))
  const issued = addDays(valid < story.applied ? valid : story.applied, -dice.int(2, 10))
  const number = dice.pick([`QU${dice.digits(6)}`, `${dice.digits(5)}-A`])
  const [vessel, hull, buyer] = [
    wishes.vessel ?? story.vessel,
    wishes.hull ?? story.hull,
    wishes.buyerName ?? fullName(story.applicant),
  ]
  const [lines, net, total] = [
    wishes.lines ?? story.lines,
    wishes.net ?? story.net,
    wishes.total ?? story.total,
  ]
  truth.put('seller_name', story.yard)
  truth.put('buyer_name', buyer)
  truth.put('quote_number', number)
  truth.put('quote_date', issued)
  truth.put('valid_until', valid)
  truth.put('vessel_name', vessel)
  truth.put('hull_number', hull)
  truth.put('net_amount', money(net))
  truth.put('vat_amount', money(story.vat))
  truth.put('total_price', money(total))
  truth.put(
    'lines',
    lines.map((l) => ({
      description: l.text,
      quantity: String(l.quantity),
      unit_price: money(l.unit),
      amount: money(l.amount),
    })),
  )
  return { truth, valid, issued, number, vessel, hull, buyer, lines, net, total, vat: story.vat }
}

export function statementFacts(story: Story, wishes: StatementWishes) {
  const truth = new Ledger()
  const { statement } = wishes
  const holder = wishes.holderName ?? fullName(story.applicant)
  const home = wishes.address ?? story.home
  const iban = wishes.iban ?? story.iban
  const [street, place] = [`${home.number} ${home.street}`, `${home.town} ${home.code}`]
  truth.put('bank_name', story.bank)
  truth.put('account_holder', holder)
  truth.put('holder_address', `${street}, ${place}`)
  truth.put('iban', iban)
  truth.put('statement_start', statement.start)
  truth.put('statement_end', statement.end)
  truth.put('opening_balance', money(statement.opening))
  truth.put('closing_balance', money(statement.closing))
  const rows = (list: typeof statement.rows) =>
    list.map((row) => ({
      date: row.date,
      description: row.text,
      amount: money(row.amount),
      balance: money(row.balance),
    }))
  truth.put('transactions', rows(statement.rows))
  return { truth, statement, holder, iban, street, place, rows }
}

export function applicationFacts(story: Story, wishes: ApplicationWishes) {
  const truth = new Ledger()
  const a = story.applicant
  const signed = wishes.signed ?? true
  const facts = {
    address: wishes.address ?? addressLine(story.home),
    employer: story.selfEmployed ? '' : (wishes.employer ?? story.employer),
    loan: wishes.loan ?? story.loan,
    income: wishes.income ?? story.income,
    on: wishes.signedOn ?? story.applied,
    hull: wishes.hull ?? story.hull,
    vessel: wishes.vessel ?? story.vessel,
  }
  truth.put('application_number', story.caseNumber)
  truth.put('application_date', story.applied)
  truth.put('applicant_name', fullName(a))
  truth.put('date_of_birth', a.born)
  truth.put('national_number', a.nationalNumber)
  truth.put('home_address', facts.address)
  truth.put('phone', a.phone)
  truth.put('email', a.email)
  truth.put('employment_status', story.selfEmployed ? 'self_employed' : 'employed')
  if (facts.employer) truth.put('employer_name', facts.employer)
  truth.put('monthly_net_income', money(facts.income))
  truth.put('loan_amount', money(facts.loan), 2)
  truth.put('loan_term_months', String(story.term), 2)
  truth.put('purchase_price', money(story.total), 2)
  truth.put('deposit_amount', money(story.deposit), 2)
  truth.put('vessel_name', facts.vessel, 2)
  truth.put('hull_number', facts.hull, 2)
  truth.put('existing_loan', story.existingLoan, 2)
  truth.put('iban', story.iban, 2)
  if (story.coApplicant) truth.put('co_applicant_name', fullName(story.coApplicant))
  if (signed) truth.put('signature_date', facts.on, 2)
  return { truth, a, signed, ...facts }
}

export function cardFacts(story: Story, dice: Dice, wishes: CardWishes, years: number, nationality: string) {
  const truth = new Ledger()
  const { given, family } = wishes.name ?? wishes.person
  const born = wishes.born ?? wishes.person.born
  const expiry = wishes.expiry ?? addDays(story.asOf, dice.int(200, 3000))
  const issued = addDays(expiry, -Math.round(365.25 * years))
  const number = wishes.person.cardNumber
  truth.put('document_number', number)
  truth.put('full_name', fullName({ ...wishes.person, given, family }))
  truth.put('date_of_birth', born)
  truth.put('issue_date', issued)
  truth.put('expiry_date', expiry)
  truth.put('nationality', nationality)
  return { truth, given, family, born, expiry, issued, number }
}
