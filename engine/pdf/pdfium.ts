import { PDFiumLibrary } from '@hyzyla/pdfium'
import {
  type Box,
  boxAround,
  overlap,
  type PenMark,
  type Rotation,
  turnBox,
  type Word,
} from '../../core/model/index.ts'
import { joinCombFields, splitGluedWords } from '../../core/ocr/index.ts'
import type { Grey } from '../image/greyscale.ts'

/**
 * The raw functions of PDFium that the wrapper carries but does not offer: text boxes, boxes of pages, grey
 * bitmaps.
 */
interface Raw {
  HEAPU8: Uint8Array
  HEAPF32: Float32Array
  HEAPF64: Float64Array
  wasmExports: { malloc: (bytes: number) => number; free: (pointer: number) => void }
  [name: `_${string}`]: (...args: number[]) => number
}

let library: Promise<Raw> | null = null

function load(): Promise<Raw> {
  library ??= PDFiumLibrary.init().then((lib) => (lib as unknown as { module: Raw }).module)
  return library
}

/** Why a PDF cannot be opened. */
export class PdfProblem extends Error {
  constructor(readonly why: 'locked' | 'damaged' | 'empty') {
    super(why)
  }
}

/** What the text layer and the objects of a page say. */
export interface PdfPage {
  /** Of the page as it is shown, in points. */
  width: number
  height: number
  words: Word[]
  /** Letters in the text layer. */
  letters: number
  /** Share of letters that no encoding explains. */
  strange: number
  /** Largest share of the page that one picture covers. */
  pictured: number
  /** Degrees clockwise that bring sideways text upright. */
  turned: Rotation
  /** What on it may be a pen's doing: drawn lines of many curves, small pictures, notes laid over the page. */
  pens: PenMark[]
  /** Where a code may stand: small pictures, and bars drawn side by side. */
  codeLike: Box[]
  /** Something on it is drawn in more strokes than rules and frames are, or is a picture. */
  strokes: boolean
  /** How many things are drawn on it besides letters. */
  drawn: number
}

const ERROR_PASSWORD = 4
/** PDFium's kind of a page object that is a picture. */
const PICTURE = 3
const PATH = 2
const CURVE = 1
/** A group of objects with a matrix of its own; groups may lie in groups, so deep at most. */
const GROUP = 5
const DEEPEST = 6
/** A page has so many objects at most that are looked at. */
const MOST_OBJECTS = 20_000

/** A matrix as PDF writes it: x' = ax + cy + e, y' = bx + dy + f. */
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number]
const AS_IS: Matrix = [1, 0, 0, 1, 0, 0]
const moved = ([a, b, c, d, e, f]: Matrix, x: number, y: number): [number, number] => [
  a * x + c * y + e,
  b * x + d * y + f,
]
/** One matrix and then another. */
const times = ([a, b, c, d, e, f]: Matrix, [A, B, C, D, E, F]: Matrix): Matrix => [
  a * A + b * C,
  a * B + b * D,
  c * A + d * C,
  c * B + d * D,
  e * A + f * C + E,
  e * B + f * D + F,
]
/** So many points of curves, three to each, are more than a rounded frame has. */
const FEWEST_STROKES = 14
/** A frame is drawn in so many points and fewer. */
const FRAME = 6
/** No page is looked at for more marks than this: a map is drawn of thousands. */
const MOST_PENS = 40
/** Fewer bars than this are no code; rules of a table are fewer. */
const FEWEST_BARS = 20
const MOST_BARS = 400
/** A code drawn in one go has so many points and more. */
const MANY_RECTANGLES = 80
/** PDFium's kinds of notes that a signature is laid over a page with. */
const STAMP_NOTE = 13
const INK_NOTE = 15
/**
 * What PDFium says for a hyphen behind which a word goes on in the next line. It counts as a control sign,
 * and without it "11-Aug-" over "2027" would be the 11th of August of no year.
 */
const LINE_END_HYPHEN = 2
const RENDER_FLAGS = 0x01 | 0x10 // annotations; bytes in the order pictures want them

/** So many dots has a picture of a page at most: A3 at 600 dots an inch has 70 million, and no print needs them. */
const MOST_DOTS = 40e6

