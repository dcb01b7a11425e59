import { addDays } from '../core/text/index.ts'
import { Dice } from './dice.ts'
import type { Hand } from './sheet.ts'
import { paperSets, type PaperSet } from './papers/sets.ts'
import { bound, cluttered, type MadePackage } from './binding.ts'
import { loanPlans, type LoanPaperWishes } from './papers/plan.ts'
import type { ConsentWishes } from './papers/tuning/credit-consent.ts'
import { byHand } from './pen.ts'
import type { ScanQuality } from './scan.ts'
import { makeStory, type Story } from './story.ts'
import type { Drawn } from './truth.ts'
import { fullName, makeFirm, makeIban, makePerson } from './world.ts'

/** What can go wrong with an application's papers. */
export const mishaps = [
  'missing_payslip',
  'missing_quote',
  'missing_registration',
  'missing_consent',
  'missing_bill',
  'expired_card',
  'old_bill',
  'expired_quote',
  'expired_registration',
  'cover_not_begun',
  'unsigned_application',
  'unsigned_consent',
  'low_cover',
  'missing_statement',
  'missing_survey',
  'old_survey',
  'unsigned_survey',
  'low_value',
  'missing_berth',
  'ended_berth',
  'unsigned_berth',
  'missing_mandate',
  'unsigned_mandate',
  'other_account',
  'missing_payoff',
  'old_payoff',
  'salary_wrong',
  'missing_tax_year',
  'missing_accounts',
  'old_accounts',
  'other_employer',
  'other_hull',
  'other_birth',
  'other_name_on_bill',
  'other_vessel',
  'other_price',
  'loan_wrong',
  'income_wrong',
  'balance_wrong',
  'pay_not_received',
  'quote_wrong',
  'statement_page_lost',
] as const
export type Mishap = (typeof mishaps)[number]

export interface PackageWishes {
  seed: number
  /** The number of the case, where it is not thrown. */
  caseNumber?: string
  asOf: string
  /** Whose layouts are drawn. */
  papers: PaperSet
  mishaps?: readonly Mishap[]
  coApplicant?: boolean
  selfEmployed?: boolean
  /** Application, consents and mandate are filled in by hand. */
  handwritten?: boolean
  scan?: ScanQuality
  /** Harmless variants of names, addresses and firms. */
  variants?: boolean
  /** Copies, blanks, stray papers and shuffled order. */
  clutter?: boolean
  /** Sheets with the case number lie between some of the papers. */
  separators?: boolean
  scattered?: boolean
  /** Scanned pages that lie upside down or sideways. */
  turned?: boolean
}

const HANDS: readonly Hand[] = [
  'quick hand',
  'round hand',
  'curly hand',
  'upright hand',
  'joined hand',
  'hasty hand',
]

/** Draws a whole package with its truth. The same wishes give the same package, byte for byte of its pages. */
export async function makePackage(wishes: PackageWishes): Promise<MadePackage> {
  const dice = new Dice(wishes.seed)
  const told = makeStory(dice, wishes.asOf, wishes.coApplicant, wishes.selfEmployed)
  const made = new Making(wishes, dice, { ...told, caseNumber: wishes.caseNumber ?? told.caseNumber })
  await made.letterAndForm()
  await made.cards()
  await made.bill()
  await made.payslips()
  await made.statements()
  await made.quoteAndRegistration()
  await made.cover()
  await made.consents()
  const { papers, story, truth, checklist } = made
  const strays: Drawn[] = []
  if (wishes.clutter)
    for (let i = dice.int(1, 2); i > 0; i--) strays.push(await made.set.drawStray(made.layout(), dice))
  const order = wishes.clutter ? cluttered(papers, strays, dice) : papers
  return bound(
    order,
    {
      scan: wishes.scan,
      turned: wishes.turned,
      blanks: wishes.clutter,
      scattered: wishes.scattered,
      separators: wishes.separators ? story.caseNumber : undefined,
    },
    dice,
    { checklist, conflicts: [...truth.conflicts], failedChecks: [...truth.failed] },
  )
}

