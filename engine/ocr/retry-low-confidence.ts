import { type Box, boxAround, type Word } from '../../core/model/index.ts'
import { confidenceOf } from '../../core/ocr/index.ts'
import { inkLevel, type Grey } from '../image/greyscale.ts'
import { pictures } from '../image/library.ts'
import { uncoveredInk, usualHeight, withinLines } from '../image/uncovered-ink.ts'
import { recogniseAlone } from './merge-engines.ts'
import { recognise } from './tesseract.ts'

/** Words less sure than this are looked at again. */
const WEAK = 0.78
/** More places than this are a page that is weak as a whole: the same reader would only say the same again. */
const MOST = 48
/** How much larger the places are shown, which small print needs. */
const LARGER = 1.2
/** Dots of paper around a place, so that a reader sees where print ends. */
const MARGIN = 5
const GAP = 26
/**
 * The second reading stands where it is surer by this, and where nothing was read before if it is as sure as
 * that.
 */
const SURER = 0.1
const SURE = 0.8
const LEAST = 0.5
/** What was read of a place only in part, and weakly, gives way to this; nothing else is known to stand there. */
const FAIR = 0.65
/** A word less sure than this says nothing of what stands in its place. */
const SENSELESS = 0.05
/**
 * A row of dots to write on, whose further dots a reader takes for letters ("........ooococ"): no word, and
 * no doubt about the label before it.
 */
const LEADERS = /^[.·…_]{4,}/
/** What specks hardly look like: figures with their cents. */
const AMOUNT = /^[-+]?\p{Sc}?\d{1,3}(?:[.,]?\d{3})*[.,]\d{2}(?:\p{Sc}|-)?$/u

/** In heights of a place: what is longer is the edge of a sheet, over which the second reader would spend seconds. */
const LONGEST = 25
/**
 * In heights of the usual word, the least and most that a line of print is high; dots to write on are lower,
 * and stamps higher.
 */
const [LOWEST, HIGHEST] = [0.5, 1.8]

/**
 * In heights of letters: what is further from a word than a space is not looked for beside it, nor what goes
 * on for longer than this.
 */
const SPACE = 1.3
const FURTHEST = 14

/**
 * Reads the weak places of a page again: each cut out, larger, and with the accents of all languages, apart
 * from what stands beside it. Lines that a reader mixed up on the full page, small print and accented names
 * come out right.
 * @returns the words as they are then, and whether a whole part of the page was passed over, which is for
 * another reader
 */
export async function retryLowConfidence(
  picture: Grey,
  given: readonly Word[],
  dpi: number,
): Promise<{ words: Word[]; passedOver: boolean }> {
  const level = inkLevel(picture)
  const boxes = withinLines(
    picture,
    given.map((w) => w.box),
    level,
  )
  const trimmed = given.map((w, i) => (boxes[i] === w.box ? w : { ...w, box: boxes[i] }))
  // What makes no sense covers nothing: two lines taken for one make words of both, and hide what they are made of.
  const words = trimmed.filter((w) => w.confidence >= SENSELESS)
  const unread = uncoveredInk(
    picture,
    words.map((w) => w.box),
    level,
  )
  const all = placesOf(words, unread.places, picture, level)
  const mixedUp = new Set(trimmed.filter((w, i) => w !== given[i]))
  // The reader may say something else only where it passed over print, or took two lines for one.
  const places =
    all.filter((p) => !p.passed).length <= MOST
      ? all
      : all.filter((p) => p.passed || p.words.some((w) => mixedUp.has(w)))
  if (places.length === 0) return { words: trimmed, passedOver: unread.many }
  const sheet = await sheetOf(picture, places)
  const seen = await recognise(sheet.sheet, dpi * LARGER, { languages: 'eng+fra+spa', layout: 6 })
  const taken = takeReadings(places, seen, words, { ...sheet, picture })
  await readByOther(taken, picture, level)
  return { words: putTogether(given, trimmed, words, taken), passedOver: unread.many }
}

/** What came of places that were read again. */
interface Taken {
  /** What stands in place of words as they were. */
  again: Map<Word, Word[]>
  /** Words where none was. */
  added: Word[]
  /** Places of which nothing could be made. */
  open: Place[]
}

interface Sheet {
  sheet: Grey
  tops: number[]
  picture: Grey
}

