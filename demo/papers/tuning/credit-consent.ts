import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, type DateForm, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName, type Person } from '../../world.ts'
import { block } from '../blocks.ts'

export interface ConsentWishes {
  signed?: boolean
  person?: Person
  signedOn?: string
}

const LOOKS: {
  face: Face
  date: DateForm
  title: string
  labels: [name: string, nat: string, sign: string, date: string]
}[] = [
  {
    face: 'sans',
    date: 'slashes',
    title: 'Consent to a credit check',
    labels: ['Name of applicant', 'National number', 'Signature', 'Date'],
  },
  {
    face: 'serif',
    date: 'long',
    title: 'Credit enquiry consent',
    labels: ['', 'Personal number', 'Signed', 'Dated'],
  },
  {
    face: 'humanist',
    date: 'medium',
    title: 'Permission for a credit check',
    labels: ['Your name', 'National ID number', 'Your signature', 'Signed on'],
  },
  {
    face: 'typewriter',
    date: 'dots',
    title: 'AUTHORITY TO MAKE CREDIT ENQUIRIES',
    labels: ['', 'Nat. no', 'Signature', 'Date of signature'],
  },
]

/** A person's consent to a credit check in one of four wordings. */
export async function drawConsent(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ConsentWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const person = wishes.person ?? story.applicant
  const name = fullName(person)
  const signed = wishes.signed ?? true
  const on = wishes.signedOn ?? story.applied
  const L = look.labels
  truth.put('applicant_name', name)
  truth.put('national_number', person.nationalNumber)
  if (signed) truth.put('signature_date', on)
  paper.text(50, 44, 'Merrow Sound Mutual', { size: 12, bold: true, colour: colours.navy })
  paper.text(50, 74, look.title, { size: 18, bold: true })
  let y = 120
  if (layout === 0 || layout === 2) {
    y =
      block(
        paper,
        layout === 0 ? 'inline' : 'boxed',
        [50, y, 490],
        [
          { label: L[0], value: name },
          { label: L[1], value: person.nationalNumber },
        ],
        { size: 11 },
      ) + 16
    y = paper.prose(
      50,
      y,
      layout === 0
        ? 'I consent to Merrow Sound Mutual asking credit reference agencies about my credit history ' +
            'for the purpose of this application. I may withdraw this consent at any time.'
        : 'I agree that Merrow Sound Mutual may run a credit check on me with a credit reference ' +
            'agency, keep its answer with my papers, and use it to decide on my loan.',
      490,
      { size: 11 },
    )
  } else if (layout === 1) {
    y =
      paper.prose(
        50,
        y,
        `I, ${name}, authorise Merrow Sound Mutual to make a credit enquiry about me and to receive what is held of my credit history.`,
        490,
        { size: 12 },
      ) + 10
    y = block(paper, 'inline', [50, y, 400], [{ label: L[1], value: person.nationalNumber }], { size: 12 })
  } else {
    y =
      paper.prose(
        50,
        y,
        `I, the undersigned ${name}, give permission that a credit search be made in my name. I give this consent freely.`,
        480,
        { size: 10 },
      ) + 14
    y = block(paper, 'columns', [50, y, 400], [{ label: L[1], value: person.nationalNumber }])
  }
  y += 60
  if (layout === 1 || layout === 3) {
    paper.text(50, y, `${L[2]}:`)
    paper.rule(120, y + 12, 310)
    if (signed) paper.scrawl(dice, 140, y + 8)
    paper.text(340, y, `${L[3]}: ${signed ? date(on) : ''}`)
  } else {
    paper.rule(50, y, 270)
    paper.text(50, y + 5, L[2], { size: 8.5 })
    paper.rule(330, y, 500)
    paper.text(330, y + 5, L[3], { size: 8.5 })
    if (signed) {
      paper.scrawl(dice, 70, y - 6)
      paper.text(336, y - 15, date(on))
    }
  }
  return {
    type: 'credit_consent',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed,
    fields: truth.fields,
  }
}
