import { overlap, type Box } from '../page/geometry.ts'
import { strokesIn, strokesOn, unpackInk, type InkGrid, type Strokes } from '../page/ink.ts'
import { linesOf, type Line } from '../page/layout.ts'
import type { Page, Word } from '../page/page.ts'
import { nearlyWord, tokens } from '../page/text.ts'
import type { DocumentType, Field } from '../program/schema.ts'
import type { Candidate } from './candidate.ts'
import { labelsOn, type LabelHit } from './labels.ts'
import { isSmall } from './wording.ts'

/**
 * Tells of the words of a page whether its ink is worth measuring.
 * @param strokes whether something is drawn on it that may be a pen's; what nothing is drawn on is not signed
 */
export type WantsInk = (words: readonly Word[], strokes: boolean) => boolean

const SIGNING = ['signature', 'signed', 'sign', 'firma', 'firmado', 'signe']

/**
 * Pen marks matter beside signature labels and where a choice is given: yes beside no, or words of two choices of a
 * field. One choice's word alone ("employee") stands on any page.
 */
export function inkWanted(types: readonly DocumentType[]): WantsInk {
  const signing = new Set([...SIGNING, ...types.flatMap((t) => t.signature?.labels ?? []).flatMap(tokens).filter((w) => w.startsWith('sign') || w.startsWith('firm'))])
  const captions = new Map<string, string[][]>()
  for (const label of types.flatMap((t) => t.signature?.labels ?? [])) {
    const words = [...tokens(label)]
    if (!words.some((w) => signing.has(w))) captions.set(words[0], [...(captions.get(words[0]) ?? []), words])
  }
  const choices = [YES_NO, ...types.flatMap((t) => t.fields.filter((f) => f.kind === 'choice').map((f) => f.choices))].map((options) => options.map((o) => o.words.map(tokens)))
  return (words, strokes) => {
    const there = new Set(words.flatMap((w) => tokens(w.text)))
    const signed = () => [...signing].some((w) => there.has(w)) || words.some((word, i) => captions.get(tokens(word.text)[0])?.some((caption) => standsAlone(words, i, caption)))
    return (strokes && signed()) || choices.some((options) => options.filter((o) => o.some((wording) => wording.every((w) => there.has(w)))).length > 1)
  }
}

/** "Surveyor" under a line to sign on stands alone; in a sentence, or before a name, it captions nothing. */
function standsAlone(words: readonly Word[], from: number, caption: readonly string[]): boolean {
  if (words.slice(from, from + caption.length).flatMap((w) => tokens(w.text)).join(' ') !== caption.join(' ')) return false
  const beside = (left: Word | undefined, right: Word | undefined): boolean => left !== undefined && right !== undefined && right.box[0] >= left.box[0] && right.box[0] - left.box[2] < 0.03 && overlap(left.box[1], left.box[3], right.box[1], right.box[3]) > 0
  return !beside(words[from - 1], words[from]) && !beside(words[from + caption.length - 1], words[from + caption.length])
}

/** What a yes-or-no question is answered with. */
export const YES_NO = [{ value: 'yes', words: ['yes', 'oui', 'sí', 'si', 'y'] }, { value: 'no', words: ['no', 'non', 'none', 'n'] }]

/** A ticked box as text, and as weak readers spell its frame. */
const CHECKED = /^[[({&|]{0,2}\s?[xX✓✔✕✖✗✘☒☑■●×][xXkK]?\s?[\])}|lI]?$/
const UNCHECKED = /^(?:[[({]\s?[\])}]|☐|□|○|O)$/

