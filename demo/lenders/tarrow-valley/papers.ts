import { addDays, addMonths } from '../../../core/text/index.ts'
import type { Value } from '../../../core/model/index.ts'
import type { Dice } from '../../dice.ts'
import { colours } from '../../sheet.ts'
import type { Drawn } from '../../truth.ts'
import { Setter } from '../setter.ts'
import { amounts, days, type WriteAmount, type WriteDay } from './forms.ts'
import { spanish } from './spanish.ts'
import { addressOf, fullNameOf, nameOf, totalOf, type Story } from './story.ts'

/**
 * Papers of Tarrow Valley's members, each in several layouts. The first of each type is the one that its
 * administrator had before them; types were written before the others were drawn.
 */

/** What befalls a paper. */
export interface Wishes {
  signed?: boolean
  /** What it says otherwise than the member's other papers. */
  name?: string
  vin?: string
  employer?: string
  born?: string
  /** Months before the last pay day or statement. */
  back?: number
  expired?: boolean
  wrongSum?: boolean
  /** Forms that are kept in another language too are filled in there. */
  language?: 'es'
}

type Draw = (story: Story, dice: Dice, wishes: Wishes) => Promise<Drawn>

const usd = (cents: number) => ({ amount: (cents / 100).toFixed(2), currency: 'USD' })

/** A drawn paper of one page or more; values stand on its first page unless said otherwise. */
async function drawn(
  type: string,
  s: Setter,
  values: Record<string, Value>,
  signed: boolean | null = null,
): Promise<Drawn> {
  return {
    type,
    bytes: await s.paper.bytes(),
    pages: s.paper.pages,
    signed,
    fields: Object.fromEntries(
      Object.entries(values).map(([name, value]) => [name, { value, page: 1, handwritten: false }]),
    ),
  }
}

/** Day before which a paper was made. */
const madeOn = (story: Story, dice: Dice): string => addDays(story.asOf, -dice.int(1, 12))

const vehicleLoanApplication: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const signed = wishes.signed ?? true
  const d: WriteDay = [days.slashes, days.long, days.dashes][layout]
  const m: WriteAmount = [amounts.sign, amounts.bare, amounts.wide][layout]
  const date = madeOn(story, dice)
  const asked = totalOf(story) - story.down
  const v = story.vehicle
  const vehicle = `${v.year} ${v.name}`
  const vin = wishes.vin ?? v.vin
  const name = wishes.name ?? [fullNameOf(story), nameOf(story), fullNameOf(story)][layout]
  const employer = wishes.employer ?? story.employer
  const born = wishes.born ?? story.born
  const monthly = Math.round(story.salary / 12)
  const t = wishes.language === 'es' ? spanish : (words: string) => words
  const s = await Setter.begin((['sans', 'serif', 'humanist'] as const)[layout], [9.5, 10, 9][layout])
  if (layout === 0) {
    s.text('TARROW VALLEY CREDIT UNION', { bold: true, size: 13, colour: colours.forest })
      .text(t('Vehicle Loan Application'), { bold: true, size: 16 })
      .rule()
    s.text(t('Tell us about yourself'), { bold: true })
    s.cells(
      [
        [t('Member name'), name],
        [t('Member number'), story.memberNumber],
        [t('Date of birth'), d(born)],
        [t('Phone'), story.phone],
      ],
      { boxed: true },
    )
    s.cells([[t('Home address'), addressOf(story)]], { across: 1, boxed: true })
    s.text(t('Employment and income'), { bold: true })
    s.cells(
      [
        [t('Employer'), employer],
        [t('Gross monthly income'), m(monthly)],
        [t('Job title'), story.job],
        [t('Years there'), String(dice.int(1, 12))],
      ],
      { boxed: true },
    )
    s.text(t('The vehicle and the loan'), { bold: true })
    s.cells(
      [
        [t('Vehicle'), vehicle],
        ['VIN', vin],
        [t('Amount requested'), m(asked)],
        [t('Term (months)'), String(story.months)],
      ],
      { boxed: true },
    )
    s.prose(
      t(
        'I certify that everything I have stated in this application is correct. I agree that the vehicle is collateral for the loan. You may keep this application whether or not it is approved, and check my credit and employment history.',
      ),
      { size: 8 },
    )
    s.signature(t('Member signature'), signed, dice, [t('Date'), d(date)])
  } else if (layout === 1) {
    s.text('Request for Auto Financing', { bold: true, size: 17, align: 'center' })
      .text('Application for an auto loan', { align: 'center', colour: colours.grey })
      .space(8)
    s.lines(
      [
        ['Name of borrower', name],
        ['Membership no.', story.memberNumber],
        ['Born', d(born)],
        ['Residence', addressOf(story)],
        ['Daytime phone', story.phone],
        ['Current employer', employer],
        ['Income per month before taxes', m(monthly)],
      ],
      { label: 190 },
    )
    s.space(6).rule()
    s.lines(
      [
        ['Vehicle to be financed', vehicle],
        ['Vehicle ID number (VIN)', vin],
        ['Loan amount requested', m(asked)],
        ['Repayment term in months', String(story.months)],
      ],
      { label: 190 },
    )
    s.prose(
      'By signing below you ask the credit union to lend you the amount stated and offer the vehicle as collateral.',
      { size: 8.5 },
    )
    s.signature('Borrower’s signature', signed, dice, ['Signed on', d(date)])
  } else {
    s.beside(
      () => s.text('AUTO LOAN APPLICATION', { bold: true, size: 14 }),
      () => s.text('Page 1 of 1', { align: 'right', size: 8 }),
    ).space(6)
    s.cells(
      [
        ['Applicant (first, middle, last)', name],
        ['Date of birth (mm-dd-yyyy)', d(born)],
        ['Member ID', story.memberNumber],
      ],
      { across: 3, below: true },
    )
    s.cells(
      [
        ['Street address, city, state, ZIP', addressOf(story)],
        ['Contact phone', story.phone],
      ],
      { below: true },
    )
    s.cells(
      [
        ['Name of employer', employer],
        ['Monthly gross', m(monthly)],
      ],
      { below: true },
    )
    s.cells(
      [
        ['Year, make, model', vehicle],
        ['VIN (17 characters)', vin],
      ],
      { below: true },
    )
    s.cells(
      [
        ['How much would you like to borrow?', m(asked)],
        ['Over how many months?', String(story.months)],
      ],
      { below: true },
    )
    s.signature('Signature of applicant', signed, dice, ['Date signed', d(date)])
  }
  return drawn(
    'vehicle_loan_application',
    s,
    {
      member_name: name,
      member_number: story.memberNumber,
      date_of_birth: born,
      home_address: addressOf(story),
      phone: story.phone,
      employer,
      gross_monthly_income: usd(monthly),
      vehicle,
      vin,
      amount_requested: usd(asked),
      term_months: String(story.months),
      application_date: date,
    },
    signed,
  )
})