/** Takes of each place what was read there more surely than before. */
function takeReadings(
  places: readonly Place[],
  seen: readonly Word[],
  words: readonly Word[],
  sheet: Sheet,
): Taken {
  const usual = usualHeight(
    words.map((w) => w.box),
    sheet.picture.height,
  )
  const taken: Taken = { again: new Map<Word, Word[]>(), added: [], open: [] }
  places.forEach((place, i) => {
    const { found, placed, parted } = readingOf(place, i, { seen, words, sheet })
    // An amount that nobody had seen is worth asking about, however weakly it and what is beside it are read.
    if (parted || confidenceOf(found) < neededFor(place)) {
      taken.added.push(
        ...placed.filter(
          (w) =>
            place.passed &&
            w.confidence >= LEAST &&
            AMOUNT.test(w.text) &&
            !place.words.some((k) => mostlyOn(w.box, k.box)),
        ),
      )
      if (place.passed && isLine(place, usual)) taken.open.push(place)
    } else if (place.words.length > 0 && placed.length > 0)
      place.words.forEach((word, k) => taken.again.set(word, k === 0 ? placed : []))
    // A stroke may be read as a figure, and would make another amount of the one beside it: the second reader
    // or a person sees it.
    else if (placed.some((w) => /[\p{L}\p{N}]/u.test(w.text)))
      taken.added.push(
        ...placed.map((w) =>
          /^\d{1,2}$/.test(w.text) ? { ...w, confidence: Math.min(w.confidence, SURE) } : w,
        ),
      )
  })
  return taken
}

/** How sure a new reading of a place must be to stand. */
function neededFor(place: Place): number {
  if (place.words.length === 0) return SURE
  const surer = confidenceOf(place.words) + SURER
  return place.passed ? Math.min(SURE, Math.max(FAIR, surer)) : Math.max(LEAST, surer)
}

/** What was read of one place, and where that stands on the page. */
function readingOf(
  place: Place,
  i: number,
  {
    seen,
    words,
    sheet: { sheet, tops, picture },
  }: { seen: readonly Word[]; words: readonly Word[]; sheet: Sheet },
): { found: Word[]; placed: Word[]; parted: boolean } {
  const [top, bottom] = [tops[i], tops[i + 1] - GAP]
  const found = seen.filter((w) => {
    const y = ((w.box[1] + w.box[3]) / 2) * sheet.height
    return y >= top && y < bottom && !LEADERS.test(w.text)
  })
  const at = (x: number, y: number): [number, number] => [
    place.left + (x * sheet.width - GAP) / LARGER,
    place.top + (y * sheet.height - top) / LARGER,
  ]
  const cutThrough = (w: Word) =>
    w.box[0] * sheet.width < GAP + 1 || w.box[2] * sheet.width > GAP + place.width * LARGER - 1
  const boxOf = (w: Word): Box => {
    const [[left, up], [right, down]] = [at(w.box[0], w.box[1]), at(w.box[2], w.box[3])]
    return [left / picture.width, up / picture.height, right / picture.width, down / picture.height]
  }
  const kept = words.filter((w) => !place.words.includes(w))
  // A word that was cut through, and the edge of one beside the place, are no words of their own.
  const placed = found
    .filter((w) => !cutThrough(w))
    .map((w) => ({ ...w, box: boxOf(w) }))
    .filter((w) => !kept.some((k) => mostlyOn(w.box, k.box)))
  // What is left of a reading that lost a cut-through word would be a part of a value, and look sure; the edge
  // of the next word is none of it.
  const parted =
    place.words.length > 0 &&
    found.some((w) => cutThrough(w) && !(place.passed && kept.some((k) => mostlyOn(boxOf(w), k.box))))
  return { found, placed, parted }
}

/** What the first reader cannot make out even alone may still be print to the second. */
async function readByOther({ again, added, open }: Taken, picture: Grey, level: number): Promise<void> {
  for (const place of open) {
    const { left, top, width, height } = place
    const line: Box = [
      left / picture.width,
      top / picture.height,
      (left + width) / picture.width,
      (top + height) / picture.height,
    ]
    const alone = added.some((w) => mostlyOn(w.box, line))
      ? []
      : await recogniseAlone(picture, line, level).catch(notRead)
    if (place.words.length === 0) added.push(...alone)
    else if (confidenceOf(alone) >= confidenceOf(place.words) + SURER)
      place.words.forEach((word, k) => again.set(word, k === 0 ? alone : []))
  }
}

/** The words of the page as they are then. */
function putTogether(
  given: readonly Word[],
  trimmed: readonly Word[],
  words: readonly Word[],
  { again, added }: Taken,
): Word[] {
  const seenNow = [...words.flatMap((w) => again.get(w) ?? [w]), ...added]
  const seenAll = [
    ...seenNow,
    ...trimmed.filter(
      (w) =>
        w.confidence < SENSELESS &&
        !seenNow.some((other) => mostlyOn(w.box, other.box) || mostlyOn(other.box, w.box)),
    ),
  ]
  // "89 N" cut out before "etmakers", which another place made "Netmakers": what one place brings along of
  // its neighbour is no word beside it.
  return seenAll.filter(
    (w) =>
      given.includes(w) ||
      !seenAll.some(
        (other) =>
          other !== w &&
          other.text.length > w.text.length &&
          other.text.includes(w.text) &&
          mostlyOn(w.box, other.box),
      ),
  )
}