/**
 * Memory of PDFium's. Its heap is full after enough hostile pages, and every later file would be taken for a damaged
 * one: the process that it belongs to is no good any more.
 * @throws WebAssembly.RuntimeError where there is none left
 */
function allocate(raw: Raw, bytes: number): number {
  const pointer = raw.wasmExports.malloc(bytes)
  if (!pointer) throw new WebAssembly.RuntimeError('PDFium has no memory left')
  return pointer
}

/** A bitmap of PDFium's; as `allocate`. */
function bitmapOf(raw: Raw, width: number, height: number): number {
  const bitmap = raw._FPDFBitmap_Create(width, height, 0)
  if (!bitmap) throw new WebAssembly.RuntimeError('PDFium has no memory left')
  return bitmap
}

/** The dots of a page drawn at `dpi`, or as finely as is taken. */
function dotsOf(raw: Raw, page: number, dpi: number): [across: number, down: number] {
  const [width, height] = [raw._FPDF_GetPageWidthF(page), raw._FPDF_GetPageHeightF(page)]
  const scale = (dpi / 72) * coarser((width * dpi) / 72, (height * dpi) / 72)
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))]
}

/** How much coarser a picture is drawn so that it has no more dots than are taken; 1 for all but huge pages. */
export const coarser = (width: number, height: number): number =>
  Math.min(1, Math.sqrt(MOST_DOTS / Math.max(1, width * height)))

/** An open PDF. Pages are numbered from 0. Close it: its memory is outside the reach of the garbage collector. */
export class Pdf {
  private form = 0
  private formInfo = 0

  private constructor(
    private readonly raw: Raw,
    private readonly document: number,
    private readonly bytes: number,
    readonly pages: number,
  ) {}

  /** @throws PdfProblem where the file is locked, damaged or without pages */
  static async open(file: Uint8Array): Promise<Pdf> {
    const raw = await load()
    const bytes = allocate(raw, file.length)
    raw.HEAPU8.set(file, bytes)
    const document = raw._FPDF_LoadMemDocument(bytes, file.length, 0)
    if (!document) {
      const locked = raw._FPDF_GetLastError() === ERROR_PASSWORD
      raw.wasmExports.free(bytes)
      throw new PdfProblem(locked ? 'locked' : 'damaged')
    }
    const pages = raw._FPDF_GetPageCount(document)
    const pdf = new Pdf(raw, document, bytes, pages)
    if (pages < 1) {
      pdf.close()
      throw new PdfProblem('empty')
    }
    pdf.startForms()
    return pdf
  }

  /** Filled form fields are drawn and read only with a form environment. */
  private startForms(): void {
    const size = 256
    this.formInfo = allocate(this.raw, size)
    this.raw.HEAPU8.fill(0, this.formInfo, this.formInfo + size)
    this.raw.HEAPU8[this.formInfo] = 2
    this.form = this.raw._FPDFDOC_InitFormFillEnvironment(this.document, this.formInfo)
  }

  /**
   * Words with boxes, and what else decides how the page is read. Throws PdfProblem where the page itself is
   * broken.
   */
  read(index: number): PdfPage {
    const { raw } = this
    return this.onPage(index, (page) => {
      const { toPage, width, height } = this.frame(page)
      const text = raw._FPDFText_LoadPage(page)
      try {
        const found = readWords(raw, text, toPage, height / width, raw._FPDFPage_GetRotation(page))
        return {
          width,
          height,
          ...found,
          words: joinCombFields(splitGluedWords(found.words), width),
          pictured: this.pictured(page),
          ...this.marks(page, toPage),
        }
      } finally {
        raw._FPDFText_ClosePage(text)
      }
    })
  }

  /** The page, or a part of it as shares of its width and height, as a grey picture of `dpi` dots an inch. */
  render(index: number, dpi: number, part: Box = [0, 0, 1, 1]): Grey {
    const { raw } = this
    return this.onPage(index, (page) => {
      const [across, down] = dotsOf(raw, page, dpi)
      const [left, top] = [Math.round(part[0] * across), Math.round(part[1] * down)]
      const [width, height] = [
        Math.max(1, Math.round(part[2] * across) - left),
        Math.max(1, Math.round(part[3] * down) - top),
      ]
      const bitmap = bitmapOf(raw, width, height)
      try {
        raw._FPDFBitmap_FillRect(bitmap, 0, 0, width, height, 0xffffffff)
        raw._FPDF_RenderPageBitmap(bitmap, page, -left, -top, across, down, 0, RENDER_FLAGS)
        if (this.form) raw._FPDF_FFLDraw(this.form, bitmap, page, -left, -top, across, down, 0, RENDER_FLAGS)
        return { width, height, data: toGrey(raw, bitmap, width, height) }
      } finally {
        raw._FPDFBitmap_Destroy(bitmap)
      }
    })
  }

