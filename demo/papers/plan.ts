import { addDays, addMonths } from '../../core/text/index.ts'
import type { Row, Value } from '../../core/model/index.ts'
import type { Dice } from '../dice.ts'
import type { Story } from '../story.ts'
import type { Trade } from '../trade.ts'
import { Ledger, money } from '../truth.ts'
import { addressLine, fullName, type Person } from '../world.ts'

/** How one layout writes days and amounts. */
export interface Forms {
  d: (iso: string) => string
  m: (cents: number) => string
}

/** One thing that a paper says. */
export interface Said {
  field: string
  value: Value
  print: (forms: Forms) => string | string[]
}

/** What a paper says, whoever designs it: each designer finds labels, order and looks. */
export interface Plan {
  type: string
  /** Whose letterhead it carries. */
  firm: string
  under?: string
  said: Said[]
  /** People listed on it. */
  people?: { field: string; rows: { person: Person; share: number | null }[] }
  /** null where no signature is expected. */
  signed: boolean | null
  /** The day beside the signature, and whether it is a field. */
  signDay?: { day: string; field: string | null }
  /** Who signs, for the name in print beneath. */
  signer?: string
  story?: Story
}

const text = (field: string, value: string): Said => ({ field, value, print: () => value })
const day = (field: string, iso: string): Said => ({ field, value: iso, print: (f) => f.d(iso) })
const sum = (field: string, amount: number): Said => ({
  field,
  value: money(amount),
  print: (f) => f.m(amount),
})

/** The truth of a plan; a signing day counts where it is signed. */
export function truthOf(plan: Plan): Ledger {
  const truth = new Ledger()
  for (const said of plan.said) truth.put(said.field, said.value)
  if (plan.people)
    truth.put(
      plan.people.field,
      plan.people.rows.map(({ person, share }): Row =>
        share === null
          ? { name: fullName(person) }
          : { name: fullName(person), date_of_birth: person.born, share: String(share) },
      ),
    )
  if (plan.signed && plan.signDay?.field) truth.put(plan.signDay.field, plan.signDay.day)
  return truth
}

const HARBOURS = [
  'Port Ellery Harbour Trust',
  'Gannet Bay Marina Ltd',
  'Saltholm Harbour Company',
  'Oyster Haven Marina',
  'Tarnwick Port Authority',
  'Merrow Harbour Board',
]
const LENDERS = [
  'Lantern Bank',
  'Kelp Credit Union',
  'Tidewater Finance Ltd',
  'Brackwater Loans Ltd',
  'Isles Savings Bank',
]
const SURVEYORS = [
  'Fathom Marine Surveys',
  'Tern Island Surveyors Ltd',
  'Northlight Marine Consultants',
  'Skerrow Hull & Valuation',
]
const JOBS = [
  'Deckhand',
  'Skipper',
  'Marine engineer',
  'Net maker',
  'Harbour pilot',
  'Shift supervisor',
  'Boatbuilder',
  'Quality controller',
  'Workshop foreman',
]

export interface LoanPaperWishes {
  signed?: boolean
  on?: string
  amount?: number
  year?: number
  person?: Person
  iban?: string
}