/** Whether a place may hold a line of print. @param usual height of a word, in dots */
const isLine = ({ width, height }: Place, usual: number): boolean => {
  const ink = height - 2 * MARGIN
  return ink >= usual * LOWEST && ink <= usual * HIGHEST && width <= height * LONGEST
}

const notRead = (error: unknown): Word[] => {
  process.emitWarning(`a line could not be read by the second reader: ${String(error)}`)
  return []
}

interface Place {
  words: Word[]
  /** There is ink that no word covers. */
  passed: boolean
  left: number
  top: number
  width: number
  height: number
}

/** Weak words that follow one another, and ink that no word covers, in dots of the picture. */
function placesOf(words: readonly Word[], unread: readonly Box[], picture: Grey, level: number): Place[] {
  const { width, height } = picture
  const groups: { words: Word[]; boxes: Box[] }[] = []
  words.forEach((word, i) => {
    const before: Word | undefined = words[i - 1]
    const group = groups.at(-1)
    const goesOn = before && group?.words.at(-1) === before && near(before.box, word.box, width / height)
    const passed =
      before && follows(before.box, word.box) ? inkBetween(picture, before.box, word.box, level) : null
    const weak = word.confidence < WEAK && /[\p{L}\p{N}]/u.test(word.text)
    if (passed) {
      // What stands close to it is likely a part of it: a word whose first letter was passed over.
      const [headClose, tailClose] = [
        close(before.box, passed, width / height),
        close(passed, word.box, width / height),
      ]
      if (group && group.words.at(-1) === before) group.boxes.push(passed)
      else groups.push({ words: headClose ? [before] : [], boxes: [passed] })
      if (weak || tailClose) groups.at(-1)!.words.push(word)
    } else if (weak) {
      if (goesOn) group.words.push(word)
      else groups.push({ words: [word], boxes: [] })
    }
  })
  // "67 Old Q" passed over before "uay": what stands as near as a letter is read together with the word.
  const put = (box: Box) => {
    const word = words.find(
      (w) =>
        (follows(box, w.box) && close(box, w.box, width / height)) ||
        (follows(w.box, box) && close(w.box, box, width / height)),
    )
    const own = word && groups.find((g) => g.words.includes(word))
    if (own) own.boxes.push(box)
    else groups.push({ words: word ? [word] : [], boxes: [box] })
  }
  // Where lines begin or end, a reader that takes a gap between columns for an edge passes over what lies beyond.
  const tops = [...words].sort((a, b) => a.box[1] - b.box[1])
  words.forEach((word, i) => {
    const [before, behind]: (Word | undefined)[] = [words[i - 1], words[i + 1]]
    for (const step of [-1, 1] as const) {
      if (step < 0 ? before && follows(before.box, word.box) : behind && follows(word.box, behind.box))
        continue
      const box = inkBeside(picture, word.box, step, level)
      if (!box || tops.some((w) => mostlyOn(box, w.box) || mostlyOn(w.box, box))) continue
      put(box)
    }
  })
  for (const box of unread)
    if (!groups.some((g) => g.boxes.some((b) => mostlyOn(box, b) || mostlyOn(b, box)))) put(box)
  return groups.map((group) => {
    const [l, t, r, b] = boxAround([...group.boxes, ...group.words.map((w) => w.box)])
    const [left, top] = [
      Math.max(0, Math.round(l * width) - MARGIN),
      Math.max(0, Math.round(t * height) - MARGIN),
    ]
    const [right, bottom] = [
      Math.min(width, Math.round(r * width) + MARGIN),
      Math.min(height, Math.round(b * height) + MARGIN),
    ]
    const band = { top, bottom, level }
    const [from, to] = [clearColumn(picture, band, left, -1), clearColumn(picture, band, right - 1, 1) + 1]
    return {
      words: group.words,
      passed: group.boxes.length > 0,
      left: from,
      top,
      width: to - from,
      height: bottom - top,
    }
  })
}

/**
 * The next column without ink from `x` on, at most as far away as its band is high: a place must not end in
 * the middle of a letter, which would be read as another.
 */
function clearColumn(
  { width, data }: Grey,
  { top, bottom, level }: { top: number; bottom: number; level: number },
  x: number,
  step: 1 | -1,
): number {
  const most = bottom - top
  const inked = (column: number) => {
    for (let y = top; y < bottom; y++) if (data[y * width + column] < level) return true
    return false
  }
  for (let column = x; column >= 0 && column < width && Math.abs(column - x) <= most; column += step)
    if (!inked(column)) return column
  return x
}

/** Whether a box stands as near behind another as letters of a word do. */
const close = (a: Box, b: Box, shape: number): boolean =>
  b[0] - a[2] < ((Math.min(a[3], b[3]) - Math.max(a[1], b[1])) * 0.4) / shape

