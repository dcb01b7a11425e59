import type { RGB } from 'pdf-lib'
import type { Dice } from '../dice.ts'
import { colours, Paper, type Face, type TextStyle } from '../sheet.ts'

/** US letter, in points. */
export const LETTER = [612, 792] as const

export type Pair = readonly [label: string, value: string]
/** Where parts are set: left edge and width, in points. */
export interface Column {
  x?: number
  width?: number
}

/** Sets a paper part by part, each below the one before, on pages of letter paper. */
export class Setter {
  y = 54

  private constructor(
    readonly paper: Paper,
    private readonly size: number,
    private readonly margin: number,
  ) {}

  static async begin(face: Face, size = 10, margin = 54): Promise<Setter> {
    return new Setter(await Paper.begin(face, ...LETTER), size, margin)
  }

  get width(): number {
    return LETTER[0] - 2 * this.margin
  }

  newPage(): void {
    this.paper.newPage()
    this.y = this.margin
  }

  space(points: number): this {
    this.y += points
    return this
  }

  text(text: string, style: TextStyle & { x?: number } = {}): this {
    const size = style.size ?? this.size
    const x =
      style.x ??
      (style.align === 'right'
        ? LETTER[0] - this.margin
        : style.align === 'center'
          ? LETTER[0] / 2
          : this.margin)
    this.paper.text(x, this.y, text, { ...style, size })
    this.y += size * 1.35
    return this
  }

  /** Several lines, as an address block. */
  block(lines: readonly string[], style: TextStyle & { x?: number } = {}): this {
    for (const line of lines) this.text(line, style)
    return this
  }

  /** Two blocks side by side. */
  beside(left: () => void, right: () => void): this {
    const top = this.y
    left()
    const bottom = this.y
    this.y = top
    right()
    this.y = Math.max(bottom, this.y)
    return this
  }

  rule(colour?: RGB): this {
    this.paper.rule(this.margin, this.y, LETTER[0] - this.margin, colour)
    this.y += 6
    return this
  }

  /** Label before value, one to a line; the values in a column of their own, or straight behind. */
  lines(
    pairs: readonly Pair[],
    { x = this.margin, label = 140, colon = ':' }: Column & { label?: number; colon?: string } = {},
  ): this {
    for (const [name, value] of pairs) {
      this.paper.text(x, this.y, name + colon, { size: this.size, colour: colours.grey })
      this.paper.text(
        label > 0 ? x + label : x + this.paper.measure(`${name}${colon} `, { size: this.size }),
        this.y,
        value,
        { size: this.size },
      )
      this.y += this.size * 1.6
    }
    return this
  }

  /** Dots lead from the label to the value at the right. */
  dotted(pairs: readonly Pair[], { x = this.margin, width = this.width }: Column = {}): this {
    for (const [name, value] of pairs) {
      this.paper.text(x, this.y, name, { size: this.size })
      this.paper.text(x + width, this.y, value, { size: this.size, align: 'right' })
      const from = x + this.paper.measure(name, { size: this.size }) + 6
      const to = x + width - this.paper.measure(value, { size: this.size }) - 6
      const dots = Math.floor((to - from) / this.paper.measure('. ', { size: this.size }))
      if (dots > 1)
        this.paper.text(from, this.y, '. '.repeat(dots).trim(), { size: this.size, colour: colours.grey })
      this.y += this.size * 1.6
    }
    return this
  }