/** Plans of the papers of a loan, by type. */
export const loanPlans = {
  employment_letter: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => ({
    type: 'employment_letter',
    firm: s.employer,
    under: addressLine(s.employerAddress),
    signed: w.signed ?? true,
    signer: 'Office Manager',
    story: s,
    said: [
      text('employee_name', fullName(s.applicant)),
      text('employer_name', s.employer),
      text('job_title', dice.pick(JOBS)),
      day('start_date', addDays(s.asOf, -dice.int(400, 5000))),
      sum('annual_salary', w.amount ?? Math.round(s.pay.reduce((t, p) => t + p.gross, 0) / 3) * 12),
      day('letter_date', addDays(s.asOf, -dice.int(4, 40))),
    ],
  }),
  tax_assessment: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const income = dice.int(18000, 52000) * 100
    const year = w.year ?? +s.asOf.slice(0, 4) - 1
    return {
      type: 'tax_assessment',
      firm: 'Skerrow Isles Revenue',
      under: '2 Customs House, Merrow SK1 1AA',
      signed: null,
      story: s,
      said: [
        text('taxpayer_name', fullName(s.applicant)),
        text('national_number', s.applicant.nationalNumber),
        text('tax_year', String(year)),
        sum('total_income', income),
        sum('tax_due', Math.round(income * 0.17)),
        day('issue_date', addDays(`${year + 1}-02-01`, dice.int(0, 40))),
      ],
    }
  },
  business_accounts: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const end = w.on ?? `${+s.asOf.slice(0, 4) - 1}-${dice.pick(['03-31', '06-30', '12-31', '09-30'])}`
    const turnover = dice.int(40000, 160000) * 100
    const name = dice.pick([
      `${s.applicant.family} Shellfish`,
      `${s.applicant.given} ${s.applicant.family} Fishing`,
      `${s.vessel} Charters`,
      `${s.applicant.family} Marine Services`,
    ])
    return {
      type: 'business_accounts',
      firm: name,
      signed: w.signed ?? true,
      signDay: { day: addDays(end, dice.int(40, 90)), field: null },
      signer: fullName(s.applicant),
      story: s,
      said: [
        text('business_name', name),
        text('owner_name', fullName(s.applicant)),
        day('period_start', addMonths(addDays(end, 1), -12)),
        day('period_end', end),
        sum('turnover', turnover),
        sum('net_profit', Math.round(turnover * (0.2 + dice.next() * 0.3))),
      ],
    }
  },
  survey_report: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const surveyor = dice.pick([
      'Edda Colquhoun',
      'Rufus Amery',
      'Tilda Vance',
      'Ivar Sandwick',
      'Morag Pell',
    ])
    const inspected = w.on ?? addDays(s.asOf, -dice.int(10, 250))
    return {
      type: 'survey_report',
      firm: dice.pick(SURVEYORS),
      under: `${dice.int(1, 40)} Old Quay, Port Ellery SK4 2QD`,
      signed: w.signed ?? true,
      signDay: { day: addDays(inspected, 3), field: null },
      signer: surveyor,
      story: s,
      said: [
        text(
          'report_number',
          dice.pick([`SR-${dice.digits(5)}`, `${dice.digits(4)}/${dice.digits(2)}`, `S${dice.digits(6)}`]),
        ),
        text('surveyor_name', surveyor),
        day('inspection_date', inspected),
        text('vessel_name', s.vessel),
        text('hull_number', s.hull),
        sum('market_value', w.amount ?? Math.ceil((s.total * 1.02) / 50000) * 50000),
      ],
    }
  },
  fishing_licence: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const from = addDays(s.asOf, -dice.int(20, 300))
    return {
      type: 'fishing_licence',
      firm: 'Skerrow Fisheries Office',
      signed: null,
      story: s,
      said: [
        text('licence_number', dice.pick([`FL${dice.digits(6)}`, `SKF-${dice.digits(4)}-${dice.digits(2)}`])),
        text('holder_name', fullName(s.applicant)),
        text('vessel_name', s.vessel),
        day('valid_from', from),
        day('valid_until', w.on ?? addDays(from, 729)),
      ],
    }
  },
  berth_agreement: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const start = addDays(w.on ?? addDays(s.asOf, dice.int(30, 500)), -729)
    const harbour = dice.pick(HARBOURS)
    return {
      type: 'berth_agreement',
      firm: harbour,
      under: dice.pick(['Harbour Office, Quayside', 'The Harbour Office']),
      signed: w.signed ?? true,
      signDay: { day: addDays(start, -8), field: null },
      signer: fullName(s.applicant),
      story: s,
      said: [
        text('berth_holder', fullName(s.applicant)),
        text('harbour_name', harbour),
        text('vessel_name', s.vessel),
        day('start_date', start),
        day('end_date', addDays(start, 729)),
        sum('annual_fee', dice.int(600, 3800) * 100),
      ],
    }
  },
  loan_payoff: (s: Story, dice: Dice, w: LoanPaperWishes): Plan => {
    const lender = dice.pick(LENDERS)
    return {
      type: 'loan_payoff',
      firm: lender,
      under: `${dice.int(1, 60)} Cooper Street, Saltholm SK2 9LP`,
      signed: null,
      story: s,
      said: [
        text('lender_name', lender),
        text('borrower_name', fullName(s.applicant)),
        text(
          'loan_number',
          dice.pick([`L${dice.digits(8)}`, `${dice.digits(4)}-${dice.digits(4)}`, `KCU${dice.digits(6)}`]),
        ),
        sum('outstanding_balance', dice.int(900, 14000) * 100 + dice.int(0, 99)),
        sum('monthly_payment', dice.int(80, 600) * 100 + dice.int(0, 99)),
        day('statement_date', w.on ?? addDays(s.asOf, -dice.int(2, 38))),
      ],
    }
  },
  debit_mandate: (s: Story, _dice: Dice, w: LoanPaperWishes): Plan => ({
    type: 'debit_mandate',
    firm: 'Merrow Sound Mutual',
    under: '1 Harbour Street, Merrow SK1 1MS',
    signed: w.signed ?? true,
    signDay: { day: s.applied, field: 'signature_date' },
    signer: fullName(s.applicant),
    story: s,
    said: [text('account_holder', fullName(s.applicant)), text('iban', w.iban ?? s.iban)],
  }),
}

