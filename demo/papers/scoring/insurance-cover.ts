import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import { dateForms, moneyForms, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import type { CoverWishes } from '../tuning/insurance-cover.ts'

/** A cover note as running text with figures in it, or as a framed table over two columns. */
export async function drawCover(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: CoverWishes = {},
): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'slab' : 'sans')
  const truth = new Ledger()
  const date = dateForms[layout === 0 ? 'slashes' : 'long']
  const amount = moneyForms[layout === 0 ? 'plain' : 'eur']
  const start = wishes.start ?? addDays(story.asOf, -dice.int(10, 200))
  const end = wishes.end ?? addDays(start, 364)
  const sum = wishes.sum ?? Math.ceil(story.total / 100000) * 100000
  const premium = Math.round(sum * 0.0135)
  const policy = `HM${dice.digits(7)}`
  const insured = wishes.insured ?? fullName(story.applicant)
  const vessel = wishes.vessel ?? story.vessel
  truth.put('policy_number', policy)
  truth.put('insured_name', insured)
  truth.put('vessel_name', vessel)
  truth.put('cover_start', start)
  truth.put('cover_end', end)
  truth.put('sum_insured', money(sum))
  truth.put('premium', money(premium))
  if (layout === 0) {
    paper.text(60, 56, story.insurer, { size: 16, bold: true, colour: colours.forest })
    paper.rule(60, 80, 535, colours.forest, 2)
    paper.text(60, 100, 'Cover note for a working vessel', { size: 18 })
    const items = [
      ['Number of policy', policy],
      ['Policy holder', insured],
      ['Vessel covered', vessel],
      ['In force from', date(start)],
      ['In force until', date(end)],
      ['Hull and gear insured for', amount(sum)],
      ['Yearly premium', amount(premium)],
    ]
    items.forEach(([label, value], i) => {
      paper.text(250, 146 + i * 22, label, { size: 9.5, align: 'right', colour: colours.grey })
      paper.text(264, 144 + i * 22, value, { size: 11.5 })
    })
    paper.prose(
      60,
      330,
      'This note proves that insurance is held. It does not replace the policy wording, in which perils, exclusions and the excess are set out.',
      470,
      { size: 9.5 },
    )
  } else {
    paper.box([40, 40, 515, 30], colours.wine)
    paper.text(50, 48, 'MARINE INSURANCE · EVIDENCE OF COVER', {
      size: 12,
      bold: true,
      colour: colours.white,
    })
    paper.text(50, 84, `Issued by ${story.insurer}`, { size: 10 })
    const cells = [
      ['Insured person', insured],
      ['Policy no.', policy],
      ['Insured craft', vessel],
      ['Period insured', `${date(start)} to ${date(end)}`],
      ['Sum insured', amount(sum)],
      ['Premium for the period', amount(premium)],
      ['Deductible', amount(40000)],
      ['Waters', 'Skerrow Isles'],
    ]
    cells.forEach(([label, value], i) => {
      const [x, y] = [40 + (i % 2) * 258, 112 + Math.floor(i / 2) * 46]
      paper.box([x, y, 257, 46], undefined, colours.rule)
      paper.text(x + 8, y + 6, label, { size: 8, bold: true })
      paper.text(x + 8, y + 22, value, { size: 10.5 })
    })
    paper.prose(50, 320, 'Underwritten at Port Ellery. Claims are to be notified without delay.', 470, {
      size: 9.5,
    })
  }
  return {
    type: 'insurance_cover',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
