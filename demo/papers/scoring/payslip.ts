import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import { monthIndex, monthName } from '../../../core/text/index.ts'
import type { PayslipWishes } from '../tuning/payslip.ts'

/** A month's pay: a grid of framed cells, or a letter-like slip with its month as a heading. */
export async function drawPayslip(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: PayslipWishes,
): Promise<Drawn> {
  const { month } = wishes
  const paper = await Paper.begin(layout === 0 ? 'slab' : 'sans')
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'short' : 'medium']
  const amount = moneyForms[layout === 0 ? 'dotted' : 'eur']
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
  if (layout === 0) {
    paper.text(36, 30, 'PAY ADVICE', { size: 17, bold: true })
    paper.text(559, 30, employer, { size: 12, bold: true, align: 'right' })
    paper.text(559, 48, addressLine(story.employerAddress), { size: 8, align: 'right' })
    const cells = [
      ['Staff member', name],
      ['Personnel no', dice.digits(5)],
      ['National no', person.nationalNumber],
      ['From', date(month.start)],
      ['To', date(month.end)],
      ['Paid', date(month.paid)],
    ]
    cells.forEach(([label, value], i) => {
      const [x, y] = [36 + (i % 3) * 175, 72 + Math.floor(i / 3) * 38]
      paper.box([x, y, 173, 36], undefined, colours.ink)
      paper.text(x + 5, y + 4, label, { size: 7 })
      paper.text(x + 5, y + 16, value, { size: 10.5, bold: true })
    })
    paper.box([36, 160, 523, 16], colours.sand)
    paper.text(42, 163, 'PAY ITEM', { size: 8, bold: true })
    paper.text(330, 163, 'EARNED', { size: 8, bold: true, align: 'right' })
    paper.text(440, 163, 'WITHHELD', { size: 8, bold: true, align: 'right' })
    paper.text(553, 163, 'YEAR TO DATE', { size: 8, bold: true, align: 'right' })
    const rows: [string, number | null, number | null, number | null][] = [
      ['Salary', month.gross, null, null],
      ['Tax on wages', null, month.tax, null],
      ['Island insurance', null, month.insurance, null],
      ['GROSS', month.gross, null, month.yearToDate],
    ]
    rows.forEach(([label, earned, withheld, year], i) => {
      const y = 184 + i * 18
      paper.text(42, y, label, { size: 9.5, bold: label === 'GROSS' })
      for (const [value, x] of [
        [earned, 330],
        [withheld, 440],
        [year, 553],
      ] as const)
        if (value !== null) paper.text(x, y, amount(value), { size: 9.5, align: 'right' })
    })
    paper.box([330, 270, 229, 40], undefined, colours.ink)
    paper.text(338, 276, 'NET PAY TO BANK', { size: 8 })
    paper.text(551, 286, amount(month.net), { size: 15, bold: true, align: 'right' })
  } else {
    paper.text(60, 50, employer, { size: 15, bold: true, colour: colours.wine })
    paper.text(60, 70, addressLine(story.employerAddress), { size: 9 })
    paper.text(60, 120, `Pay statement for ${monthName(monthIndex(month.end))}`, { size: 16 })
    paper.text(60, 150, `${name}`, { size: 12, bold: true })
    paper.text(60, 168, `National number ${person.nationalNumber}`, { size: 10 })
    const rows: [string, string][] = [
      ['Period of work', `${date(month.start)} – ${date(month.end)}`],
      ['Payment date', date(month.paid)],
      ['Base pay', amount(month.gross)],
      ['Gross amount', amount(month.gross)],
      ['Income tax deducted', amount(month.tax)],
      ['Insurance deducted', amount(month.insurance)],
      ['Amount paid out', amount(month.net)],
      ['Gross since January', amount(month.yearToDate)],
    ]
    rows.forEach(([label, value], i) => {
      const y = 204 + i * 24
      if (i % 2 === 0) paper.box([54, y - 6, 380, 24], colours.mist)
      paper.text(60, y, label)
      paper.text(428, y, value, { align: 'right', bold: i === 6 })
    })
    paper.text(60, 430, 'Please keep this statement. Questions are answered at the wages office.', {
      size: 8.5,
      colour: colours.grey,
    })
  }
  return {
    type: 'payslip',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
