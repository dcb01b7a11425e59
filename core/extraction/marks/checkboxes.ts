import { type Box, type Page, unpackInk, type Word } from '../../model/index.ts'
import { type Line, linesOf } from '../../layout/index.ts'
import { editDistance, tokens } from '../../text/index.ts'
import type { Field } from '../../program/index.ts'
import type { Candidate } from '../scoring/candidate.ts'
import { isStopWord } from '../labels/wording-similarity.ts'
import type { LabelHit } from '../labels/label.ts'

/** What a yes-or-no question is answered with. */
export const YES_NO = [
  { value: 'yes', words: ['yes', 'oui', 'sí', 'si', 'y'] },
  { value: 'no', words: ['no', 'non', 'none', 'n'] },
]

/** A ticked box as text, and as weak readers spell its frame. */
const CHECKED = /^[[({&|]{0,2}[\s*.'’]?[xX✓✔✕✖✗✘☒☑■●×][xXkK]?\s?[\])}|lI]?$/
const UNCHECKED = /^(?:[[({]\s?[\])}]|[☐□○O])$/

/** A ring as weak readers spell it, with a dot in it or without: what is in it, its ink tells. */
const RING = /^[@©®]$/

const isRing = (word: Word | undefined): boolean =>
  word !== undefined && (RING.test(word.text) || (word.text === '&' && word.confidence < 0.8))

/** How a small box reads as text: ticked, empty, or no box at all. */
const boxState = (text: string): boolean | null =>
  CHECKED.test(text) ? true : UNCHECKED.test(text) ? false : null

interface Option {
  value: string
  words: Word[]
  line: number
}

/**
 * The choice marked near a label: by a ticked box as text, by the ink in the boxes, or as the only word that
 * stands there.
 * @param choices values with their wordings
 */
export function readChoice(
  label: LabelHit,
  field: Field,
  choices: readonly { value: string; words: readonly string[] }[],
): Candidate | null {
  const { page } = label
  const starts = new Set(choices.flatMap((c) => c.words.map((wording) => tokens(wording)[0])))
  const lines =
    page.source === 'text'
      ? linesOf(page)
      : linesOf(page).map((line) => ({ ...line, words: boxesApart(line.words, starts) }))
  const near = lines
    .map((line, index) => ({ line, index }))
    .filter(
      ({ line, index }) =>
        index === label.line ||
        (index > label.line && (line.box[1] - label.lineOf.box[3]) * page.height < label.lineOf.height * 2.6),
    )
    .slice(0, 3)
  const options: Option[] = []
  const behind = label.segment.words.slice(label.segment.words.indexOf(label.lineOf.words[label.to - 1]) + 1)
  const ended = label.colon || /\?$/.test(label.lineOf.words[label.to - 1]?.text ?? '')
  for (const { line, index } of near) {
    // "Status in employment | Self-employed": words that go on with the label are no answer where one stands
    // apart from it; a box among them is.
    const end = index === label.line ? optionsFrom(line.words, label) : 0
    const apart =
      index === label.line &&
      end === label.to &&
      !ended &&
      !behind.some((w) => boxState(w.text) !== null || isRing(w)) &&
      line.segments.some((s) => s.box[0] > label.segment.box[2])
    const asked = index === label.line ? line.words.findLastIndex((w) => /\?$/.test(w.text)) : -1
    const words =
      asked >= label.from && asked < line.words.length - 1
        ? line.words.slice(asked + 1)
        : index === label.line
          ? line.words.slice(apart ? line.words.indexOf(label.segment.words.at(-1)!) + 1 : end)
          : line.words
    options.push(...optionsIn(words, index, choices, page.source !== 'text'))
    if (options.length > 0) break
  }
  if (options.length === 0) return null
  const base = { field: field.name, page, repaired: false }
  const score =
    (label.leads ? 3 : 1.6) -
    Math.min(1, label.meanings.some((m) => m.role === 'field' && m.field === field.name) ? 0 : 1)
  if (new Set(options.map((o) => o.value)).size === 1) {
    const line = lines[options[0].line]
    if (boxEndingAt(line.words, line.words.indexOf(options[0].words[0])) === false) return null
    // A ring before the one option that was read: there is another, and nobody knows which is marked.
    const ring = isRing(line.words[line.words.indexOf(options[0].words[0]) - 1])
    return {
      ...base,
      value: options[0].value,
      raw: options[0].words.map((w) => w.text).join(' '),
      words: options[0].words,
      partial: ring,
      score,
    }
  }
  const mark = markedOf(page, options, lines)
  return (
    mark && {
      ...base,
      value: mark.option.value,
      raw: `${mark.ticked ? '☒ ' : ''}${mark.option.words.map((w) => w.text).join(' ')}`,
      words: mark.option.words,
      partial: mark.contested,
      score: score + mark.sure,
    }
  )
}

interface Mark {
  option: Option
  /** Its box was read as a ticked one. */
  ticked: boolean
  /** Boxes read as text and the ink in them say different things. */
  contested: boolean
  /** Log-odds that the marks add. */
  sure: number
}

/** Which of several options is marked: by boxes read as text, or by their ink. */
function markedOf(page: Page, options: readonly Option[], lines: readonly Line[]): Mark | null {
  const ticked = tickedAsText(options, lines)
  if (ticked.length === 1) return { option: ticked[0], ticked: true, contested: false, sure: 0.5 }
  const inked = inkedOption(page, options, lines)
  const left = leftOver(options, lines)
  // Where all boxes but one were read as empty, ink that says otherwise makes it a question.
  if (left && inked && inked.option !== left) return { option: left, ticked: false, contested: true, sure: 0 }
  return inked && { option: inked.option, ticked: false, contested: false, sure: inked.clear ? 0 : -1.5 }
}

/** So many lines below the first, the options of one question still stand. */
const QUESTION = 4

/**
 * Choices that stand where values stand with no label known to lead to them: the one that is marked, or the
 * only one there. An empty box before the only one read says that another is marked.
 */
export function loneChoices(page: Page, field: Field): Candidate[] {
  const lines = linesOf(page)
  const options = lines.flatMap((line, index) =>
    line.segments.flatMap((segment) => {
      const own = segment.words.slice(segment.words.findLastIndex((w) => /:$/.test(w.text)) + 1)
      const found = optionsIn(own, index, field.choices, page.source !== 'text')
      const rest = own.filter(
        (w) =>
          !found.some((o) => o.words.includes(w)) &&
          boxState(w.text) === null &&
          !isRing(w) &&
          !/^[[({)}\]]$/.test(w.text) &&
          !isStopWord(w.text),
      )
      return rest.length === 0 ? found : []
    }),
  )
  if (options.length === 0) return []
  const near = options.filter((o) => o.line - options[0].line <= QUESTION)
  const base = (option: Option) => ({
    field: field.name,
    page,
    repaired: false,
    value: option.value,
    raw: option.words.map((w) => w.text).join(' '),
    words: option.words,
  })
  if (new Set(near.map((o) => o.value)).size > 1) {
    const mark = markedOf(page, near, lines)
    return mark ? [{ ...base(mark.option), partial: mark.contested, score: 1.2 + mark.sure }] : []
  }
  return boxBeside(lines[near[0].line].words, near[0].words) === false
    ? []
    : [{ ...base(near[0]), score: 1.2 }]
}

/** "Occupational status ● An employee" may be a wording as a whole: a box or ring among its words ends it. */
function optionsFrom(words: readonly Word[], { lineOf, from, to }: LabelHit): number {
  const first = lineOf.words[from].box[0]
  const box = words.findIndex(
    (w, i) => w.box[0] > first && i < to && (boxState(w.text) !== null || isRing(w)),
  )
  return box < 0 ? to : box
}

/**
 * "ONo", "@No", "[*x]Employed": a box or a ring that a reader of pictures took for a part of the option
 * behind it is a word of its own.
 */
const boxesApart = (words: readonly Word[], starts: ReadonlySet<string>): Word[] =>
  words.flatMap((word) => {
    const [, sign, option] =
      /^([O0@©®]|[[({|][^\p{L}\p{N}\])}|]?[xX]?[\])}|])(\p{Lu}.*)$/u.exec(word.text) ?? []
    if (!option || !starts.has(tokens(option)[0])) return [word]
    const [left, top, right, bottom] = word.box
    const end = left + ((right - left) * sign.length) / word.text.length
    return [
      { ...word, text: sign === '0' ? 'O' : sign, box: [left, top, end, bottom] },
      { ...word, text: option, box: [end, top, right, bottom] },
    ]
  })

/** Options whose box was read as text and is ticked; where all have a box on one side, that side alone counts. */
function tickedAsText(options: readonly Option[], lines: readonly Line[]): Option[] {
  for (const step of [-1, 1]) {
    const states = options.map((o) => {
      const words = lines[o.line].words
      return step < 0
        ? boxEndingAt(words, words.indexOf(o.words[0]))
        : boxState(words[words.indexOf(o.words.at(-1)!) + 1]?.text ?? '')
    })
    if (states.every((s) => s !== null) && states.filter(Boolean).length === 1)
      return options.filter((_, i) => states[i])
  }
  return options.filter((o) => boxBeside(lines[o.line].words, o.words) === true)
}

/**
 * The one option whose box was not read as empty where all others’ were, on one side; null where there is
 * none or several.
 */
function leftOver(options: readonly Option[], lines: readonly Line[]): Option | null {
  for (const step of [-1, 1]) {
    const open = options.filter((o) => {
      const { words } = lines[o.line]
      const [first, last] = [words.indexOf(o.words[0]), words.indexOf(o.words.at(-1)!)]
      const gap = (left: number) => gapBehind(words, left)
      // A box between two options is the nearer one's; what leads to the first of them has none.
      const another = (i: number) =>
        words[i] !== undefined && options.some((other) => other.words.includes(words[i]))
      if (step < 0)
        return (another(first - 2) && gap(first - 2) < gap(first - 1)) || boxEndingAt(words, first) !== false
      return (
        (another(last + 2) && gap(last + 1) < gap(last)) || boxState(words[last + 1]?.text ?? '') !== false
      )
    })
    if (open.length === 1) return open[0]
  }
  return null
}

/** Darkness within a frame below which nothing is in it: darker than another box it may be, but ticked it is not. */
const HOLLOW = 20

/** The option whose box holds more ink than the others'; boxes stand before all words or behind all of them. */
function inkedOption(
  page: Page,
  options: readonly Option[],
  lines: readonly Line[],
): { option: Option; clear: boolean } | null {
  const sides = (['before', 'behind'] as const).map((side) => {
    const marks = options.map((option) => ({
      option,
      ...inkBeside(page, option.words, lines[option.line].words, side),
    }))
    // Where there are boxes, even the empty one has its frame; what is inside the frame tells more than the frame.
    const boxes = marks.every((m) => m.dark > 60)
    const framed = marks.every((m) => m.inside !== null)
    const ranked = marks
      .map((m) => ({
        option: m.option,
        dark: framed ? m.inside! + 12 : m.dark,
        hollow: m.inside !== null && m.inside < HOLLOW,
      }))
      .sort((a, b) => b.dark - a.dark)
    return {
      best: ranked[0],
      least: Math.min(...marks.map((m) => m.dark)),
      boxes,
      framed,
      ratio: ranked[0].dark / Math.max(1, ranked[1].dark),
    }
  })
  // Boxes on one side settle it: what stands on the other side is the neighbour's, or the edge of the words
  // themselves.
  const boxed = sides
    .filter((s) => s.boxes)
    .sort((a, b) => b.least - a.least)
    .slice(0, 1)
  const [best] = (boxed.length > 0 ? boxed : sides)
    .filter((s) => (s.framed || s.best.dark > 40) && s.ratio > 1.15)
    .sort((a, b) => Number(b.framed) - Number(a.framed) || b.ratio - a.ratio)
  // Noise blurs what is in a box and what is its frame: on a scan only a clear lead counts as one.
  return best
    ? {
        option: best.best.option,
        clear: best.boxes && !best.best.hollow && best.ratio > (page.source === 'text' ? 1.3 : 2),
      }
    : null
}

/** @param forgiving a letter of a longer word may be misread, as on scans */
function optionsIn(
  words: Word[],
  line: number,
  choices: readonly { value: string; words: readonly string[] }[],
  forgiving: boolean,
): Option[] {
  const says = (read: readonly string[], wanted: readonly string[]) =>
    read.length === wanted.length &&
    read.every(
      (t, i) =>
        t === wanted[i] ||
        (forgiving && read.join('').length > 5 && wanted[i].length > 3 && editDistance(t, wanted[i], 1) <= 1),
    )
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
          if (own && says(read, wanted) && (!best || length > best.words.length))
            best = { value: choice.value, words: span, line }
        }
      }
    if (best) {
      at += best.words.length - 1
      // "[X] An employee": small words stand between a box and what it is for.
      const first = words.indexOf(best.words[0])
      const small =
        first > 1 &&
        isStopWord(words[first - 1].text) &&
        (boxEndingAt(words, first - 1) !== null || isRing(words[first - 2]))
      options.push(small ? { ...best, words: [words[first - 1], ...best.words] } : best)
    }
  }
  return options
}

