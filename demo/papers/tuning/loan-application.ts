import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, moneyForms, type DateForm, type MoneyForm, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import { block, type Arrangement, type Item } from '../blocks.ts'

export interface ApplicationWishes {
  signed?: boolean
  employer?: string
  hull?: string
  address?: string
  loan?: number
  income?: number
  vessel?: string
  signedOn?: string
}

interface Look {
  face: Face
  date: DateForm
  money: MoneyForm
  arrangement: Arrangement
  title: string
  sections: string[]
  /**
   * Labels in the order number, date, name, born, national, address, phone, e-mail, status, employer, income,
   * loan, term, price, deposit, vessel, hull, existing, iban, co-applicant.
   */
  labels: string[]
  status: [employed: string, selfEmployed: string]
  sign: [label: string, date: string]
}

const LOOKS: Look[] = [
  {
    face: 'sans',
    date: 'slashes',
    money: 'eur',
    arrangement: 'columns',
    title: 'Application for a working-boat loan',
    sections: ['About you', 'Your work', 'The loan', 'The boat', 'Declaration'],
    labels: [
      'Application number',
      'Date of application',
      'Name of applicant',
      'Date of birth',
      'National number',
      'Home address',
      'Phone',
      'E-mail',
      'Employment status',
      'Employer',
      'Monthly net income',
      'Loan amount',
      'Term in months',
      'Purchase price',
      'Deposit',
      'Vessel name',
      'Hull number',
      'Existing loan',
      'IBAN',
      'Co-applicant',
    ],
    status: ['Employed', 'Self-employed'],
    sign: ['Signature of applicant', 'Date signed'],
  },
  {
    face: 'serif',
    date: 'long',
    money: 'plain',
    arrangement: 'boxed',
    title: 'Loan Application',
    sections: ['1. Applicant', '2. Employment', '3. Finance', '4. Vessel', '5. Signature'],
    labels: [
      'Case number',
      'Application date',
      'Full name',
      'Born on',
      'Personal number',
      'Residential address',
      'Telephone',
      'Email address',
      'Employment',
      'Name of employer',
      'Net monthly income',
      'Amount requested',
      'Repayment period (months)',
      'Price of vessel',
      'Own contribution',
      'Name of vessel',
      'Hull identification',
      'Other loans',
      'Bank account IBAN',
      'Second applicant',
    ],
    status: ['employee', 'own account'],
    sign: ['Signed', 'Date'],
  },
  {
    face: 'humanist',
    date: 'medium',
    money: 'sign',
    arrangement: 'stack',
    title: 'Boat loan application form',
    sections: [
      'Who is applying',
      'Work and income',
      'What you would like to borrow',
      'Your boat',
      'Your agreement',
    ],
    labels: [
      'Application reference',
      'Application made on',
      'Your full name',
      'Your date of birth',
      'National ID number',
      'Your address',
      'Mobile phone',
      'Email',
      'Working status',
      'Employed by',
      'Monthly take-home pay',
      'Amount you wish to borrow',
      'Loan term (months)',
      'Total purchase price',
      'Your deposit',
      'Boat name',
      'Hull ID',
      'Do you have another loan?',
      'Account IBAN',
      'Joint applicant',
    ],
    status: ['Employed', 'Self-employed'],
    sign: ['Your signature', 'Signed on'],
  },
  {
    face: 'mono',
    date: 'dots',
    money: 'behind',
    arrangement: 'dots',
    title: 'FINANCE APPLICATION',
    sections: ['A. PERSON', 'B. INCOME', 'C. FINANCE REQUIRED', 'D. CRAFT', 'E. SIGNED'],
    labels: [
      'Application ref.',
      'Request date',
      'Applicant',
      'Birth date',
      'Nat. no',
      'Permanent address',
      'Tel.',
      'E-mail address',
      'Status',
      'Employing firm',
      'Net income per month',
      'Sum requested',
      'Number of months',
      'Price of the boat',
      'Down payment',
      'Craft',
      'Hull no.',
      'Loan with another lender',
      'Account number',
      'Co-borrower',
    ],
    status: ['salaried', 'sole trader'],
    sign: ["Applicant's signature", 'Date of signature'],
  },
]

