import fontkit from '@pdf-lib/fontkit'
import { PDFDocument, rgb, StandardFonts, type PDFFont, type PDFPage, type RGB } from 'pdf-lib'
import type { Dice } from './dice.ts'
import { typeface } from './typeface.ts'

/** Handwriting: `thin hand` is kept for scoring. */
export type Hand =
  'quick hand' | 'round hand' | 'curly hand' | 'upright hand' | 'joined hand' | 'hasty hand' | 'thin hand'
export type Face = 'sans' | 'serif' | 'mono' | 'humanist' | 'slab' | 'typewriter' | Hand
type Weight = 'regular' | 'bold'

const STANDARD: Partial<Record<Face, [StandardFonts, StandardFonts]>> = {
  sans: [StandardFonts.Helvetica, StandardFonts.HelveticaBold],
  serif: [StandardFonts.TimesRoman, StandardFonts.TimesRomanBold],
  mono: [StandardFonts.Courier, StandardFonts.CourierBold],
}
const SHIPPED: Partial<Record<Face, [string, string]>> = {
  humanist: [
    'source-sans-3/files/source-sans-3-latin-400-normal.woff',
    'source-sans-3/files/source-sans-3-latin-700-normal.woff',
  ],
  slab: [
    'merriweather/files/merriweather-latin-400-normal.woff',
    'merriweather/files/merriweather-latin-700-normal.woff',
  ],
  'quick hand': ['caveat/files/caveat-latin-400-normal.woff', 'caveat/files/caveat-latin-400-normal.woff'],
  'round hand': ['kalam/files/kalam-latin-400-normal.woff', 'kalam/files/kalam-latin-400-normal.woff'],
  'curly hand': [
    'indie-flower/files/indie-flower-latin-400-normal.woff',
    'indie-flower/files/indie-flower-latin-400-normal.woff',
  ],
  'upright hand': [
    'patrick-hand/files/patrick-hand-latin-400-normal.woff',
    'patrick-hand/files/patrick-hand-latin-400-normal.woff',
  ],
  'joined hand': [
    'nothing-you-could-do/files/nothing-you-could-do-latin-400-normal.woff',
    'nothing-you-could-do/files/nothing-you-could-do-latin-400-normal.woff',
  ],
  'hasty hand': [
    'reenie-beanie/files/reenie-beanie-latin-400-normal.woff',
    'reenie-beanie/files/reenie-beanie-latin-400-normal.woff',
  ],
  'thin hand': [
    'shadows-into-light/files/shadows-into-light-latin-400-normal.woff',
    'shadows-into-light/files/shadows-into-light-latin-400-normal.woff',
  ],
  typewriter: ['cousine/files/cousine-latin-400-normal.woff', 'cousine/files/cousine-latin-700-normal.woff'],
}

export interface TextStyle {
  face?: Face
  bold?: boolean
  size?: number
  align?: 'left' | 'right' | 'center'
  colour?: RGB
}

/** Leading in heights of the letters. */
export interface ProseStyle extends TextStyle {
  leading?: number
}

/** Left, top, width and height in points. */
export type Area = readonly [x: number, y: number, width: number, height: number]

export const ink = rgb(0.1, 0.11, 0.13)
export const colours = {
  ink,
  grey: rgb(0.42, 0.44, 0.47),
  navy: rgb(0.09, 0.2, 0.4),
  teal: rgb(0.02, 0.38, 0.4),
  wine: rgb(0.45, 0.08, 0.2),
  forest: rgb(0.1, 0.35, 0.18),
  sand: rgb(0.94, 0.91, 0.83),
  mist: rgb(0.91, 0.94, 0.96),
  rule: rgb(0.7, 0.73, 0.76),
  white: rgb(1, 1, 1),
  rust: rgb(0.6, 0.27, 0.08),
  pen: rgb(0.1, 0.14, 0.42),
}

/** Somebody who fills a form in by hand: what they write, in all ways a layout may ask for it. */
export interface Pen {
  face: Face
  writes: ReadonlySet<string>
}

/** A PDF being drawn, top down in points from the upper left corner: how a person lays out a paper. */
export class Paper {
  private fonts = new Map<string, PDFFont>()
  page!: PDFPage
  pages = 0
  /** Who fills in the papers begun now; null where they are typed. */
  static pen: Pen | null = null
  private readonly pen = Paper.pen

  private constructor(
    readonly pdf: PDFDocument,
    private readonly face: Face,
    readonly width: number,
    readonly height: number,
  ) {}