  /**
   * The JPEG of a page that is one picture and nothing else, as most scanners write them: decoding it costs a
   * tenth of drawing the page. Null where anything is turned, cropped, masked or drawn besides.
   */
  scannedJpeg(index: number): Uint8Array | null {
    const { raw } = this
    return this.onPage(index, (page) => {
      if (
        raw._FPDFPage_CountObjects(page) !== 1 ||
        raw._FPDFPage_GetRotation(page) !== 0 ||
        raw._FPDFPage_GetAnnotCount(page) !== 0
      )
        return null
      const object = raw._FPDFPage_GetObject(page, 0)
      if (
        raw._FPDFPageObj_GetType(object) !== PICTURE ||
        raw._FPDFPageObj_HasTransparency(object) ||
        raw._FPDFImageObj_GetImageFilterCount(object) !== 1
      )
        return null
      const place = allocate(raw, 64)
      try {
        const named = raw._FPDFImageObj_GetImageFilter(object, 0, place, 64)
        if (Buffer.from(raw.HEAPU8.subarray(place, place + named - 1)).toString('latin1') !== 'DCTDecode')
          return null
        raw._FPDF_GetPageBoundingBox(page, place)
        const [left, top, right, bottom] = raw.HEAPF32.slice(place / 4, place / 4 + 4)
        raw._FPDFPageObj_GetMatrix(object, place)
        const [a, b, c, d, e, f] = raw.HEAPF32.slice(place / 4, place / 4 + 6)
        const near = (x: number, y: number) => Math.abs(x - y) <= 1
        if (!(
          a > 0 &&
          d > 0 &&
          near(b, 0) &&
          near(c, 0) &&
          near(e, left) &&
          near(f, bottom) &&
          near(a, right - left) &&
          near(d, top - bottom)
        ))
          return null
      } finally {
        raw.wasmExports.free(place)
      }
      const length = raw._FPDFImageObj_GetImageDataRaw(object, 0, 0)
      const bytes = allocate(raw, length)
      raw._FPDFImageObj_GetImageDataRaw(object, bytes, length)
      const jpeg = raw.HEAPU8.slice(bytes, bytes + length)
      raw.wasmExports.free(bytes)
      return jpeg
    })
  }

  /** The page in colour, as RGBA bytes. */
  renderColour(index: number, dpi: number): { width: number; height: number; data: Uint8Array } {
    const { raw } = this
    return this.onPage(index, (page) => {
      const [width, height] = dotsOf(raw, page, dpi)
      const bitmap = bitmapOf(raw, width, height)
      try {
        raw._FPDFBitmap_FillRect(bitmap, 0, 0, width, height, 0xffffffff)
        raw._FPDF_RenderPageBitmap(bitmap, page, 0, 0, width, height, 0, RENDER_FLAGS)
        if (this.form) raw._FPDF_FFLDraw(this.form, bitmap, page, 0, 0, width, height, 0, RENDER_FLAGS)
        const start = raw._FPDFBitmap_GetBuffer(bitmap)
        const data = raw.HEAPU8.slice(start, start + width * height * 4)
        for (let i = 3; i < data.length; i += 4) data[i] = 255
        return { width, height, data }
      } finally {
        raw._FPDFBitmap_Destroy(bitmap)
      }
    })
  }

  close(): void {
    if (this.form) this.raw._FPDFDOC_ExitFormFillEnvironment(this.form)
    this.raw._FPDF_CloseDocument(this.document)
    this.raw.wasmExports.free(this.formInfo)
    this.raw.wasmExports.free(this.bytes)
  }

  private onPage<T>(index: number, work: (page: number) => T): T {
    const page = this.raw._FPDF_LoadPage(this.document, index)
    if (!page) throw new PdfProblem('damaged')
    try {
      return work(page)
    } finally {
      this.raw._FPDF_ClosePage(page)
    }
  }