/** Mishaps that befall the papers of the self-employed, and those that befall payslips. */
const OWN: ReadonlySet<Mishap> = new Set(['missing_tax_year', 'missing_accounts', 'old_accounts'])
const PAID: ReadonlySet<Mishap> = new Set([
  'missing_payslip',
  'other_employer',
  'income_wrong',
  'pay_not_received',
  'salary_wrong',
])

const swapped = (code: string): string => code.slice(0, -2) + code.at(-1)! + code.at(-2)!
/** How a paper comes out: the first of the cases that holds, or well. */
const outcome = (...cases: [holds: boolean, status: string][]): string =>
  cases.find(([holds]) => holds)?.[1] ?? 'satisfied'

/**
 * A package while it is drawn, with what is true of it. Each step throws the dice in its own order: another
 * order of steps, or of throws in one, would be another package.
 */
class Making {
  readonly papers: Drawn[] = []
  readonly truth = { conflicts: new Set<string>(), failed: new Set<string>() }
  readonly checklist: Record<string, string> = Object.fromEntries(
    [
      'application_form',
      'photo_id',
      'address_proof',
      'income_proof',
      'bank_statements',
      'purchase_quote',
      'registration',
      'insurance',
      'consent',
    ].map((requirement) => [requirement, 'satisfied']),
  )
  readonly set: (typeof paperSets)[PaperSet]
  private readonly vary: boolean
  private readonly hand: Hand
  private otherHull: string | undefined
  private statedLoan: number

  constructor(
    private readonly wishes: PackageWishes,
    private readonly dice: Dice,
    readonly story: Story,
  ) {
    this.set = paperSets[wishes.papers]
    this.vary = wishes.variants ?? false
    this.hand = wishes.papers === 'scoring' ? 'thin hand' : dice.pick(HANDS)
    this.statedLoan = story.loan
  }

  readonly layout = (): number => this.dice.int(0, this.set.layouts - 1)

  /** What befalls payslips befalls nobody who has none, and so with the papers of the self-employed. */
  private has(mishap: Mishap): boolean {
    return (
      (this.wishes.mishaps?.includes(mishap) ?? false) && !(this.wishes.selfEmployed ? PAID : OWN).has(mishap)
    )
  }

  private filled(draw: (own: Dice) => Promise<Drawn>): Promise<Drawn> {
    return this.wishes.handwritten ? byHand(this.hand, this.dice, draw) : draw(this.dice)
  }

  async letterAndForm(): Promise<void> {
    const { dice, story, set } = this
    if (dice.chance(0.6)) this.papers.push(await set.drawLetter(story, this.layout(), dice))
    this.otherHull =
      this.has('other_hull') && swapped(story.hull) !== story.hull
        ? swapped(story.hull)
        : this.has('other_hull')
          ? `SKR-${dice.digits(5)}`
          : undefined
    if (this.otherHull) this.truth.conflicts.add('hull_number')
    if (this.has('loan_wrong')) this.statedLoan = story.loan + dice.pick([-1, 1]) * dice.int(9, 40) * 10000
    const formLayout = this.layout()
    const employer = this.has('other_employer')
      ? otherFirm(dice, story.employer)
      : this.vary
        ? story.employer.replace('Limited', 'Ltd')
        : undefined
    this.papers.push(
      await this.filled((own) =>
        set.drawApplication(story, formLayout, own, {
          signed: !this.has('unsigned_application'),
          employer,
          loan: this.has('loan_wrong') ? this.statedLoan : undefined,
          income: this.has('income_wrong') ? Math.round((story.income * 1.3) / 1000) * 1000 : undefined,
        }),
      ),
    )
    if (this.has('unsigned_application')) this.checklist.application_form = 'unsigned'
    if (this.has('other_employer')) this.truth.conflicts.add('employer_name')
    if (this.has('loan_wrong')) this.truth.failed.add('loan_equals_price_less_deposit')
    if (this.has('income_wrong')) this.truth.failed.add('stated_income_matches_pay')
  }

