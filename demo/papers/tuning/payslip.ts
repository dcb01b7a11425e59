import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import {
  dateForms,
  moneyForms,
  type DateForm,
  type MoneyForm,
  type PayMonth,
  type Story,
} from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName, type Person } from '../../world.ts'
import { block } from '../blocks.ts'

export interface PayslipWishes {
  month: PayMonth
  employee?: Person
  employeeName?: string
  employer?: string
}

interface Look {
  face: Face
  date: DateForm
  money: MoneyForm
  title: string
  words: {
    employee: string
    nat: string
    period: string
    paid: string
    basic: string
    gross: string
    tax: string
    social: string
    net: string
    ytd: string
  }
}

const LOOKS: Look[] = [
  {
    face: 'sans',
    date: 'slashes',
    money: 'plain',
    title: 'Payslip',
    words: {
      employee: 'Employee',
      nat: 'National number',
      period: 'Pay period',
      paid: 'Pay date',
      basic: 'Basic pay',
      gross: 'Gross pay',
      tax: 'Income tax',
      social: 'Social insurance',
      net: 'Net pay',
      ytd: 'Year to date gross',
    },
  },
  {
    face: 'serif',
    date: 'long',
    money: 'eur',
    title: 'Statement of Earnings',
    words: {
      employee: 'Paid to',
      nat: 'Personal number',
      period: 'For the period',
      paid: 'Paid on',
      basic: 'Wage',
      gross: 'Total gross',
      tax: 'Tax withheld',
      social: 'Social fund',
      net: 'Take-home pay',
      ytd: 'Gross to date',
    },
  },
  {
    face: 'humanist',
    date: 'dots',
    money: 'dotted',
    title: 'Monthly pay statement',
    words: {
      employee: 'Employee name',
      nat: 'National ID number',
      period: 'Period covered',
      paid: 'Date of payment',
      basic: 'Monthly salary',
      gross: 'Gross earnings',
      tax: 'PAYE',
      social: 'Isles insurance',
      net: 'Net payable',
      ytd: 'Gross year to date',
    },
  },
  {
    face: 'typewriter',
    date: 'short',
    money: 'plain',
    title: 'WAGE SLIP',
    words: {
      employee: 'Name of employee',
      nat: 'Nat. no',
      period: 'From',
      paid: 'Value date',
      basic: 'Yard hours',
      gross: 'Gross wages',
      tax: 'Less income tax',
      social: 'Less insurance',
      net: 'Net wages',
      ytd: 'Total gross to date',
    },
  },
]

