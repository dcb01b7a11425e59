import type { Dice } from '../../dice.ts'
import { colours, Paper, type Face } from '../../sheet.ts'
import { dateForms, moneyForms, type DateForm, type MoneyForm } from '../../story.ts'

/** One thing a paper says: its field, the wordings a designer might choose, its value as printed. */
export interface Saying {
  wordings: readonly string[]
  value: string | string[]
}

const ARRANGEMENTS = [
  'columns',
  'inline',
  'stack',
  'grid',
  'lettered',
  'numbered',
  'rightward',
  'ruled',
  'bare',
  'headrow',
  'caption',
  'leaders',
  'runon',
  'triple',
  'comb',
] as const
/** Arrangements that set several sayings on a line. */
const ABREAST: ReadonlySet<string> = new Set(['headrow', 'runon', 'triple'])

/**
 * A designer who throws dice: faces, places, wordings and arrangements differ from paper to paper, so that
 * what is tuned on the papers is not any one design.
 */
export class Designer {
  readonly date: (iso: string) => string
  readonly money: (cents: number) => string
  private readonly arrangement: (typeof ARRANGEMENTS)[number]
  private readonly size: number
  private readonly left: number
  /** Whether labels stand in capitals. */
  private readonly shout: boolean

  private constructor(
    readonly paper: Paper,
    private readonly dice: Dice,
  ) {
    this.date = dateForms[dice.pick(Object.keys(dateForms) as DateForm[])]
    this.money = moneyForms[dice.pick(Object.keys(moneyForms) as MoneyForm[])]
    this.arrangement = dice.pick(ARRANGEMENTS)
    this.size = dice.pick([7.5, 8, 8.5, 9, 9.5, 10, 10.5, 11])
    this.left = dice.int(36, 80)
    this.shout = dice.chance(0.15)
  }

  static async begin(dice: Dice): Promise<Designer> {
    return new Designer(
      await Paper.begin(dice.pick<Face>(['sans', 'serif', 'mono', 'humanist', 'slab', 'typewriter'])),
      dice,
    )
  }

  /** Firm and title at the top, in one of several ways; returns the y below. */
  head(firm: string, titles: readonly string[], under?: string): number {
    const { paper, dice, left } = this
    const title = dice.pick(titles)
    const way = dice.int(0, 3)
    if (way === 0) {
      paper.text(left, 40, firm, { size: 17, bold: true })
      if (under) paper.text(left, 62, under, { size: 8.5 })
      paper.text(left, 84, title, { size: 14 })
      return 120
    }
    if (way === 1) {
      paper.text(297, 38, title, { size: 18, bold: true, align: 'center' })
      paper.text(297, 66, firm, { size: 11, align: 'center' })
      if (under) paper.text(297, 82, under, { size: 8.5, align: 'center' })
      return 112
    }
    if (way === 2) {
      paper.box([0, 0, 595, 52], colours.teal)
      paper.text(left, 16, firm, { size: 16, bold: true, colour: colours.white })
      paper.text(560, 22, title, { size: 11, align: 'right', colour: colours.white })
      if (under) paper.text(left, 60, under, { size: 8 })
      return 88
    }
    paper.text(560, 36, firm, { size: 13, bold: true, align: 'right' })
    if (under) paper.text(560, 54, under, { size: 8, align: 'right' })
    paper.text(left, 74, title.toUpperCase(), { size: 15, bold: true })
    return 112
  }