const shareAccountApplication: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const signed = wishes.signed ?? true
  const d: WriteDay = [days.slashes, days.medium, days.slashes][layout]
  const m: WriteAmount = [amounts.sign, amounts.sign, amounts.bare][layout]
  const born = wishes.born ?? story.born
  const name = wishes.name ?? fullNameOf(story)
  const rows = story.beneficiaries.map((b) => [b.name, b.relationship, `${b.share}%`])
  const s = await Setter.begin((['sans', 'humanist', 'serif'] as const)[layout], 10)
  if (layout === 0) {
    s.text('Share Account Application', { bold: true, size: 16 })
      .text('Open your share savings today and become a member.')
      .rule()
    s.lines([
      ['Name', name],
      ['Date of birth', d(born)],
      ['Address', addressOf(story)],
      ['E-mail', story.email],
      ['Driver license number', story.license.number],
      ['Opening deposit', m(story.deposit)],
    ])
    s.space(4).text('If I die, pay my shares to', { bold: true })
    s.table(['Beneficiary', 'Relationship', 'Share'], rows, { widths: [4, 3, 1], right: [2] })
    s.signature('Signature', signed, dice)
  } else if (layout === 1) {
    s.text('Become a member', { bold: true, size: 20, colour: colours.teal })
      .text('Membership application · share savings')
      .space(6)
    s.cells([
      ['Your full name', name],
      ['Your birth date', d(born)],
      ['Email', story.email],
      ['License / ID number', story.license.number],
    ])
    s.cells([['Where do you live?', addressOf(story)]], { across: 1 })
    s.cells([['Initial deposit', m(story.deposit)]], { across: 1 })
    s.text('Pay-on-death beneficiaries', { bold: true })
    s.table(['Full name', 'Relation to you', 'Percent'], rows, { widths: [4, 3, 2], right: [2], grid: true })
    s.signature('Sign here', signed, dice)
  } else {
    s.text('MEMBERSHIP AND SHARE ACCOUNT APPLICATION', { bold: true, size: 12, align: 'center' }).space(8)
    s.cells(
      [
        ['NAME (FIRST, MIDDLE, LAST)', name],
        ['BIRTH DATE', d(born)],
        ['RESIDENCE ADDRESS', addressOf(story)],
        ['EMAIL ADDRESS', story.email],
        ["DRIVER'S LICENSE NO.", story.license.number],
        ['AMOUNT OF OPENING DEPOSIT', m(story.deposit)],
      ],
      { boxed: true, numbered: true },
    )
    s.text('BENEFICIARIES', { bold: true })
    s.table(
      ['Name', 'Relationship', '%'],
      story.beneficiaries.map((b) => [b.name, b.relationship, String(b.share)]),
      { widths: [4, 3, 1], right: [2], zebra: true },
    )
    s.signature('Member signature', signed, dice)
  }
  return drawn(
    'share_account_application',
    s,
    {
      member_name: name,
      date_of_birth: born,
      home_address: addressOf(story),
      email: story.email,
      id_number: story.license.number,
      opening_deposit: usd(story.deposit),
      joint_owner: null,
      beneficiaries: story.beneficiaries.map((b) => ({
        name: b.name,
        relationship: b.relationship,
        share: String(b.share),
      })),
    },
    signed,
  )
})

