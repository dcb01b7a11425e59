import type { Box } from '../page/geometry.ts'
import { strokesIn, unpackInk } from '../page/ink.ts'
import { linesOf, type Line } from '../page/layout.ts'
import type { Page, Word } from '../page/page.ts'
import { tokens } from '../page/text.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import type { Candidate } from './candidate.ts'
import { labelsOn, type LabelHit } from './labels.ts'

/** The words of a set of types beside which pen marks matter: signature labels, choices, yes. Short words stand on any page. */
export function inkWords(types: readonly DocumentType[]): ReadonlySet<string> {
  const found = new Set(['yes', 'oui', 'si', 'signature', 'signed', 'sign', 'firma', 'firmado'])
  for (const type of types) for (const field of type.fields) for (const choice of field.choices) for (const wording of choice.words) for (const word of tokens(wording)) if (word.length >= 6) found.add(word)
  return found
}

/** Whether a page has one of those words, so that its ink is worth measuring. */
export const wantsInk = (words: readonly Word[], vocabulary: ReadonlySet<string>): boolean => words.some((w) => tokens(w.text).some((t) => vocabulary.has(t)))

const CHECKED = /^[[({]?\s?[xX✓✔☒☑■●×]\s?[\])}]?$/
const UNCHECKED = /^(?:[[({]\s?[\])}]|☐|□|○|O)$/

/** How a small box reads as text: ticked, empty, or no box at all. */
const boxState = (text: string): boolean | null => (CHECKED.test(text) ? true : UNCHECKED.test(text) ? false : null)

interface Option {
  value: string
  words: Word[]
  line: number
}

/**
 * The choice marked near a label: by a ticked box as text, by the ink in the boxes, or as the only word that stands there.
 * @param choices values with their wordings
 */
export function readChoice(label: LabelHit, field: Field, choices: readonly { value: string; words: readonly string[] }[]): Candidate | null {
  const { page } = label
  const lines = linesOf(page)
  const near = lines
    .map((line, index) => ({ line, index }))
    .filter(({ line, index }) => index === label.line || (index > label.line && (line.box[1] - label.lineOf.box[3]) * page.height < label.lineOf.height * 2.6))
    .slice(0, 3)
  const options: Option[] = []
  for (const { line, index } of near) {
    const words = index === label.line ? line.words.slice(label.to) : line.words
    options.push(...optionsIn(words, index, choices))
    if (options.length > 0) break
  }
  if (options.length === 0) return null
  const base = { field: field.name, page, repaired: false }
  const score = (label.leads ? 3 : 1.6) - Math.min(1, label.meanings.some((m) => m.role === 'field' && m.field === field.name) ? 0 : 1)
  if (new Set(options.map((o) => o.value)).size === 1) {
    const line = lines[options[0].line]
    const before = line.words[line.words.indexOf(options[0].words[0]) - 1]
    if (before && boxState(before.text) === false) return null
    return { ...base, value: options[0].value, raw: options[0].words.map((w) => w.text).join(' '), words: options[0].words, score }
  }
  const ticked = options.filter((o) => boxBeside(lines[o.line].words, o.words) === true)
  if (ticked.length === 1) return { ...base, value: ticked[0].value, raw: `☒ ${ticked[0].words.map((w) => w.text).join(' ')}`, words: ticked[0].words, score: score + 0.5 }
  const inked = inkedOption(page, options, lines)
  return inked && { ...base, value: inked.option.value, raw: inked.option.words.map((w) => w.text).join(' '), words: inked.option.words, score: score + (inked.clear ? 0 : -1.5) }
}

/** The option whose box holds more ink than the others'; boxes stand before all words or behind all of them. */
function inkedOption(page: Page, options: readonly Option[], lines: readonly Line[]): { option: Option; clear: boolean } | null {
  const sides = (['before', 'behind'] as const).map((side) => {
    const dark = options.map((option) => ({ option, dark: inkBeside(page, option.words, lines[option.line].words, side) })).sort((a, b) => b.dark - a.dark)
    // Where there are boxes, even the empty one has its frame.
    return { dark, boxes: dark.at(-1)!.dark > 60, ratio: dark[0].dark / Math.max(1, dark[1].dark) }
  })
  const [best] = sides.filter((s) => s.dark[0].dark > 40 && s.ratio > 1.15).sort((a, b) => Number(b.boxes) - Number(a.boxes) || b.ratio - a.ratio)
  return best ? { option: best.dark[0].option, clear: best.boxes && best.ratio > 1.3 } : null
}

function optionsIn(words: Word[], line: number, choices: readonly { value: string; words: readonly string[] }[]): Option[] {
  const options: Option[] = []
  for (let at = 0; at < words.length; at++) {
    let best: Option | null = null
    for (const choice of choices)
      for (const wording of choice.words) {
        const wanted = tokens(wording)
        for (let length = 1; length <= Math.min(3, words.length - at); length++) {
          const span = words.slice(at, at + length)
          const read = tokens(span.map((w) => w.text).join(' ')).filter((t) => t !== 'x')
          if (read.length === wanted.length && read.every((t, i) => t === wanted[i]) && (!best || length > best.words.length)) best = { value: choice.value, words: span, line }
        }
      }
    if (best) {
      options.push(best)
      at += best.words.length - 1
    }
  }
  return options
}

