import {
  type Box,
  type InkGrid,
  type Page,
  type Strokes,
  strokesIn,
  strokesOn,
  type Word,
} from '../../model/index.ts'
import { isPrint, linesOf, printedOn, surelyPrintedOn, usualWord } from '../../layout/index.ts'
import type { DocumentType } from '../../program/index.ts'
import { findLabels } from '../labels/find-labels.ts'
import type { LabelHit } from '../labels/label.ts'

/** How far over and under its caption a signature reaches, in heights of letters. */
const REACH = 5.2

/** A signature less sure than this, or its absence, is asked about. */
export const SIGNATURE_SURE = 0.8

/** Whether a document carries a pen's signature where its type expects one; `sure` from 0 to 1. */
export interface Signature {
  signed: boolean
  confidence: number
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
    for (const label of findLabels(page, type)) {
      if (
        !label.meanings.some((m) => m.role === 'signature') ||
        (!label.leads && !label.colon) ||
        label.segment.words.length > label.to - label.from + 6 ||
        spoken(label)
      )
        continue
      if (page.source !== 'text' && namesWho(label)) continue
      const start = label.lineOf.words[label.from].box
      const end = label.lineOf.words[label.to - 1].box
      const tall = label.lineOf.height / page.height
      // A caption in small print stands in a place that is as large as that of any other.
      const reach = Math.max(tall, usualWord(page)) * REACH
      // A scrawl is read as words too, but never as sure ones: what parts the place to sign from the next is print.
      const inLine = label.lineOf.segments
        .slice(label.lineOf.segments.indexOf(label.segment) + 1)
        .flatMap((s) => s.words)
        .find((w) => isPrint(w, page) && /[\p{L}\d]/u.test(w.text))
      const right = Math.min(
        1,
        Math.max(end[2] + 0.34, start[0] + 0.36),
        inLine && inLine.box[0] > end[2] + 0.1 ? inLine.box[0] - 0.01 : 1,
      )
      const above = lines
        .filter(
          (l) =>
            l.box[3] <= start[1] + tall * 0.3 &&
            l.words.some(
              (w) =>
                isPrint(w, page) && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text),
            ),
        )
        .at(-1)
      const below = lines.find(
        (l) =>
          l.box[1] >= end[3] - tall * 0.3 &&
          l.words.some(
            (w) =>
              isPrint(w, page) && w.box[2] > start[0] && w.box[0] < right && /[\p{L}\d]{3}/u.test(w.text),
          ),
      )
      const area: Box = [
        Math.max(0, start[0] - 0.02),
        Math.max(above ? above.box[3] : 0, start[1] - reach),
        right,
        Math.min(below ? below.box[1] : 1, end[3] + reach),
      ]
      const strokes = page.ink ? strokesIn(page.ink, area, printed) : NO_STROKES
      const signed = penned(strokes)
      // What is a scrawl only if weak words are one: likely signed, but a person is to look.
      const likely = !signed && page.ink !== null && penned(strokesIn(page.ink, area, surely))
      const sure = likely
        ? LIKELY
        : signed
          ? Math.min(0.99, 0.6 + strokes.cells / 60)
          : Math.max(0.5, 0.98 - strokes.cells / 30)
      const found: Signature = { signed: signed || likely, confidence: sure, page: page.number, box: area }
      if (
        !best ||
        (found.signed && !best.signed) ||
        (found.signed === best.signed && found.confidence > best.confidence)
      )
        best = found
    }
  }
  // What a pen drew beside a caption on a page with a text layer is known from its drawing already.
  const pen = best?.signed ? null : penAnywhere(best ? pages.filter((p) => p.source !== 'text') : pages)
  if (best && !(pen && follows(pen, best))) return best
  if (pen) return pen
  const last = pages.at(-1)!
  return { signed: false, confidence: 0.5, page: last.number, box: [0, 0.5, 1, 1] }
}

/**
 * The day printed over "Signed on" ends its place; the pen beside it may stand as much higher, as a share of
 * the height.
 */
const BESIDE_DAY = 0.03

/**
 * Whether a pen's stroke stands where a caption may speak of it, though not in the place next to it: print may come
 * between, and the other party's place. What a hand wrote further up fills in a form.
 */
const follows = (pen: Signature, place: Signature): boolean =>
  pen.page > place.page || (pen.page === place.page && pen.box[3] > place.box[1] - BESIDE_DAY)

/** "The chair closed the meeting." speaks of who signs, and is no place to sign. */
const spoken = ({ segment }: LabelHit): boolean =>
  segment.words.length >= 4 && /\p{Ll}{2}\.$/u.test(segment.words.at(-1)!.text)

/**
 * "Sole trader | Ottilie Pettigrew" at the head of a paper says who, with the name beside it or beneath; the
 * same words under a rule say where to sign.
 */
function namesWho({ meanings, lineOf, segment, to, line, page }: LabelHit): boolean {
  if (!meanings.some((m) => m.role === 'field')) return false
  const named = (words: readonly Word[]): boolean =>
    words.filter((w) => isPrint(w, page) && /^\p{Lu}\p{L}/u.test(w.text)).length > 1
  const behind = segment.words.slice(segment.words.indexOf(lineOf.words[to - 1]) + 1)
  const under = linesOf(page)
    .slice(line + 1, line + 3)
    .find((l) => (l.box[1] - lineOf.box[3]) * page.height < lineOf.height)
    ?.segments.find((s) => Math.abs(s.box[0] - segment.box[0]) < 0.012)
  return (
    named([...behind, ...(lineOf.segments[lineOf.segments.indexOf(segment) + 1]?.words ?? [])]) ||
    named(under?.words ?? [])
  )
}

