import { addDays, addMonths, dayName, monthIndex } from '../core/text/index.ts'
import type { Dice } from './dice.ts'
import {
  makeAddress,
  makeBank,
  makeFirm,
  makeIban,
  makeInsurer,
  makePerson,
  makeUtility,
  makeVessel,
  makeYard,
  type Address,
  type Person,
} from './world.ts'

/** One household's month of pay. Amounts in cents. */
export interface PayMonth {
  start: string
  end: string
  paid: string
  gross: number
  tax: number
  insurance: number
  net: number
  yearToDate: number
}

export interface Transaction {
  date: string
  text: string
  amount: number
  balance: number
}

export interface Statement {
  start: string
  end: string
  opening: number
  closing: number
  rows: Transaction[]
}

export interface QuoteLine {
  text: string
  quantity: number
  unit: number
  amount: number
}

/** All that is true of one application, before papers are drawn of it. Amounts in cents, days ISO. */
export interface Story {
  asOf: string
  caseNumber: string
  applicant: Person
  coApplicant: Person | null
  home: Address
  employer: string
  employerAddress: Address
  bank: string
  iban: string
  utility: string
  yard: string
  yardAddress: Address
  insurer: string
  vessel: string
  hull: string
  registration: string
  applied: string
  pay: PayMonth[]
  statements: Statement[]
  lines: QuoteLine[]
  net: number
  vat: number
  total: number
  deposit: number
  loan: number
  term: number
  income: number
  existingLoan: boolean
  /** Lives from a trade of their own: no employer and no payslips. */
  selfEmployed: boolean
}

const GOODS = [
  'Hull, moulded, with wheelhouse',
  'Diesel engine, marinised',
  'Hydraulic pot hauler',
  'Radar and chart plotter',
  'Liferaft, six persons',
  'Delivery and sea trial',
  'Deck wash pump',
  'Stainless handrails',
  'Trolling gear, complete set',
  'Bow thruster kit',
  'Oyster grading table',
  'Shelter deck extension',
]
const SPENDING = [
  'Card payment Saltholm Stores',
  'Direct debit Isles Water',
  'Standing order rent',
  'Cash machine Port Ellery',
  'Card payment Kelp Cafe',
  'Direct debit Skerrow Tidal Power',
  'Card payment Chandlery',
  'Transfer to savings',
  'Card payment Ferry Office',
  'Direct debit Kelpnet Broadband',
  'Card payment Fuel Quay',
  'Cheque 000412',
  'Card payment Bakery Row',
  'Direct debit Pilots Guild',
]

/** Invents an application. Everything in it agrees; mishaps are added when its papers are drawn. */
export function makeStory(dice: Dice, asOf: string, withCoApplicant = false, selfEmployed = false): Story {
  const applicant = makePerson(dice)
  let coApplicant = withCoApplicant ? makePerson(dice) : null
  while (coApplicant && (coApplicant.given === applicant.given || coApplicant.family === applicant.family))
    coApplicant = makePerson(dice)
  const employer = makeFirm(dice)
  const monthEndBefore = addDays(`${asOf.slice(0, 8)}01`, -1)
  const gross = dice.int(2300, 4600) * 100 + dice.int(0, 99)
  const pay = [2, 1, 0].map((back): PayMonth => {
    const end = monthEndOf(addMonths(`${monthEndBefore.slice(0, 8)}01`, -back))
    const extra = dice.chance(0.4) ? dice.int(20, 120) * 100 : 0
    const g = gross + extra
    const tax = Math.round(g * 0.16)
    const insurance = Math.round(g * 0.074)
    return {
      start: `${end.slice(0, 8)}01`,
      end,
      paid: addDays(end, -dice.int(0, 3)),
      gross: g,
      tax,
      insurance,
      net: g - tax - insurance,
      yearToDate: 0,
    }
  })
  pay.forEach((month, i) => {
    const monthsBefore = monthIndex(month.end) % 12
    month.yearToDate =
      i > 0 && monthIndex(pay[i - 1].end) % 12 < monthsBefore
        ? pay[i - 1].yearToDate + month.gross
        : gross * monthsBefore + month.gross
  })
  const lines = dice
    .shuffle(GOODS)
    .slice(0, dice.int(3, 6))
    .map((text, i): QuoteLine => {
      const quantity = i === 0 ? 1 : dice.int(1, 4)
      const unit = i === 0 ? dice.int(14000, 30000) * 100 : dice.int(180, 3900) * 100 + dice.int(0, 1) * 50
      return { text, quantity, unit, amount: quantity * unit }
    })
  const net = lines.reduce((sum, l) => sum + l.amount, 0)
  const vat = Math.round(net * 0.2)
  const total = net + vat
  const deposit = Math.round((total * 0.2) / 50000) * 50000
  const story: Story = {
    asOf,
    applicant,
    coApplicant,
    employer,
    pay,
    lines,
    net,
    vat,
    total,
    deposit,
    caseNumber: `MSM-${asOf.slice(2, 4)}-${dice.digits(6)}`,
    home: makeAddress(dice),
    employerAddress: makeAddress(dice),
    bank: makeBank(dice),
    iban: makeIban(dice),
    utility: makeUtility(dice),
    yard: makeYard(dice),
    yardAddress: makeAddress(dice),
    insurer: makeInsurer(dice),
    vessel: makeVessel(dice),
    hull: `SKR-${dice.digits(5)}`,
    registration: `SK${dice.digits(3)}-${dice.digits(4)}`,
    applied: addDays(asOf, -dice.int(3, 20)),
    statements: [],
    loan: total - deposit,
    term: dice.pick([36, 48, 60, 72, 84]),
    income: Math.round(pay.reduce((s, p) => s + p.net, 0) / 3 / 1000) * 1000,
    existingLoan: dice.chance(0.3),
    selfEmployed,
  }
  story.statements = makeStatements(dice, story)
  return story
}

