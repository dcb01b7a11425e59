import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import type { ApplicationWishes } from '../tuning/loan-application.ts'

/** The application form as numbered questions over three pages, or as a dense two-column sheet. */
export async function drawApplication(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ApplicationWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'humanist' : 'serif')
  const truth = new Ledger()
  const a = story.applicant
  const signed = wishes.signed ?? true
  const address = wishes.address ?? addressLine(story.home)
  const employer = story.selfEmployed ? '' : (wishes.employer ?? story.employer)
  const loan = wishes.loan ?? story.loan
  const income = wishes.income ?? story.income
  const signedOn = wishes.signedOn ?? story.applied
  const hull = wishes.hull ?? story.hull
  const vessel = wishes.vessel ?? story.vessel
  const date = dateForms[layout === 0 ? 'short' : 'slashes']
  const amount = moneyForms[layout === 0 ? 'sign' : 'eur']
  const pages = layout === 0 ? 3 : 2
  const [work, money2] = layout === 0 ? [2, 2] : [1, 2]
  const put = (name: string, value: Parameters<Ledger['put']>[1], page = 1) => truth.put(name, value, page)
  put('application_number', story.caseNumber)
  put('application_date', story.applied)
  put('applicant_name', fullName(a))
  put('date_of_birth', a.born)
  put('national_number', a.nationalNumber)
  put('home_address', address)
  put('phone', a.phone)
  put('email', a.email)
  put('employment_status', story.selfEmployed ? 'self_employed' : 'employed', work)
  if (employer) put('employer_name', employer, work)
  put('monthly_net_income', money(income), work)
  put('loan_amount', money(loan), money2)
  put('loan_term_months', String(story.term), money2)
  put('purchase_price', money(story.total), money2)
  put('deposit_amount', money(story.deposit), money2)
  put('iban', story.iban, money2)
  put('existing_loan', story.existingLoan, money2)
  put('vessel_name', vessel, pages)
  put('hull_number', hull, pages)
  if (story.coApplicant) put('co_applicant_name', fullName(story.coApplicant))
  if (signed) put('signature_date', signedOn, pages)
  if (layout === 0) questions()
  else sheet()
  return {
    type: 'loan_application',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed,
    fields: truth.fields,
  }

  function questions(): void {
    let n = 0
    let y = 0
    const page = (p: number, title: string) => {
      if (p > 1) paper.newPage()
      paper.text(50, 36, p === 1 ? 'Working-boat loan: application' : `Application ${story.caseNumber}`, {
        size: p === 1 ? 19 : 10,
        bold: true,
        colour: colours.teal,
      })
      paper.text(545, 812, `${p} of 3`, { size: 8, align: 'right' })
      paper.text(50, 72, title, { size: 13, bold: true })
      y = 100
    }
    const ask = (label: string, value: string) => {
      n++
      paper.text(50, y, `${n}.`, { size: 9, colour: colours.grey })
      paper.text(70, y, label, { size: 10 })
      paper.rule(250, y + 13, 540)
      paper.text(256, y - 1, value, { size: 11, face: 'mono' })
      y += 26
    }
    const tick = (label: string, options: [string, boolean][]) => {
      n++
      paper.text(50, y, `${n}.`, { size: 9, colour: colours.grey })
      paper.text(70, y, label, { size: 10 })
      options.forEach(([text, on], i) => {
        paper.text(256 + i * 120, y, text, { size: 10 })
        paper.tickBox(256 + i * 120 + paper.measure(text) + 6, y + 1, on)
      })
      y += 26
    }
    page(1, 'The person who applies')
    ask('Reference of this application', story.caseNumber)
    ask('Date of application', date(story.applied))
    ask('Name and surname', fullName(a))
    ask('Born', date(a.born))
    ask('National number', a.nationalNumber)
    ask('Where do you live?', address)
    ask('Telephone number', a.phone)
    ask('E-mail', a.email)
    if (story.coApplicant) ask('Name of co-applicant', fullName(story.coApplicant))
    page(2, 'Work and money')
    tick('How are you employed?', [
      ['employed', !story.selfEmployed],
      ['self-employed', story.selfEmployed],
    ])
    ask('Employer', employer)
    ask('Net income each month', amount(income))
    ask('Price of the boat', amount(story.total))
    ask('Deposit paid by you', amount(story.deposit))
    ask('Loan wanted', amount(loan))
    ask('To be repaid over (months)', String(story.term))
    ask('IBAN of your account', story.iban.replace(/(.{4})(?=.)/g, '$1 '))
    tick('Do you already repay a loan?', [
      ['yes', story.existingLoan],
      ['no', !story.existingLoan],
    ])
    page(3, 'The boat, and your signature')
    ask('Name of the boat', vessel)
    ask('Hull number', hull)
    y = paper.prose(50, y + 20, 'All of this is true to the best of my knowledge.', 480)
    y += 50
    paper.text(50, y, 'Signature')
    paper.rule(110, y + 11, 300)
    paper.text(340, y, 'Date')
    paper.rule(370, y + 11, 480)
    if (signed) {
      paper.scrawl(dice, 130, y + 6)
      paper.text(378, y - 2, date(signedOn))
    }
  }

  function sheet(): void {
    const cell = (x: number, y: number, w: number, label: string, value: string) => {
      paper.text(x, y, label, { size: 8, bold: true })
      paper.text(x, y + 11, value, { size: 10.5 })
      paper.rule(x, y + 25, x + w - 12)
    }
    paper.text(40, 34, 'MERROW SOUND MUTUAL', { size: 10 })
    paper.text(40, 50, 'Application for finance of a vessel', { size: 17, bold: true })
    const one: [string, string][] = [
      ['Application no.', story.caseNumber],
      ['Dated', date(story.applied)],
      ['Applicant', fullName(a)],
      ['Date of birth', date(a.born)],
      ['Personal no.', a.nationalNumber],
      ['Phone number', a.phone],
      ['Email', a.email],
      ['Co-applicant (if any)', story.coApplicant ? fullName(story.coApplicant) : ''],
    ]
    one.forEach(([label, value], i) =>
      cell(40 + (i % 2) * 262, 90 + Math.floor(i / 2) * 38, 262, label, value),
    )
    cell(40, 244, 524, 'Address of residence', address)
    cell(40, 284, 262, 'Name of employer', employer)
    cell(302, 284, 262, 'Monthly income, net', amount(income))
    paper.text(40, 328, 'Employment:', { size: 10 })
    paper.tickBox(120, 328, !story.selfEmployed)
    paper.text(134, 328, 'employed', { size: 10 })
    paper.tickBox(210, 328, story.selfEmployed)
    paper.text(224, 328, 'self-employed', { size: 10 })
    paper.text(297, 816, 'Page 1/2', { size: 8, align: 'center' })
    paper.newPage()
    paper.text(40, 34, `MERROW SOUND MUTUAL · ${story.caseNumber}`, { size: 9 })
    const two: [string, string][] = [
      ['Purchase price', amount(story.total)],
      ['Own deposit', amount(story.deposit)],
      ['Amount of loan', amount(loan)],
      ['Term (months)', String(story.term)],
      ['IBAN', story.iban],
      ['Other loans running?', story.existingLoan ? 'yes' : 'no'],
      ['Vessel', vessel],
      ['Hull no.', hull],
    ]
    two.forEach(([label, value], i) =>
      cell(40 + (i % 2) * 262, 66 + Math.floor(i / 2) * 38, 262, label, value),
    )
    paper.prose(40, 240, 'I have read the conditions of lending and agree to them.', 500)
    paper.box([40, 280, 290, 60], undefined, colours.rule)
    paper.text(46, 284, 'Applicant signature', { size: 8 })
    paper.box([340, 280, 210, 60], undefined, colours.rule)
    paper.text(346, 284, 'Date of signing', { size: 8 })
    if (signed) {
      paper.scrawl(dice, 70, 326)
      paper.text(352, 310, date(signedOn))
    }
    paper.text(297, 816, 'Page 2/2', { size: 8, align: 'center' })
  }
}
