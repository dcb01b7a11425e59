import type { Dice } from '../../dice.ts'
import { colours } from '../../sheet.ts'
import { dateForms, type Statement } from '../../story.ts'
import type { Designer } from './designer.ts'
import { STATEMENT_WORDS } from './wordings.ts'

/** How a bank parts the rows of a statement. */
const DIVISIONS = ['none', 'none', 'rules', 'bands', 'grid'] as const
/** Right edges of the columns of figures. */
const FIGURES = { one: [440, 550], two: [390, 470, 550] } as const

/**
 * The rows of a bank's statement in one bank's way: one column of amounts or two, rules, bands or a grid,
 * days short or long.
 */
export class LedgerDrawer {
  readonly pitch: number
  private readonly size: number
  private readonly division: (typeof DIVISIONS)[number]
  private readonly parted: boolean
  private readonly heads: readonly string[]
  private readonly bare: boolean
  private readonly day: (iso: string) => string
  /** Whether words that are too long go on beneath. */
  private readonly wraps: boolean

  constructor(
    private readonly designer: Designer,
    dice: Dice,
  ) {
    this.size = dice.pick([7, 7.5, 8, 8.5, 9])
    this.pitch = dice.pick([11.5, 13, 15])
    this.division = dice.pick(DIVISIONS)
    this.parted = dice.chance(0.45)
    this.heads = dice.pick<readonly string[]>(this.parted ? STATEMENT_WORDS.parted : STATEMENT_WORDS.heads)
    // Most banks print figures alone in columns of figures.
    this.bare = dice.chance(0.6)
    this.day = dice.chance(0.25) ? (iso) => dateForms.medium(iso).replace(/ \d{4}$/, '') : designer.date
    this.wraps = this.pitch === 15 && this.size <= 8 && dice.chance(0.5)
  }

  /** Left edges of day and words, right edges of the figures; the longest day leaves room for the words. */
  private get places(): readonly number[] {
    const words = 46 + this.designer.paper.measure(this.day('2026-09-28'), { size: this.size }) + 12
    return [46, Math.max(words, 110), ...FIGURES[this.parted ? 'two' : 'one']]
  }

  /** Draws the heads and returns the y of the first row. */
  head(y: number): number {
    const { paper } = this.designer
    if (this.division === 'grid' || this.division === 'bands')
      paper.box(
        [42, y - 3, 512, this.size + 7],
        this.division === 'bands' ? colours.sand : undefined,
        this.division === 'grid' ? colours.rule : undefined,
      )
    this.heads.forEach((text, i) =>
      paper.text(this.places[i], y, text, { size: this.size, bold: true, align: i > 1 ? 'right' : 'left' }),
    )
    return y + 18
  }

  /** Draws a row and returns the y of the next. */
  row(y: number, index: number, { date, text, amount, balance }: Statement['rows'][number]): number {
    const { paper } = this.designer
    const { size, pitch, places } = this
    const top = y - (pitch - size) / 2
    if (this.division === 'bands' && index % 2 === 0) paper.box([42, top, 512, pitch], colours.mist)
    if (this.division === 'grid')
      [42, ...places.slice(1).map((x, i) => (i === 0 ? x - 4 : x + 4))]
        .slice(0, -1)
        .forEach((left, i, lefts) =>
          paper.box([left, top, (lefts[i + 1] ?? 554) - left, pitch], undefined, colours.rule),
        )
    if (this.division === 'rules') paper.rule(46, y + size + 2.5, 550)
    const figures = (cents: number) =>
      this.bare ? this.designer.money(cents).replace(/EUR |\s?€\s?/g, '') : this.designer.money(cents)
    const amounts = this.parted
      ? [amount < 0 ? figures(-amount) : '', amount < 0 ? '' : figures(amount)]
      : [figures(amount)]
    const words = text.split(' ')
    const [first, rest] =
      this.wraps && words.length > 3 ? [words.slice(0, 2).join(' '), words.slice(2).join(' ')] : [text, '']
    ;[this.day(date), first, ...amounts, figures(balance)].forEach((cell, i) =>
      paper.text(places[i], rest && i === 1 ? y - 3 : y, cell, {
        size: rest && i === 1 ? size * 0.85 : size,
        align: i > 1 ? 'right' : 'left',
      }),
    )
    if (rest) paper.text(places[1], y + size * 0.85 - 2, rest, { size: size * 0.85 })
    return y + pitch
  }
}
