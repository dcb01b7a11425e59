import type { Dice } from '../../dice.ts'
import { Paper } from '../../sheet.ts'
import { dateForms, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'

/** A typed letter with a list of what is enclosed, or a message printed from a mail program. */
export async function drawLetter(story: Story, layout: number, dice: Dice): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'typewriter' : 'humanist')
  const truth = new Ledger()
  const name = fullName(story.applicant)
  truth.put('sender_name', name)
  truth.put('letter_date', story.applied)
  if (layout === 0) {
    ;[name, `${story.home.number} ${story.home.street}`, `${story.home.town} ${story.home.code}`].forEach(
      (line, i) => paper.text(360, 50 + i * 14, line, { size: 10 }),
    )
    paper.text(60, 120, 'Merrow Sound Mutual', { size: 10 })
    paper.text(60, 134, 'Loans counter', { size: 10 })
    paper.text(60, 170, dateForms.long(story.applied), { size: 10 })
    paper.text(60, 210, 'Dear Madam or Sir', { size: 10 })
    let y = paper.prose(
      60,
      236,
      'With this letter you receive what was on your list. ' +
        'Should a paper be lacking, a call in the evening reaches me best, as I am out with the boat ' +
        'by day.',
      470,
      { size: 10 },
    )
    for (const line of [
      'Enclosures:',
      '- the form, signed',
      '- my card and the papers of the boat',
      '- pay and bank papers',
    ]) {
      paper.text(60, y + 8, line, { size: 10 })
      y += 15
    }
    paper.text(60, y + 30, 'Yours sincerely,', { size: 10 })
    paper.scrawl(dice, 66, y + 76, 100)
    paper.text(60, y + 92, name, { size: 10 })
  } else {
    paper.text(44, 40, 'Boat loan: the rest of my papers', { size: 15, bold: true })
    paper.text(44, 68, name, { size: 11, bold: true })
    paper.text(
      44,
      84,
      `${story.applicant.email} · ${dateForms.medium(story.applied)}, 18:${dice.int(10, 59)}`,
      { size: 9 },
    )
    paper.text(44, 100, 'to the loan desk', { size: 9 })
    paper.rule(44, 118, 550)
    const y = paper.prose(
      44,
      134,
      'Good evening, you find the remaining papers attached to this message. ' +
        'The yard wants an answer by the end of the month, so I would be glad of a quick look.',
      490,
      { size: 11 },
    )
    paper.text(44, y + 16, 'Many thanks and best regards', { size: 11 })
    paper.text(44, y + 34, name, { size: 11 })
  }
  return {
    type: 'cover_letter',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