/** The lender's application form in one of four editions, two pages. */
export async function drawApplication(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ApplicationWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const a = story.applicant
  const L = look.labels
  const signed = wishes.signed ?? true
  const address = wishes.address ?? addressLine(story.home)
  const employer = story.selfEmployed ? '' : (wishes.employer ?? story.employer)
  const loan = wishes.loan ?? story.loan
  const income = wishes.income ?? story.income
  const signedOn = wishes.signedOn ?? story.applied
  const hull = wishes.hull ?? story.hull
  const vessel = wishes.vessel ?? story.vessel
  const put = (name: string, value: Parameters<Ledger['put']>[1], page = 1) => truth.put(name, value, page)
  put('application_number', story.caseNumber)
  put('application_date', story.applied)
  put('applicant_name', fullName(a))
  put('date_of_birth', a.born)
  put('national_number', a.nationalNumber)
  put('home_address', address)
  put('phone', a.phone)
  put('email', a.email)
  put('employment_status', story.selfEmployed ? 'self_employed' : 'employed')
  if (employer) put('employer_name', employer)
  put('monthly_net_income', money(income))
  put('loan_amount', money(loan), 2)
  put('loan_term_months', String(story.term), 2)
  put('purchase_price', money(story.total), 2)
  put('deposit_amount', money(story.deposit), 2)
  put('vessel_name', vessel, 2)
  put('hull_number', hull, 2)
  put('existing_loan', story.existingLoan, 2)
  put('iban', story.iban, 2)
  if (story.coApplicant) put('co_applicant_name', fullName(story.coApplicant))
  if (signed) put('signature_date', signedOn, 2)
  const item = (i: number, value: string): Item => ({ label: L[i], value })
  const accent = layout === 2 ? colours.wine : undefined
  const draw = (y: number, items: Item[]) =>
    block(paper, look.arrangement, [44, y, 510], items, { size: 10, accent }) + 10
  const form: Form = { paper, look, layout, story, L, signed, signedOn, date, dice }
  head(form, 1)
  let y = draw(96, [item(0, story.caseNumber), item(1, date(story.applied))])
  y = section(form, y, 0)
  y = draw(y, [
    item(2, fullName(a)),
    item(3, date(a.born)),
    item(4, a.nationalNumber),
    item(5, address),
    item(6, a.phone),
    item(7, a.email),
    ...(story.coApplicant ? [item(19, fullName(story.coApplicant))] : layout % 2 ? [item(19, '')] : []),
  ])
  y = section(form, y, 1)
  y = statusRow(form, y)
  y = draw(y, [item(9, employer), item(10, amount(income))])
  paper.newPage()
  head(form, 2)
  y = section(form, 76, 2)
  y = draw(y, [
    item(11, amount(loan)),
    item(12, String(story.term)),
    item(13, amount(story.total)),
    item(14, amount(story.deposit)),
    item(18, story.iban.replace(/(.{4})(?=.)/g, '$1 ')),
  ])
  y = loanRow(form, y)
  y = section(form, y, 3)
  y = draw(y, [item(15, vessel), item(16, hull)])
  y = section(form, y, 4)
  y = paper.prose(
    44,
    y,
    'I declare that what is written here is true and complete, and that I will tell the lender at once of any change before the loan is paid out.',
    500,
    { size: 9.5 },
  )
  drawSignature(form, y + 50)
  return {
    type: 'loan_application',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed,
    fields: truth.fields,
  }
}

/** What the parts of a form are drawn from. */
interface Form {
  paper: Paper
  look: (typeof LOOKS)[number]
  layout: number
  story: Story
  /** Labels by their number. */
  L: (typeof LOOKS)[number]['labels']
  signed: boolean
  signedOn: string
  date: (iso: string) => string
  dice: Dice
}

/** Whether somebody is employed, ticked. @returns where it goes on */
function statusRow({ paper, look, layout, story, L }: Form, at: number): number {
  const label = layout === 1 ? `${L[8]}` : L[8]
  paper.text(
    44,
    at,
    label,
    layout === 2
      ? { size: 7.6, colour: colours.wine }
      : { size: 10, colour: layout === 0 ? colours.grey : undefined },
  )
  const row = layout === 2 ? at + 11 : at
  const start = layout === 2 ? 44 : layout === 0 ? 248 : 200
  if (layout === 3) {
    paper.text(
      start,
      row,
      `[${story.selfEmployed ? ' ' : 'X'}] ${look.status[0]}   [${story.selfEmployed ? 'X' : ' '}] ${look.status[1]}`,
      { size: 10 },
    )
    return at + 26
  }
  paper.tickBox(start, row, !story.selfEmployed)
  paper.text(start + 14, row, look.status[0], { size: 10 })
  paper.tickBox(start + 110, row, story.selfEmployed)
  paper.text(start + 124, row, look.status[1], { size: 10 })
  return row + 26
}