/** A ring as weak readers spell it, with a dot in it or without: what is in it, its ink tells. */
const RING = /^[@©®]$/

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
  const starts = new Set(choices.flatMap((c) => c.words.map((wording) => tokens(wording)[0])))
  const lines = page.source === 'text' ? linesOf(page) : linesOf(page).map((line) => ({ ...line, words: ringsApart(line.words, starts) }))
  const near = lines
    .map((line, index) => ({ line, index }))
    .filter(({ line, index }) => index === label.line || (index > label.line && (line.box[1] - label.lineOf.box[3]) * page.height < label.lineOf.height * 2.6))
    .slice(0, 3)
  const options: Option[] = []
  const behind = label.segment.words.slice(label.segment.words.indexOf(label.lineOf.words[label.to - 1]) + 1)
  const ended = label.colon || /\?$/.test(label.lineOf.words[label.to - 1]?.text ?? '')
  for (const { line, index } of near) {
    // "Status in employment | Self-employed": words that go on with the label are no answer where one stands apart from it; a box among them is.
    const apart = index === label.line && !ended && !behind.some((w) => boxState(w.text) !== null || RING.test(w.text)) && line.segments.some((s) => s.box[0] > label.segment.box[2])
    const words = index === label.line ? line.words.slice(apart ? line.words.indexOf(label.segment.words.at(-1)!) + 1 : label.to) : line.words
    options.push(...optionsIn(words, index, choices, page.source !== 'text'))
    if (options.length > 0) break
  }
  if (options.length === 0) return null
  const base = { field: field.name, page, repaired: false }
  const score = (label.leads ? 3 : 1.6) - Math.min(1, label.meanings.some((m) => m.role === 'field' && m.field === field.name) ? 0 : 1)
  if (new Set(options.map((o) => o.value)).size === 1) {
    const line = lines[options[0].line]
    if (boxEndingAt(line.words, line.words.indexOf(options[0].words[0])) === false) return null
    return { ...base, value: options[0].value, raw: options[0].words.map((w) => w.text).join(' '), words: options[0].words, score }
  }
  const ticked = tickedAsText(options, lines)
  if (ticked.length === 1) return { ...base, value: ticked[0].value, raw: `☒ ${ticked[0].words.map((w) => w.text).join(' ')}`, words: ticked[0].words, score: score + 0.5 }
  const inked = inkedOption(page, options, lines)
  const left = leftOver(options, lines)
  // Where all boxes but one were read as empty, ink that says otherwise makes it a question.
  if (left && inked && inked.option !== left) return { ...base, value: left.value, raw: left.words.map((w) => w.text).join(' '), words: left.words, partial: true, score }
  return inked && { ...base, value: inked.option.value, raw: inked.option.words.map((w) => w.text).join(' '), words: inked.option.words, score: score + (inked.clear ? 0 : -1.5) }
}

/** "ONo": an empty ring that a reader of pictures took for a letter of the option behind it is a box of its own. */
const ringsApart = (words: readonly Word[], starts: ReadonlySet<string>): Word[] =>
  words.flatMap((word) => {
    const option = /^[O0](\p{Lu}.*)$/u.exec(word.text)?.[1]
    if (!option || !starts.has(tokens(option)[0])) return [word]
    const [left, top, right, bottom] = word.box
    const ring = left + (right - left) / word.text.length
    return [{ ...word, text: 'O', box: [left, top, ring, bottom] }, { ...word, text: option, box: [ring, top, right, bottom] }]
  })

/** Options whose box was read as text and is ticked; where all have a box on one side, that side alone counts. */
function tickedAsText(options: readonly Option[], lines: readonly Line[]): Option[] {
  for (const step of [-1, 1]) {
    const states = options.map((o) => {
      const words = lines[o.line].words
      return step < 0 ? boxEndingAt(words, words.indexOf(o.words[0])) : boxState(words[words.indexOf(o.words.at(-1)!) + 1]?.text ?? '')
    })
    if (states.every((s) => s !== null) && states.filter(Boolean).length === 1) return options.filter((_, i) => states[i])
  }
  return options.filter((o) => boxBeside(lines[o.line].words, o.words) === true)
}

