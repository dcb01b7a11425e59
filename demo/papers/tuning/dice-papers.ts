import type { Row } from '../../../core/model/index.ts'
import { addDays } from '../../../core/text/index.ts'
import type { Dice } from '../../dice.ts'
import type { Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { applicationFacts, consentFacts, payslipFacts, statementFacts } from '../facts.ts'
import { addressLine, fullName } from '../../world.ts'
import type { StatementWishes } from './bank-statement.ts'
import type { ConsentWishes } from './credit-consent.ts'
import { LedgerDrawer } from './ledger-drawer.ts'
import { Designer } from './designer.ts'
import type { CoverWishes } from './insurance-cover.ts'
import type { ApplicationWishes } from './loan-application.ts'
import type { PayslipWishes } from './payslip.ts'
import type { QuoteWishes } from './purchase-quote.ts'
import type { BillWishes } from './utility-bill.ts'
import type { RegistrationWishes } from './vessel-registration.ts'
import {
  APPLICATION_WORDS as A,
  BILL_WORDS as B,
  CONSENT_WORDS as C,
  COVER_WORDS as V,
  PAYSLIP_WORDS as P,
  QUOTE_WORDS as Q,
  REGISTRATION_WORDS as R,
  STATEMENT_WORDS as S,
} from './wordings.ts'

/** Papers by a designer who throws dice. Several payslips or statements of a story share one designer's dice. */

const done = async (
  type: string,
  d: Designer,
  truth: Ledger,
  signed: boolean | null = null,
  dropped = false,
): Promise<Drawn> => ({
  type,
  bytes: await d.paper.bytes(),
  pages: d.paper.pages - (dropped ? 1 : 0),
  signed,
  fields: truth.fields,
  dropped,
})

export async function dicePayslip(story: Story, dice: Dice, wishes: PayslipWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const { truth, month, person, name, employer } = payslipFacts(story, wishes)
  const y = d.say(d.head(employer, P.title, addressLine(story.employerAddress)), [
    { wordings: P.employee, value: name },
    { wordings: P.national, value: person.nationalNumber },
    {
      wordings: P.period,
      value: `${d.date(month.start)} ${dice.pick(['to', '-', '–', 'until'])} ${d.date(month.end)}`,
    },
    { wordings: P.paid, value: d.date(month.paid) },
  ])
  if (dice.chance(0.4))
    d.twoSided(
      y + 6,
      [[dice.pick(['Basic pay', 'Salary']), d.money(month.gross)]],
      [
        [dice.pick(['Income tax', 'PAYE tax']), d.money(month.tax)],
        [dice.pick(['Social insurance', 'Contribution']), d.money(month.insurance)],
      ],
      [
        [P.gross, d.money(month.gross)],
        [['Total deductions', 'Deducted'], d.money(month.tax + month.insurance)],
        [P.net, d.money(month.net)],
        [P.year, d.money(month.yearToDate)],
      ],
    )
  else
    d.say(y + 10, [
      { wordings: ['Basic pay', 'Salary', 'Monthly wage'], value: d.money(month.gross) },
      { wordings: P.gross, value: d.money(month.gross) },
      { wordings: ['Income tax', 'Tax', 'PAYE'], value: d.money(month.tax) },
      { wordings: ['Social insurance', 'Insurance contribution'], value: d.money(month.insurance) },
      { wordings: P.net, value: d.money(month.net) },
      { wordings: P.year, value: d.money(month.yearToDate) },
    ])
  return done('payslip', d, truth)
}

export async function diceBill(story: Story, dice: Dice, wishes: BillWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const truth = new Ledger()
  const issued = wishes.issued ?? addDays(story.asOf, -dice.int(8, 70))
  const holder = wishes.holder ?? fullName(story.applicant)
  const street = wishes.street ?? `${story.home.number} ${story.home.street}`
  const place = `${story.home.town} ${story.home.code}`
  const account = dice.pick([
    `${dice.digits(8)}`,
    `${dice.digits(3)}-${dice.digits(6)}`,
    `K${dice.digits(7)}`,
  ])
  const due = dice.int(3200, 22000)
  truth.put('supplier_name', story.utility)
  truth.put('account_holder', holder)
  truth.put('service_address', `${street}, ${place}`)
  truth.put('issue_date', issued)
  truth.put('account_number', account)
  truth.put('amount_due', money(due))
  const posted = dice.chance(0.35)
  const top = d.head(story.utility, B.title)
  if (posted) d.addressee(top, [holder, street, place])
  const y = d.say(
    posted ? top + 80 : top,
    dice.shuffle(
      posted
        ? [
            { wordings: B.issued, value: d.date(issued) },
            { wordings: B.account, value: account },
          ]
        : [
            { wordings: B.holder, value: holder },
            { wordings: B.address, value: dice.chance(0.5) ? `${street}, ${place}` : [street, place] },
            { wordings: B.issued, value: d.date(issued) },
            { wordings: B.account, value: account },
          ],
    ),
  )
  if (dice.chance(0.3))
    d.big(
      y + 6,
      B.due,
      d.money(due),
      dice.pick(['Due by', 'Payable before', 'À régler avant le', 'Fecha límite']),
      d.date(addDays(issued, 21)),
    )
  else
    d.say(y + 10, [
      { wordings: ['Standing charge', 'Abonnement', 'Meter charge'], value: d.money(900) },
      {
        wordings: ['Consumption 301 kWh', 'Consommation 18 m3', 'Consumo 212 kWh'],
        value: d.money(due - 900),
      },
      { wordings: B.due, value: d.money(due) },
    ])
  return done('utility_bill', d, truth)
}

export async function diceCover(story: Story, dice: Dice, wishes: CoverWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const truth = new Ledger()
  const start = wishes.start ?? addDays(story.asOf, -dice.int(10, 200))
  const end = wishes.end ?? addDays(start, 364)
  const sum = wishes.sum ?? Math.ceil(story.total / 100000) * 100000
  const premium = Math.round(sum * 0.013)
  const policy = dice.pick([
    `MC-${dice.digits(6)}`,
    `P${dice.digits(8)}`,
    `${dice.digits(4)}/${dice.digits(4)}`,
  ])
  const [insured, vessel] = [wishes.insured ?? fullName(story.applicant), wishes.vessel ?? story.vessel]
  truth.put('policy_number', policy)
  truth.put('insured_name', insured)
  truth.put('vessel_name', vessel)
  truth.put('cover_start', start)
  truth.put('cover_end', end)
  truth.put('sum_insured', money(sum))
  truth.put('premium', money(premium))
  const period = dice.chance(0.5)
    ? [{ wordings: V.period, value: `${d.date(start)} to ${d.date(end)}` }]
    : [
        { wordings: V.from, value: d.date(start) },
        { wordings: V.to, value: d.date(end) },
      ]
  if (dice.chance(0.2)) {
    d.paper.prose(
      60,
      d.head(story.insurer, V.title) + 10,
      dice.pick([
        `We confirm that ${insured} is insured with us under policy number ${policy}` +
          ` in respect of the vessel ${vessel}. The insurance runs from ${d.date(start)} to ` +
          `${d.date(end)}. The sum insured is ${d.money(sum)} and the annual premium ` +
          `${d.money(premium)}.`,
        `Policy no. ${policy} has been issued to ${insured} for the boat named ${vessel}, with cover from ` +
          `${d.date(start)} until ${d.date(end)}, for a sum insured of ${d.money(sum)}, at a premium of ` +
          `${d.money(premium)}.`,
      ]),
      470,
      { size: 10.5, leading: 1.6 },
    )
    return done('insurance_cover', d, truth)
  }
  const y = d.say(d.head(story.insurer, V.title), [
    ...dice.shuffle([
      { wordings: V.policy, value: policy },
      { wordings: V.insured, value: insured },
      { wordings: V.vessel, value: vessel },
    ]),
    ...period,
    { wordings: V.sum, value: d.money(sum) },
    { wordings: V.premium, value: d.money(premium) },
    { wordings: ['Excess', 'Deductible'], value: d.money(30000) },
  ])
  d.paper.prose(
    60,
    y + 14,
    'The policy covers hull and machinery against perils of the sea. Claims are to be reported at once.',
    470,
    { size: 9 },
  )
  return done('insurance_cover', d, truth)
}

export async function diceRegistration(story: Story, dice: Dice, wishes: RegistrationWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
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
  if (dice.chance(0.2)) {
    d.paper.prose(
      60,
      d.head('Skerrow Isles Registry', R.title) + 10,
      dice.pick([
        `This is to certify that the vessel ${vessel}, hull number ${hull}, is entered in the register under registration number ` +
          `${story.registration} in the name of her owner, ${owner}. Issued on ${d.date(issued)}. This certificate is valid until ` +
          `${d.date(expiry)}.`,
        `Registration number ${story.registration}: the boat ${vessel} (hull no. ${hull}), owned by ` +
          `${owner}, was registered on ${d.date(issued)}; the registration expires on ${d.date(expiry)}.`,
      ]),
      470,
      { size: 11, leading: 1.6 },
    )
    return done('vessel_registration', d, truth)
  }
  const y = d.say(d.head('Skerrow Isles Registry', R.title), [
    ...dice.shuffle([
      { wordings: R.number, value: story.registration },
      { wordings: R.vessel, value: vessel },
      { wordings: R.hull, value: hull },
      { wordings: R.owner, value: owner },
      { wordings: ['Length', 'Length overall'], value: '9.4 m' },
    ]),
    { wordings: R.issued, value: d.date(issued) },
    { wordings: R.expires, value: d.date(expiry) },
  ])
  d.paper.text(80, y + 50, 'Registrar', { size: 9 })
  d.paper.scrawl(dice, 90, y + 44, 80)
  return done('vessel_registration', d, truth)
}

export async function diceConsent(story: Story, dice: Dice, wishes: ConsentWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const { truth, person, signed, on } = consentFacts(story, wishes)
  let y = d.say(d.head('Merrow Sound Mutual', C.title), [
    { wordings: C.name, value: fullName(person) },
    { wordings: C.national, value: person.nationalNumber },
  ])
  y = d.paper.prose(
    60,
    y + 10,
    dice.pick([
      'I agree that the lender asks a credit reference agency about me.',
      'The lender may check my credit history; I consent to this freely.',
      'I authorise enquiries about my credit record for this application.',
    ]),
    470,
  )
  d.signature(y + 40, signed, on, C)
  return done('credit_consent', d, truth, signed)
}

export async function diceQuote(story: Story, dice: Dice, wishes: QuoteWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const truth = new Ledger()
  const valid = wishes.validUntil ?? addDays(story.asOf, dice.int(12, 60))
  const issued = addDays(valid < story.applied ? valid : story.applied, -dice.int(2, 10))
  const number = dice.pick([`Q-${dice.digits(5)}`, `${dice.digits(4)}/${dice.digits(2)}`, dice.digits(6)])
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
  let y = d.say(d.head(story.yard, Q.title, addressLine(story.yardAddress)), [
    { wordings: Q.number, value: number },
    { wordings: Q.date, value: d.date(issued) },
    { wordings: Q.valid, value: d.date(valid) },
    { wordings: Q.buyer, value: buyer },
    { wordings: Q.vessel, value: vessel },
    { wordings: Q.hull, value: hull },
  ])
  const heads = dice.pick(Q.heads)
  const [order, places] = dice.pick([
    [
      [0, 1, 2, 3],
      [50, 360, 455, 550],
    ],
    [
      [1, 0, 2, 3],
      [70, 100, 455, 550],
    ],
    [
      [0, 2, 1, 3],
      [50, 380, 440, 550],
    ],
  ])
  const numbered = order[0] === 0 && dice.chance(0.3)
  const put = (cells: readonly string[], bold: boolean) =>
    order.forEach((cell, at) =>
      d.paper.text(places[at] + (numbered && at === 0 ? 24 : 0), y, cells[cell], {
        size: 9,
        bold,
        align: cell ? 'right' : 'left',
      }),
    )
  y += 12
  put(heads, true)
  if (numbered) d.paper.text(50, y, '#', { size: 9, bold: true })
  lines.forEach((line, i) => {
    y += 18
    put([line.text, String(line.quantity), d.money(line.unit), d.money(line.amount)], false)
    if (numbered) d.paper.text(50, y, String(i + 1), { size: 9 })
  })
  y += 30
  for (const [words, value] of [
    [Q.net, net],
    [Q.vat, story.vat],
    [Q.total, total],
  ] as const) {
    d.paper.text(dice.pick([340, 340, 300]), y, dice.pick(words))
    d.paper.text(550, y, d.money(value), { align: 'right' })
    y += 18
  }
  return done('purchase_quote', d, truth)
}

export async function diceStatement(story: Story, dice: Dice, wishes: StatementWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const { truth, statement, holder, iban, street, place, rows: truly } = statementFacts(story, wishes)
  const head = d.head(story.bank, S.title)
  const posted = dice.chance(0.35)
  if (posted) d.addressee(head, [holder, street, place])
  let y = d.say(posted ? head + 80 : head, [
    ...(posted
      ? []
      : [
          { wordings: S.holder, value: holder },
          { wordings: S.address, value: dice.chance(0.5) ? `${street}, ${place}` : [street, place] },
        ]),
    { wordings: S.iban, value: dice.chance(0.5) ? iban : iban.replace(/(.{4})(?=.)/g, '$1 ') },
    {
      wordings: S.period,
      value: `${d.date(statement.start)} ${dice.pick(['to', '-', 'and'])} ${d.date(statement.end)}`,
    },
    { wordings: S.opening, value: d.money(statement.opening) },
    { wordings: S.closing, value: d.money(statement.closing) },
  ])
  const ledger = new LedgerDrawer(d, dice)
  const per = Math.floor((770 - y) / ledger.pitch)
  const more = Math.floor(660 / ledger.pitch)
  const total = 1 + Math.ceil(Math.max(0, statement.rows.length - per) / more)
  const rows: Row[] = []
  y = ledger.head(y)
  let page = 1
  const foot = () => d.paper.text(550, 815, `Page ${page} of ${total}`, { size: 7.5, align: 'right' })
  foot()
  statement.rows.forEach((row, i) => {
    if (i === per || (i > per && (i - per) % more === 0)) {
      d.paper.newPage()
      page++
      d.paper.text(46, 30, story.bank, { size: 10, bold: true })
      y = ledger.head(60)
      foot()
    }
    y = ledger.row(y, i, row)
    if (page !== wishes.dropPage)
      rows.push({
        date: row.date,
        description: row.text,
        amount: money(row.amount),
        balance: money(row.balance),
      })
  })
  truth.put('transactions', rows)
  const dropped = wishes.dropPage !== undefined && wishes.dropPage <= total && total > 1
  if (dropped) d.paper.pdf.removePage(wishes.dropPage! - 1)
  else truth.put('transactions', truly(statement.rows))
  return done('bank_statement', d, truth, null, dropped)
}

export async function diceApplication(story: Story, dice: Dice, wishes: ApplicationWishes): Promise<Drawn> {
  const d = await Designer.begin(dice)
  const { truth, a, signed, address, employer, loan, income, on, hull, vessel } = applicationFacts(
    story,
    wishes,
  )
  let y = d.say(d.head('Merrow Sound Mutual', A.title), [
    { wordings: A.number, value: story.caseNumber },
    { wordings: A.date, value: d.date(story.applied) },
    { wordings: A.name, value: fullName(a) },
    { wordings: A.born, value: d.date(a.born) },
    { wordings: A.national, value: a.nationalNumber },
    { wordings: A.address, value: address },
    { wordings: A.phone, value: a.phone },
    { wordings: A.email, value: a.email },
    ...(story.coApplicant ? [{ wordings: A.partner, value: fullName(story.coApplicant) }] : []),
  ])
  if (dice.chance(0.7))
    y = d.tick(y + 8, A.status, [
      ['Employed', !story.selfEmployed],
      ['Self-employed', story.selfEmployed],
    ])
  else
    y = d.say(y + 8, [
      {
        wordings: A.status,
        value: story.selfEmployed
          ? dice.pick(['self-employed', 'Self-employed', 'own account'])
          : dice.pick(['employed', 'Employed', 'employee']),
      },
    ])
  d.say(y, [
    ...(employer || dice.chance(0.5) ? [{ wordings: A.employer, value: employer }] : []),
    { wordings: A.income, value: d.money(income) },
  ])
  d.paper.text(550, 812, 'Page 1 of 2', { size: 8, align: 'right' })
  d.paper.newPage()
  y = d.say(60, [
    { wordings: A.price, value: d.money(story.total) },
    { wordings: A.deposit, value: d.money(story.deposit) },
    { wordings: A.loan, value: d.money(loan) },
    { wordings: A.term, value: String(story.term) },
    { wordings: A.iban, value: story.iban },
    { wordings: A.vessel, value: vessel },
    { wordings: A.hull, value: hull },
  ])
  if (dice.chance(0.7))
    y = d.tick(
      y + 4,
      A.existing,
      dice.chance(0.5)
        ? [
            ['Yes', story.existingLoan],
            ['No', !story.existingLoan],
          ]
        : [
            ['no', !story.existingLoan],
            ['yes', story.existingLoan],
          ],
    )
  else y = d.say(y, [{ wordings: A.existing, value: story.existingLoan ? 'Yes' : 'No' }])
  d.paper.text(550, 812, 'Page 2 of 2', { size: 8, align: 'right' })
  d.signature(y + 30, signed, on, { sign: A.sign, date: A.signed })
  return done('loan_application', d, truth, signed)
}
