import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, moneyForms, type DateForm, type MoneyForm, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import { block } from '../blocks.ts'

export interface BillWishes {
  issued?: string
  holder?: string
  street?: string
}

const LOOKS: {
  face: Face
  date: DateForm
  money: MoneyForm
  title: string
  words: [account: string, issued: string, due: string, service: string, holder: string]
  lines: [string, string, string]
}[] = [
  {
    face: 'sans',
    date: 'long',
    money: 'sign',
    title: 'Your electricity bill',
    words: ['Account number', 'Bill date', 'Amount due', 'Supply address', ''],
    lines: ['Units used 412 kWh', 'Standing charge', 'VAT at 5 %'],
  },
  {
    face: 'serif',
    date: 'slashes',
    money: 'eur',
    title: 'WATER BILL',
    words: ['Customer no', 'Date of issue', 'Total to pay', 'Premises', 'Account holder'],
    lines: ['Water supplied 18 m3', 'Sewerage', 'Meter charge'],
  },
  {
    face: 'humanist',
    date: 'medium',
    money: 'plain',
    title: 'Broadband invoice',
    words: ['Account', 'Issued on', 'Please pay', 'Service address', 'Customer'],
    lines: ['Fibre 100 Mbit/s', 'Router rental', 'Calls'],
  },
  {
    face: 'slab',
    date: 'slashes',
    money: 'behind',
    title: "Facture d'électricité",
    words: ['N° client', "Date d'émission", 'Net à payer', 'Lieu de consommation', 'Titulaire du contrat'],
    lines: ['Consommation 388 kWh', 'Abonnement', 'TVA'],
  },
]

/** A bill for light, water or a line, in one of four suppliers' ways. */
export async function drawBill(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: BillWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const issued = wishes.issued ?? addDays(story.asOf, -dice.int(8, 70))
  const holder = wishes.holder ?? fullName(story.applicant)
  const street = wishes.street ?? `${story.home.number} ${story.home.street}`
  const place = `${story.home.town} ${story.home.code}`
  const account = `${dice.int(1000, 9999)} ${dice.digits(4)} ${dice.digits(2)}`
  const parts = [dice.int(2200, 9000), dice.int(600, 1500), dice.int(150, 900)]
  const due = parts.reduce((a, b) => a + b, 0)
  truth.put('supplier_name', story.utility)
  truth.put('account_holder', holder)
  truth.put('service_address', `${street}, ${place}`)
  truth.put('issue_date', issued)
  truth.put('account_number', account.replaceAll(' ', ''))
  truth.put('amount_due', money(due))
  const [wAccount, wIssued, wDue, wService, wHolder] = look.words
  let y: number
  if (layout === 0) {
    paper.box([0, 0, 595, 90], colours.teal)
    paper.text(40, 30, story.utility, { size: 24, bold: true, colour: colours.white })
    ;[holder, street, place].forEach((line, i) => paper.text(48, 120 + i * 14, line, { size: 11 }))
    block(
      paper,
      'stack',
      [340, 112, 220],
      [
        { label: wAccount, value: account },
        { label: wIssued, value: date(issued) },
      ],
      { columns: 1 },
    )
    paper.text(40, 214, look.title, { size: 20, bold: true })
    y = block(paper, 'columns', [40, 252, 420], [{ label: wService, value: `${street}, ${place}` }]) + 16
  } else if (layout === 1) {
    paper.text(297, 42, story.utility, { size: 20, bold: true, align: 'center' })
    paper.text(297, 70, look.title, { size: 13, align: 'center' })
    paper.rule(60, 92, 535)
    y =
      block(
        paper,
        'inline',
        [60, 108, 460],
        [
          { label: wHolder, value: holder },
          { label: wService, value: `${street}, ${place}` },
          { label: wAccount, value: account },
          { label: wIssued, value: date(issued) },
        ],
        { size: 11 },
      ) + 14
  } else if (layout === 2) {
    paper.text(555, 40, story.utility, { size: 17, bold: true, align: 'right', colour: colours.wine })
    paper.text(44, 44, look.title, { size: 22, bold: true })
    y =
      block(
        paper,
        'boxed',
        [44, 96, 512],
        [
          { label: wHolder, value: holder },
          { label: wAccount, value: account },
          { label: wService, value: [street, place] },
          { label: wIssued, value: date(issued) },
        ],
        { size: 10 },
      ) + 22
  } else {
    paper.text(50, 40, story.utility, { size: 19, bold: true, colour: colours.forest })
    paper.text(50, 66, look.title, { size: 14 })
    y =
      block(
        paper,
        'columns',
        [50, 104, 480],
        [
          { label: wHolder, value: holder },
          { label: wService, value: [street, place] },
          { label: wAccount, value: account },
          { label: wIssued, value: date(issued) },
        ],
        { size: 10 },
      ) + 20
  }
  look.lines.forEach((line, i) => {
    paper.text(50, y, line)
    paper.text(540, y, amount(parts[i]), { align: 'right' })
    paper.rule(46, y + 16, 548)
    y += 24
  })
  if (layout === 0) {
    paper.box([320, y + 6, 228, 34], colours.mist)
    paper.text(332, y + 15, wDue, { bold: true, size: 13 })
    paper.text(540, y + 15, amount(due), { bold: true, size: 13, align: 'right' })
  } else {
    paper.text(50, y + 10, wDue, { bold: true, size: 12 })
    paper.text(540, y + 10, amount(due), { bold: true, size: 12, align: 'right' })
  }
  paper.prose(
    50,
    y + 80,
    [
      `Meter reading taken on ${date(addDays(issued, -6))}. Payment is due within 21 days of the bill date.`,
      'Meter read by our inspector. Enquiries are answered at the office in Merrow on weekdays.',
      'Thank you for being with us. Faults can be reported at any hour.',
      `Relevé du compteur. Paiement avant le ${date(addDays(issued, 20))}.`,
    ][layout],
    470,
    { size: 9, colour: colours.grey },
  )
  return {
    type: 'utility_bill',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