/** The one option whose box was not read as empty where all others’ were, on one side; null where there is none or several. */
function leftOver(options: readonly Option[], lines: readonly Line[]): Option | null {
  for (const step of [-1, 1]) {
    const open = options.filter((o) => {
      const { words } = lines[o.line]
      const [first, last] = [words.indexOf(o.words[0]), words.indexOf(o.words.at(-1)!)]
      const gap = (left: number) => gapBehind(words, left)
      // A box between two options is the nearer one's; what leads to the first of them has none.
      const another = (i: number) => words[i] !== undefined && options.some((other) => other.words.includes(words[i]))
      if (step < 0) return (another(first - 2) && gap(first - 2) < gap(first - 1)) || boxEndingAt(words, first) !== false
      return (another(last + 2) && gap(last + 1) < gap(last)) || boxState(words[last + 1]?.text ?? '') !== false
    })
    if (open.length === 1) return open[0]
  }
  return null
}

/** The option whose box holds more ink than the others'; boxes stand before all words or behind all of them. */
function inkedOption(page: Page, options: readonly Option[], lines: readonly Line[]): { option: Option; clear: boolean } | null {
  const sides = (['before', 'behind'] as const).map((side) => {
    const marks = options.map((option) => ({ option, ...inkBeside(page, option.words, lines[option.line].words, side) }))
    // Where there are boxes, even the empty one has its frame; what is inside the frame tells more than the frame.
    const boxes = marks.every((m) => m.dark > 60)
    const framed = marks.every((m) => m.inside !== null)
    const ranked = marks.map((m) => ({ option: m.option, dark: framed ? m.inside! + 12 : m.dark })).sort((a, b) => b.dark - a.dark)
    return { best: ranked[0], least: Math.min(...marks.map((m) => m.dark)), boxes, framed, ratio: ranked[0].dark / Math.max(1, ranked[1].dark) }
  })
  // Boxes on one side settle it: what stands on the other side is the neighbour's, or the edge of the words themselves.
  const boxed = sides.filter((s) => s.boxes).sort((a, b) => b.least - a.least).slice(0, 1)
  const [best] = (boxed.length > 0 ? boxed : sides).filter((s) => (s.framed || s.best.dark > 40) && s.ratio > 1.15).sort((a, b) => Number(b.framed) - Number(a.framed) || b.ratio - a.ratio)
  // Noise blurs what is in a box and what is its frame: on a scan only a clear lead counts as one.
  return best ? { option: best.best.option, clear: best.boxes && best.ratio > (page.source === 'text' ? 1.3 : 2) } : null
}

/** @param forgiving a letter of a longer word may be misread, as on scans */
function optionsIn(words: Word[], line: number, choices: readonly { value: string; words: readonly string[] }[], forgiving: boolean): Option[] {
  const says = (read: readonly string[], wanted: readonly string[]) => read.length === wanted.length && (read.every((t, i) => t === wanted[i]) || (forgiving && read.join('').length > 5 && nearlyWord(read.join(''), wanted.join(''))))
  const options: Option[] = []
  for (let at = 0; at < words.length; at++) {
    let best: Option | null = null
    for (const choice of choices)
      for (const wording of choice.words) {
        const wanted = tokens(wording)
        for (let length = 1; length <= Math.min(3, words.length - at); length++) {
          const span = words.slice(at, at + length)
          const read = tokens(span.map((w) => w.text).join(' ')).filter((t) => t !== 'x')
          // Boxes beside an option are no part of its words.
          const own = span.every((w) => tokens(w.text).some((t) => t !== 'x'))
          if (own && says(read, wanted) && (!best || length > best.words.length)) best = { value: choice.value, words: span, line }
        }
      }
    if (best) {
      at += best.words.length - 1
      // "[X] An employee": small words stand between a box and what it is for.
      const first = words.indexOf(best.words[0])
      const small = first > 1 && isSmall(words[first - 1].text) && boxEndingAt(words, first - 1) !== null
      options.push(small ? { ...best, words: [words[first - 1], ...best.words] } : best)
    }
  }
  return options
}

