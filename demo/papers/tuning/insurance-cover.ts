import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, moneyForms, type DateForm, type MoneyForm, type Story } from '../../story.ts'
import { Ledger, money, type Drawn } from '../../truth.ts'
import { fullName } from '../../world.ts'
import { addDays } from '../../../core/text/index.ts'
import { block, type Arrangement } from '../blocks.ts'

export interface CoverWishes {
  start?: string
  end?: string
  sum?: number
  insured?: string
  vessel?: string
}

const LOOKS: {
  face: Face
  date: DateForm
  money: MoneyForm
  arrangement: Arrangement
  title: string
  labels: [
    policy: string,
    insured: string,
    vessel: string,
    from: string,
    to: string | null,
    sum: string,
    premium: string,
  ]
}[] = [
  {
    face: 'sans',
    date: 'slashes',
    money: 'eur',
    arrangement: 'columns',
    title: 'Marine cover note',
    labels: ['Policy number', 'Insured', 'Vessel', 'Cover from', 'Cover to', 'Sum insured', 'Premium'],
  },
  {
    face: 'serif',
    date: 'long',
    money: 'plain',
    arrangement: 'inline',
    title: 'CERTIFICATE OF INSURANCE',
    labels: [
      'Certificate no',
      'The assured',
      'Insured vessel',
      'Period of insurance',
      null,
      'Agreed value',
      'Annual premium',
    ],
  },
  {
    face: 'humanist',
    date: 'medium',
    money: 'sign',
    arrangement: 'boxed',
    title: 'Confirmation of cover',
    labels: [
      'Policy ref',
      'Policyholder',
      'Boat',
      'Cover starts',
      'Cover ends',
      'Insured value',
      'Total premium',
    ],
  },
  {
    face: 'slab',
    date: 'dots',
    money: 'dotted',
    arrangement: 'dots',
    title: 'Policy Schedule',
    labels: [
      'Policy',
      'Name of insured',
      'Insured craft',
      'Period of cover',
      null,
      'Total sum insured',
      'Premium payable',
    ],
  },
]

/** A marine cover note in one of four insurers' ways. */
export async function drawCover(
  story: Story,
  layout: number,
  dice: Dice,
  wishes: CoverWishes = {},
): Promise<Drawn> {
  const look = LOOKS[layout]
  const paper = await Paper.begin(look.face)
  const truth = new Ledger()
  const date = dateForms[look.date]
  const amount = moneyForms[look.money]
  const start = wishes.start ?? addDays(story.asOf, -dice.int(10, 200))
  const end = wishes.end ?? addDays(start, 364)
  const sum = wishes.sum ?? Math.ceil(story.total / 100000) * 100000
  const premium = Math.round(sum * 0.014)
  const policy = `MC-${dice.digits(3)}/${dice.digits(5)}`
  const insured = wishes.insured ?? fullName(story.applicant)
  const vessel = wishes.vessel ?? story.vessel
  truth.put('policy_number', policy)
  truth.put('insured_name', insured)
  truth.put('vessel_name', vessel)
  truth.put('cover_start', start)
  truth.put('cover_end', end)
  truth.put('sum_insured', money(sum))
  truth.put('premium', money(premium))
  if (layout === 2) paper.box([0, 0, 595, 16], colours.navy)
  paper.text(50, 44, story.insurer, {
    size: 18,
    bold: true,
    colour: layout === 3 ? colours.rust : colours.navy,
  })
  paper.text(50, 78, look.title, { size: 15, bold: layout !== 3 })
  paper.rule(50, 102, 545)
  const L = look.labels
  const period =
    L[4] === null
      ? [{ label: L[3], value: `${date(start)} to ${date(end)}` }]
      : [
          { label: L[3], value: date(start) },
          { label: L[4], value: date(end) },
        ]
  const items = [
    { label: L[0], value: policy },
    { label: L[1], value: insured },
    { label: L[2], value: vessel },
    ...period,
    { label: L[5], value: amount(sum) },
    { label: L[6], value: amount(premium) },
    { label: 'Excess', value: amount(25000 + layout * 10000) },
  ]
  const y = block(
    paper,
    look.arrangement,
    [50, 122, 490],
    layout % 2 ? [items[1], items[2], items[0], ...items.slice(3)] : items,
    { size: 10.5, gap: 9 },
  )
  paper.prose(
    50,
    y + 30,
    'Cover is for hull, machinery and gear against perils of the sea, fire and theft within the ' +
      'waters of the Skerrow Isles, and for third party liability, on the terms of the policy.',
    480,
    { size: 9.5 },
  )
  paper.text(50, y + 110, 'For the underwriters', { size: 9.5 })
  paper.scrawl(dice, 60, y + 100, 80)
  return {
    type: 'insurance_cover',
    bytes: await paper.bytes(),
    pages: paper.pages,
    signed: null,
    fields: truth.fields,
  }
}