  async cards(): Promise<void> {
    const { dice, story, set } = this
    const person = story.applicant
    const born = this.has('other_birth') ? addDays(person.born, dice.pick([-40, 31, 365])) : undefined
    if (born) this.truth.conflicts.add('date_of_birth')
    this.papers.push(
      await set.drawCard(story, this.layout(), dice, {
        person,
        expiry: this.has('expired_card') ? addDays(story.asOf, -dice.int(5, 400)) : undefined,
        born,
      }),
    )
    if (this.has('expired_card')) this.checklist.photo_id = 'expired'
    if (story.coApplicant)
      this.papers.push(await set.drawCard(story, this.layout(), dice, { person: story.coApplicant }))
  }

  async bill(): Promise<void> {
    const { dice, story } = this
    this.checklist.address_proof = outcome(
      [this.has('missing_bill'), 'missing'],
      [this.has('old_bill'), 'expired'],
    )
    if (this.has('missing_bill')) return
    const { given, family } = story.applicant
    const holder = this.has('other_name_on_bill')
      ? fullName(otherPerson(dice, story))
      : this.vary
        ? `${given[0]}. ${family}`
        : undefined
    this.papers.push(
      await this.set.drawBill(story, this.layout(), dice, {
        issued: this.has('old_bill') ? addDays(story.asOf, -dice.int(95, 200)) : undefined,
        holder,
        street: this.vary ? shortStreet(story) : undefined,
      }),
    )
    if (this.has('other_name_on_bill')) this.truth.conflicts.add('applicant_name')
  }

  async payslips(): Promise<void> {
    const { dice, story } = this
    const { given, family } = story.applicant
    const payLayout = this.layout()
    const months = story.selfEmployed
      ? []
      : story.pay.filter((_, i) => !(this.has('missing_payslip') && i === 1))
    for (const [i, month] of months.entries())
      this.papers.push(
        await this.set.drawPayslip(story, payLayout, dice, {
          month,
          employeeName: this.vary && i === 0 ? `${family}, ${given}` : undefined,
        }),
      )
    if (this.has('missing_payslip')) this.checklist.income_proof = 'incomplete'
  }

  async statements(): Promise<void> {
    const { dice, story } = this
    const bankLayout = this.layout()
    for (const [i, statement] of this.booked().entries()) {
      const lost = this.has('statement_page_lost') && i === 0
      const drawn = await this.set.drawStatement(story, bankLayout, dice, {
        statement,
        holderName: this.vary ? fullName(story.applicant).toUpperCase() : undefined,
        dropPage: lost ? 2 : undefined,
      })
      this.papers.push(drawn)
      if (lost && drawn.dropped) this.checklist.bank_statements = 'incomplete'
    }
  }

  /** What the statements say, mishaps in their rows among it. */
  private booked(): Story['statements'] {
    const { dice, story, truth } = this
    const statements = story.statements.map((s) => ({ ...s, rows: s.rows.map((r) => ({ ...r })) }))
    if (this.has('balance_wrong')) {
      const row = statements[1].rows[dice.int(3, statements[1].rows.length - 2)]
      row.amount -= 9000
      truth.failed.add('statement_adds_up')
    }
    if (this.has('pay_not_received')) {
      const last = statements.at(-1)!
      const row = last.rows.find((r) => r.text.startsWith('Salary'))!
      const less = 12345
      row.amount -= less
      for (const r of last.rows.slice(last.rows.indexOf(row))) r.balance -= less
      last.closing -= less
      truth.failed.add('pay_reaches_account')
    }
    if (!this.has('missing_statement')) return statements
    this.checklist.bank_statements = 'incomplete'
    truth.failed.delete('statement_adds_up')
    return statements.filter((_, i) => i !== 1)
  }

