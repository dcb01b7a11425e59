import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import type { ConsentWishes } from '../tuning/credit-consent.ts'

/** Consent to a credit check: a table of particulars above a framed signature, or numbered clauses. */
export async function drawConsent(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: ConsentWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'serif' : 'sans')
  const truth = new Ledger()
  const person = wishes.person ?? story.applicant
  const name = fullName(person)
  const signed = wishes.signed ?? true
  const on = wishes.signedOn ?? story.applied
  const date = dateForms[layout === 0 ? 'medium' : 'slashes']
  truth.put('applicant_name', name)
  truth.put('national_number', person.nationalNumber)
  if (signed) truth.put('signature_date', on)
  if (layout === 0) {
    paper.text(297, 50, 'MERROW SOUND MUTUAL', { size: 11, align: 'center' })
    paper.text(297, 74, 'Declaration of consent to credit enquiries', {
      size: 17,
      bold: true,
      align: 'center',
    })
    ;[
      ['Full name', name],
      ['Personal number', person.nationalNumber],
    ].forEach(([label, value], i) => {
      paper.box([70, 116 + i * 26, 455, 26], undefined, colours.ink)
      paper.upright(220, 116 + i * 26, 142 + i * 26, colours.ink)
      paper.text(78, 124 + i * 26, label)
      paper.text(228, 124 + i * 26, value)
    })
    paper.prose(
      70,
      190,
      'The person named above allows the lender to ask a credit bureau about loans, arrears and ' +
        'earlier enquiries, and to keep the answer for as long as the law says.',
      455,
      { size: 11 },
    )
    paper.box([70, 280, 280, 70], undefined, colours.ink)
    paper.text(76, 284, 'Signature of the person named', { size: 8 })
    paper.box([350, 280, 175, 70], undefined, colours.ink)
    paper.text(356, 284, 'Date', { size: 8 })
    if (signed) {
      paper.scrawl(dice, 100, 330)
      paper.text(362, 314, date(on), { size: 11 })
    }
  } else {
    paper.text(50, 40, 'Credit search: your permission', { size: 19, bold: true, colour: colours.forest })
    let y = 84
    for (const text of [
      `1. This permission is given by ${name}.`,
      `2. National number: ${person.nationalNumber}`,
      '3. Merrow Sound Mutual may look up my credit record with any credit reference agency while it decides on my application.',
      '4. I can take this permission back in writing.',
    ])
      y = paper.prose(50, y, text, 490, { size: 11 }) + 8
    y += 60
    paper.text(50, y, 'Signed')
    paper.rule(100, y + 11, 290)
    paper.text(330, y, 'on')
    paper.rule(352, y + 11, 470)
    if (signed) {
      paper.scrawl(dice, 120, y + 6)
      paper.text(360, y - 2, date(on))
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