/** As a share of the page's width and height: what a hand makes of a name. */
const isHand = ([left, top, right, bottom]: Box): boolean =>
  right - left > 0.05 && right - left < 0.55 && bottom - top > 0.006 && bottom - top < 0.14
/** Letters as tall as this, as a share of a drawing around them, are framed by it: a stamp, no hand. */
const FRAMED = 0.3
const framesWords = ([left, top, right, bottom]: Box, page: Page): boolean =>
  page.words.some(
    ({ box }) =>
      box[0] >= left &&
      box[2] <= right &&
      box[1] >= top &&
      box[3] <= bottom &&
      box[3] - box[1] > (bottom - top) * FRAMED,
  )
/** How far above or below its caption a signature stands, as a share of the height. */
const NEAR_CAPTION = 0.09
const DRAWN = 0.96
const DRAWN_APART = 0.86

/**
 * A pen's line that the page itself carries as a drawing, or a picture beside a place to sign: known exactly,
 * where ink has to be told from print. Far from any caption only a line counts, and only below the
 * letterhead.
 */
function penDrawn(pages: readonly Page[], type: DocumentType): Signature | null {
  let apart: Signature | null = null
  for (const page of pages) {
    const hands = (page.pens ?? []).filter((p) => isHand(p.box) && !framesWords(p.box, page))
    if (hands.length === 0) continue
    const captions = findLabels(page, type)
      .filter((l) => l.meanings.some((m) => m.role === 'signature') && (l.leads || l.colon) && !spoken(l))
      .map((l) => l.lineOf.box)
    for (const { box, drawn } of hands) {
      const near = captions.some((c) => c[1] - box[3] < NEAR_CAPTION && box[1] - c[3] < NEAR_CAPTION)
      if (near) return { signed: true, confidence: DRAWN, page: page.number, box }
      if (drawn && box[1] > 0.15) apart = { signed: true, confidence: DRAWN_APART, page: page.number, box }
    }
  }
  return apart
}

const NO_STROKES: Strokes = { cells: 0, width: 0, height: 0 }

/** A signature is wider than a stain and taller than what is left of a rule. */
const penned = (strokes: Strokes): boolean =>
  strokes.cells >= 14 && strokes.width > 0.035 && strokes.height > 0.007

/** As sure as a signature is that rests on one weak sign. */
const LIKELY = 0.7

/** A hand goes up and down: more of its ink lies in a place than in an arc of a stamp from corner to corner. */
const CURLED = 1.2

/** Where a hand may sign, as a share of the page's height: below the letterhead, which later pages have none of. */
const [UNDER_LETTERHEAD, UNDER_EDGE] = [0.18, 0.06]

/**
 * The place of a signature that no caption led to, as shares of the page: below the head, and smaller than a
 * picture.
 */
const isScrawl =
  ({ columns, rows }: InkGrid, head: number) =>
  ({ cells, width, height, box }: Strokes & { box: Box }): boolean =>
    cells >= Math.max(20, CURLED * (width * columns + height * rows)) &&
    width > 0.06 &&
    width < 0.5 &&
    height > 0.008 &&
    height < 0.1 &&
    width > height * 0.8 &&
    box[1] > head

const TALLER_THAN_PRINT = 0.017

/** A pen's stroke on the last pages when no label led to it: likely the signature, but a person is to look. */
function penAnywhere(pages: readonly Page[]): Signature | null {
  for (const page of pages.toReversed()) {
    if (!page.ink) continue
    const scrawled = isScrawl(page.ink, page === pages[0] ? UNDER_LETTERHEAD : UNDER_EDGE)
    // A scrawl that was spelt as a word, none too surely, is one all the same where it stands taller than print.
    const spelt = () =>
      strokesOn(page.ink!, surelyPrintedOn(page)).filter((s) => scrawled(s) && s.height > TALLER_THAN_PRINT)
    const plainly = strokesOn(page.ink, printedOn(page)).filter(scrawled)
    const [widest] = (plainly.length > 0 ? plainly : spelt()).sort((a, b) => b.width - a.width)
    // Ink of a page with a text layer is drawn coarsely, and thin pens fall apart in it.
    const place = widest?.box ?? (page.source === 'text' ? bandOfStrokes(page, page.ink) : null)
    if (place) return { signed: true, confidence: LIKELY, page: page.number, box: place }
  }
  return null
}

/**
 * A band of the page with strokes in it that hang together too little to be one: thin pens, and names written
 * letter by letter.
 */
function bandOfStrokes(page: Page, ink: InkGrid): Box | null {
  const printed = printedOn(page)
  for (let top = 0.2; top < 0.92; top += 0.035) {
    const band: Box = [0.04, top, 0.96, top + 0.07]
    const strokes = strokesIn(ink, band, printed)
    if (strokes.cells >= 25 && strokes.width > 0.06 && strokes.width < 0.5 && strokes.height > 0.01)
      return band
  }
  return null
}