  async quoteAndRegistration(): Promise<void> {
    await this.quote()
    const { dice, story, truth } = this
    this.checklist.registration = outcome(
      [this.has('missing_registration'), 'missing'],
      [this.has('expired_registration'), 'expired'],
    )
    if (this.has('missing_registration')) return
    const vessel = this.has('other_vessel') ? `${story.vessel} II` : undefined
    const { given, middle, family } = story.applicant
    this.papers.push(
      await this.set.drawRegistration(story, this.layout(), dice, {
        expiry: this.has('expired_registration') ? addDays(story.asOf, -dice.int(3, 500)) : undefined,
        vessel,
        owner: this.vary ? `${given} ${middle} ${family}` : undefined,
      }),
    )
    if (vessel) truth.conflicts.add('vessel_name')
  }

  private async quote(): Promise<void> {
    const { dice, story, truth } = this
    this.checklist.purchase_quote = outcome(
      [this.has('missing_quote'), 'missing'],
      [this.has('expired_quote'), 'expired'],
    )
    if (this.has('missing_quote')) {
      truth.conflicts.delete('hull_number')
      return
    }
    const dearer = this.has('other_price') ? 250000 : 0
    const slip = this.has('quote_wrong') ? 10000 : 0
    const lines = story.lines.map((l, i) =>
      i === 0
        ? { ...l, unit: l.unit + dearer, amount: l.amount + dearer }
        : i === 1
          ? { ...l, amount: l.amount + slip }
          : l,
    )
    this.papers.push(
      await this.set.drawQuote(story, this.layout(), dice, {
        validUntil: this.has('expired_quote') ? addDays(story.asOf, -dice.int(2, 60)) : undefined,
        hull: this.otherHull,
        lines,
        net: story.net + dearer,
        total: story.total + dearer,
      }),
    )
    if (dearer) truth.conflicts.add('purchase_price')
    if (this.has('quote_wrong')) truth.failed.add('quote_adds_up')
  }

  async cover(): Promise<void> {
    const { dice, story } = this
    this.papers.push(
      await this.set.drawCover(story, this.layout(), dice, {
        start: this.has('cover_not_begun') ? addDays(story.asOf, dice.int(5, 30)) : undefined,
        sum: this.has('low_cover') ? Math.floor((story.loan * 0.6) / 100000) * 100000 : undefined,
        vessel: this.vary ? story.vessel.toUpperCase() : undefined,
      }),
    )
    this.checklist.insurance = outcome(
      [this.has('cover_not_begun'), 'expired'],
      [this.has('low_cover'), 'insufficient'],
    )
  }

  async consents(): Promise<void> {
    const { story } = this
    if (!this.has('missing_consent')) await this.consented({ signed: !this.has('unsigned_consent') })
    if (story.coApplicant) await this.consented({ person: story.coApplicant })
    await this.further()
    this.checklist.consent = outcome(
      [this.has('missing_consent'), story.coApplicant ? 'incomplete' : 'missing'],
      [this.has('unsigned_consent'), 'unsigned'],
    )
  }

  private async consented(given: ConsentWishes): Promise<void> {
    const own = this.layout()
    this.papers.push(await this.filled((hand) => this.set.drawConsent(this.story, own, hand, given)))
  }

  /** The papers of the boat, the berth, the account and the income. */
  private async further(): Promise<void> {
    await this.survey()
    await this.berth()
    await this.mandateAndPayoff()
    await this.income()
  }

  private async plan(type: keyof typeof loanPlans, given: LoanPaperWishes = {}): Promise<void> {
    const { dice, story } = this
    const plan = loanPlans[type](story, dice, given)
    this.papers.push(await this.set.drawPlan(plan, this.layout(), dice))
  }

  private async survey(): Promise<void> {
    const { dice, story } = this
    this.checklist.survey = outcome(
      [this.statedLoan <= 2_500_000, 'not_applicable'],
      [this.has('missing_survey'), 'missing'],
      [this.has('old_survey'), 'expired'],
      [this.has('unsigned_survey'), 'unsigned'],
    )
    if (this.has('missing_survey')) return
    await this.plan('survey_report', {
      signed: !this.has('unsigned_survey'),
      on: this.has('old_survey') ? addDays(story.asOf, -dice.int(380, 900)) : undefined,
      amount: this.has('low_value') ? Math.floor((this.statedLoan * 0.8) / 50000) * 50000 : undefined,
    })
    if (this.has('low_value')) this.truth.failed.add('value_covers_loan')
  }