  /** Maps PDF coordinates (up, from the media box) to fractions of the page as shown, turned by its own /Rotate. */
  private frame(page: number): {
    width: number
    height: number
    toPage: (x: number, y: number) => [number, number]
  } {
    const { raw } = this
    const rect = allocate(raw, 16)
    raw._FPDF_GetPageBoundingBox(page, rect)
    const [left, top, right, bottom] = raw.HEAPF32.slice(rect / 4, rect / 4 + 4)
    raw.wasmExports.free(rect)
    const [w, h] = [Math.max(1e-6, right - left), Math.max(1e-6, top - bottom)]
    const turns = raw._FPDFPage_GetRotation(page)
    const maps: ((x: number, y: number) => [number, number])[] = [
      (x, y) => [(x - left) / w, (top - y) / h],
      (x, y) => [(y - bottom) / h, (x - left) / w],
      (x, y) => [(right - x) / w, (y - bottom) / h],
      (x, y) => [(top - y) / h, (right - x) / w],
    ]
    return {
      width: raw._FPDF_GetPageWidthF(page),
      height: raw._FPDF_GetPageHeightF(page),
      toPage: maps[turns] ?? maps[0],
    }
  }

  /**
   * Rounded corners have four curves; a pen's line has more, and is stroked where letters drawn as paths are
   * filled.
   */
  private marks(
    page: number,
    toPage: (x: number, y: number) => [number, number],
  ): { pens: PenMark[]; codeLike: Box[]; drawn: number; strokes: boolean } {
    const { raw } = this
    const place = allocate(raw, 16)
    const found: PenMark[] = []
    const codes: Box[] = []
    let drawn = 0
    let strokes = raw._FPDFPage_GetAnnotCount(page) > 0
    const bars: Box[] = []
    let within = AS_IS
    const placed = (): Box => {
      const [left, bottom, right, top] = raw.HEAPF32.slice(place / 4, place / 4 + 4)
      const corners = [
        [left, bottom],
        [left, top],
        [right, bottom],
        [right, top],
      ].map(([x, y]) => toPage(...moved(within, x, y)))
      const [xs, ys] = [corners.map(([x]) => x), corners.map(([, y]) => y)]
      return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]
    }
    const bounded = (object: number): boolean =>
      raw._FPDFPageObj_GetBounds(object, place, place + 4, place + 8, place + 12) !== 0
    const put = (drawn: boolean, bounds: boolean) => {
      if (!bounds) return
      const box = placed()
      if (box[2] - box[0] < 0.7 && box[3] - box[1] < 0.3) found.push({ box, drawn })
    }
    for (const { object, type, matrix } of this.objectsOn(page)) {
      if (found.length >= MOST_PENS || bars.length >= MOST_BARS) break
      if (type !== PATH && type !== PICTURE) continue
      within = matrix
      drawn++
      const curved = type === PATH && this.curved(object)
      // A line known to be a pen's needs no ink to be found by.
      strokes ||= type === PICTURE || (!curved && raw._FPDFPath_CountSegments(object) > FRAME)
      if (!curved && bounded(object)) {
        const box = placed()
        const [wide, tall] = [box[2] - box[0], box[3] - box[1]]
        if (
          type === PICTURE ? wide < 0.8 && tall < 0.5 : raw._FPDFPath_CountSegments(object) >= MANY_RECTANGLES
        )
          codes.push(box)
        else if (type === PATH && tall > 0.012 && wide < 0.012) bars.push(box)
      }
      if (type !== PICTURE && !curved) continue
      const stroked =
        curved && raw._FPDFPath_GetDrawMode(object, place, place + 4) !== 0 && raw.HEAPF32[place / 4] === 0
      put(stroked, bounded(object))
    }
    within = AS_IS
    const notes = Math.min(MOST_PENS, raw._FPDFPage_GetAnnotCount(page))
    for (let i = 0; i < notes; i++) {
      const note = raw._FPDFPage_GetAnnot(page, i)
      const kind = raw._FPDFAnnot_GetSubtype(note)
      // A rectangle in memory is left, top, right, bottom.
      if ((kind === STAMP_NOTE || kind === INK_NOTE) && raw._FPDFAnnot_GetRect(note, place))
        put(kind === INK_NOTE, true)
      raw._FPDFPage_CloseAnnot(note)
    }
    raw.wasmExports.free(place)
    if (bars.length >= FEWEST_BARS) codes.push(boxAround(bars))
    return { pens: found, codeLike: codes, drawn, strokes }
  }

  /**
   * The objects of a page, those of its groups (forms of their own, which writers make of whatever is see-through)
   * among them, each with the matrix that takes its places onto the page.
   */
  private *objectsOn(page: number): Generator<{ object: number; type: number; matrix: Matrix }> {
    const { raw } = this
    const place = allocate(raw, 24)
    let left = MOST_OBJECTS
    const walk = function* (
      count: number,
      at: (i: number) => number,
      matrix: Matrix,
      depth: number,
    ): Generator<{ object: number; type: number; matrix: Matrix }> {
      for (let i = 0; i < count && left-- > 0; i++) {
        const object = at(i)
        const type = raw._FPDFPageObj_GetType(object)
        if (type !== GROUP) yield { object, type, matrix }
        else if (depth < DEEPEST && raw._FPDFPageObj_GetMatrix(object, place)) {
          const own = [...raw.HEAPF32.slice(place / 4, place / 4 + 6)] as unknown as Matrix
          yield* walk(
            raw._FPDFFormObj_CountObjects(object),
            (k) => raw._FPDFFormObj_GetObject(object, k),
            times(own, matrix),
            depth + 1,
          )
        }
      }
    }
    try {
      yield* walk(raw._FPDFPage_CountObjects(page), (i) => raw._FPDFPage_GetObject(page, i), AS_IS, 0)
    } finally {
      raw.wasmExports.free(place)
    }
  }

  private curved(path: number): boolean {
    const { raw } = this
    const segments = raw._FPDFPath_CountSegments(path)
    if (segments < FEWEST_STROKES) return false
    let curves = 0
    for (let s = 0; s < segments && curves < FEWEST_STROKES; s++)
      if (raw._FPDFPathSegment_GetType(raw._FPDFPath_GetPathSegment(path, s)) === CURVE) curves++
    return curves >= FEWEST_STROKES
  }

  private pictured(page: number): number {
    const { raw } = this
    const objects = Math.min(60, raw._FPDFPage_CountObjects(page))
    const area = raw._FPDF_GetPageWidthF(page) * raw._FPDF_GetPageHeightF(page)
    const corner = allocate(raw, 16)
    let most = 0
    for (let i = 0; i < objects; i++) {
      const object = raw._FPDFPage_GetObject(page, i)
      if (raw._FPDFPageObj_GetType(object) !== PICTURE) continue
      raw._FPDFPageObj_GetBounds(object, corner, corner + 4, corner + 8, corner + 12)
      const [left, bottom, right, top] = raw.HEAPF32.slice(corner / 4, corner / 4 + 4)
      most = Math.max(most, ((right - left) * (top - bottom)) / area)
    }
    raw.wasmExports.free(corner)
    return most
  }
}

