import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { addressLine, fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import type { QuoteWishes } from '../tuning/purchase-quote.ts'

/** A seller's offer: Spanish, in a ruled grid with numbered lines, or English with the sums in a box at the left. */
export async function drawQuote(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: QuoteWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'sans' : 'slab')
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'slashes' : 'long']
  const amount = moneyForms[layout === 0 ? 'behind' : 'plain']
  const valid = wishes.validUntil ?? addDays(story.asOf, dice.int(12, 60))
  const issued = addDays(valid < story.applied ? valid : story.applied, -dice.int(2, 10))
  const number = `${dice.digits(4)}/${dice.digits(2)}`
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
  if (layout === 0) {
    paper.text(297, 36, story.yard, { size: 18, bold: true, align: 'center' })
    paper.text(297, 58, addressLine(story.yardAddress), { size: 9, align: 'center' })
    paper.text(40, 90, `PRESUPUESTO N.º ${number}`, { size: 14, bold: true })
    const cells = [
      ['Fecha', date(issued)],
      ['Válido hasta', date(valid)],
      ['Cliente', buyer],
      ['Embarcación', vessel],
      ['N.º de casco', hull],
    ]
    cells.forEach(([label, value], i) => {
      paper.text(40 + (i % 2) * 260, 118 + Math.floor(i / 2) * 18, `${label}: ${value}`, { size: 10 })
    })
    let y = 190
    const rights = [0, 0, 360, 455, 549]
    const row = (cells2: readonly string[], bold = false) => {
      paper.box([40, y, 515, 20], bold ? colours.sand : undefined, colours.rule)
      cells2.forEach((text, i) =>
        paper.text(i === 0 ? 46 : i === 1 ? 74 : rights[i], y + 5, text, {
          size: 9,
          bold,
          align: i > 1 ? 'right' : 'left',
        }),
      )
      y += 20
    }
    row(['N.º', 'Descripción', 'Cantidad', 'Precio unitario', 'Importe'], true)
    lines.forEach((l, i) =>
      row([String(i + 1), l.text, String(l.quantity), amount(l.unit), amount(l.amount)]),
    )
    y += 14
    for (const [label, value] of [
      ['Base imponible', net],
      ['IVA 20 %', story.vat],
      ['Total a pagar', total],
    ] as const) {
      paper.text(360, y, label, { bold: value === total })
      paper.text(549, y, amount(value), { align: 'right', bold: value === total })
      y += 18
    }
    paper.text(40, y + 30, 'Entrega a convenir. Precios en euros.', { size: 9 })
  } else {
    paper.text(50, 40, 'Estimate and offer', { size: 20, bold: true, colour: colours.navy })
    paper.text(50, 70, `from ${story.yard}, ${addressLine(story.yardAddress)}`, { size: 9 })
    paper.text(50, 100, `To ${buyer}`, { size: 11 })
    paper.text(50, 122, `Quotation ${number} of ${date(issued)}; open for acceptance until ${date(valid)}`, {
      size: 10,
    })
    paper.text(50, 142, `Concerning the vessel “${vessel}”, hull no ${hull}`, { size: 10 })
    let y = 176
    ;(['Work and goods', 'No.', 'Each', 'EUR'] as const).forEach((head, i) =>
      paper.text([50, 380, 460, 545][i], y, head, { size: 9.5, bold: true, align: i ? 'right' : 'left' }),
    )
    paper.rule(50, y + 15, 545, colours.navy, 1.5)
    y += 24
    for (const l of lines) {
      ;[l.text, String(l.quantity), amount(l.unit), amount(l.amount)].forEach((text, i) =>
        paper.text([50, 380, 460, 545][i], y, text, { size: 9.5, align: i ? 'right' : 'left' }),
      )
      y += 18
    }
    y += 16
    for (const [label, value] of [
      ['Sum of the above', net],
      ['Sales tax (VAT)', story.vat],
      ['Price to pay', total],
    ] as const) {
      paper.text(50, y, label, { bold: value === total })
      paper.text(260, y, amount(value), { align: 'right', bold: value === total })
      y += 18
    }
  }
  return {
    type: 'purchase_quote',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