const driversLicense: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const d: WriteDay = [days.slashes, days.dashes, days.slashes][layout]
  const born = wishes.born ?? story.born
  const expires = wishes.expired ? addMonths(story.asOf, -dice.int(1, 5)) : story.license.expires
  const address = addressOf(story)
  const s = await Setter.begin((['sans', 'humanist', 'mono'] as const)[layout], 9)
  const { paper } = s
  const [x, y] = [dice.int(60, 180), dice.int(80, 220)]
  paper.box([x, y, 330, 200], layout === 1 ? colours.sand : colours.mist, colours.ink)
  paper.box([x + 12, y + 46, 82, 104], colours.rule)
  const at = (dx: number, dy: number, text: string, size = 9, bold = false) =>
    paper.text(x + dx, y + dy, text, { size, bold })
  const held = [nameOf(story), fullNameOf(story).toUpperCase(), fullNameOf(story)][layout]
  const printed = wishes.name ?? held
  if (layout === 0) {
    at(12, 10, 'NEW MESA', 13, true)
    at(150, 12, 'DRIVER LICENSE', 11, true)
    const rows: [string, string][] = [
      ['License No.', story.license.number],
      ['Name', printed],
      ['Address', address],
      ['DOB', d(born)],
      ['Issued', d(story.license.issued)],
      ['Expires', d(expires)],
      ['Class', 'D'],
      ['Endorsements', 'NONE'],
    ]
    rows.forEach(([label, value], i) => {
      at(106, 46 + i * 17, label, 7)
      at(164, 45 + i * 17, value, 8)
    })
  } else if (layout === 1) {
    at(12, 10, 'State of New Mesa', 9)
    at(12, 22, "DRIVER'S LICENSE", 12, true)
    at(106, 44, `DL  ${story.license.number}`, 10, true)
    at(106, 62, `EXP  ${d(expires)}`, 9)
    at(210, 62, `ISS  ${d(story.license.issued)}`, 9)
    at(106, 80, printed, 10, true)
    at(106, 96, story.street, 8.5)
    at(106, 107, story.town, 8.5)
    at(106, 126, `DOB  ${d(born)}`, 9, true)
    at(106, 142, 'CLASS D   END NONE   RSTR B', 7.5)
  } else {
    at(12, 8, 'DRIVER LICENSE', 13, true)
    at(210, 12, 'USA  NEW MESA', 8)
    const rows: [string, string][] = [
      ['4d LIC NO', story.license.number],
      ['3 DATE OF BIRTH', d(born)],
      ['1,2 NAME', printed],
      ['8 ADDRESS', address],
      ['4a ISSUED ON', d(story.license.issued)],
      ['4b EXPIRES ON', d(expires)],
      ['9 CLASS', 'D'],
    ]
    rows.forEach(([label, value], i) => {
      at(104, 38 + i * 22, label, 6)
      at(104, 45 + i * 22, value, 8)
    })
  }
  return drawn('drivers_license', s, {
    full_name: printed,
    license_number: story.license.number,
    date_of_birth: born,
    address,
    issued: story.license.issued,
    expires,
  })
})

const payStub: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const d: WriteDay = [days.slashes, days.short, days.medium][layout]
  const m: WriteAmount = [amounts.bare, amounts.sign, amounts.bare][layout]
  const end = addDays(addMonths(story.asOf, -(wishes.back ?? 0)), -dice.int(6, 16))
  const start = addDays(end, -13)
  const pay = addDays(end, 5)
  const employer = wishes.employer ?? story.employer
  const name = wishes.name ?? nameOf(story)
  const rate = Math.round(story.salary / 2080)
  const hours = 80
  const over = dice.int(0, 9)
  const regular = rate * hours
  const overtime = Math.round(rate * 1.5) * over
  const gross = regular + overtime
  const runs = Math.max(1, Math.ceil(Number(pay.slice(5, 7)) * 2.1) - 1)
  const ytd = { regular: regular * runs, overtime: overtime + 21340 * (runs - 1) }
  const rows = [
    { description: 'Regular', rate, hours, current: regular, ytd: ytd.regular },
    ...(over > 0
      ? [
          {
            description: 'Overtime',
            rate: Math.round(rate * 1.5),
            hours: over,
            current: overtime,
            ytd: ytd.overtime,
          },
        ]
      : []),
  ]
  const ytdGross = rows.reduce((sum, r) => sum + r.ytd, 0)
  const tax = Math.round(gross * 0.11)
  const fica = Math.round(gross * 0.0765)
  const health = 8450
  const net = gross - tax - fica - health
  const earnings = rows.map((r) => [r.description, m(r.rate), String(r.hours), m(r.current), m(r.ytd)])
  const t = wishes.language === 'es' ? spanish : (words: string) => words
  const s = await Setter.begin((['sans', 'humanist', 'mono'] as const)[layout], [9, 9.5, 8.5][layout])
  if (layout === 0) {
    s.beside(
      () => s.block([employer, story.employerStreet, story.employerTown], { bold: true }),
      () => s.text(t('Earnings Statement'), { bold: true, size: 15, align: 'right' }),
    ).space(8)
    s.lines([
      [t('Employee'), name],
      [t('Employee ID'), dice.digits(5)],
      [t('Period beginning'), d(start)],
      [t('Period ending'), d(end)],
      [t('Pay date'), d(pay)],
    ])
    s.space(4)
    s.table([t('Earnings'), t('Rate'), t('Hours'), t('Current'), t('YTD')], earnings, {
      widths: [4, 2, 2, 2, 2],
      right: [1, 2, 3, 4],
    })
    s.table(
      [t('Deductions'), t('Current'), t('YTD')],
      [
        [t('Federal withholding'), m(tax), m(tax * runs)],
        [t('Social security and Medicare'), m(fica), m(fica * runs)],
        [t('Health plan'), m(health), m(health * runs)],
      ],
      { widths: [6, 2, 2], right: [1, 2] },
    )
    s.lines([
      [t('Gross pay'), m(gross)],
      [t('Net pay'), m(net)],
      [t('YTD gross'), m(ytdGross)],
    ])
  } else if (layout === 1) {
    s.text(employer, { bold: true, size: 13, colour: colours.navy })
      .text(`${story.employerStreet}, ${story.employerTown}`, { size: 8 })
      .space(4)
    s.text('Pay Stub', { bold: true, size: 18, align: 'right' })
    s.cells(
      [
        ['Employee name', name],
        ['Pay period', `${d(start)} - ${d(end)}`],
        ['Check date', d(pay)],
        ['Total gross', m(gross)],
        ['Net check', m(net)],
        ['Gross pay YTD', m(ytdGross)],
      ],
      { across: 3 },
    )
    s.text('What you earned', { bold: true })
    s.table(
      ['Description', 'Hours', 'Rate', 'This period', 'Year to date'],
      rows.map((r) => [r.description, String(r.hours), m(r.rate), m(r.current), m(r.ytd)]),
      { widths: [4, 2, 2, 2, 2], right: [1, 2, 3, 4], zebra: true },
    )
    s.text('What was taken out', { bold: true })
    s.dotted(
      [
        ['Federal withholding', m(tax)],
        ['FICA', m(fica)],
        ['Health plan', m(health)],
      ],
      { width: 260 },
    )
  } else {
    s.text(employer.toUpperCase(), { bold: true })
      .text('STATEMENT OF EARNINGS AND DEDUCTIONS', { bold: true })
      .rule()
    s.lines(
      [
        ['EMP', name],
        ['PAY PERIOD', `${d(start)} to ${d(end)}`],
        ['DATE PAID', d(pay)],
      ],
      { label: 110 },
    )
    s.table(['EARNINGS', 'RATE', 'HRS', 'CURRENT', 'Y-T-D'], earnings, {
      widths: [4, 2, 2, 2, 2],
      right: [1, 2, 3, 4],
      grid: true,
    })
    s.dotted([
      ['TOTAL GROSS EARNINGS', m(gross)],
      ['LESS FEDERAL WITHHOLDING', m(tax)],
      ['LESS FICA', m(fica)],
      ['LESS HEALTH', m(health)],
      ['NET AMOUNT OF CHECK', m(net)],
      ['GROSS EARNINGS YEAR TO DATE', m(ytdGross)],
    ])
  }
  return drawn('pay_stub', s, {
    employee: name,
    employer,
    pay_date: pay,
    period_start: start,
    period_end: end,
    gross_pay: usd(gross),
    net_pay: usd(net),
    ytd_gross: usd(ytdGross),
    earnings: rows.map((r) => ({
      description: r.description,
      rate: usd(r.rate),
      hours: String(r.hours),
      current: usd(r.current),
      ytd: usd(r.ytd),
    })),
  })
})

