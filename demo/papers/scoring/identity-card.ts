import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import type { CardWishes } from '../tuning/identity-card.ts'
import { zoneLines } from '../zone.ts'

/**
 * A card with its photo on the right and Spanish labels beside the English ones, or a passport page with
 * numbered fields.
 */
export async function drawCard(story: Story, layout: number, dice: Dice, wishes: CardWishes): Promise<Drawn> {
  const passport = layout === 1
  const paper = await Paper.begin(passport ? 'serif' : 'humanist')
  const truth = new Ledger()
  const date = dateForms[passport ? 'slashes' : 'short']
  const { given, family } = wishes.name ?? wishes.person
  const born = wishes.born ?? wishes.person.born
  const expiry = wishes.expiry ?? addDays(story.asOf, dice.int(200, 3000))
  const issued = addDays(expiry, passport ? -3652 : -3650)
  const number = wishes.person.cardNumber
  truth.put('document_number', number)
  truth.put('full_name', fullName({ ...wishes.person, given, family }))
  truth.put('date_of_birth', born)
  truth.put('issue_date', issued)
  truth.put('expiry_date', expiry)
  truth.put('nationality', 'UTO')
  const [x, y, w, h] = passport ? [60, 220, 475, 340] : [85, 90, 425, 270]
  paper.box([x, y, w, h], passport ? colours.sand : colours.white, colours.ink)
  paper.text(
    x + w / 2,
    y + 10,
    passport ? 'PASSPORT / PASSEPORT' : 'DOCUMENTO DE IDENTIDAD / IDENTITY DOCUMENT',
    { size: 12, bold: true, align: 'center', colour: colours.wine },
  )
  const photo = passport ? x + 14 : x + w - 110
  paper.box([photo, y + 40, 96, 120], colours.mist, colours.grey)
  paper.page.drawEllipse({
    x: photo + 48,
    y: paper.height - y - 88,
    xScale: 22,
    yScale: 28,
    color: colours.grey,
  })
  const left = passport ? x + 126 : x + 16
  const labels = passport
    ? [
        '1. Surname',
        '2. Given names',
        '3. Nationality',
        '4. Date of birth',
        '5. Date of issue',
        '6. Date of expiry',
        '7. Passport No.',
      ]
    : [
        'Apellidos / Surname',
        'Nombre / Given names',
        'Nacionalidad / Nationality',
        'Fecha de nacimiento / Date of birth',
        'Expedido / Issued',
        'Válido hasta / Valid until',
        'Número / Number',
      ]
  const values = [family, given, 'UTO', date(born), date(issued), date(expiry), number]
  labels.forEach((label, i) => {
    const [cx, cy] = passport
      ? [
          left + (i > 1 ? ((i - 2) % 2) * 150 : 0),
          y + 40 + (i < 2 ? i * 30 : 60 + Math.floor((i - 2) / 2) * 34),
        ]
      : [left + (i >= 2 && i % 2 ? 165 : 0), y + 36 + [0, 26, 54, 54, 84, 84, 114][i]]
    paper.text(cx, cy, label, { size: 6.6, colour: colours.grey })
    paper.text(cx, cy + 9, values[i], { size: 11, bold: true })
  })
  const lines = zoneLines(!passport, {
    number: number,
    born: born,
    expiry: expiry,
    given: given,
    family: family,
  })
  lines.forEach((line, i) =>
    paper.text(x + 12, y + h - 24 - (lines.length - 1 - i) * 18, line, {
      face: 'mono',
      size: passport ? 16.2 : 21,
    }),
  )
  return {
    type: 'identity_card',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