  /** All sayings from y on, in the designer's way; returns the y below. */
  say(y: number, sayings: readonly Saying[], arrangement = this.arrangement): number {
    const { paper, dice, left, size } = this
    const step = size * 1.3
    const linesOf = (s: Saying) => (typeof s.value === 'string' ? [s.value] : s.value)
    const labels = sayings.map((s) => this.word(s.wordings))
    const wide = 515 - (left - 40)
    if (ABREAST.has(arrangement))
      return this.abreast(
        y,
        sayings.map((s, i) => ({ label: labels[i], lines: linesOf(s) })),
        arrangement,
      )
    sayings.forEach((saying, i) => {
      const lines = linesOf(saying)
      const label = labels[i]
      const below = lines.length * step
      switch (arrangement) {
        case 'columns':
        case 'ruled':
          if (arrangement === 'ruled')
            paper.box([left, y - 5, wide, below + 10], i % 2 ? undefined : colours.mist, colours.rule)
          paper.text(left + 5, y, label, { size, colour: colours.grey })
          lines.forEach((line, n) =>
            paper.text(
              Math.max(left + wide * 0.42, left + 15 + paper.measure(label, { size })),
              y + n * step,
              line,
              { size },
            ),
          )
          y += below + (arrangement === 'ruled' ? 10 : 6)
          break
        case 'inline':
        case 'lettered':
        case 'bare': {
          const text =
            arrangement === 'lettered'
              ? `(${String.fromCharCode(97 + i)}) ${label}:`
              : arrangement === 'bare'
                ? label
                : `${label}:`
          paper.text(left, y, text, { size, bold: arrangement === 'bare' })
          const start =
            left +
            paper.measure(`${text} `, { size, bold: arrangement === 'bare' }) +
            (arrangement === 'bare' ? 10 : 0)
          lines.forEach((line, n) => paper.text(start, y + n * step, line, { size }))
          y += below + 8
          break
        }
        case 'numbered':
          paper.text(left, y, `${i + 1}.`, { size: size - 1, colour: colours.grey })
          paper.text(left + 20, y, label, { size })
          paper.rule(left + 210, y + size + 3, left + wide)
          lines.forEach((line, n) =>
            paper.text(left + 214, y + n * step - 1, line, { size: size + 1, face: 'mono' }),
          )
          y += below + 12
          break
        case 'rightward':
          paper.text(left + wide * 0.4, y, label, { size: size - 1, align: 'right', colour: colours.grey })
          lines.forEach((line, n) =>
            paper.text(left + wide * 0.4 + 12, y + n * step, line, { size: size + 0.5 }),
          )
          y += below + 7
          break
        case 'caption':
          lines.forEach((line, n) => paper.text(left + 4, y + n * step, line, { size: size + 1 }))
          paper.rule(left, y + below + 4, left + wide * 0.6)
          paper.text(left + 4, y + below + 7, label, { size: size * 0.7, colour: colours.grey })
          y += below + size + 14
          break
        case 'leaders': {
          paper.text(left, y, label, { size })
          lines.forEach((line, n) => paper.text(left + wide, y + n * step, line, { size, align: 'right' }))
          const [from, to] = [
            left + paper.measure(label, { size }) + 4,
            left + wide - 6 - paper.measure(lines[0], { size }),
          ]
          paper.text(
            from,
            y,
            '.'.repeat(Math.max(0, Math.floor((to - from) / paper.measure('.', { size })))),
            { size, colour: colours.rule },
          )
          y += below + 5
          break
        }
        case 'comb': {
          // One box for each letter of short values, as forms for the pen have it.
          paper.text(left, y, label, { size: size * 0.85 })
          const short = lines.length === 1 && lines[0].length <= 16
          const x = left + wide * 0.36
          if (short)
            [...lines[0]].forEach((letter, n) => {
              paper.box([x + n * 15, y - 4, 15, 17], undefined, colours.rule)
              paper.text(x + n * 15 + 7.5, y - 1, letter, { size, face: 'mono', align: 'center' })
            })
          else {
            paper.box([x, y - 4, wide * 0.64, below + 6], undefined, colours.rule)
            lines.forEach((line, n) => paper.text(x + 4, y - 1 + n * step, line, { size, face: 'mono' }))
          }
          y += below + 11
          break
        }
        case 'stack':
        case 'grid': {
          const column = i % 2
          const x = left + column * (wide / 2)
          const tall =
            Math.max(
              ...[sayings[i - column], sayings[i - column + 1]].filter(Boolean).map((s) => linesOf(s).length),
            ) *
              step +
            size +
            8
          if (arrangement === 'grid') paper.box([x, y - 3, wide / 2 - 4, tall], undefined, colours.rule)
          paper.text(x + 4, y, label, {
            size: size * 0.75,
            colour: arrangement === 'grid' ? colours.ink : colours.navy,
            bold: arrangement === 'grid' && dice.chance(0),
          })
          lines.forEach((line, n) => paper.text(x + 4, y + size + n * step, line, { size }))
          if (column === 1 || i === sayings.length - 1) y += tall + 6
          break
        }
      }
    })
    return y + 8
  }