  /** Small labels over values, so many to a row; in boxes, numbered or not, or on the open page. */
  cells(
    pairs: readonly Pair[],
    {
      across = 2,
      boxed = false,
      numbered = false,
      below = false,
      x = this.margin,
      width = this.width,
    }: Column & { across?: number; boxed?: boolean; numbered?: boolean; below?: boolean } = {},
  ): this {
    const wide = width / across
    const high = this.size * 2.7
    pairs.forEach(([name, value], i) => {
      const left = x + (i % across) * wide
      const top = this.y + Math.floor(i / across) * (high + (boxed ? 0 : 5))
      if (boxed) this.paper.box([left, top, wide, high], undefined, colours.ink)
      const label = numbered ? `${i + 1}  ${name}` : name
      const small = { size: this.size * 0.68, colour: colours.grey }
      const inner = left + (boxed ? 4 : 0)
      if (below) {
        this.paper.text(inner, top, value, { size: this.size })
        this.paper.rule(inner, top + this.size * 1.3, left + wide - 14, colours.ink)
        this.paper.text(inner, top + this.size * 1.45, label, small)
      } else {
        this.paper.text(inner, top + 3, label, small)
        this.paper.text(inner, top + 4 + this.size * 0.9, value, { size: this.size })
      }
    })
    this.y += Math.ceil(pairs.length / across) * (high + (boxed ? 0 : 5)) + 6
    return this
  }

  /** A table; `right` are the columns of figures. Widths are shares of the whole. */
  table(
    head: readonly string[],
    rows: readonly (readonly string[])[],
    {
      widths,
      right,
      grid = false,
      zebra = false,
      x = this.margin,
      width = this.width,
      foot,
    }: Column & {
      widths: readonly number[]
      right: readonly number[]
      grid?: boolean
      zebra?: boolean
      foot?: number
    },
  ): this {
    const sum = widths.reduce((a, b) => a + b, 0)
    const lefts = widths.map((_, i) => x + (widths.slice(0, i).reduce((a, b) => a + b, 0) / sum) * width)
    const high = this.size * 1.65
    const put = (row: readonly string[], bold: boolean) => {
      row.forEach((cell, i) => {
        const style = { size: this.size * (bold ? 0.9 : 1), bold }
        const rightEdge = (lefts[i + 1] ?? x + width) - 5
        if (right.includes(i)) this.paper.text(rightEdge, this.y + 2, cell, { ...style, align: 'right' })
        else this.paper.text(lefts[i] + 3, this.y + 2, cell, style)
      })
      if (grid)
        widths.forEach((w, i) =>
          this.paper.box([lefts[i], this.y, (w / sum) * width, high], undefined, colours.rule),
        )
      this.y += high
    }
    const headed = () => {
      put(head, true)
      if (!grid) this.paper.rule(x, this.y - 2, x + width, colours.ink)
    }
    headed()
    rows.forEach((row, i) => {
      if (this.y > LETTER[1] - 70) {
        this.newPage()
        headed()
      }
      if (zebra && i % 2 === 0) this.paper.box([x, this.y, width, high], colours.mist)
      if (foot !== undefined && i === rows.length - foot) this.paper.rule(x, this.y, x + width, colours.ink)
      put(row, false)
    })
    this.y += 6
    return this
  }

  prose(text: string, { width = this.width, ...style }: TextStyle & { width?: number } = {}): this {
    this.y =
      this.paper.prose(this.margin, this.y, text, width, { size: this.size, ...style }) + this.size * 0.6
    return this
  }

  /** A line to sign on, with its caption beneath, and a day beside it where one is given. */
  signature(caption: string, signed: boolean, dice: Dice, day?: Pair): this {
    this.y += 26
    if (signed) this.paper.scrawl(dice, this.margin + 12, this.y - 3, 120)
    this.paper.rule(this.margin, this.y, this.margin + 220, colours.ink)
    this.paper.text(this.margin, this.y + 3, caption, { size: this.size * 0.75, colour: colours.grey })
    if (day) {
      this.paper.text(this.margin + 290, this.y - this.size * 1.2, day[1], { size: this.size })
      this.paper.rule(this.margin + 285, this.y, this.margin + 400, colours.ink)
      this.paper.text(this.margin + 290, this.y + 3, day[0], { size: this.size * 0.75, colour: colours.grey })
    }
    this.y += 22
    return this
  }
}
