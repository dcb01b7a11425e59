import type { Dice } from '../../dice.ts'
import { colours, Paper } from '../../sheet.ts'
import type { Drawn } from '../../truth.ts'

const STRAYS: readonly (readonly [title: string, lines: readonly string[]])[] = [
  [
    'Saltholm Choir: autumn evenings',
    [
      'Rehearsals are on Thursdays at half past seven in the net loft.',
      'Basses are wanted above all; nobody has to read music.',
      'Tea is brought by Group B in October, by Group C in November.',
      'The concert is on the second Saturday of Advent.',
    ],
  ],
  [
    'Smoked mackerel with potatoes',
    [
      'Boil a pound of small potatoes in their skins.',
      'Whip a cup of cream with horseradish and lemon.',
      'Flake two fat mackerel over the warm potatoes.',
      'Serve with pickled beetroot and brown bread.',
    ],
  ],
  [
    'Tide table, Port Ellery, October',
    [
      '1  High 04:12 5.1 m   Low 10:20 0.9 m',
      '2  High 04:55 5.0 m   Low 11:02 1.0 m',
      '3  High 05:41 4.8 m   Low 11:49 1.2 m',
      '4  High 06:33 4.5 m   Low 12:44 1.5 m',
      '5  High 07:38 4.2 m   Low 13:52 1.7 m',
    ],
  ],
  [
    'Lost: black and white cat',
    [
      'Answers to Bosun. Last seen near the ice house.',
      'He has a nick in his left ear and likes herring.',
      'Whoever finds him is asked to ring the bakery.',
    ],
  ],
]

/** A page that belongs to no application: it must come out as unknown, not as the nearest type. */
export async function drawStray(layout: number, dice: Dice): Promise<Drawn> {
  const paper = await Paper.begin((['serif', 'sans', 'humanist', 'slab'] as const)[layout])
  const [title, lines] = STRAYS[layout]
  paper.text(60, 70, title, {
    size: 20,
    bold: true,
    colour: dice.pick([colours.ink, colours.forest, colours.wine]),
  })
  let y = 120
  for (const line of lines) y = paper.prose(60, y, line, 460, { size: 12 }) + 6
  return { type: 'unknown', bytes: await paper.bytes(), pages: paper.pages, signed: null, fields: {} }
}
