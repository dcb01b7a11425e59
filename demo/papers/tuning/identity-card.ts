import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, type DateForm, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName, type Person } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import { block } from '../blocks.ts'
import { zoneLines } from '../zone.ts'

export interface CardWishes {
  person: Person
  expiry?: string
  born?: string
  name?: { given: string; family: string }
}

const LOOKS: {
  face: Face
  date: DateForm
  title: string
  sub: string
  passport: boolean
  labels: [
    number: string,
    family: string,
    given: string,
    born: string,
    issued: string,
    expires: string,
    nationality: string,
  ]
}[] = [
  {
    face: 'sans',
    date: 'slashes',
    title: 'IDENTITY CARD',
    sub: 'State of Utopia',
    passport: false,
    labels: [
      'Document number',
      'Surname',
      'Given names',
      'Date of birth',
      'Date of issue',
      'Date of expiry',
      'Nationality',
    ],
  },
  {
    face: 'humanist',
    date: 'medium',
    title: 'PASSPORT',
    sub: 'UTOPIA',
    passport: true,
    labels: [
      'Passport No',
      'Surname',
      'Given names',
      'Date of birth',
      'Date of issue',
      'Date of expiry',
      'Nationality',
    ],
  },
  {
    face: 'sans',
    date: 'dots',
    title: "CARTE D'IDENTITE / IDENTITY CARD",
    sub: 'Etat d’Utopie',
    passport: false,
    labels: [
      'N° du document',
      'Nom',
      'Prénoms',
      'Date de naissance',
      'Date de délivrance',
      "Date d'expiration",
      'Nationalité',
    ],
  },
  {
    face: 'serif',
    date: 'long',
    title: 'National Identity Card',
    sub: 'Republic of Utopia',
    passport: false,
    labels: ['Card number', 'Name', '', 'Born', 'Issued', 'Valid until', 'Citizenship'],
  },
]

/** A photo card or passport page on a copied sheet, in one of four designs. */
export async function drawCard(story: Story, layout: number, dice: Dice, wishes: CardWishes): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const { given, family } = wishes.name ?? wishes.person
  const born = wishes.born ?? wishes.person.born
  const expiry = wishes.expiry ?? addDays(story.asOf, dice.int(200, 3000))
  const issued = addDays(expiry, look.passport ? -3652 : -2557)
  const number = wishes.person.cardNumber
  const L = look.labels
  const nationality = look.passport ? 'Utopian' : 'UTO'
  truth.put('document_number', number)
  truth.put('full_name', fullName({ ...wishes.person, given, family }))
  truth.put('date_of_birth', born)
  truth.put('issue_date', issued)
  truth.put('expiry_date', expiry)
  truth.put('nationality', nationality)
  const [x, y, w, h] = look.passport ? [70, 150, 455, 330] : [95, 140, 405, 262]
  paper.box([x, y, w, h], [colours.mist, colours.sand, colours.mist, colours.sand][layout], colours.rule)
  paper.text(x + 16, y + 12, look.title, { size: 15, bold: true, colour: colours.navy })
  paper.text(x + w - 16, y + 16, look.sub, { size: 9, align: 'right' })
  paper.box([x + 16, y + 44, 96, 122], colours.white, colours.grey)
  paper.page.drawEllipse({ x: x + 64, y: paper.height - y - 92, xScale: 24, yScale: 30, color: colours.grey })
  paper.page.drawEllipse({
    x: x + 64,
    y: paper.height - y - 158,
    xScale: 40,
    yScale: 26,
    color: colours.grey,
  })
  const names = L[2]
    ? [
        { label: L[1], value: family.toUpperCase() },
        { label: L[2], value: given },
      ]
    : [{ label: L[1], value: `${given} ${family}` }]
  const order = layout === 1 ? [0, 6, 3, 4, 5] : layout === 2 ? [6, 3, 0, 4, 5] : [3, 6, 0, 4, 5]
  const values: Record<number, string> = {
    0: number,
    3: date(born),
    4: date(issued),
    5: date(expiry),
    6: nationality,
  }
  const items = [...names, ...order.map((i) => ({ label: L[i], value: values[i] }))]
  block(paper, layout === 3 ? 'columns' : 'stack', [x + 128, y + 46, w - 140], items, {
    size: 10,
    gap: layout === 3 ? 5 : 7,
    columns: layout === 3 ? 1 : 2,
  })
  const lines = zoneLines(!look.passport, {
    number: number,
    born: born,
    expiry: expiry,
    given: given,
    family: family,
  })
  lines.forEach((line, i) =>
    paper.text(x + 12, y + h - 20 - (lines.length - 1 - i) * 17 - 6, line, {
      face: 'mono',
      size: look.passport ? 15.5 : ((20 * (405 - 24)) / 380) * 0.99,
      bold: false,
    }),
  )
  if (layout % 2) paper.text(70, 720, 'Copy made at the counter', { size: 9, colour: colours.grey })
  return {
    type: 'identity_card',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