export interface TradePaperWishes {
  signed?: boolean
  business?: string
  number?: string
  shares?: readonly number[]
  address?: string
}

/** Plans of the papers of a business account, by type. */
export const tradePlans = {
  account_application: (t: Trade, _dice: Dice, w: TradePaperWishes): Plan => ({
    type: 'account_application',
    firm: 'Merrow Sound Mutual',
    signed: w.signed ?? true,
    signDay: { day: t.applied, field: 'signature_date' },
    signer: fullName(t.contact),
    said: [
      text('application_number', t.caseNumber),
      day('application_date', t.applied),
      text('business_name', w.business ?? t.business),
      text('company_number', w.number ?? t.companyNumber),
      text('registered_address', w.address ?? addressLine(t.address)),
      text('contact_name', fullName(t.contact)),
      text('email', t.contact.email),
      text('phone', t.contact.phone),
      sum('expected_monthly_turnover', t.turnover),
    ],
  }),
  incorporation_certificate: (t: Trade, _dice: Dice, w: TradePaperWishes): Plan => ({
    type: 'incorporation_certificate',
    firm: 'Skerrow Isles Companies Registry',
    signed: null,
    said: [
      text('business_name', w.business ?? t.business),
      text('company_number', w.number ?? t.companyNumber),
      day('incorporation_date', t.incorporated),
    ],
  }),
  owners_declaration: (t: Trade, _dice: Dice, w: TradePaperWishes): Plan => ({
    type: 'owners_declaration',
    firm: 'Merrow Sound Mutual',
    signed: w.signed ?? true,
    signDay: { day: t.declared, field: 'declaration_date' },
    signer: fullName(t.contact),
    said: [
      text('business_name', w.business ?? t.business),
      text('company_number', w.number ?? t.companyNumber),
    ],
    people: {
      field: 'owners',
      rows: t.owners.map((o, i) => ({ person: o.person, share: w.shares?.[i] ?? o.share })),
    },
  }),
  tax_self_certification: (t: Trade, dice: Dice, w: TradePaperWishes): Plan => ({
    type: 'tax_self_certification',
    firm: 'Merrow Sound Mutual',
    signed: w.signed ?? true,
    signDay: { day: t.applied, field: 'signature_date' },
    signer: fullName(t.contact),
    said: [
      text('holder_name', fullName(t.contact)),
      text('tax_number', t.taxNumber.replace(/ /g, '')),
      text('tax_country', dice.pick(['Skerrow Isles', 'Skerrow Isles', 'Ireland', 'France', 'Norway'])),
    ].map((s) => (s.field === 'tax_number' ? { ...s, print: () => t.taxNumber } : s)),
  }),
  board_resolution: (t: Trade, _dice: Dice, w: TradePaperWishes): Plan => ({
    type: 'board_resolution',
    firm: w.business ?? t.business,
    under: addressLine(t.address),
    signed: w.signed ?? true,
    signer: fullName(t.contact),
    said: [text('business_name', w.business ?? t.business), day('meeting_date', t.met)],
    people: {
      field: 'signatories',
      rows: t.owners.slice(0, 2).map((o) => ({ person: o.person, share: null })),
    },
  }),
}