function readWords(
  raw: Raw,
  text: number,
  toPage: (x: number, y: number) => [number, number],
  aspect: number,
  shownTurned: number,
): Pick<PdfPage, 'words' | 'letters' | 'strange' | 'turned'> {
  const count = raw._FPDFText_CountChars(text)
  const rect = allocate(raw, 16)
  const ink = allocate(raw, 32)
  const found: Letter[] = []
  const turns = [0, 0, 0, 0]
  let letters = 0
  let strange = 0
  let behind: Letter['behind'] = 'space'
  let [lastX, lastY] = [NaN, NaN]
  for (let i = 0; i < count; i++) {
    const code = raw._FPDFText_GetUnicode(text, i)
    if ((code <= 32 && code !== LINE_END_HYPHEN) || code === 0xa0) {
      if (code !== 13 && code !== 10) behind = 'space'
      else if (behind === 'letter') behind = 'line'
      continue
    }
    if (code === 0xfffd || (code >= 0xe000 && code <= 0xf8ff) || code === 0xfffe) strange++
    letters++
    if (!raw._FPDFText_GetLooseCharBox(text, i, rect)) continue
    const f = rect / 4
    const [x0, y0] = toPage(raw.HEAPF32[f], raw.HEAPF32[f + 1])
    const [x1, y1] = toPage(raw.HEAPF32[f + 2], raw.HEAPF32[f + 3])
    if (letters % 8 === 1) turns[Math.round(raw._FPDFText_GetCharAngle(text, i) / (Math.PI / 2)) & 3]++
    let box: Word['box'] = [Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1)]
    // The letters of a ligature all stand where its glyph begins and are as wide as they would be alone: only
    // their ink tells how far the glyph goes.
    const joined = x0 === lastX && y0 === lastY
    if (joined && behind !== 'space' && raw._FPDFText_GetCharBox(text, i, ink, ink + 8, ink + 16, ink + 24)) {
      const [left, right, bottom, top] = raw.HEAPF64.slice(ink / 8, ink / 8 + 4)
      const [[a, b], [c, d]] = [toPage(left, bottom), toPage(right, top)]
      box = [Math.min(a, c), Math.min(b, d, box[1]), Math.max(a, c), Math.max(b, d, box[3])]
    }
    ;[lastX, lastY] = [x0, y0]
    found.push({ text: code === LINE_END_HYPHEN ? '-' : String.fromCodePoint(code), box, behind, joined })
    behind = 'letter'
  }
  // A letter's angle is told clockwise, as the page is written, before its /Rotate turns it further.
  const angle = turns.indexOf(Math.max(...turns))
  const turned = ([0, 90, 180, 270] as const)[-(angle + shownTurned) & 3]
  const words = uprightWords(found, turned, turned % 180 ? 1 / aspect : aspect)
  raw.wasmExports.free(rect)
  raw.wasmExports.free(ink)
  return { words, letters, strange: letters ? strange / letters : 0, turned }
}

