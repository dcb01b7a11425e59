import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, type Story } from '../../story.ts'
import { Ledger, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'

/** What came with the papers: a letter by hand or machine, or a printed e-mail. */
export async function drawLetter(story: Story, layout: number, dice: Dice): Promise<Drawn> {
  const paper = await Paper.begin((['serif', 'sans', 'humanist', 'typewriter'] as const)[layout])
  const truth = new Ledger()
  const name = fullName(story.applicant)
  const date = dateForms[(['long', 'slashes', 'medium', 'dots'] as const)[layout]](story.applied)
  truth.put('sender_name', name)
  truth.put('letter_date', story.applied)
  if (layout === 1 || layout === 3) {
    const mail = [
      ['From', layout === 1 ? name : `${name} <${story.applicant.email}>`],
      ['To', 'papers@merrowsound.example'],
      [layout === 1 ? 'Sent' : 'Date', date],
      ['Subject', 'Papers for my boat loan'],
    ]
    mail.forEach(([label, value], i) => {
      paper.text(50, 50 + i * 17, `${label}:`, { bold: true })
      paper.text(110, 50 + i * 17, value)
    })
    paper.rule(50, 124, 545, colours.rule)
    let y = paper.prose(
      50,
      144,
      'Hello, attached are the papers that you asked for. The registration is a copy; ' +
        'I can bring the original to the counter. Please tell me if anything is missing.',
      480,
      { size: 11 },
    )
    y += 16
    paper.text(50, y, 'Kind regards', { size: 11 })
    paper.text(50, y + 18, name, { size: 11 })
  } else {
    paper.text(50, 50, layout === 0 ? name : `${story.home.number} ${story.home.street}`, { size: 11 })
    paper.text(
      50,
      66,
      layout === 0 ? `${story.home.number} ${story.home.street}` : `${story.home.town} ${story.home.code}`,
      { size: 11 },
    )
    paper.text(545, 110, layout === 0 ? date : `${story.home.town}, ${date}`, { size: 11, align: 'right' })
    paper.text(50, 150, layout === 0 ? 'Dear Sir or Madam,' : 'Dear loan team,', { size: 11 })
    let y = paper.prose(
      50,
      180,
      'please find enclosed the papers for my application. ' +
        'I look forward to hearing from you and will gladly send whatever else is needed. ' +
        'The boat can be seen at the yard on any weekday.',
      490,
      { size: 11 },
    )
    y += 20
    paper.text(50, y, layout === 0 ? 'Yours faithfully' : 'With best wishes', { size: 11 })
    paper.scrawl(dice, 60, y + 46, 90)
    paper.text(50, y + 64, name, { size: 11 })
  }
  return {
    type: 'cover_letter',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