const BOOKINGS = [
  'POS Purchase Sagebrush Market',
  'ACH Payment Tarrow Electric Co-op',
  'Check 1042',
  'ATM Withdrawal Low Mesa',
  'Transfer to savings',
  'Debit Card Bent Fork Fuel',
  'Mobile deposit',
  'Online payment Mesa Water',
  'Dividend',
]

const accountStatement: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const d: WriteDay = [days.slashes, days.long, days.slashes][layout]
  const rowDay: WriteDay = [days.slashes, days.named, days.bare][layout]
  const m: WriteAmount = [amounts.bare, amounts.bare, amounts.sign][layout]
  const end = addDays(addMonths(story.asOf, -(wishes.back ?? 0)), -dice.int(3, 20))
  const start = addDays(addMonths(end, -1), 1)
  const name = wishes.name ?? nameOf(story)
  const count = dice.int(9, 34)
  const opening = dice.int(40000, 620000)
  let balance = opening
  const rows = Array.from({ length: count }, (_, i) => {
    const income = i % 7 === 3
    const cents = income
      ? Math.round(story.salary / 31)
      : -dice.int(700, Math.max(1200, Math.min(34000, Math.floor(balance / 4))))
    balance += cents
    return {
      date: addDays(start, Math.floor((i * 29) / count)),
      text: income ? `Payroll ${story.employer}` : dice.pick(BOOKINGS),
      cents,
      balance,
    }
  })
  const closing = wishes.wrongSum ? balance + 9000 : balance
  const s = await Setter.begin((['sans', 'serif', 'humanist'] as const)[layout], [9, 9.5, 8.5][layout])
  const { bank } = story.account
  if (layout === 0) {
    s.text(bank, { bold: true, size: 14 }).text('Account Statement', { size: 12 }).rule()
    s.beside(
      () => s.block([name, story.street, story.town]),
      () =>
        s.lines(
          [
            ['Account number', story.account.number],
            ['Statement period', `${d(start)} - ${d(end)}`],
            ['Beginning balance', m(opening)],
            ['Ending balance', m(closing)],
          ],
          { x: 310, label: 105 },
        ),
    ).space(10)
    s.table(
      ['Date', 'Description', 'Amount', 'Balance'],
      rows.map((r) => [rowDay(r.date), r.text, m(r.cents), m(r.balance)]),
      { widths: [2, 6, 2, 2], right: [2, 3] },
    )
    s.text('Average daily balance and annual percentage yield are explained on our website.', { size: 7 })
  } else if (layout === 1) {
    s.beside(
      () => s.text(bank, { bold: true, size: 12 }),
      () => s.text('Statement of Account', { align: 'right', size: 12 }),
    ).space(10)
    s.lines([
      ['Member', name],
      ['Account #', story.account.number],
    ])
    s.text(`For the period ${d(start)} through ${d(end)}`)
    s.space(4)
      .dotted(
        [
          ['Previous balance', amounts.sign(opening)],
          ['New balance', amounts.sign(closing)],
        ],
        { width: 280 },
      )
      .space(6)
    s.table(
      ['Posted', 'Transaction', 'Withdrawals', 'Deposits', 'Balance'],
      rows.map((r) => [
        rowDay(r.date),
        r.text,
        r.cents < 0 ? m(-r.cents) : '',
        r.cents > 0 ? m(r.cents) : '',
        m(r.balance),
      ]),
      { widths: [2, 5, 2, 2, 2], right: [2, 3, 4], grid: true },
    )
  } else {
    s.text('Your checking account', { bold: true, size: 18, colour: colours.navy }).text(bank).space(8)
    s.cells(
      [
        ['Prepared for', name],
        ['Acct no.', story.account.number],
        ['From', d(start)],
        ['Through', d(end)],
        ['Balance last time', m(opening)],
        ['Balance today', m(closing)],
      ],
      { across: 3 },
    )
    s.table(
      ['Date', 'Details', 'Amount', 'Running balance'],
      rows.map((r) => [rowDay(r.date), r.text, m(r.cents), m(r.balance)]),
      { widths: [1.4, 6, 2, 2.4], right: [2, 3], zebra: true },
    )
  }
  return drawn('account_statement', s, {
    account_holder: name,
    institution: bank,
    account_number: story.account.number,
    period_start: start,
    period_end: end,
    opening_balance: usd(opening),
    closing_balance: usd(closing),
    transactions: rows.map((r) => ({
      date: r.date,
      description: r.text,
      amount: usd(r.cents),
      balance: usd(r.balance),
    })),
  })
})