/** A letter on a page, with what PDFium told before it. */
interface Letter {
  text: string
  box: Word['box']
  /** A space, an end of line, or another letter. */
  behind: 'space' | 'line' | 'letter'
  /** Drawn with the letter before, as one glyph. */
  joined: boolean
}

/** Puts the letters of a page that is shown turned into words, which lie as the page is shown. */
function uprightWords(letters: readonly Letter[], turned: Rotation, aspect: number): Word[] {
  const upright = turned ? letters.map((l) => ({ ...l, box: turnBox(l.box, turned) })) : letters
  const { words, returns } = intoWords(upright, aspect)
  for (const at of returns) doubtOverprint(words, at, aspect)
  const back = ((360 - turned) % 360) as Rotation
  return turned ? words.map((w) => ({ ...w, box: turnBox(w.box, back) })) : words
}

/**
 * Puts letters into words.
 * @returns with the words, which of them begin behind the end of the one before, in its line
 */
function intoWords(letters: readonly Letter[], aspect: number): { words: Word[]; returns: number[] } {
  const words: Word[] = []
  const returns: number[] = []
  const spaced = letterSpacing(letters, aspect)
  let current: Word | null = null
  letters.forEach(({ text, box, behind, joined }, i) => {
    const high = (box[3] - box[1]) * aspect
    if (behind === 'space') current = null
    // Letters kerned or leaning reach back a little; one that begins far behind the end of the last is drawn over it.
    const reach = high * 0.4
    const over = current !== null && !joined && current.box[2] - box[0] > reach
    // PDFium takes some wide layouts for columns of single letters and puts an end of line behind each: whether
    // it is one, the letter's place says.
    if (
      behind === 'line' &&
      current &&
      !(
        Math.abs(box[1] - current.box[1]) < (box[3] - box[1]) * 0.3 &&
        Math.abs(box[0] - current.box[2]) < high * 0.08 + spaced[i]
      )
    )
      current = null
    // Runs drawn side by side carry no space of their own; a gap of a fifth of the letters' height is one,
    // and behind a colon or a word's comma less.
    const room =
      high *
        (current?.text.endsWith(':')
          ? 0.06
          : current && /[,;]$/.test(current.text) && /\p{L}/u.test(text)
            ? 0.12
            : 0.2) +
      spaced[i]
    if (current && !over && box[0] - current.box[2] < room && box[0] >= current.box[0] - 0.002) {
      current.text += text
      current.box = [
        current.box[0],
        Math.min(current.box[1], box[1]),
        Math.max(current.box[2], box[2]),
        Math.max(current.box[3], box[3]),
      ]
    } else {
      const before = words.at(-1)
      if (before && before.box[2] - box[0] > reach && Math.abs(before.box[1] - box[1]) < box[3] - box[1])
        returns.push(words.length)
      current = { text, box, confidence: 1 }
      words.push(current)
    }
  })
  return { words, returns }
}