function boxBeside(words: Word[], option: Word[]): boolean | null {
  const before = words[words.indexOf(option[0]) - 1]
  const after = words[words.indexOf(option.at(-1)!) + 1]
  const own = /^[[({☒☑✓✔■]/.exec(option[0].text)
  if (own) return boxState(option[0].text.slice(0, 1) === '[' ? option[0].text.slice(0, 3) : option[0].text[0])
  if (before && boxState(before.text) !== null) return boxState(before.text)
  if (after && boxState(after.text) === true && after.box[0] - option.at(-1)!.box[2] < 0.012) return true
  return null
}

/** Ink in the place before or behind an option's words where a box would be, up to the next print. */
function inkBeside(page: Page, words: readonly Word[], line: readonly Word[], side: 'before' | 'behind'): number {
  if (!page.ink) return 0
  const { columns, rows } = page.ink
  const cells = unpackInk(page.ink)
  const [start, end] = [words[0].box, words.at(-1)!.box]
  const tall = start[3] - start[1]
  const wide = (tall * page.height * 2.4) / page.width
  const prints = line.filter((w) => /\p{L}{2}/u.test(w.text) && !words.includes(w)).map((w) => w.box)
  const from = side === 'before' ? Math.max(start[0] - wide, ...prints.filter((b) => b[2] <= start[0] + 0.001).map((b) => b[2] + 0.002)) : end[2] + 0.002
  const to = side === 'before' ? start[0] - 0.001 : Math.min(end[2] + wide, ...prints.filter((b) => b[0] >= end[2] - 0.001).map((b) => b[0] - 0.002))
  let dark = 0
  // No higher or lower than the word itself: the print of the lines around it would drown the tick.
  for (let y = Math.round((start[1] + tall * 0.08) * rows); y < Math.round((start[3] + tall * 0.1) * rows); y++)
    for (let x = Math.floor(from * columns); x < Math.floor(to * columns); x++) dark += cells[y * columns + x] ?? 0
  return dark
}

/** A signature less sure than this, or its absence, is asked about. */
export const SIGNATURE_SURE = 0.8

/** Whether a document carries a pen's signature where its type expects one; `sure` from 0 to 1. */
export interface Signature {
  signed: boolean
  sure: number
  page: number
  box: Box
}

/**
 * Looks for strokes beside and above the signature labels of a document; print and rules do not count.
 * @returns null where the type expects none; where no place for it is found, an unsure "no"
 */
export function readSignature(pages: readonly Page[], type: DocumentType): Signature | null {
  if (!type.signature) return null
  let best: Signature | null = null
  for (const page of pages) {
    if (!page.ink) continue
    const lines = linesOf(page)
    const printed = page.words.filter((w) => w.sure > 0.55 || tokens(w.text).join('').length > 5).map((w) => w.box)
    for (const label of labelsOn(page, type)) {
      if (!label.meanings.some((m) => m.role === 'signature') || (!label.leads && !label.colon) || label.segment.words.length > label.to - label.from + 6) continue
      const start = label.lineOf.words[label.from].box
      const end = label.lineOf.words[label.to - 1].box
      const tall = (label.lineOf.height / page.height) * 1
      const inLine = label.lineOf.segments[label.lineOf.segments.indexOf(label.segment) + 1]
      const right = Math.min(1, Math.max(end[2] + 0.34, start[0] + 0.36), inLine && inLine.box[0] > end[2] + 0.1 ? inLine.box[0] - 0.01 : 1)
      const above = lines.filter((l) => l.box[3] <= start[1] + tall * 0.3 && l.words.some((w) => w.sure > 0.6 && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text))).at(-1)
      const below = lines.find((l) => l.box[1] >= end[3] - tall * 0.3 && l.words.some((w) => w.sure > 0.6 && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text)))
      const area: Box = [
        Math.max(0, start[0] - 0.02),
        Math.max(above ? above.box[3] : 0, start[1] - tall * 5.2),
        right,
        Math.min(below ? below.box[1] : 1, end[3] + tall * 5.2),
      ]
      const strokes = strokesIn(page.ink, area, printed)
      // A signature is wider than a stain and taller than what is left of a rule.
      const signed = strokes.cells >= 14 && strokes.width > 0.035 && strokes.height > 0.007
      const sure = signed ? Math.min(0.99, 0.6 + strokes.cells / 60) : Math.max(0.5, 0.98 - strokes.cells / 30)
      const found: Signature = { signed, sure, page: page.number, box: area }
      if (!best || (found.signed && !best.signed) || (found.signed === best.signed && found.sure > best.sure)) best = found
    }
  }
  if (best) return best
  const pen = penAnywhere(pages)
  if (pen) return pen
  const last = pages.at(-1)!
  return { signed: false, sure: 0.5, page: last.number, box: [0, 0.5, 1, 1] }
}

/** A pen's stroke somewhere on the last pages when no label led to it: likely the signature, but a person is to look. */
function penAnywhere(pages: readonly Page[]): Signature | null {
  for (const page of pages.toReversed()) {
    if (!page.ink) continue
    const printed = page.words.filter((w) => w.sure > 0.55).map((w) => w.box)
    for (let top = 0.2; top < 0.92; top += 0.035) {
      const box: Box = [0.04, top, 0.96, top + 0.07]
      const strokes = strokesIn(page.ink, box, printed)
      if (strokes.cells >= 25 && strokes.width > 0.06 && strokes.width < 0.5 && strokes.height > 0.01) return { signed: true, sure: 0.7, page: page.number, box }
    }
  }
  return null
}