/** The box that ends before a word, in one piece or as brackets apart: `[X]`, `[ ]`, `[ X ]`. */
function boxEndingAt(words: readonly Word[], index: number): boolean | null {
  for (const length of [1, 2, 3]) {
    const state = index >= length ? boxState(words.slice(index - length, index).map((w) => w.text).join(length === 2 ? ' ' : '')) : null
    if (state !== null) return state
  }
  return null
}

/** How far behind a word of a line the next one stands. */
const gapBehind = (words: readonly Word[], left: number): number => (words[left] && words[left + 1] ? words[left + 1].box[0] - words[left].box[2] : Infinity)

function boxBeside(words: Word[], option: Word[]): boolean | null {
  const [first, last] = [words.indexOf(option[0]), words.indexOf(option.at(-1)!)]
  // A mark between two options is the nearer one's.
  const gap = (left: number) => gapBehind(words, left)
  const before = first >= 2 && gap(first - 2) < gap(first - 1) * 0.6 ? null : boxEndingAt(words, first)
  const after = gap(last) < gap(last + 1) ? words[last + 1] : undefined
  const own = /^[[({☒☑✓✔✕✖✗✘■]/.exec(option[0].text)
  if (own) return boxState(option[0].text.slice(0, 1) === '[' ? option[0].text.slice(0, 3) : option[0].text[0])
  if (before !== null) return before
  if (after && boxState(after.text) === true && gap(last) < 0.03) return true
  return null
}

/** A ticked box is spelt in many ways, all of them short, with a bracket in them or unsure. */
const boxLike = (word: Word): boolean => /^\S{0,2}[[\](){}|]\S{0,2}$/.test(word.text) || (word.text.length <= 3 && word.sure < 0.75)

/** Ink in the place before or behind an option's words where a box would be, up to the next print. */
function inkBeside(page: Page, words: readonly Word[], line: readonly Word[], side: 'before' | 'behind'): { dark: number; inside: number | null } {
  if (!page.ink) return { dark: 0, inside: null }
  const { columns, rows } = page.ink
  const cells = unpackInk(page.ink)
  const [start, end] = [words[0].box, words.at(-1)!.box]
  // "no" has no tall letter, but its box is as tall as those of its line.
  const own = start[3] - start[1]
  const tall = Math.min(own * 1.8, Math.max(own, ...line.filter((w) => /\p{L}{2}/u.test(w.text) && !boxLike(w)).map((w) => w.box[3] - w.box[1])))
  const wide = (tall * page.height * 2.4) / page.width
  const prints = line.filter((w) => /\p{L}{2}/u.test(w.text) && !boxLike(w) && !words.includes(w)).map((w) => w.box)
  const from = side === 'before' ? Math.max(start[0] - wide, ...prints.filter((b) => b[2] <= start[0] + 0.001).map((b) => b[2] + 0.002)) : end[2] + 0.002
  const to = side === 'before' ? start[0] - 0.001 : Math.min(end[2] + wide, ...prints.filter((b) => b[0] >= end[2] - 0.001).map((b) => b[0] - 0.002))
  let dark = 0
  // No higher or lower than the word itself: the print of the lines around it would drown the tick.
  const [top, bottom] = [Math.round((start[1] + own * 0.08) * rows), Math.round((start[3] + own * 0.1) * rows)]
  for (let y = top; y < bottom; y++) for (let x = Math.floor(from * columns); x < Math.floor(to * columns); x++) dark += cells[y * columns + x] ?? 0
  // A frame may be taller than its word or hang higher; what is print around it is left out.
  const around = page.words.filter((w) => /\p{L}{2}|\d{2}/u.test(w.text) && !boxLike(w) && w.box[0] < to && w.box[2] > from && Math.abs(w.box[1] - start[1]) < tall * 3).map((w) => w.box)
  const printed = (x: number, y: number) => around.some((b) => x >= Math.floor(b[0] * columns) && x <= b[2] * columns && y >= Math.floor(b[1] * rows) && y <= b[3] * rows)
  const frame: Box = [Math.floor(from * columns), Math.round((start[1] - tall * 0.7) * rows), Math.floor(to * columns), Math.round((start[3] + tall * 0.5) * rows)]
  return { dark, inside: insideFrame((x, y) => (printed(x, y) ? 0 : (cells[y * columns + x] ?? 0)), frame) }
}

/** Mean darkness within the frame that the ink of a window makes, null where it is no frame: three cells each way at least, and closed on its sides. */
function insideFrame(at: (x: number, y: number) => number, [x0, y0, x1, y1]: [number, number, number, number]): number | null {
  let [left, top, right, bottom] = [x1, y1, x0 - 1, y0 - 1]
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++)
      if (at(x, y) > 60) [left, top, right, bottom] = [Math.min(left, x), Math.min(top, y), Math.max(right, x), Math.max(bottom, y)]
  const [wide, tall] = [right - left + 1, bottom - top + 1]
  if (wide < 3 || tall < 3 || wide > tall * 2.2 || tall > wide * 2.2) return null
  const column = (x: number) => Array.from({ length: tall }, (_, i) => at(x, top + i))
  if ([left, right].some((x) => column(x).filter((v) => v > 40).length < tall * 0.7)) return null
  let sum = 0
  for (let y = top + 1; y < bottom; y++) for (let x = left + 1; x < right; x++) sum += at(x, y)
  return sum / ((wide - 2) * (tall - 2))
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
  const drawn = penDrawn(pages, type)
  if (drawn) return drawn
  let best: Signature | null = null
  for (const page of pages) {
    // A text page that nothing is drawn on has no ink to look at, and is not signed.
    if (!page.ink && page.source !== 'text') continue
    const lines = linesOf(page)
    const [printed, surely] = [printedOn(page), surelyPrintedOn(page)]
    for (const label of labelsOn(page, type)) {
      if (!label.meanings.some((m) => m.role === 'signature') || (!label.leads && !label.colon) || label.segment.words.length > label.to - label.from + 6 || spoken(label)) continue
      if (page.source !== 'text' && namesWho(label)) continue
      const start = label.lineOf.words[label.from].box
      const end = label.lineOf.words[label.to - 1].box
      const tall = (label.lineOf.height / page.height) * 1
      // A scrawl is read as words too, but never as sure ones: what parts the place to sign from the next is print.
      const inLine = label.lineOf.segments.slice(label.lineOf.segments.indexOf(label.segment) + 1).flatMap((s) => s.words).find((w) => isPrint(w, page) && /[\p{L}\d]/u.test(w.text))
      const right = Math.min(1, Math.max(end[2] + 0.34, start[0] + 0.36), inLine && inLine.box[0] > end[2] + 0.1 ? inLine.box[0] - 0.01 : 1)
      const above = lines.filter((l) => l.box[3] <= start[1] + tall * 0.3 && l.words.some((w) => isPrint(w, page) && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text))).at(-1)
      const below = lines.find((l) => l.box[1] >= end[3] - tall * 0.3 && l.words.some((w) => isPrint(w, page) && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text)))
      const area: Box = [
        Math.max(0, start[0] - 0.02),
        Math.max(above ? above.box[3] : 0, start[1] - tall * 5.2),
        right,
        Math.min(below ? below.box[1] : 1, end[3] + tall * 5.2),
      ]
      const strokes = page.ink ? strokesIn(page.ink, area, printed) : NO_STROKES
      const signed = penned(strokes)
      // What is a scrawl only if weak words are one: likely signed, but a person is to look.
      const likely = !signed && page.ink !== null && penned(strokesIn(page.ink, area, surely))
      const sure = likely ? LIKELY : signed ? Math.min(0.99, 0.6 + strokes.cells / 60) : Math.max(0.5, 0.98 - strokes.cells / 30)
      const found: Signature = { signed: signed || likely, sure, page: page.number, box: area }
      if (!best || (found.signed && !best.signed) || (found.signed === best.signed && found.sure > best.sure)) best = found
    }
  }
  // "Signed on" beside the day: the pen went elsewhere in that line.
  // What a pen drew beside a caption on a page with a text layer is known from its drawing already.
  const pen = best?.signed ? null : penAnywhere(best ? pages.filter((p) => p.source !== 'text') : pages)
  if (best && !(pen && pen.page === best.page && pen.box[1] < best.box[3] && pen.box[3] > best.box[1])) return best
  if (pen) return pen
  const last = pages.at(-1)!
  return { signed: false, sure: 0.5, page: last.number, box: [0, 0.5, 1, 1] }
}

