import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import {
  dateForms,
  moneyForms,
  type DateForm,
  type MoneyForm,
  type QuoteLine,
  type Story,
} from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import { block, type Item } from '../blocks.ts'
import { addDays } from '../../../core/text/index.ts'

export interface QuoteWishes {
  validUntil?: string
  hull?: string
  vessel?: string
  buyerName?: string
  total?: number
  net?: number
  lines?: QuoteLine[]
}

interface Look {
  face: Face
  date: DateForm
  money: MoneyForm
  title: string
  heads: [string, string, string, string]
  words: {
    number: string
    date: string
    valid: string
    buyer: string
    vessel: string
    hull: string
    net: string
    vat: string
    total: string
  }
}

const LOOKS: Look[] = [
  {
    face: 'sans',
    date: 'slashes',
    money: 'plain',
    title: 'QUOTATION',
    heads: ['Description', 'Qty', 'Unit price', 'Amount'],
    words: {
      number: 'Quote number',
      date: 'Date',
      valid: 'Valid until',
      buyer: 'Buyer',
      vessel: 'Vessel',
      hull: 'Hull number',
      net: 'Net amount',
      vat: 'VAT 20 %',
      total: 'Total price',
    },
  },
  {
    face: 'serif',
    date: 'long',
    money: 'eur',
    title: 'Our offer',
    heads: ['Item', 'Quantity', 'Price each', 'Sum'],
    words: {
      number: 'Offer no',
      date: 'Date of offer',
      valid: 'Offer stands until',
      buyer: 'Prepared for',
      vessel: 'Boat name',
      hull: 'Hull no.',
      net: 'Total before VAT',
      vat: 'plus VAT',
      total: 'Price including VAT',
    },
  },
  {
    face: 'slab',
    date: 'medium',
    money: 'sign',
    title: 'Sales quotation',
    heads: ['Goods', 'Units', 'Rate', 'Line total'],
    words: {
      number: 'Our reference',
      date: 'Dated',
      valid: 'Good until',
      buyer: 'Quotation for',
      vessel: 'Name of vessel',
      hull: 'Hull ID',
      net: 'Subtotal',
      vat: 'VAT amount',
      total: 'Grand total',
    },
  },
  {
    face: 'humanist',
    date: 'iso',
    money: 'behind',
    title: 'Devis / Quote',
    heads: ['Désignation', 'Qté', 'Prix unitaire', 'Montant'],
    words: {
      number: 'Devis n°',
      date: 'Date du devis',
      valid: "Valable jusqu'au",
      buyer: 'Client',
      vessel: 'Nom du bateau',
      hull: 'N° de coque',
      net: 'Total HT',
      vat: 'TVA',
      total: 'Total TTC',
    },
  },
]