/** A month's pay in one of four employers' ways. */
export async function drawPayslip(
  story: Story,
  layout: number,
  _dice: Dice,
  wishes: PayslipWishes,
): Promise<Drawn> {
  const look = LOOKS[layout]
  const { month } = wishes
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const w = look.words
  const person = wishes.employee ?? story.applicant
  const employer = wishes.employer ?? story.employer
  const name = wishes.employeeName ?? fullName(person)
  truth.put('employee_name', name)
  truth.put('employer_name', employer)
  truth.put('pay_date', month.paid)
  truth.put('period_start', month.start)
  truth.put('period_end', month.end)
  truth.put('gross_pay', money(month.gross))
  truth.put('net_pay', money(month.net))
  truth.put('year_to_date_gross', money(month.yearToDate))
  truth.put('national_number', person.nationalNumber)
  WAYS[layout]({ paper, look, w, story, month, person, employer, name, date, amount })
  return {
    type: 'payslip',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}

/** What a payslip is drawn from. */
interface Slip {
  paper: Paper
  look: (typeof LOOKS)[number]
  w: (typeof LOOKS)[number]['words']
  story: Story
  month: PayslipWishes['month']
  person: Story['applicant']
  employer: string
  name: string
  date: (iso: string) => string
  amount: (cents: number) => string
}

/** Earnings on the left, deductions on the right. */
function inTwoColumns({ paper, look, w, story, month, person, employer, name, date, amount }: Slip): void {
  paper.box([0, 0, 595, 74], colours.navy)
  paper.text(40, 24, employer, { size: 20, bold: true, colour: colours.white })
  paper.text(555, 32, look.title, { size: 14, align: 'right', colour: colours.white })
  paper.text(40, 84, addressLine(story.employerAddress), { size: 9, colour: colours.grey })
  let y = block(
    paper,
    'columns',
    [40, 118, 420],
    [
      { label: w.employee, value: name },
      { label: w.nat, value: person.nationalNumber },
      { label: w.period, value: `${date(month.start)} - ${date(month.end)}` },
      { label: w.paid, value: date(month.paid) },
    ],
  )
  y += 16
  for (const [head, x] of [
    ['Earnings', 40],
    ['Deductions', 310],
  ] as const)
    paper.text(x, y, head, { bold: true, size: 11 })
  paper.text(285, y, 'EUR', { align: 'right' })
  paper.text(555, y, 'EUR', { align: 'right' })
  paper.rule(40, y + 16, 555)
  y += 24
  paper.text(40, y, w.basic)
  paper.text(285, y, amount(month.gross), { align: 'right' })
  paper.text(310, y, w.tax)
  paper.text(555, y, amount(month.tax), { align: 'right' })
  paper.text(310, y + 18, w.social)
  paper.text(555, y + 18, amount(month.insurance), { align: 'right' })
  y += 52
  paper.rule(40, y - 8, 555)
  paper.text(40, y, w.gross, { bold: true })
  paper.text(285, y, amount(month.gross), { align: 'right', bold: true })
  paper.text(310, y, 'Total deductions', { bold: true })
  paper.text(555, y, amount(month.tax + month.insurance), { align: 'right', bold: true })
  y += 34
  paper.box([310, y - 8, 245, 30], colours.mist)
  paper.text(320, y, w.net, { bold: true, size: 12 })
  paper.text(547, y, amount(month.net), { bold: true, size: 12, align: 'right' })
  paper.text(40, y, `${w.ytd}: ${amount(month.yearToDate)}`)
}

/** Centred, with dots from words to figures. */
function centred({ paper, look, w, story, month, person, employer, name, date, amount }: Slip): void {
  paper.text(297, 50, employer, { size: 22, bold: true, align: 'center' })
  paper.text(297, 78, addressLine(story.employerAddress), { size: 10, align: 'center' })
  paper.rule(60, 98, 535)
  paper.text(297, 112, look.title, { size: 16, align: 'center' })
  let y = block(
    paper,
    'inline',
    [60, 160, 470],
    [
      { label: w.employee, value: name },
      { label: w.period, value: `${date(month.start)} to ${date(month.end)}` },
      { label: w.paid, value: date(month.paid) },
      { label: w.nat, value: person.nationalNumber },
    ],
    { size: 11 },
  )
  y += 20
  y = block(
    paper,
    'dots',
    [60, y, 475],
    [
      { label: w.basic, value: amount(month.gross) },
      { label: w.gross, value: amount(month.gross) },
      { label: w.tax, value: amount(-month.tax) },
      { label: w.social, value: amount(-month.insurance) },
    ],
    { size: 11 },
  )
  paper.rule(60, y, 520)
  y = block(paper, 'dots', [60, y + 12, 475], [{ label: w.net, value: amount(month.net) }], {
    size: 13,
    value: { bold: true },
  })
  block(
    paper,
    'dots',
    [60, y + 20, 475],
    [
      { label: w.ytd, value: amount(month.yearToDate) },
      { label: 'Tax to date', value: amount(Math.round(month.yearToDate * 0.16)) },
    ],
    { size: 10 },
  )
}

/** A list of components under a large heading. */
function withComponents({ paper, look, w, story, month, person, employer, name, date, amount }: Slip): void {
  paper.text(48, 46, look.title, { size: 24, bold: true, colour: colours.teal })
  paper.text(48, 80, employer, { size: 13, bold: true })
  paper.text(48, 97, addressLine(story.employerAddress), { size: 9, colour: colours.grey })
  let y = block(
    paper,
    'stack',
    [48, 136, 500],
    [
      { label: w.employee, value: name },
      { label: w.nat, value: person.nationalNumber },
      { label: w.period, value: `${date(month.start)} – ${date(month.end)}` },
      { label: w.paid, value: date(month.paid) },
    ],
    { accent: colours.teal },
  )
  y += 14
  paper.box([48, y, 500, 20], colours.mist)
  paper.text(56, y + 5, 'Component', { bold: true, size: 9 })
  paper.text(540, y + 5, 'Amount', { bold: true, size: 9, align: 'right' })
  for (const [label, value] of [
    [w.basic, month.gross],
    [w.gross, month.gross],
    [w.tax, -month.tax],
    [w.social, -month.insurance],
    [w.net, month.net],
  ] as const) {
    y += 26
    const strong = label === w.net || label === w.gross
    paper.text(56, y, label, { bold: strong })
    paper.text(540, y, amount(value), { align: 'right', bold: strong })
    paper.rule(48, y + 17, 548)
  }
  paper.text(56, y + 60, 'Totals for the year', { bold: true, size: 10 })
  block(
    paper,
    'columns',
    [56, y + 82, 400],
    [
      { label: w.ytd, value: amount(month.yearToDate) },
      { label: 'Net year to date', value: amount(Math.round(month.yearToDate * 0.766)) },
    ],
  )
}

/** Columns of words and figures, set in one size. */
function inCapitals({ paper, look, w, story, month, person, employer, name, date, amount }: Slip): void {
  paper.text(40, 40, look.title, { size: 15, bold: true })
  paper.text(555, 40, employer.toUpperCase(), { size: 11, align: 'right', bold: true })
  paper.text(555, 58, addressLine(story.employerAddress), { size: 8, align: 'right' })
  paper.rule(40, 78, 555)
  let y = block(
    paper,
    'columns',
    [40, 92, 500],
    [
      { label: w.employee, value: name },
      { label: w.nat, value: person.nationalNumber },
      { label: w.period, value: date(month.start) },
      { label: 'To', value: date(month.end) },
      { label: w.paid, value: date(month.paid) },
    ],
    { size: 9 },
  )
  y = block(
    paper,
    'columns',
    [40, y + 24, 500],
    [
      { label: w.basic, value: amount(month.gross) },
      { label: w.gross, value: amount(month.gross) },
      { label: w.tax, value: amount(month.tax) },
      { label: w.social, value: amount(month.insurance) },
      { label: w.net, value: amount(month.net) },
    ],
    { size: 9 },
  )
  paper.rule(40, y + 4, 555)
  block(paper, 'columns', [40, y + 16, 500], [{ label: w.ytd, value: amount(month.yearToDate) }], {
    size: 9,
  })
  paper.text(40, 780, 'Keep this slip. Amounts in EUR.', { size: 8, colour: colours.grey })
}

/** The ways of four employers, by layout. */
const WAYS = [inTwoColumns, centred, withComponents, inCapitals]