const annualWageStatement: Draw[] = [0, 1, 2].map((layout) => async (story, _dice, wishes) => {
  const m: WriteAmount = [amounts.bare, amounts.sign, amounts.bare][layout]
  const year = String(Number(story.asOf.slice(0, 4)) - 1)
  const employer = wishes.employer ?? story.employer
  const name = wishes.name ?? fullNameOf(story)
  const wages = Math.round(story.salary * 0.97)
  const tax = Math.round(wages * 0.104)
  const s = await Setter.begin((['sans', 'serif', 'mono'] as const)[layout], 9)
  if (layout === 0) {
    s.text(`Annual Wage Statement ${year}`, { bold: true, size: 14 }).space(4)
    s.cells(
      [
        ["Employer's name", employer],
        ['Employer identification number', story.employerId],
        ["Employee's name", name],
        ['Wages, tips, other compensation', m(wages)],
        ['Federal income tax withheld', m(tax)],
        ['Social security wages', m(wages)],
        ['Social security tax withheld', m(Math.round(wages * 0.062))],
        ['Medicare wages and tips', m(wages)],
      ],
      { boxed: true, numbered: true },
    )
  } else if (layout === 1) {
    s.text('Wage and Tax Statement', { bold: true, size: 15 }).text(`Calendar year ${year}`).space(6)
    s.lines([
      ['Employer', employer],
      ['EIN', story.employerId],
      ['Employee', name],
    ]).rule()
    s.dotted(
      [
        ['Total wages paid', m(wages)],
        ['Federal tax withheld', m(tax)],
        ['Social security wages', m(wages)],
        ['Medicare tax', m(Math.round(wages * 0.0145))],
      ],
      { width: 320 },
    )
  } else {
    s.text('YEAR-END STATEMENT OF WAGES AND TAXES').text(`TAX YEAR ${year}`).space(8)
    s.cells(
      [
        ['WAGES', m(wages)],
        ['FEDERAL TAX WITHHELD', m(tax)],
        ['SOCIAL SECURITY WAGES', m(wages)],
        ['MEDICARE WAGES', m(wages)],
      ],
      { boxed: true },
    )
    s.cells(
      [
        ['PAID TO (EMPLOYEE)', name],
        ['PAID BY (EMPLOYER)', employer],
        ['EMPLOYER ID NO.', story.employerId],
      ],
      { across: 1, boxed: true },
    )
  }
  return drawn('annual_wage_statement', s, {
    employee: name,
    employer,
    tax_year: year,
    wages: usd(wages),
    federal_tax: usd(tax),
    employer_id: story.employerId,
  })
})