/** Whether more than a third of a box lies on another. */
function mostlyOn(a: Box, b: Box): boolean {
  const [wide, tall] = [
    Math.min(a[2], b[2]) - Math.max(a[0], b[0]),
    Math.min(a[3], b[3]) - Math.max(a[1], b[1]),
  ]
  return wide > 0 && tall > 0 && wide * tall > ((a[2] - a[0]) * (a[3] - a[1])) / 3
}

/** Whether a box stands behind another on its line. */
const follows = (a: Box, b: Box): boolean =>
  b[0] > a[2] && Math.min(a[3], b[3]) - Math.max(a[1], b[1]) > 0.5 * Math.min(a[3] - a[1], b[3] - b[1])

/**
 * The box of ink as tall as letters between two words of a line; null where there is none, or only dots or a
 * rule.
 */
function inkBetween({ width, height, data }: Grey, a: Box, b: Box, level: number): Box | null {
  const [left, right] = [Math.round(a[2] * width) + 3, Math.round(b[0] * width) - 3]
  const [top, bottom] = [Math.round(Math.min(a[1], b[1]) * height), Math.round(Math.max(a[3], b[3]) * height)]
  const tall = bottom - top
  if (right - left < tall * 0.4) return null
  let dots = 0
  let [x0, y0, x1, y1] = [right, bottom, left, top]
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++)
      if (data[y * width + x] < level) {
        dots++
        ;[x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)]
      }
  if (y1 - y0 < tall * 0.5 || dots < tall * tall * 0.12) return null
  return [x0 / width, top / height, (x1 + 1) / width, bottom / height]
}

/**
 * The box of ink as tall as letters that goes on before or behind a word at the distance of a space; null
 * where there is none.
 */
function inkBeside(
  { width, height, data }: Grey,
  [l, t, r, b]: Box,
  step: 1 | -1,
  level: number,
): Box | null {
  const [top, bottom] = [Math.round(t * height), Math.round(b * height)]
  const tall = bottom - top
  const start = step < 0 ? Math.round(l * width) - 2 : Math.round(r * width) + 2
  let [dots, clear, x0, x1, y0, y1] = [0, 0, width, 0, bottom, top]
  for (
    let x = start;
    x >= 0 && x < width && clear < tall * SPACE && Math.abs(x - start) < tall * FURTHEST;
    x += step
  ) {
    let inked = 0
    for (let y = top; y < bottom; y++)
      if (data[y * width + x] < level) {
        inked++
        ;[y0, y1] = [Math.min(y0, y), Math.max(y1, y)]
      }
    clear = inked > 0 ? 0 : clear + 1
    // A rule, or the side of a frame, is no letter.
    if (inked > tall * 0.98) return null
    if (inked > 0) [dots, x0, x1] = [dots + inked, Math.min(x0, x), Math.max(x1, x)]
  }
  if (y1 - y0 < tall * 0.5 || x1 - x0 < tall * 0.3 || dots < tall * tall * 0.12) return null
  return [x0 / width, top / height, (x1 + 1) / width, bottom / height]
}

const near = (a: Box, b: Box, shape: number): boolean =>
  b[0] - a[2] < ((a[3] - a[1]) * 1.5) / shape && b[0] > a[0] && Math.min(a[3], b[3]) > Math.max(a[1], b[1])

/** The places below one another on one sheet; `tops` are their upper edges, and the sheet's end. */
async function sheetOf(picture: Grey, places: readonly Place[]): Promise<{ sheet: Grey; tops: number[] }> {
  const cuts = await Promise.all(
    places.map(async ({ left, top, width, height }) => {
      const sharp = await pictures()
      const { data, info } = await sharp(picture.data, {
        raw: { width: picture.width, height: picture.height, channels: 1 },
      })
        .extract({ left, top, width, height })
        .resize({
          width: Math.round(width * LARGER),
          height: Math.round(height * LARGER),
          fit: 'fill',
          kernel: 'lanczos3',
        })
        .extractChannel(0)
        .raw()
        .toBuffer({ resolveWithObject: true })
      return { width: info.width, height: info.height, data }
    }),
  )
  const tops = cuts.reduce((all, cut) => [...all, all.at(-1)! + cut.height + GAP], [GAP])
  const sheet: Grey = {
    width: Math.max(...cuts.map((c) => c.width)) + 2 * GAP,
    height: tops.at(-1)!,
    data: new Uint8Array(0),
  }
  sheet.data = new Uint8Array(sheet.width * sheet.height).fill(245)
  cuts.forEach((cut, i) => {
    for (let y = 0; y < cut.height; y++)
      sheet.data.set(cut.data.subarray(y * cut.width, (y + 1) * cut.width), (tops[i] + y) * sheet.width + GAP)
  })
  return { sheet, tops }
}