const monthEndOf = (iso: string): string => addDays(addMonths(`${iso.slice(0, 8)}01`, 1), -1)

function makeStatements(dice: Dice, story: Story): Statement[] {
  let balance = dice.int(900, 5200) * 100 + dice.int(0, 99)
  return story.pay.map((month) => {
    const opening = balance
    const count = dice.int(12, 34)
    const rows = Array.from({ length: count }, () => ({
      date: addDays(month.start, dice.int(0, 27)),
      text: dice.pick(SPENDING),
      amount: -(dice.int(4, 160) * 100 + dice.int(0, 99)),
      balance: 0,
    }))
    rows.push({
      date: month.paid,
      text: story.selfEmployed ? 'Fish market settlement' : `Salary ${story.employer}`,
      amount: month.net,
      balance: 0,
    })
    rows.sort((a, b) => a.date.localeCompare(b.date))
    for (const row of rows) row.balance = balance += row.amount
    return { start: month.start, end: month.end, opening, closing: balance, rows }
  })
}

/** How papers of the isles write days; each layout has its own way. */
export const dateForms = {
  slashes: (d: string) => `${d.slice(8)}/${d.slice(5, 7)}/${d.slice(0, 4)}`,
  dots: (d: string) => `${d.slice(8)}.${d.slice(5, 7)}.${d.slice(0, 4)}`,
  long: dayName,
  short: (d: string) =>
    `${d.slice(8)}-${['JAN', 'FEB', 'MAR', 'APR', 'MAY', 'JUN', 'JUL', 'AUG', 'SEP', 'OCT', 'NOV', 'DEC'][+d.slice(5, 7) - 1]}-${d.slice(2, 4)}`,
  iso: (d: string) => d,
  medium: (d: string) =>
    `${+d.slice(8)} ${['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'][+d.slice(5, 7) - 1]} ${d.slice(0, 4)}`,
} as const
export type DateForm = keyof typeof dateForms

/** An amount without its sign, its thousands and cents parted so. */
export const grouped = (cents: number, thousands: string, decimal: string): string => {
  const [whole, rest] = (Math.abs(cents) / 100).toFixed(2).split('.')
  return whole.replace(/\B(?=(\d{3})+$)/g, thousands) + decimal + rest
}

/** How papers write amounts. */
export const moneyForms = {
  eur: (c: number) => `${c < 0 ? '-' : ''}EUR ${grouped(c, ',', '.')}`,
  sign: (c: number) => `${c < 0 ? '-' : ''}€${grouped(c, ',', '.')}`,
  behind: (c: number) => `${c < 0 ? '-' : ''}${grouped(c, ' ', ',')} €`,
  dotted: (c: number) => `€${c < 0 ? '-' : ''}${grouped(c, '.', ',')}`,
  plain: (c: number) => `${c < 0 ? '-' : ''}${grouped(c, ',', '.')}`,
} as const
export type MoneyForm = keyof typeof moneyForms