/** "The chair closed the meeting." speaks of who signs, and is no place to sign. */
const spoken = ({ segment }: LabelHit): boolean => segment.words.length >= 4 && /\p{Ll}{2}\.$/u.test(segment.words.at(-1)!.text)

/** "Sole trader | Ottilie Pettigrew" at the head of a paper says who, with the name beside it or beneath; the same words under a rule say where to sign. */
function namesWho({ meanings, lineOf, segment, to, line, page }: LabelHit): boolean {
  if (!meanings.some((m) => m.role === 'field')) return false
  const named = (words: readonly Word[]): boolean => words.filter((w) => w.sure > PRINT && /^\p{Lu}\p{L}/u.test(w.text)).length > 1
  const behind = segment.words.slice(segment.words.indexOf(lineOf.words[to - 1]) + 1)
  const under = linesOf(page).slice(line + 1, line + 3).find((l) => (l.box[1] - lineOf.box[3]) * page.height < lineOf.height)?.segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < 0.012)
  return named([...behind, ...(lineOf.segments[lineOf.segments.indexOf(segment) + 1]?.words ?? [])]) || named(under?.words ?? [])
}

/** As a share of the page's width and height: what a hand makes of a name. */
const isHand = ([left, top, right, bottom]: Box): boolean => right - left > 0.05 && right - left < 0.55 && bottom - top > 0.006 && bottom - top < 0.14
/** How far above or below its caption a signature stands, as a share of the height. */
const NEAR_CAPTION = 0.09
const DRAWN = 0.96
const DRAWN_APART = 0.86