const buyersOrder: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const signed = wishes.signed ?? true
  const d: WriteDay = [days.slashes, days.long, days.short][layout]
  const m: WriteAmount = [amounts.bare, amounts.sign, amounts.bare][layout]
  const date = madeOn(story, dice)
  const v = story.vehicle
  const vehicle = `${v.year} ${v.name}`
  const vin = wishes.vin ?? v.vin
  const name = wishes.name ?? fullNameOf(story)
  const total = totalOf(story)
  const due = total - story.down + (wishes.wrongSum ? 10000 : 0)
  const odometer = v.odometer.toLocaleString('en-US')
  const rows = story.charges.map((c) => [c.item, m(c.cents)])
  const t = wishes.language === 'es' ? spanish : (words: string) => words
  const s = await Setter.begin((['sans', 'humanist', 'serif'] as const)[layout], [9.5, 9.5, 10][layout])
  if (layout === 0) {
    s.beside(
      () => s.block([story.dealer, '2200 Auto Row', 'Low Mesa, NM 87996'], { bold: true }),
      () => s.text(t("Buyer's Order"), { bold: true, size: 17, align: 'right' }),
    ).space(8)
    s.lines([
      [t('Buyer'), name],
      [t('Date'), d(date)],
      [t('Vehicle'), vehicle],
      ['VIN', vin],
      [t('Odometer'), odometer],
    ])
    s.space(4).table([t('Item'), t('Amount')], rows, { widths: [7, 2], right: [1], grid: true })
    s.lines([
      [t('Total cash price'), m(total)],
      [t('Down payment'), m(story.down)],
      [t('Balance due'), m(due)],
    ])
    s.prose(t('The vehicle is sold as is. No trade-in is part of this order unless it is listed above.'), {
      size: 8,
    })
    s.signature(t("Buyer's signature"), signed, dice)
  } else if (layout === 1) {
    s.text('Vehicle Purchase Agreement', { bold: true, size: 18, colour: colours.wine })
      .text(`between ${story.dealer} (the dealer) and the purchaser named below`)
      .space(4)
    s.cells(
      [
        ['Purchaser', name],
        ['Agreement date', d(date)],
        ['Year / make / model', vehicle],
        ['Vehicle identification number', vin],
        ['Mileage', `${odometer} miles`],
      ],
      { across: 2, boxed: true },
    )
    s.table(['Description', 'Price'], [...rows, ['Total price', m(total)]], {
      widths: [7, 2],
      right: [1],
      foot: 1,
    })
    s.dotted([
      ['Cash down', m(story.down)],
      ['Amount to finance', m(due)],
    ])
    s.prose('Sold as is, without warranty. Trade-in: none.', { size: 8 })
    s.signature('Purchaser', signed, dice)
  } else {
    s.text(story.dealer, { bold: true, size: 15, align: 'center' })
      .text('RETAIL PURCHASE ORDER FOR MOTOR VEHICLE', { align: 'center' })
      .space(6)
    s.lines(
      [
        ['Sold to', name],
        ['Dated', d(date)],
        ['Unit', vehicle],
        ['Serial (VIN)', vin],
        ['Odometer reading', odometer],
      ],
      { label: 110 },
    )
    s.table(['Charges', 'Dollars'], rows, { widths: [7, 2], right: [1], zebra: true })
    s.lines(
      [
        ['Total cash price of vehicle', m(total)],
        ['Less cash down payment', m(story.down)],
        ['Unpaid balance due', m(due)],
      ],
      { label: 190 },
    )
    s.signature('Signature of buyer', signed, dice)
  }
  return drawn(
    'buyers_order',
    s,
    {
      dealer: story.dealer,
      buyer: name,
      order_date: date,
      vehicle,
      vin,
      odometer: String(v.odometer),
      total_price: usd(total),
      down_payment: usd(story.down),
      balance_due: usd(due),
      charges: story.charges.map((c) => ({ item: c.item, amount: usd(c.cents) })),
    },
    signed,
  )
})

const insuranceDeclarations: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const d: WriteDay = [days.slashes, days.medium, days.dashes][layout]
  const m: WriteAmount = [amounts.sign, amounts.bare, amounts.wide][layout]
  const begins = wishes.expired ? addMonths(story.asOf, -8) : addDays(story.asOf, -dice.int(3, 60))
  const ends = addMonths(begins, 6)
  const vin = wishes.vin ?? story.vehicle.vin
  const name = wishes.name ?? nameOf(story)
  const total = story.coverages.reduce((sum, c) => sum + c.cents, 0)
  const lienholder = 'Tarrow Valley Credit Union'
  const rows = story.coverages.map((c) => [c.coverage, c.limit, m(c.cents)])
  const s = await Setter.begin((['humanist', 'sans', 'serif'] as const)[layout], 9.5)
  if (layout === 0) {
    s.text(story.insurer, { bold: true, size: 13 }).text('Auto Insurance Declarations', { size: 12 }).rule()
    s.lines([
      ['Named insured', name],
      ['Policy number', story.policy],
      ['Effective date', d(begins)],
      ['Expiration date', d(ends)],
      ['VIN', vin],
      ['Lienholder', lienholder],
    ])
    s.table(['Coverage', 'Limit', 'Premium'], rows, { widths: [4, 4, 2], right: [2] })
    s.lines([['Total premium', m(total)]])
  } else if (layout === 1) {
    s.text('DECLARATIONS PAGE', { bold: true, size: 14 })
      .text(story.insurer, { colour: colours.grey })
      .space(6)
    s.cells(
      [
        ['Policyholder', name],
        ['Policy no.', story.policy],
        ['Policy period', `${d(begins)} to ${d(ends)}`],
        ['Vehicle ID', vin],
        ['Loss payee', lienholder],
        ['Policy premium', m(total)],
      ],
      { boxed: true },
    )
    s.table(['Coverage', 'Limits of liability', 'Premium'], rows, {
      widths: [4, 4, 2],
      right: [2],
      grid: true,
    })
  } else {
    s.text('Personal Auto Policy Declarations', { bold: true, size: 16 })
      .text(`issued by ${story.insurer}`)
      .space(6)
    s.lines(
      [
        ['Insured', name],
        ['Policy', story.policy],
        ['From', d(begins)],
        ['Until', d(ends)],
        ['Covered auto (VIN)', vin],
        ['Lien holder', lienholder],
      ],
      { label: 130 },
    )
    s.table(['What is covered', 'Up to', 'Premium'], [...rows, ['Total policy premium', '', m(total)]], {
      widths: [4, 4, 2],
      right: [2],
      foot: 1,
    })
  }
  return drawn('insurance_declarations', s, {
    insurer: story.insurer,
    named_insured: name,
    policy_number: story.policy,
    effective: begins,
    expires: ends,
    vin,
    lienholder,
    total_premium: usd(total),
    coverages: story.coverages.map((c) => ({ coverage: c.coverage, limit: c.limit, premium: usd(c.cents) })),
  })
})