  /** Several labelled values on a line: under a bar of heads, in three columns, or one behind the other. */
  private abreast(
    y: number,
    items: readonly { label: string; lines: string[] }[],
    arrangement: string,
  ): number {
    const { paper, left, size } = this
    const wide = 515 - (left - 40)
    const step = size * 1.3
    if (arrangement === 'runon') {
      let x = left
      for (const { label, lines } of items) {
        const text = `${label}: ${lines.join(', ')}`
        const long = paper.measure(text, { size })
        if (x > left && x + long > left + wide) {
          x = left
          y += step + 4
        }
        paper.text(x, y, text, { size })
        x += long + 16
      }
      return y + step + 10
    }
    const across = arrangement === 'triple' ? 3 : 4
    for (let from = 0; from < items.length; from += across) {
      // What is too long for its place gets a line of its own.
      const row = items.slice(from, from + across)
      const cell = wide / row.length
      const fits = row.every((i) =>
        [i.label, ...i.lines].every((text) => paper.measure(text, { size }) < cell - 8),
      )
      const sets = fits ? [row] : row.map((i) => [i])
      for (const set of sets) {
        const tall = Math.max(...set.map((i) => i.lines.length)) * step
        if (arrangement === 'headrow') paper.box([left, y - 3, wide, size + 6], colours.mist)
        set.forEach(({ label, lines }, i) => {
          const x = left + i * (wide / set.length) + 4
          paper.text(x, y, label, {
            size: arrangement === 'headrow' ? size * 0.9 : size * 0.72,
            bold: arrangement === 'headrow',
            colour: arrangement === 'headrow' ? colours.ink : colours.grey,
          })
          lines.forEach((line, n) => paper.text(x, y + size + 5 + n * step, line, { size }))
        })
        y += size + tall + 12
      }
    }
    return y + 8
  }

  /** A wording as this designer sets it: one of the list, now and then with its sister in another language. */
  private word(wordings: readonly string[]): string {
    const pick = this.shout ? this.dice.pick(wordings).toUpperCase() : this.dice.pick(wordings)
    return this.dice.chance(0.08) ? `${pick} / ${this.dice.pick(wordings)}` : pick
  }

  /** Name and address where the window of an envelope shows them, with no label. */
  addressee(y: number, lines: readonly string[]): void {
    const x = this.dice.pick([this.left, 330])
    lines.forEach((line, n) => this.paper.text(x, y + 6 + n * this.size * 1.3, line, { size: this.size }))
  }

  /** The one amount that counts, large in a frame of its own. */
  big(y: number, wordings: readonly string[], amount: string, by: string, day: string): void {
    const { paper, dice, left } = this
    const x = dice.pick([left, 320])
    paper.box([x, y, 220, 62], colours.sand)
    paper.text(x + 10, y + 8, dice.pick(wordings), { size: 10 })
    paper.text(x + 10, y + 22, amount, { size: 18, bold: true })
    paper.text(x + 10, y + 46, `${by} ${day}`, { size: 8 })
  }

  /** Earnings on the left, deductions on the right, and a bar of totals beneath. */
  twoSided(
    y: number,
    earned: readonly (readonly [string, string])[],
    taken: readonly (readonly [string, string])[],
    totals: readonly (readonly [readonly string[], string])[],
  ): void {
    const { paper, dice, left, size } = this
    const [right, end] = [left + 260, left + 470]
    paper.text(left, y, dice.pick(['Earnings', 'Payments']), { size, bold: true })
    paper.text(right, y, dice.pick(['Deductions', 'Taken off']), { size, bold: true })
    earned.forEach(([word, amount], i) => {
      paper.text(left, y + 18 + i * 15, word, { size })
      paper.text(right - 20, y + 18 + i * 15, amount, { size, align: 'right' })
    })
    taken.forEach(([word, amount], i) => {
      paper.text(right, y + 18 + i * 15, word, { size })
      paper.text(end, y + 18 + i * 15, amount, { size, align: 'right' })
    })
    y += 26 + Math.max(earned.length, taken.length) * 15
    paper.rule(left, y, end)
    const cell = (end - left) / totals.length
    totals.forEach(([wordings, amount], i) => {
      paper.text(left + i * cell, y + 6, dice.pick(wordings), { size: Math.min(8, size) })
      paper.text(left + i * cell, y + 19, amount, { size })
    })
  }