/**
 * A pen's line that the page itself carries as a drawing, or a picture beside a place to sign: known exactly, where ink
 * has to be told from print. Far from any caption only a line counts, and only below the letterhead.
 */
function penDrawn(pages: readonly Page[], type: DocumentType): Signature | null {
  let apart: Signature | null = null
  for (const page of pages) {
    const hands = (page.pens ?? []).filter((p) => isHand(p.box))
    if (hands.length === 0) continue
    const captions = labelsOn(page, type).filter((l) => l.meanings.some((m) => m.role === 'signature') && (l.leads || l.colon) && !spoken(l)).map((l) => l.lineOf.box)
    for (const { box, drawn } of hands) {
      const near = captions.some((c) => c[1] - box[3] < NEAR_CAPTION && box[1] - c[3] < NEAR_CAPTION)
      if (near) return { signed: true, sure: DRAWN, page: page.number, box }
      if (drawn && box[1] > 0.15) apart = { signed: true, sure: DRAWN_APART, page: page.number, box }
    }
  }
  return apart
}

const NO_STROKES: Strokes = { cells: 0, width: 0, height: 0 }

/** A signature is wider than a stain and taller than what is left of a rule. */
const penned = (strokes: Strokes): boolean => strokes.cells >= 14 && strokes.width > 0.035 && strokes.height > 0.007

/** As sure as a signature is that rests on one weak sign. */
const LIKELY = 0.7
/** A word read less surely than this may be a scrawl. */
const PRINT = 0.65

/** A word less sure than this is no print where print is sure: a scrawl is spelt as a word too. */
const SCRAWL = 0.4
const CLEAR_PRINT = 0.85

/** A word taller than so many usual ones of its page, and read less surely than print of its size is, is a scrawl: "MAMA", "M". */
const [TALL, LARGE_PRINT] = [1.5, 0.85]