/** The box that ends before a word, in one piece or as brackets apart: `[X]`, `[ ]`, `[ X ]`. */
function boxEndingAt(words: readonly Word[], index: number): boolean | null {
  for (const length of [1, 2, 3]) {
    const state =
      index >= length
        ? boxState(
            words
              .slice(index - length, index)
              .map((w) => w.text)
              .join(length === 2 ? ' ' : ''),
          )
        : null
    if (state !== null) return state
  }
  return null
}

/** How far behind a word of a line the next one stands. */
const gapBehind = (words: readonly Word[], left: number): number =>
  words[left] && words[left + 1] ? words[left + 1].box[0] - words[left].box[2] : Infinity

function boxBeside(words: Word[], option: Word[]): boolean | null {
  const [first, last] = [words.indexOf(option[0]), words.indexOf(option.at(-1)!)]
  // A mark between two options is the nearer one's.
  const gap = (left: number) => gapBehind(words, left)
  const before = first >= 2 && gap(first - 2) < gap(first - 1) * 0.6 ? null : boxEndingAt(words, first)
  const after = gap(last) < gap(last + 1) ? words[last + 1] : undefined
  const own = /^[[({☒☑✓✔✕✖✗✘■]/.exec(option[0].text)
  if (own)
    return boxState(option[0].text.slice(0, 1) === '[' ? option[0].text.slice(0, 3) : option[0].text[0])
  if (before !== null) return before
  if (after && boxState(after.text) === true && gap(last) < 0.03) return true
  return null
}

/** A ticked box is spelt in many ways, all of them short, with a bracket in them or unsure. */
const boxLike = (word: Word): boolean =>
  /^(?=.*[[\](){}|])\S{1,5}$/.test(word.text) || (word.text.length <= 3 && word.confidence < 0.75)

/** Ink in the place before or behind an option's words where a box would be, up to the next print. */
function inkBeside(
  page: Page,
  words: readonly Word[],
  line: readonly Word[],
  side: 'before' | 'behind',
): { dark: number; inside: number | null } {
  if (!page.ink) return { dark: 0, inside: null }
  const { columns, rows } = page.ink
  const cells = unpackInk(page.ink)
  const [start, end] = [words[0].box, words.at(-1)!.box]
  // "no" has no tall letter, but its box is as tall as those of its line.
  const own = start[3] - start[1]
  const tall = Math.min(
    own * 1.8,
    Math.max(
      own,
      ...line.filter((w) => /\p{L}{2}/u.test(w.text) && !boxLike(w)).map((w) => w.box[3] - w.box[1]),
    ),
  )
  const wide = (tall * page.height * 2.4) / page.width
  const prints = line
    .filter((w) => /\p{L}{2}/u.test(w.text) && !boxLike(w) && !words.includes(w))
    .map((w) => w.box)
  const from =
    side === 'before'
      ? Math.max(start[0] - wide, ...prints.filter((b) => b[2] <= start[0] + 0.001).map((b) => b[2] + 0.002))
      : end[2] + 0.002
  const to =
    side === 'before'
      ? start[0] - 0.001
      : Math.min(end[2] + wide, ...prints.filter((b) => b[0] >= end[2] - 0.001).map((b) => b[0] - 0.002))
  let dark = 0
  // No higher or lower than the word itself: the print of the lines around it would drown the tick.
  const [top, bottom] = [
    Math.round((start[1] + own * 0.08) * rows),
    Math.round((start[3] + own * 0.1) * rows),
  ]
  for (let y = top; y < bottom; y++)
    for (let x = Math.floor(from * columns); x < Math.floor(to * columns); x++)
      dark += cells[y * columns + x] ?? 0
  // A frame may be taller than its word or hang higher; what is print around it is left out.
  const around = page.words
    .filter(
      (w) =>
        /\p{L}{2}|\d{2}/u.test(w.text) &&
        !boxLike(w) &&
        w.box[0] < to &&
        w.box[2] > from &&
        Math.abs(w.box[1] - start[1]) < tall * 3,
    )
    .map((w) => w.box)
  const printed = (x: number, y: number) =>
    around.some(
      (b) =>
        x >= Math.floor(b[0] * columns) &&
        x <= b[2] * columns &&
        y >= Math.floor(b[1] * rows) &&
        y <= b[3] * rows,
    )
  const frame: Box = [
    Math.floor(from * columns),
    Math.round((start[1] - tall * 0.7) * rows),
    Math.floor(to * columns),
    Math.round((start[3] + tall * 0.5) * rows),
  ]
  return { dark, inside: insideFrame((x, y) => (printed(x, y) ? 0 : (cells[y * columns + x] ?? 0)), frame) }
}

/**
 * Mean darkness within the frame that the ink of a window makes, null where it is no frame: three cells each
 * way at least, and closed on its sides.
 */
function insideFrame(
  at: (x: number, y: number) => number,
  [x0, y0, x1, y1]: [number, number, number, number],
): number | null {
  let [left, top, right, bottom] = [x1, y1, x0 - 1, y0 - 1]
  for (let y = y0; y < y1; y++)
    for (let x = x0; x < x1; x++)
      if (at(x, y) > 60)
        [left, top, right, bottom] = [
          Math.min(left, x),
          Math.min(top, y),
          Math.max(right, x),
          Math.max(bottom, y),
        ]
  const [wide, tall] = [right - left + 1, bottom - top + 1]
  if (wide < 3 || tall < 3 || wide > tall * 2.2 || tall > wide * 2.2) return null
  const column = (x: number) => Array.from({ length: tall }, (_, i) => at(x, top + i))
  if ([left, right].some((x) => column(x).filter((v) => v > 40).length < tall * 0.7)) return null
  let sum = 0
  for (let y = top + 1; y < bottom; y++) for (let x = left + 1; x < right; x++) sum += at(x, y)
  return sum / ((wide - 2) * (tall - 2))
}