const titleCertificate: Draw[] = [0, 1, 2].map((layout) => async (story, _dice, wishes) => {
  const d: WriteDay = [days.slashes, days.dashes, days.long][layout]
  const v = story.vehicle
  const vehicle = `${v.year} ${v.name}`
  const vin = wishes.vin ?? v.vin
  const owner = wishes.name ?? fullNameOf(story)
  const odometer = String(v.odometer)
  const s = await Setter.begin((['serif', 'sans', 'serif'] as const)[layout], 10)
  if (layout === 0) {
    s.text('STATE OF NEW MESA', { align: 'center', bold: true, size: 13 })
      .text('Certificate of Title', { align: 'center', bold: true, size: 17 })
      .text('Department of Motor Vehicles', { align: 'center' })
      .space(8)
    s.cells(
      [
        ['Title number', story.title.number],
        ['Date issued', d(story.title.issued)],
        ['Vehicle identification number', vin],
        ['Year make model', vehicle],
        ['Odometer reading', odometer],
        ['Owner', owner],
        ['First lienholder', story.otherLender],
      ],
      { boxed: true },
    )
    s.prose('ASSIGNMENT OF TITLE: the owner assigns this certificate by signing on the back.', { size: 7.5 })
  } else if (layout === 1) {
    s.text('CERTIFICATE OF TITLE OF A VEHICLE', { bold: true, size: 13 }).rule()
    s.lines([
      ['Title no.', story.title.number],
      ['VIN', vin],
      ['Vehicle', vehicle],
      ['Odometer', odometer],
      ['Registered owner', owner],
      ['Issue date', d(story.title.issued)],
      ['Lienholder', story.otherLender],
    ])
    s.text('Department of Motor Vehicles, assignment of title overleaf', { size: 7 })
  } else {
    s.text('Certificate of Title for a Motor Vehicle', { bold: true, size: 16, align: 'center' }).space(10)
    s.cells(
      [
        ['Certificate no.', story.title.number],
        ['Identification number of vehicle', vin],
        ['Description (year, make, model)', vehicle],
        ['Mileage at transfer', odometer],
        ['Name of owner', owner],
        ['Issued on', d(story.title.issued)],
        ['First security interest held by', story.otherLender],
      ],
      { below: true },
    )
  }
  return drawn('title_certificate', s, {
    title_number: story.title.number,
    owner,
    vin,
    vehicle,
    odometer,
    issue_date: story.title.issued,
    first_lienholder: story.otherLender,
  })
})

const payoffLetter: Draw[] = [0, 1, 2].map((layout) => async (story, _dice, wishes) => {
  const d: WriteDay = [days.long, days.slashes, days.long][layout]
  const m: WriteAmount = amounts.sign
  const p = story.payoff
  const until = wishes.expired ? addDays(story.asOf, -2) : p.until
  const name = wishes.name ?? nameOf(story)
  const s = await Setter.begin((['serif', 'sans', 'humanist'] as const)[layout], 10.5)
  if (layout === 0) {
    s.text(story.otherLender, { bold: true, size: 13 }).text('Payoff Letter', { size: 11 }).space(8)
    s.text(d(p.dated)).space(6).block([name, story.street, story.town]).space(8)
    s.text(`Loan number: ${p.number}`)
    s.prose(`Dear ${name},`)
    s.prose(
      `The payoff amount of your loan is ${m(p.cents)}. It is good through ${d(until)}. After that day, add a per diem of ${m(p.perDiem)} for each day until we receive your payment.`,
    )
    s.prose('We will release the lien within ten days of the payoff.')
    s.text('Sincerely,').space(20).text('Loan Servicing')
  } else if (layout === 1) {
    s.text('PAYOFF QUOTE', { bold: true, size: 16 }).text(story.otherLender).rule()
    s.lines([
      ['Customer', name],
      ['Account number', p.number],
      ['Quote date', d(p.dated)],
      ['Total payoff', m(p.cents)],
      ['Valid through', d(until)],
      ['Daily interest', m(p.perDiem)],
    ])
    s.prose('Once paid we release the lien and mail the title.')
  } else {
    s.text(story.otherLender, { bold: true, size: 13, align: 'right' })
      .text(d(p.dated), { align: 'right' })
      .space(10)
    s.block([name, story.street, story.town]).space(8)
    s.text(`Re: payoff of loan no. ${p.number}`, { bold: true })
    s.prose(`Dear ${story.first} ${story.last}:`)
    s.prose(
      `As you asked, here is what it takes to pay off your loan in full. Through ${d(until)} the amount to pay off the loan is ${m(p.cents)}. Interest of ${m(p.perDiem)} accrues daily after that date.`,
    )
    s.prose('When we have been paid we will release the lien on your vehicle.')
    s.text('Yours truly,').space(20).text('Payoff Department')
  }
  return drawn('payoff_letter', s, {
    lender: story.otherLender,
    borrower: name,
    loan_number: p.number,
    letter_date: p.dated,
    payoff_amount: usd(p.cents),
    good_through: until,
    per_diem: usd(p.perDiem),
  })
})