const usualHeight = new WeakMap<Page, number>()
function heightOfPrint(page: Page): number {
  let usual = usualHeight.get(page)
  if (usual === undefined) {
    const heights = page.words.map((w) => w.box[3] - w.box[1]).sort((a, b) => a - b)
    usualHeight.set(page, (usual = heights[heights.length >> 1] ?? 0))
  }
  return usual
}

const isPrint = (word: Word, page: Page): boolean => word.sure > PRINT && !(word.sure < LARGE_PRINT && word.box[3] - word.box[1] > TALL * heightOfPrint(page))

/** Places of print. Of dots to sign on, only their own height: the pen goes over them. */
function printedOn(page: Page): Box[] {
  const sures = page.words.map((w) => w.sure).sort((a, b) => a - b)
  const clear = (sures[sures.length >> 1] ?? 0) >= CLEAR_PRINT
  return page.words.flatMap((w): Box[] => {
    if ((w.sure <= 0.55 && tokens(w.text).join('').length <= 5) || (clear && w.sure < SCRAWL)) return []
    const [left, top, right, bottom] = w.box
    return [/[\p{L}\p{N}]/u.test(w.text) ? w.box : [left, bottom - (bottom - top) * 0.5, right, bottom]]
  })
}

/** Places of print that no scrawl would be read as. */
const surelyPrintedOn = (page: Page): Box[] => printedOn({ ...page, words: page.words.filter((w) => isPrint(w, page) || tokens(w.text).join('').length > 8) })

/** A hand goes up and down: more of its ink lies in a place than in an arc of a stamp from corner to corner. */
const CURLED = 1.2

/** Where a hand may sign, as a share of the page's height: below the letterhead, which later pages have none of. */
const [UNDER_LETTERHEAD, UNDER_EDGE] = [0.18, 0.06]

/** The place of a signature that no caption led to, as shares of the page: below the head, and smaller than a picture. */
const isScrawl = ({ columns, rows }: InkGrid, head: number) => ({ cells, width, height, box }: Strokes & { box: Box }): boolean => cells >= Math.max(20, CURLED * (width * columns + height * rows)) && width > 0.06 && width < 0.5 && height > 0.008 && height < 0.1 && width > height * 0.8 && box[1] > head

const TALLER_THAN_PRINT = 0.017

/** A pen's stroke on the last pages when no label led to it: likely the signature, but a person is to look. */
function penAnywhere(pages: readonly Page[]): Signature | null {
  for (const page of pages.toReversed()) {
    if (!page.ink) continue
    const scrawled = isScrawl(page.ink, page === pages[0] ? UNDER_LETTERHEAD : UNDER_EDGE)
    // A scrawl that was spelt as a word, none too surely, is one all the same where it stands taller than print.
    const spelt = () => strokesOn(page.ink!, surelyPrintedOn(page)).filter((s) => scrawled(s) && s.height > TALLER_THAN_PRINT)
    const plainly = strokesOn(page.ink, printedOn(page)).filter(scrawled)
    const [widest] = (plainly.length > 0 ? plainly : spelt()).sort((a, b) => b.width - a.width)
    // Ink of a page with a text layer is drawn coarsely, and thin pens fall apart in it.
    const place = widest?.box ?? (page.source === 'text' ? bandOfStrokes(page, page.ink) : null)
    if (place) return { signed: true, sure: LIKELY, page: page.number, box: place }
  }
  return null
}

/** A band of the page with strokes in it that hang together too little to be one: thin pens, and names written letter by letter. */
function bandOfStrokes(page: Page, ink: InkGrid): Box | null {
  const printed = printedOn(page)
  for (let top = 0.2; top < 0.92; top += 0.035) {
    const band: Box = [0.04, top, 0.96, top + 0.07]
    const strokes = strokesIn(ink, band, printed)
    if (strokes.cells >= 25 && strokes.width > 0.06 && strokes.width < 0.5 && strokes.height > 0.01) return band
  }
  return null
}
