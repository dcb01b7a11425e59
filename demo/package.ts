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
  const story = { ...told, caseNumber: wishes.caseNumber ?? told.caseNumber }
  const own = new Set<Mishap>(['missing_tax_year', 'missing_accounts', 'old_accounts'])
  const paid = new Set<Mishap>([
    'missing_payslip',
    'other_employer',
    'income_wrong',
    'pay_not_received',
    'salary_wrong',
  ])
  // What befalls payslips befalls nobody who has none, and so with the papers of the self-employed.
  const has = (m: Mishap) =>
    (wishes.mishaps?.includes(m) ?? false) && !(wishes.selfEmployed ? paid : own).has(m)
  const papers: Drawn[] = []
  const set = paperSets[wishes.papers]
  const layout = () => dice.int(0, set.layouts - 1)
  const vary = wishes.variants ?? false
  const a = story.applicant
  const hand = wishes.papers === 'scoring' ? 'thin hand' : dice.pick(HANDS)
  const filled = (draw: (own: Dice) => Promise<Drawn>): Promise<Drawn> =>
    wishes.handwritten ? byHand(hand, dice, draw) : draw(dice)
  const truth = { conflicts: new Set<string>(), failed: new Set<string>() }
  const checklist: Record<string, string> = {
    application_form: 'satisfied',
    photo_id: 'satisfied',
    address_proof: 'satisfied',
    income_proof: 'satisfied',
    bank_statements: 'satisfied',
    purchase_quote: 'satisfied',
    registration: 'satisfied',
    insurance: 'satisfied',
    consent: 'satisfied',
  }

  if (dice.chance(0.6)) papers.push(await set.drawLetter(story, layout(), dice))
  const swapped = (code: string) => code.slice(0, -2) + code.at(-1)! + code.at(-2)!
  const otherHull =
    has('other_hull') && swapped(story.hull) !== story.hull
      ? swapped(story.hull)
      : has('other_hull')
        ? `SKR-${dice.digits(5)}`
        : undefined
  if (otherHull) truth.conflicts.add('hull_number')
  const statedLoan = has('loan_wrong')
    ? story.loan + dice.pick([-1, 1]) * dice.int(9, 40) * 10000
    : story.loan
  const formLayout = layout()
  const stated = {
    employer: has('other_employer')
      ? otherFirm(dice, story.employer)
      : vary
        ? story.employer.replace('Limited', 'Ltd')
        : undefined,
  }
  papers.push(
    await filled((own) =>
      set.drawApplication(story, formLayout, own, {
        signed: !has('unsigned_application'),
        ...stated,
        loan: has('loan_wrong') ? statedLoan : undefined,
        income: has('income_wrong') ? Math.round((story.income * 1.3) / 1000) * 1000 : undefined,
      }),
    ),
  )
  if (has('unsigned_application')) checklist.application_form = 'unsigned'
  if (has('other_employer')) truth.conflicts.add('employer_name')
  if (has('loan_wrong')) truth.failed.add('loan_equals_price_less_deposit')
  if (has('income_wrong')) truth.failed.add('stated_income_matches_pay')

  const born = has('other_birth') ? addDays(a.born, dice.pick([-40, 31, 365])) : undefined
  if (born) truth.conflicts.add('date_of_birth')
  papers.push(
    await set.drawCard(story, layout(), dice, {
      person: a,
      expiry: has('expired_card') ? addDays(story.asOf, -dice.int(5, 400)) : undefined,
      born,
    }),
  )
  if (has('expired_card')) checklist.photo_id = 'expired'
  if (story.coApplicant) papers.push(await set.drawCard(story, layout(), dice, { person: story.coApplicant }))

  if (!has('missing_bill')) {
    const stranger = has('other_name_on_bill')
      ? fullName(otherPerson(dice, story))
      : vary
        ? `${a.given[0]}. ${a.family}`
        : undefined
    papers.push(
      await set.drawBill(story, layout(), dice, {
        issued: has('old_bill') ? addDays(story.asOf, -dice.int(95, 200)) : undefined,
        holder: stranger,
        street: vary ? shortStreet(story) : undefined,
      }),
    )
    if (has('old_bill')) checklist.address_proof = 'expired'
    if (has('other_name_on_bill')) truth.conflicts.add('applicant_name')
  } else checklist.address_proof = 'missing'

  const payLayout = layout()
  const months = story.selfEmployed ? [] : story.pay.filter((_, i) => !(has('missing_payslip') && i === 1))
  for (const [i, month] of months.entries())
    papers.push(
      await set.drawPayslip(story, payLayout, dice, {
        month,
        employeeName: vary && i === 0 ? `${a.family}, ${a.given}` : undefined,
      }),
    )
  if (has('missing_payslip')) checklist.income_proof = 'incomplete'

  const bankLayout = layout()
  let statements = story.statements.map((s) => ({ ...s, rows: s.rows.map((r) => ({ ...r })) }))
  if (has('balance_wrong')) {
    const row = statements[1].rows[dice.int(3, statements[1].rows.length - 2)]
    row.amount -= 9000
    truth.failed.add('statement_adds_up')
  }
  if (has('pay_not_received')) {
    const last = statements.at(-1)!
    const row = last.rows.find((r) => r.text.startsWith('Salary'))!
    const less = 12345
    row.amount -= less
    for (const r of last.rows.slice(last.rows.indexOf(row))) r.balance -= less
    last.closing -= less
    truth.failed.add('pay_reaches_account')
  }
  if (has('missing_statement')) {
    statements = statements.filter((_, i) => i !== 1)
    checklist.bank_statements = 'incomplete'
    truth.failed.delete('statement_adds_up')
  }
  for (const [i, statement] of statements.entries()) {
    const lost = has('statement_page_lost') && i === 0
    const drawn = await set.drawStatement(story, bankLayout, dice, {
      statement,
      holderName: vary ? fullName(a).toUpperCase() : undefined,
      dropPage: lost ? 2 : undefined,
    })
    papers.push(drawn)
    if (lost && drawn.dropped) checklist.bank_statements = 'incomplete'
  }

  if (!has('missing_quote')) {
    const dearer = has('other_price') ? 250000 : 0
    const slip = has('quote_wrong') ? 10000 : 0
    const lines = story.lines.map((l, i) =>
      i === 0
        ? { ...l, unit: l.unit + dearer, amount: l.amount + dearer }
        : i === 1
          ? { ...l, amount: l.amount + slip }
          : l,
    )
    papers.push(
      await set.drawQuote(story, layout(), dice, {
        validUntil: has('expired_quote') ? addDays(story.asOf, -dice.int(2, 60)) : undefined,
        hull: otherHull,
        lines,
        net: story.net + dearer,
        total: story.total + dearer,
      }),
    )
    if (has('expired_quote')) checklist.purchase_quote = 'expired'
    if (dearer) truth.conflicts.add('purchase_price')
    if (has('quote_wrong')) truth.failed.add('quote_adds_up')
  } else {
    checklist.purchase_quote = 'missing'
    truth.conflicts.delete('hull_number')
  }
  const otherVessel = has('other_vessel') ? `${story.vessel} II` : undefined
  if (!has('missing_registration')) {
    papers.push(
      await set.drawRegistration(story, layout(), dice, {
        expiry: has('expired_registration') ? addDays(story.asOf, -dice.int(3, 500)) : undefined,
        vessel: otherVessel,
        owner: vary ? `${a.given} ${a.middle} ${a.family}` : undefined,
      }),
    )
    if (has('expired_registration')) checklist.registration = 'expired'
    if (otherVessel) truth.conflicts.add('vessel_name')
  } else checklist.registration = 'missing'
  papers.push(
    await set.drawCover(story, layout(), dice, {
      start: has('cover_not_begun') ? addDays(story.asOf, dice.int(5, 30)) : undefined,
      sum: has('low_cover') ? Math.floor((story.loan * 0.6) / 100000) * 100000 : undefined,
      vessel: vary ? story.vessel.toUpperCase() : undefined,
    }),
  )
  if (has('cover_not_begun')) checklist.insurance = 'expired'
  else if (has('low_cover')) checklist.insurance = 'insufficient'
  if (!has('missing_consent')) await consented({ signed: !has('unsigned_consent') })
  if (story.coApplicant) await consented({ person: story.coApplicant })
  await drawFurther()
  if (has('missing_consent')) checklist.consent = story.coApplicant ? 'incomplete' : 'missing'
  else if (has('unsigned_consent')) checklist.consent = 'unsigned'

  const strays: Drawn[] = []
  if (wishes.clutter)
    for (let i = dice.int(1, 2); i > 0; i--) strays.push(await set.drawStray(layout(), dice))
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

  async function consented(given: ConsentWishes): Promise<void> {
    const own = layout()
    papers.push(await filled((hand) => set.drawConsent(story, own, hand, given)))
  }

  /** The papers of the boat, the berth, the account and the income. */
  async function drawFurther(): Promise<void> {
    const further = async (type: keyof typeof loanPlans, given: LoanPaperWishes = {}) =>
      void papers.push(await set.drawPlan(loanPlans[type](story, dice, given), layout(), dice))
    checklist.survey =
      statedLoan <= 2_500_000
        ? 'not_applicable'
        : has('missing_survey')
          ? 'missing'
          : has('old_survey')
            ? 'expired'
            : has('unsigned_survey')
              ? 'unsigned'
              : 'satisfied'
    if (!has('missing_survey')) {
      await further('survey_report', {
        signed: !has('unsigned_survey'),
        on: has('old_survey') ? addDays(story.asOf, -dice.int(380, 900)) : undefined,
        amount: has('low_value') ? Math.floor((statedLoan * 0.8) / 50000) * 50000 : undefined,
      })
      if (has('low_value')) truth.failed.add('value_covers_loan')
    }
    checklist.berth =
      statedLoan <= 4_000_000
        ? 'not_applicable'
        : has('missing_berth')
          ? 'missing'
          : has('ended_berth')
            ? 'expired'
            : has('unsigned_berth')
              ? 'unsigned'
              : 'satisfied'
    if (!has('missing_berth') && (statedLoan > 4_000_000 || dice.chance(0.4)))
      await further('berth_agreement', {
        signed: !has('unsigned_berth'),
        on: has('ended_berth') ? addDays(story.asOf, -dice.int(4, 200)) : undefined,
      })
    checklist.mandate = has('missing_mandate')
      ? 'missing'
      : has('unsigned_mandate')
        ? 'unsigned'
        : 'satisfied'
    if (!has('missing_mandate')) {
      await further('debit_mandate', {
        signed: !has('unsigned_mandate'),
        iban: has('other_account') ? makeIban(dice) : undefined,
      })
      if (has('other_account')) truth.conflicts.add('iban')
    }
    checklist.payoff = !story.existingLoan
      ? 'not_applicable'
      : has('missing_payoff')
        ? 'missing'
        : has('old_payoff')
          ? 'expired'
          : 'satisfied'
    if (story.existingLoan && !has('missing_payoff'))
      await further('loan_payoff', {
        on: has('old_payoff') ? addDays(story.asOf, -dice.int(50, 200)) : undefined,
      })
    if (dice.chance(0.4)) await further('fishing_licence')
    if (!story.selfEmployed && (has('salary_wrong') || dice.chance(0.4))) {
      const yearly = Math.round(story.pay.reduce((t, p) => t + p.gross, 0) / 3) * 12
      await further('employment_letter', {
        amount: has('salary_wrong') ? Math.round((yearly * 1.2) / 10000) * 10000 : undefined,
      })
      if (has('salary_wrong')) truth.failed.add('salary_matches_pay')
    }
    if (!story.selfEmployed) return
    const lastYear = +story.asOf.slice(0, 4) - 1
    for (const year of has('missing_tax_year') ? [lastYear] : [lastYear, lastYear - 1])
      await further('tax_assessment', { year })
    if (!has('missing_accounts'))
      await further('business_accounts', { on: has('old_accounts') ? `${lastYear - 2}-12-31` : undefined })
    checklist.income_proof =
      has('missing_tax_year') || has('missing_accounts')
        ? 'incomplete'
        : has('old_accounts')
          ? 'expired'
          : 'satisfied'
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
