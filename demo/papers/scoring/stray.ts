import type { Dice } from '../../dice.ts'
import { Paper } from '../../sheet.ts'
import type { Drawn } from '../../truth.ts'

const STRAYS: readonly (readonly [title: string, lines: readonly string[]])[] = [
  [
    'Regatta on Merrow Sound',
    [
      'The start for cutters is at ten, for dinghies at eleven.',
      'Entry is free; a form lies at the harbour office from Monday on.',
      'Prizes are given in the sail loft at six, with music and soup.',
    ],
  ],
  [
    'Warranty card, outboard motor',
    [
      'Keep this card with the motor. It covers faults of making for two years.',
      'Not covered are propellers, plugs and what salt has eaten.',
      'Servicing every hundred hours keeps the warranty alive.',
    ],
  ],
]

/** A page that belongs to no application. */
export async function drawStray(layout: number, dice: Dice): Promise<Drawn> {
  const paper = await Paper.begin(layout === 0 ? 'sans' : 'serif')
  const [title, lines] = STRAYS[layout]
  paper.text(297, 90, title, { size: 22, bold: true, align: 'center' })
  let y = 140 + dice.int(0, 30)
  for (const line of lines) y = paper.prose(70, y, line, 450, { size: 12 }) + 8
  return { type: 'unknown', bytes: await paper.bytes(), pages: paper.pages, signed: null, fields: {} }
}