  static async begin(face: Face, width = 595, height = 842): Promise<Paper> {
    const pdf = await PDFDocument.create()
    pdf.registerFontkit(fontkit)
    const paper = new Paper(pdf, face, width, height)
    for (const one of new Set<Face>([face, 'sans', 'mono', 'serif', ...(paper.pen ? [paper.pen.face] : [])]))
      for (const weight of ['regular', 'bold'] as const) await paper.load(one, weight)
    paper.newPage()
    return paper
  }

  private async load(face: Face, weight: Weight): Promise<void> {
    const at = weight === 'bold' ? 1 : 0
    const standard = STANDARD[face]
    const font = standard
      ? await this.pdf.embedFont(standard[at])
      : await this.pdf.embedFont(typeface(SHIPPED[face]![at]), { subset: true })
    this.fonts.set(`${face}-${weight}`, font)
  }

  newPage(): void {
    this.page = this.pdf.addPage([this.width, this.height])
    this.pages++
  }

  private fontOf = (style: TextStyle): PDFFont =>
    this.fonts.get(`${style.face ?? this.face}-${style.bold ? 'bold' : 'regular'}`)!

  measure = (text: string, style: TextStyle = {}): number =>
    this.fontOf(style).widthOfTextAtSize(text, style.size ?? 10)

  text(x: number, y: number, text: string, given: TextStyle = {}): void {
    const style = this.pen?.writes.has(text)
      ? { ...given, face: this.pen.face, bold: false, size: (given.size ?? 10) * 1.4, colour: colours.pen }
      : given
    const size = style.size ?? 10
    const wide = this.measure(text, style)
    const left = style.align === 'right' ? x - wide : style.align === 'center' ? x - wide / 2 : x
    this.page.drawText(text, {
      x: left,
      y: this.height - y - size,
      size,
      font: this.fontOf(style),
      color: style.colour ?? ink,
    })
  }

  /** Text broken into lines of at most `most` points; returns the y below it. */
  prose(x: number, y: number, text: string, most: number, style: ProseStyle = {}): number {
    const { size = 10, leading = 1.4 } = style
    let line = ''
    for (const word of text.split(' ')) {
      const next = line ? `${line} ${word}` : word
      if (this.measure(next, style) > most && line) {
        this.text(x, y, line, style)
        y += size * leading
        line = word
      } else line = next
    }
    this.text(x, y, line, style)
    return y + size * leading
  }

  rule(x0: number, y: number, x1: number, colour: RGB = colours.rule, thickness = 0.8): void {
    this.page.drawLine({
      start: { x: x0, y: this.height - y },
      end: { x: x1, y: this.height - y },
      color: colour,
      thickness,
    })
  }

  upright(x: number, y0: number, y1: number, colour: RGB = colours.rule): void {
    this.page.drawLine({
      start: { x, y: this.height - y0 },
      end: { x, y: this.height - y1 },
      color: colour,
      thickness: 0.8,
    })
  }

  box([x, y, w, h]: Area, fill?: RGB, border?: RGB): void {
    this.page.drawRectangle({
      x,
      y: this.height - y - h,
      width: w,
      height: h,
      color: fill,
      borderColor: border,
      borderWidth: border ? 0.8 : 0,
      ...(fill ? {} : { opacity: 0 }),
    })
  }

  /** A small box, ticked with a cross or empty. */
  tickBox(x: number, y: number, ticked: boolean): void {
    this.box([x, y, 9, 9], undefined, ink)
    if (!ticked) return
    const top = this.height - y
    this.page.drawLine({
      start: { x: x + 1.5, y: top - 1.5 },
      end: { x: x + 7.5, y: top - 7.5 },
      thickness: 1.5,
      color: colours.pen,
    })
    this.page.drawLine({
      start: { x: x + 7.5, y: top - 1.5 },
      end: { x: x + 1.5, y: top - 7.5 },
      thickness: 1.5,
      color: colours.pen,
    })
  }

  /** A pen's scrawl of a name, about `w` points wide, its baseline at y. */
  scrawl(dice: Dice, x: number, y: number, w = 110): void {
    const loops = dice.int(5, 9)
    let path = `M 0 ${dice.int(-4, 2)}`
    for (let i = 0; i < loops; i++) {
      const at = ((i + 1) / loops) * w
      path += ` C ${at - w / loops} ${-dice.int(8, 26)}, ${at - dice.int(2, 9)} ${dice.int(2, 11)}, ${at} ${dice.int(-7, 3)}`
    }
    this.page.drawSvgPath(path, { x, y: this.height - y, borderColor: colours.pen, borderWidth: 1.3 })
  }

  async bytes(): Promise<Uint8Array> {
    return this.pdf.save()
  }
}