/** A seller's quotation in one of four yards' ways; the last is French. */
export async function drawQuote(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: QuoteWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const w = look.words
  const valid = wishes.validUntil ?? addDays(story.asOf, dice.int(12, 60))
  const issued = addDays(valid < story.applied ? valid : story.applied, -dice.int(2, 10))
  const number = `Q${dice.digits(2)}-${dice.digits(4)}`
  const vessel = wishes.vessel ?? story.vessel
  const hull = wishes.hull ?? story.hull
  const buyer = wishes.buyerName ?? fullName(story.applicant)
  const lines = wishes.lines ?? story.lines
  const net = wishes.net ?? story.net
  const total = wishes.total ?? story.total
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
  const facts = [
    { label: w.number, value: number },
    { label: w.date, value: date(issued) },
    { label: w.valid, value: date(valid) },
  ]
  const boat = [
    { label: w.vessel, value: vessel },
    { label: w.hull, value: hull },
  ]
  const rights = layout === 1 ? [0, 350, 450, 545] : [0, 370, 455, 549]
  const left = layout === 0 ? 44 : 50
  const quote: Quote = {
    paper,
    look,
    w,
    layout,
    story,
    buyer,
    facts,
    boat,
    lines,
    net,
    total,
    amount,
    rights,
    left,
  }
  const y = drawSums(quote, drawLines(quote, HEADS[layout](quote)))
  paper.prose(
    left,
    y + 30,
    [
      'Delivery six weeks after order. Payment one third with the order, the rest on delivery.',
      'We hope that this offer meets your wishes and remain at your service for any question.',
      'Prices hold as stated above. Goods stay ours until paid in full.',
      'Livraison six semaines après la commande. Nous restons à votre disposition.',
    ][layout],
    480,
    { size: 9, colour: colours.grey },
  )
  return {
    type: 'purchase_quote',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}

/** What the parts of a quotation are drawn from. */
interface Quote {
  paper: Paper
  look: (typeof LOOKS)[number]
  w: (typeof LOOKS)[number]['words']
  layout: number
  story: Story
  buyer: string
  facts: Item[]
  boat: Item[]
  lines: Story['lines']
  net: number
  total: number
  amount: (cents: number) => string
  /** Right edges of the columns. */
  rights: number[]
  left: number
}

/** Facts in a block at the right, the buyer as a letter is addressed. */
function withBlockAtRight({ paper, look, w, story, buyer, facts, boat }: Quote): number {
  paper.text(40, 40, story.yard, { size: 19, bold: true, colour: colours.teal })
  paper.text(40, 66, addressLine(story.yardAddress), { size: 9, colour: colours.grey })
  paper.text(555, 40, look.title, { size: 20, bold: true, align: 'right' })
  block(paper, 'columns', [340, 84, 220], facts, { size: 10 })
  const y = block(
    paper,
    'stack',
    [40, 100, 280],
    [
      {
        label: w.buyer,
        value: [buyer, `${story.home.number} ${story.home.street}`, `${story.home.town} ${story.home.code}`],
      },
    ],
    { columns: 1 },
  )
  return block(paper, 'columns', [40, y + 14, 300], boat) + 12
}

/** All in lines, the yard at the right. */
function inLines({ paper, look, w, story, buyer, facts, boat }: Quote): number {
  paper.text(555, 46, story.yard, { size: 17, bold: true, align: 'right' })
  paper.text(555, 70, addressLine(story.yardAddress), { size: 9, align: 'right' })
  paper.text(50, 104, look.title, { size: 22 })
  return (
    block(paper, 'inline', [50, 144, 480], [...facts, { label: w.buyer, value: buyer }, ...boat], {
      size: 11,
      gap: 5,
    }) + 14
  )
}

/** A bar of colour, all in boxes. */
function inBoxes({ paper, look, w, story, buyer, facts, boat }: Quote): number {
  paper.box([0, 0, 595, 12], colours.rust)
  paper.text(44, 38, look.title, { size: 20, bold: true, colour: colours.rust })
  paper.text(44, 68, story.yard, { size: 12, bold: true })
  paper.text(44, 85, addressLine(story.yardAddress), { size: 8.5 })
  return (
    block(
      paper,
      'boxed',
      [44, 116, 514],
      [{ label: w.buyer, value: buyer }, facts[0], facts[1], facts[2], ...boat],
      { size: 9.5, columns: 3 },
    ) + 16
  )
}

/** The yard over a rule, facts at the right. */
function overRule({ paper, look, w, story, buyer, facts, boat }: Quote): number {
  paper.text(44, 40, story.yard, { size: 18, bold: true })
  paper.text(44, 64, addressLine(story.yardAddress), { size: 9 })
  paper.rule(44, 82, 551)
  paper.text(44, 94, look.title, { size: 14 })
  block(paper, 'columns', [320, 96, 235], facts, { size: 9.5, gap: 4 })
  return (
    block(paper, 'columns', [44, 126, 260], [{ label: w.buyer, value: buyer }, ...boat], {
      size: 9.5,
      gap: 4,
    }) + 30
  )
}

/** The goods, a line each. @returns where it goes on */
function drawLines({ paper, look, layout, lines, amount, rights, left }: Quote, at: number): number {
  let y = at
  paper.box([left - 6, y - 5, 516, 19], layout % 2 ? colours.sand : colours.mist)
  look.heads.forEach((head, i) =>
    paper.text(i === 0 ? left : rights[i], y, head, { size: 9.5, bold: true, align: i ? 'right' : 'left' }),
  )
  y += 26
  for (const line of lines) {
    paper.text(left, y, line.text, { size: 9.5 })
    paper.text(rights[1], y, String(line.quantity), { size: 9.5, align: 'right' })
    paper.text(rights[2], y, amount(line.unit), { size: 9.5, align: 'right' })
    paper.text(rights[3], y, amount(line.amount), { size: 9.5, align: 'right' })
    y += 21
    if (layout === 0 || layout === 2) paper.rule(left - 6, y - 5, 555)
  }
  return y
}

/** Net, tax and total. @returns where it goes on */
function drawSums({ paper, w, story, layout, net, total, amount, rights }: Quote, at: number): number {
  let y = at
  y += 12
  for (const [label, value, strong] of [
    [w.net, net, false],
    [w.vat, story.vat, false],
    [w.total, total, true],
  ] as const) {
    paper.text(layout === 2 ? 440 : 360, y, label, {
      size: strong ? 11 : 10,
      bold: strong,
      align: layout === 2 ? 'right' : 'left',
    })
    paper.text(rights[3], y, amount(value), { size: strong ? 11 : 10, bold: strong, align: 'right' })
    y += 20
  }
  return y
}

/** The heads of four yards' quotations, by layout; each says where its lines begin. */
const HEADS = [withBlockAtRight, inLines, inBoxes, overRule]