/** Whether there is a loan elsewhere, ticked or in words. @returns where it goes on */
function loanRow({ paper, layout, story, L }: Form, at: number): number {
  paper.text(
    44,
    at,
    L[17],
    layout === 2
      ? { size: 7.6, colour: colours.wine }
      : { size: 10, colour: layout === 0 ? colours.grey : undefined },
  )
  const row = layout === 2 ? at + 11 : at
  const start = layout === 2 ? 44 : layout === 0 ? 248 : 240
  if (layout === 1) paper.text(start, row, story.existingLoan ? 'Yes' : 'No', { size: 10 })
  else if (layout === 3)
    paper.text(start, row, story.existingLoan ? '[X] Yes   [ ] No' : '[ ] Yes   [X] No', { size: 10 })
  else {
    paper.tickBox(start, row, story.existingLoan)
    paper.text(start + 14, row, 'Yes', { size: 10 })
    paper.tickBox(start + 60, row, !story.existingLoan)
    paper.text(start + 74, row, 'No', { size: 10 })
  }
  return row + 28
}

/** Where it is signed and dated. */
function drawSignature({ paper, look, layout, signed, signedOn, date, dice }: Form, at: number): void {
  if (layout === 0) {
    paper.rule(44, at, 260)
    paper.text(44, at + 5, look.sign[0], { size: 8 })
    paper.rule(320, at, 500)
    paper.text(320, at + 5, look.sign[1], { size: 8 })
    if (signed) {
      paper.scrawl(dice, 62, at - 6)
      paper.text(330, at - 14, date(signedOn))
    }
  } else if (layout === 1) {
    paper.text(44, at, `${look.sign[0]}:`)
    paper.rule(90, at + 12, 300)
    if (signed) {
      paper.scrawl(dice, 110, at + 8)
      paper.text(340, at, `${look.sign[1]}: ${date(signedOn)}`)
    } else paper.text(340, at, `${look.sign[1]}:`)
  } else if (layout === 2) {
    paper.box([44, at, 250, 58], undefined, colours.rule)
    paper.text(49, at + 4, look.sign[0], { size: 7.6, colour: colours.wine })
    paper.box([310, at, 150, 58], undefined, colours.rule)
    paper.text(315, at + 4, look.sign[1], { size: 7.6, colour: colours.wine })
    if (signed) {
      paper.scrawl(dice, 80, at + 42)
      paper.text(315, at + 26, date(signedOn))
    }
  } else {
    paper.text(44, at, look.sign[0])
    paper.text(200, at, '........................................', { colour: colours.rule })
    if (signed) paper.scrawl(dice, 215, at + 6)
    paper.text(44, at + 40, `${look.sign[1]} ${signed ? date(signedOn) : '....................'}`)
  }
}

/** The heading of a section. @returns where it goes on */
function section({ paper, look, layout }: Form, y: number, n: number): number {
  if (layout === 0) {
    paper.box([40, y, 515, 20], colours.navy)
    paper.text(48, y + 5, look.sections[n], { bold: true, colour: colours.white, size: 11 })
    return y + 32
  }
  paper.text(44, y, look.sections[n], {
    bold: true,
    size: 12,
    colour: layout === 2 ? colours.wine : colours.ink,
  })
  if (layout === 3) paper.rule(44, y + 17, 550)
  return y + 26
}

/** What stands at the head and the foot of a page. */
function head({ paper, look, layout, story }: Form, page: number): void {
  paper.text(44, 34, 'Merrow Sound Mutual', {
    size: layout === 1 ? 15 : 12,
    bold: true,
    colour: colours.navy,
  })
  if (page === 1) paper.text(44, 56, look.title, { size: 18, bold: true })
  paper.text(
    551,
    808,
    layout === 3 ? `- ${page} / 2 -` : layout === 1 ? `Sheet ${page} of 2` : `Page ${page} of 2`,
    { size: 8, align: 'right', colour: colours.grey },
  )
  if (page === 2) paper.text(551, 36, story.caseNumber, { size: 9, align: 'right' })
}
