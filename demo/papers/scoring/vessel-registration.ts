import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import type { RegistrationWishes } from '../tuning/vessel-registration.ts'

/** A certificate in a wide frame with two columns, or a plain registry sheet with lettered lines. */
export async function drawRegistration(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: RegistrationWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(
    layout === 0 ? 'sans' : 'typewriter',
    layout === 0 ? 842 : 595,
    layout === 0 ? 595 : 842,
  )
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'dots' : 'long']
  const expiry = wishes.expiry ?? addDays(story.asOf, dice.int(60, 1500))
  const issued = addDays(expiry, -1826)
  const vessel = wishes.vessel ?? story.vessel
  const owner = wishes.owner ?? fullName(story.applicant)
  const hull = wishes.hull ?? story.hull
  truth.put('registration_number', story.registration)
  truth.put('vessel_name', vessel)
  truth.put('hull_number', hull)
  truth.put('owner_name', owner)
  truth.put('issue_date', issued)
  truth.put('expiry_date', expiry)
  if (layout === 0) {
    paper.box([24, 24, 794, 547], undefined, colours.forest)
    paper.text(421, 50, 'SKERROW ISLES SHIP REGISTER', { size: 12, align: 'center' })
    paper.text(421, 74, 'Registration certificate for a small vessel', {
      size: 21,
      bold: true,
      align: 'center',
      colour: colours.forest,
    })
    const items = [
      ['Vessel', vessel],
      ['Registration no.', story.registration],
      ['Hull no.', hull],
      ['Type', 'Inshore working boat'],
      ['Owner of the vessel', owner],
      ['Port', 'Merrow'],
      ['Issue date', date(issued)],
      ['Expiry date', date(expiry)],
    ]
    items.forEach(([label, value], i) => {
      const [x, y] = [80 + (i % 2) * 360, 140 + Math.floor(i / 2) * 62]
      paper.text(x, y, label, { size: 9, colour: colours.grey })
      paper.text(x, y + 14, value, { size: 14 })
      paper.rule(x, y + 34, x + 300)
    })
    paper.scrawl(dice, 560, 480, 110)
    paper.text(560, 490, 'Registrar', { size: 9 })
  } else {
    paper.text(50, 50, 'REGISTER OF SHIPS AND BOATS', { size: 14, bold: true })
    paper.text(
      50,
      70,
      'Certified copy of an entry. The craft entered may be worked under the flag of the isles.',
      { size: 8.5 },
    )
    const lines = [
      `(a) Entry number: ${story.registration}`,
      `(b) Boat name: ${vessel}`,
      `(c) Hull number: ${hull}`,
      '(d) Engine: diesel, inboard',
      `(e) Owned by: ${owner}`,
      `(f) Date of registration: ${date(issued)}`,
      `(g) Valid to: ${date(expiry)}`,
    ]
    lines.forEach((line, i) => paper.text(60, 116 + i * 26, line, { size: 11 }))
    paper.scrawl(dice, 70, 370, 90)
    paper.text(60, 384, 'for the Registrar', { size: 9 })
  }
  return {
    type: 'vessel_registration',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