const voidedCheck: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const name = wishes.name ?? fullNameOf(story)
  const { bank, routing, number, check } = story.account
  const s = await Setter.begin((['sans', 'serif', 'humanist'] as const)[layout], 9)
  const { paper } = s
  const [x, y] = [60, dice.int(70, 160)]
  paper.box([x, y, 440, 190], layout === 2 ? colours.sand : undefined, colours.ink)
  const at = (dx: number, dy: number, text: string, size = 9, bold = false) =>
    paper.text(x + dx, y + dy, text, { size, bold })
  at(14, 12, name, 10, true)
  at(14, 25, story.street, 8)
  at(14, 36, story.town, 8)
  if (layout < 2) at(380, 12, check, 11, true)
  else at(350, 12, `No. ${check}`, 10)
  at(270, 34, 'Date ____________', 8)
  at(14, 68, 'PAY TO THE ORDER OF', 7)
  paper.rule(x + 105, y + 78, x + 330)
  at(340, 68, '$', 10)
  at(330, 92, 'DOLLARS', 7)
  paper.rule(x + 14, y + 100, x + 325)
  at(14, 112, bank, 9, true)
  at(14, 140, 'FOR', 7)
  at(150, 84, 'VOID', 44, true)
  const line = [
    `|: ${routing} |: ${number} ||' ${check.padStart(4, '0')}`,
    `||'${check.padStart(6, '0')}||' |:${routing}|: ${number}||'`,
    `${routing} ${number} ${check}`,
  ][layout]
  paper.text(x + 26, y + 166, line, { size: 11, face: 'mono' })
  return drawn('voided_check', s, {
    account_holder: name,
    bank,
    routing_number: routing,
    account_number: number,
    check_number: check,
  })
})

const employmentLetter: Draw[] = [0, 1, 2].map((layout) => async (story, dice, wishes) => {
  const d: WriteDay = [days.long, days.long, days.slashes][layout]
  const signed = wishes.signed ?? true
  const date = madeOn(story, dice)
  const employer = wishes.employer ?? story.employer
  const name = wishes.name ?? fullNameOf(story)
  const s = await Setter.begin((['serif', 'humanist', 'sans'] as const)[layout], 10.5)
  if (layout === 0) {
    s.text(employer, { bold: true, size: 14 })
      .text(`${story.employerStreet}, ${story.employerTown}`, { size: 9 })
      .space(10)
    s.text(d(date)).space(6).text('Employment Verification', { bold: true, size: 12 }).space(4)
    s.prose('To whom it may concern:')
    s.prose(
      `This letter confirms that ${name} is employed by us as ${story.job}, full-time, with a hire date of ${d(story.hired)}. The annual salary is ${amounts.sign(story.salary)}.`,
    )
    s.prose('Please call Human Resources with any questions.')
    s.text('Sincerely,').signature('Human Resources', signed, dice)
  } else if (layout === 1) {
    s.text('Verification of Employment', { bold: true, size: 16 }).text(employer).rule()
    s.lines([
      ['Name of employee', name],
      ['Position', story.job],
      ['Employed since', d(story.hired)],
      ['Base salary', `${amounts.sign(story.salary)} per year`],
      ['Date', d(date)],
    ])
    s.prose('The employee works full-time.')
    s.signature('Human Resources', signed, dice)
  } else {
    s.text(employer, { bold: true, align: 'center', size: 13 }).text(d(date), { align: 'right' }).space(10)
    s.text(`Subject: employment of ${name}`, { bold: true }).space(4)
    s.prose('Dear Sir or Madam,')
    s.prose(
      `${name} has been employed with ${employer} since ${d(story.hired)}, presently in the position of ${story.job}, on a full-time basis. The base salary is ${amounts.sign(story.salary)} a year.`,
    )
    s.text('Sincerely,').signature('Human Resources Manager', signed, dice)
  }
  return drawn(
    'employment_letter',
    s,
    {
      employer,
      employee: name,
      job_title: story.job,
      hire_date: story.hired,
      annual_salary: usd(story.salary),
      letter_date: date,
    },
    signed,
  )
})

/** Papers that nobody asked for. */
export async function drawStray(dice: Dice): Promise<Drawn> {
  const [title, ...texts] = dice.pick(STRAYS)
  const s = await Setter.begin(dice.pick(['sans', 'serif', 'humanist'] as const), 11)
  s.text(title, { bold: true, size: 18 }).space(8)
  for (const text of texts) s.prose(text)
  return drawn('unknown', s, {})
}
const STRAYS: readonly (readonly string[])[] = [
  [
    'Green chile stew',
    '2 lb pork shoulder, 6 roasted green chiles, 3 potatoes, 1 onion.',
    'Brown the pork, add the rest and simmer for two hours.',
    'Serves 6. Better the next day.',
  ],
  [
    'Thank you!',
    'Dear friends, thank you for coming to the quilting bee on March 14, 2026.',
    'We raised $412.50 for the library roof. The next one is on 04/11/2026 at the Grange hall.',
    'Warmly, Opal',
  ],
  [
    'Lunch menu',
    'Chile relleno plate $11.95',
    'Navajo taco $9.50',
    'Posole, bowl $7.25, cup $4.75',
    'Iced tea $2.50',
  ],
  [
    'Youth soccer schedule',
    '04/04/2026 Coyotes at Jackrabbits 9:00',
    '04/11/2026 Coyotes and Roadrunners 10:30',
    '04/18/2026 bye',
  ],
  [
    'Firewood for sale',
    'Piñon and juniper, split and dry, $240 a cord, delivered in the valley.',
    'Call after five. No checks please.',
  ],
]

/** All papers by type, each with its layouts: the first is the one that its type was described from. */
export const PAPERS = {
  vehicle_loan_application: vehicleLoanApplication,
  share_account_application: shareAccountApplication,
  drivers_license: driversLicense,
  pay_stub: payStub,
  account_statement: accountStatement,
  annual_wage_statement: annualWageStatement,
  buyers_order: buyersOrder,
  insurance_declarations: insuranceDeclarations,
  title_certificate: titleCertificate,
  payoff_letter: payoffLetter,
  voided_check: voidedCheck,
  employment_letter: employmentLetter,
} satisfies Record<string, readonly Draw[]>
export type PaperType = keyof typeof PAPERS
