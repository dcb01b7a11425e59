import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import type { BillWishes } from '../tuning/utility-bill.ts'

/** A bill: a Spanish water bill in a table, or a two-page power statement with the figures in a side panel. */
export async function drawBill(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: BillWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'humanist' : 'serif')
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'slashes' : 'iso']
  const amount = moneyForms[layout === 0 ? 'behind' : 'sign']
  const issued = wishes.issued ?? addDays(story.asOf, -dice.int(8, 70))
  const holder = wishes.holder ?? fullName(story.applicant)
  const street = wishes.street ?? `${story.home.number} ${story.home.street}`
  const place = `${story.home.town} ${story.home.code}`
  const account = `${dice.digits(3)}-${dice.digits(6)}`
  const parts = [dice.int(2600, 9900), dice.int(500, 1400), dice.int(200, 900)]
  const due = parts.reduce((a, b) => a + b, 0)
  truth.put('supplier_name', story.utility)
  truth.put('account_holder', holder)
  truth.put('service_address', `${street}, ${place}`)
  truth.put('issue_date', issued)
  truth.put('account_number', account)
  truth.put('amount_due', money(due))
  if (layout === 0) {
    paper.box([40, 36, 515, 44], colours.teal)
    paper.text(52, 50, story.utility, { size: 17, bold: true, colour: colours.white })
    paper.text(543, 54, 'Factura de agua', { size: 12, align: 'right', colour: colours.white })
    const rows = [
      ['Titular', holder],
      ['Dirección del suministro', `${street}, ${place}`],
      ['N.º de contrato', account],
      ['Fecha de factura', date(issued)],
      ['Periodo de consumo', `${date(addDays(issued, -60))} - ${date(addDays(issued, -1))}`],
    ]
    rows.forEach(([label, value], i) => {
      const y = 100 + i * 22
      paper.box([40, y, 515, 22], undefined, colours.rule)
      paper.upright(200, y, y + 22)
      paper.text(46, y + 6, label, { size: 9, bold: true })
      paper.text(208, y + 6, value, { size: 9.5 })
    })
    let y = 240
    for (const [label, value] of [
      ['Consumo 21 m3', parts[0]],
      ['Cuota de servicio', parts[1]],
      ['IVA', parts[2]],
    ] as const) {
      paper.text(60, y, label)
      paper.text(420, y, amount(value), { align: 'right' })
      y += 20
    }
    paper.rule(60, y, 420)
    paper.text(60, y + 8, 'Total a pagar', { bold: true, size: 12 })
    paper.text(420, y + 8, amount(due), { bold: true, size: 12, align: 'right' })
    paper.text(60, y + 60, 'Gracias por su confianza. Averías: llame a cualquier hora.', {
      size: 8.5,
      colour: colours.grey,
    })
  } else {
    paper.text(50, 44, story.utility, { size: 20, bold: true, colour: colours.rust })
    paper.text(50, 70, 'Power for homes and boats', { size: 9, colour: colours.grey })
    ;[holder, street, place].forEach((line, i) => paper.text(60, 110 + i * 14, line, { size: 11 }))
    paper.box([370, 44, 185, 150], colours.sand)
    ;[
      ['Electricity statement', ''],
      ['Customer account', account],
      ['Statement date', date(issued)],
      ['To be paid', amount(due)],
    ].forEach(([label, value], i) => {
      paper.text(380, 52 + i * 35, label, { size: i === 0 ? 11 : 8, bold: i === 0 })
      paper.text(380, 63 + i * 35, value, { size: 12, bold: true })
    })
    paper.text(50, 230, 'How we worked it out', { size: 13, bold: true })
    let y = 256
    for (const [label, value] of [
      ['Day units, 301 kWh', parts[0]],
      ['Daily charge, 31 days', parts[1]],
      ['Value added tax', parts[2]],
    ] as const) {
      paper.text(50, y, label)
      paper.text(545, y, amount(value), { align: 'right' })
      paper.rule(50, y + 16, 545)
      y += 24
    }
    paper.text(540, 806, 'page 1 of 2', { size: 8, align: 'right' })
    paper.newPage()
    paper.text(50, 44, story.utility, { size: 11, bold: true, colour: colours.rust })
    paper.text(50, 80, 'About your supply', { size: 13, bold: true })
    paper.prose(
      50,
      104,
      'If the lights go out, look first whether your neighbours have light. ' +
        'Meters are read in March and September; between them we estimate. ' +
        'You may send a reading at any time.',
      480,
      { size: 10 },
    )
    paper.text(540, 806, 'page 2 of 2', { size: 8, align: 'right' })
  }
  return {
    type: 'utility_bill',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