/** Letters further apart than their height are of different columns. */
const COLUMN = 1
/** Spacing of less than the first share of the letters' height is kerning; of more than the second, each has a box of its own. */
const SPACING = { least: 0.04, most: 0.35 }
/** Fewer gaps say nothing of how a line is spaced. */
const GAPS = 3

/**
 * How far letters stand apart beyond their own widths where a line is set with spacing between them, as small
 * headings are: with "B o r r o w e r" every gap would be a space. The middle gap of a stretch of letters of one
 * size counts, since more letters stand inside words than begin one.
 * @returns for each letter, in widths of the page
 */
function letterSpacing(letters: readonly Letter[], aspect: number): Float64Array {
  const spaced = new Float64Array(letters.length)
  let gaps: number[] = []
  let from = 0
  const close = (to: number) => {
    if (gaps.length >= GAPS) {
      const { box } = letters[from]
      const high = (box[3] - box[1]) * aspect
      const middle = gaps.sort((a, b) => a - b)[gaps.length >> 1]
      if (middle > high * SPACING.least && middle < high * SPACING.most) spaced.fill(middle, from, to)
    }
    gaps = []
    from = to
  }
  for (let i = 1; i < letters.length; i++) {
    const [before, box] = [letters[i - 1].box, letters[i].box]
    const high = (box[3] - box[1]) * aspect
    const gap = box[0] - before[2]
    const goesOn =
      Math.abs(box[1] - before[1]) < (box[3] - box[1]) * 0.3 &&
      Math.abs(box[3] - before[3]) < (box[3] - box[1]) * 0.3 &&
      gap < high * COLUMN &&
      gap > -high * COLUMN
    if (!goesOn) close(i)
    else if (letters[i].behind !== 'space') gaps.push(gap)
  }
  close(letters.length)
  return spaced
}

/** As sure as words are that stand over one another: nobody can say which letter belongs to which. */
const OVERPRINTED = 0.5
/** How many words of a line are looked at on either side. */
const NEARBY = 12

/** A value set over the end of its label is told to be hard to read. The same word twice is mere bold print. */
function doubtOverprint(words: readonly Word[], at: number, aspect: number): void {
  const written = words.slice(at, at + NEARBY)
  for (const under of words.slice(Math.max(0, at - NEARBY), at))
    for (const word of written) {
      const [a, b] = [under.box, word.box]
      const height = Math.min(a[3] - a[1], b[3] - b[1])
      const crossed =
        overlap(a[1], a[3], b[1], b[3]) > height * 0.7 &&
        overlap(a[0], a[2], b[0], b[2]) > height * aspect * 0.25
      if (!crossed || under.text === word.text || ![under, word].every((w) => /[\p{L}\p{N}]/u.test(w.text)))
        continue
      under.confidence = word.confidence = OVERPRINTED
    }
}

/**
 * Luminance of a colour bitmap. Drawing straight into a grey one would be quicker, but PDFium leaves pictures
 * out of it.
 */
function toGrey(raw: Raw, bitmap: number, width: number, height: number): Uint8Array {
  const start = raw._FPDFBitmap_GetBuffer(bitmap)
  const stride = raw._FPDFBitmap_GetStride(bitmap)
  const pixels = raw.HEAPU8
  const dots = new Uint32Array(pixels.buffer, 0, pixels.length >> 2)
  const grey = new Uint8Array(width * height).fill(255)
  for (let y = 0, to = 0; y < height; y++) {
    let from = start + y * stride
    // Most of a page is white, in all four bytes of its dots.
    for (const end = from + width * 4; from < end; from += 4, to++)
      if (dots[from >> 2] !== 0xffffffff)
        grey[to] = (pixels[from] * 77 + pixels[from + 1] * 150 + pixels[from + 2] * 29) >> 8
  }
  return grey
}
