import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, type DateForm, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import { block, type Arrangement } from '../blocks.ts'

export interface RegistrationWishes {
  expiry?: string
  hull?: string
  owner?: string
  vessel?: string
}

const LOOKS: {
  face: Face
  date: DateForm
  arrangement: Arrangement
  title: string
  intro: string
  labels: [number: string, vessel: string, hull: string, owner: string, issued: string, expires: string]
}[] = [
  {
    face: 'serif',
    date: 'long',
    arrangement: 'columns',
    title: 'Certificate of Registry',
    intro: 'It is hereby certified that the vessel described below is entered in the Register.',
    labels: [
      'Registration number',
      'Name of vessel',
      'Hull number',
      'Registered owner',
      'Date of issue',
      'Date of expiry',
    ],
  },
  {
    face: 'sans',
    date: 'slashes',
    arrangement: 'boxed',
    title: 'VESSEL REGISTRATION CERTIFICATE',
    intro: 'Issued by the Skerrow Isles Registry of Vessels.',
    labels: ['Registry no', 'Vessel name', 'Hull identification no', 'Owner', 'Issued', 'Valid until'],
  },
  {
    face: 'slab',
    date: 'medium',
    arrangement: 'inline',
    title: 'Certificate of Registration',
    intro: 'Small craft registry of the Skerrow Isles, Port Ellery.',
    labels: ['Official number', 'Name of craft', 'HIN', 'Name of owner', 'Registered on', 'In force until'],
  },
  {
    face: 'humanist',
    date: 'iso',
    arrangement: 'stack',
    title: 'Extract from the Register of Vessels',
    intro: 'The Registrar confirms the entry set out here.',
    labels: ['Entry no', 'Ship', 'Hull mark', 'Registered in the name of', 'Entered on', 'Renew before'],
  },
]

/** A certificate of registry in one of four forms. */
export async function drawRegistration(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: RegistrationWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
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
  const centre = layout === 0 || layout === 3
  if (layout === 0) paper.box([28, 28, 539, 786], undefined, colours.navy)
  paper.text(centre ? 297 : 50, 70, 'Skerrow Isles Registry', {
    size: 11,
    align: centre ? 'center' : 'left',
    colour: colours.grey,
  })
  paper.text(centre ? 297 : 50, 92, look.title, {
    size: layout === 1 ? 17 : 22,
    bold: true,
    align: centre ? 'center' : 'left',
    colour: colours.navy,
  })
  let y = paper.prose(70, 136, look.intro, 460, { size: 11 }) + 18
  const L = look.labels
  const values = [story.registration, vessel, hull, owner, date(issued), date(expiry)]
  const order = [
    [0, 1, 2, 3, 4, 5],
    [1, 0, 2, 3, 4, 5],
    [0, 1, 3, 2, 4, 5],
    [0, 4, 1, 2, 3, 5],
  ][layout]
  const items = order.map((i) => ({ label: L[i], value: values[i] }))
  items.splice(
    3,
    0,
    { label: 'Length overall', value: `${dice.int(7, 14)}.${dice.int(10, 95)} m` },
    { label: 'Year of build', value: String(dice.int(1996, 2024)) },
    { label: 'Port of registry', value: 'Port Ellery' },
  )
  y = block(paper, look.arrangement, [70, y, 460], items, { size: 11, gap: 12 })
  paper.text(70, y + 40, 'Registrar of vessels', { size: 10 })
  paper.scrawl(dice, 80, y + 30, 90)
  paper.page.drawEllipse({
    x: 450,
    y: paper.height - y - 40,
    xScale: 40,
    yScale: 40,
    borderColor: colours.wine,
    borderWidth: 1.5,
    opacity: 0,
  })
  paper.text(450, y + 36, 'REGISTRY', { size: 8, align: 'center', colour: colours.wine })
  return {
    type: 'vessel_registration',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