  private async berth(): Promise<void> {
    const { dice, story } = this
    const asked = this.statedLoan > 4_000_000
    this.checklist.berth = outcome(
      [!asked, 'not_applicable'],
      [this.has('missing_berth'), 'missing'],
      [this.has('ended_berth'), 'expired'],
      [this.has('unsigned_berth'), 'unsigned'],
    )
    if (!this.has('missing_berth') && (asked || dice.chance(0.4)))
      await this.plan('berth_agreement', {
        signed: !this.has('unsigned_berth'),
        on: this.has('ended_berth') ? addDays(story.asOf, -dice.int(4, 200)) : undefined,
      })
  }

  private async mandateAndPayoff(): Promise<void> {
    const { dice, story } = this
    this.checklist.mandate = outcome(
      [this.has('missing_mandate'), 'missing'],
      [this.has('unsigned_mandate'), 'unsigned'],
    )
    if (!this.has('missing_mandate')) {
      await this.plan('debit_mandate', {
        signed: !this.has('unsigned_mandate'),
        iban: this.has('other_account') ? makeIban(dice) : undefined,
      })
      if (this.has('other_account')) this.truth.conflicts.add('iban')
    }
    this.checklist.payoff = outcome(
      [!story.existingLoan, 'not_applicable'],
      [this.has('missing_payoff'), 'missing'],
      [this.has('old_payoff'), 'expired'],
    )
    if (story.existingLoan && !this.has('missing_payoff'))
      await this.plan('loan_payoff', {
        on: this.has('old_payoff') ? addDays(story.asOf, -dice.int(50, 200)) : undefined,
      })
    if (dice.chance(0.4)) await this.plan('fishing_licence')
  }

  private async income(): Promise<void> {
    const { dice, story } = this
    if (!story.selfEmployed && (this.has('salary_wrong') || dice.chance(0.4))) {
      const yearly = Math.round(story.pay.reduce((t, p) => t + p.gross, 0) / 3) * 12
      await this.plan('employment_letter', {
        amount: this.has('salary_wrong') ? Math.round((yearly * 1.2) / 10000) * 10000 : undefined,
      })
      if (this.has('salary_wrong')) this.truth.failed.add('salary_matches_pay')
    }
    if (!story.selfEmployed) return
    const lastYear = +story.asOf.slice(0, 4) - 1
    for (const year of this.has('missing_tax_year') ? [lastYear] : [lastYear, lastYear - 1])
      await this.plan('tax_assessment', { year })
    if (!this.has('missing_accounts'))
      await this.plan('business_accounts', {
        on: this.has('old_accounts') ? `${lastYear - 2}-12-31` : undefined,
      })
    this.checklist.income_proof = outcome(
      [this.has('missing_tax_year') || this.has('missing_accounts'), 'incomplete'],
      [this.has('old_accounts'), 'expired'],
    )
  }
}

function otherFirm(dice: Dice, firm: string): string {
  let other = makeFirm(dice)
  while (other.split(' ')[0] === firm.split(' ')[0]) other = makeFirm(dice)
  return other
}

function otherPerson(dice: Dice, story: Story) {
  let other = makePerson(dice)
  while (other.family === story.applicant.family || other.family === story.coApplicant?.family)
    other = makePerson(dice)
  return other
}

/** The street in its short form, as utilities print it. */
const shortStreet = (story: Story): string =>
  `${story.home.number} ${story.home.street}`
    .replace(/ Road$/, ' Rd')
    .replace(/ Street$/, ' St')
    .replace(/ Lane$/, ' Ln')
    .replace(/ Avenue$/, ' Ave')