  /** Options with boxes before or behind their words; the true one is ticked. Returns the y below. */
  tick(
    y: number,
    wordings: readonly string[],
    options: readonly (readonly [word: string, on: boolean])[],
  ): number {
    const { paper, dice, left, size } = this
    paper.text(left, y, `${dice.pick(wordings)}${dice.pick(['', ':'])}`, { size })
    const [behind, apart] = [dice.chance(0.5), dice.int(90, 130)]
    const [x, row] = dice.chance(0.7) ? [left + 215, y] : [left, y + 16]
    options.forEach(([word, on], i) => {
      const at = x + i * apart
      if (behind) {
        paper.text(at, row, word, { size })
        paper.tickBox(at + paper.measure(word, { size }) + dice.int(4, 8), row + 1, on)
      } else {
        paper.tickBox(at, row, on)
        paper.text(at + dice.int(12, 16), row, word, { size })
      }
    })
    return row + 24
  }

  /** A paragraph; returns the y below. */
  prose(y: number, text: string): number {
    return this.paper.prose(this.left, y, text, 515 - (this.left - 40), { size: this.size, leading: 1.45 })
  }

  /** People in columns, or one under the other with the heads as labels; returns the y below. */
  people(y: number, heads: readonly string[], rows: readonly (readonly string[])[]): number {
    const { paper, dice, left, size } = this
    if (dice.chance(0.25)) {
      for (const row of rows)
        y = this.say(
          y,
          row.map((value, i) => ({ wordings: [heads[i]], value })),
          'columns',
        )
      return y
    }
    const places = [left, left + 220, left + 360]
    const framed = dice.chance(0.4)
    if (framed) paper.box([left - 4, y - 4, 470, size + 8], colours.mist, colours.rule)
    heads.forEach((head, i) => paper.text(places[i], y, head, { size, bold: true }))
    for (const row of rows) {
      y += size + 12
      if (framed) paper.box([left - 4, y - 4, 470, size + 10], undefined, colours.rule)
      row.forEach((cell, i) => paper.text(places[i], y, cell, { size }))
    }
    return y + size + 14
  }

  /** A place to sign and, where one is wanted, a place for the day; returns the y below. */
  signature(
    y: number,
    signed: boolean,
    day: string,
    words: { sign: readonly string[]; date: readonly string[] },
    dated = true,
  ): number {
    const { paper, dice, left } = this
    const [sign, date] = [dice.pick(words.sign), dice.pick(words.date)]
    if (!dated) {
      paper.text(left, y + 50, sign, { size: 9 })
      paper.rule(left, y + 46, left + 200)
      if (signed) paper.scrawl(dice, left + 20, y + 40)
      return y + 70
    }
    const text = this.date(day)
    const way = dice.int(0, 4)
    const frame = dice.pick([colours.rule, colours.ink, colours.grey])
    if (way === 0) {
      paper.rule(left, y + 40, left + 200)
      paper.text(left, y + 45, sign, { size: 8 })
      paper.rule(left + 260, y + 40, left + 400)
      paper.text(left + 260, y + 45, date, { size: 8 })
      if (signed) {
        paper.scrawl(dice, left + 20, y + 34)
        paper.text(left + 266, y + 25, text)
      }
    } else if (way === 1) {
      const gap = dice.pick([0, 10])
      paper.box([left, y, 240, 60], undefined, frame)
      paper.text(left + 5, y + 4, sign, { size: 8 })
      paper.box([left + 240 + gap, y, 160, 60], undefined, frame)
      paper.text(left + 255, y + 4, date, { size: 8 })
      if (signed) {
        paper.scrawl(dice, left + 40, y + 44)
        paper.text(left + 260, y + 30, text)
      }
    } else if (way === 2) {
      paper.text(left, y + 20, `${sign}:`)
      paper.rule(left + 120, y + 32, left + 290)
      paper.text(left + 310, y + 20, `${date}: ${signed ? text : ''}`)
      if (signed) paper.scrawl(dice, left + 140, y + 26)
    } else if (way === 3) {
      paper.text(left, y + 30, sign)
      paper.rule(left + 50 + paper.measure(sign), y + 41, left + 260, frame)
      paper.text(left + 280, y + 30, date)
      paper.rule(left + 290 + paper.measure(date), y + 41, left + 440, frame)
      if (signed) {
        paper.scrawl(dice, left + 60 + paper.measure(sign), y + 36)
        paper.text(left + 296 + paper.measure(date), y + 28, text)
      }
    } else {
      paper.text(left, y, `${date} ${signed ? text : '..................'}`)
      paper.text(left, y + 50, `${sign} ........................................`)
      if (signed) paper.scrawl(dice, left + 130, y + 54)
    }
    return y + 90
  }
}
