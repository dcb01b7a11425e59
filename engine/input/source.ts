import { wellFormed } from '../../core/text/index.ts'
import type { Metadata } from 'sharp'
import {
  type Box,
  type Page,
  type PageCode,
  type Rotation,
  turnBox,
  type Word,
} from '../../core/model/index.ts'
import type { NeedsInk } from '../../core/extraction/index.ts'
import { kindOf } from './kind.ts'
import { coarser, Pdf, PdfProblem, type PdfPage } from '../pdf/pdfium.ts'
import { toGreyscale, turned, type Grey } from '../image/greyscale.ts'
import { pictures } from '../image/library.ts'
import { inkGrid } from '../image/measure.ts'
import { findSheet, unwarp, type Quad } from '../image/perspective.ts'
import { readBarcodes } from '../ocr/barcodes.ts'
import { recogniseRegions } from '../ocr/recognise-regions.ts'
import { readScan, languageIn } from '../ocr/read-scan.ts'
import { UnusableFile } from './unusable-file.ts'

/** A page as the readers leave it, before it has a number in a package. */
export type ReadPage = Omit<Page, 'number' | 'file' | 'filePage' | 'separator'>

/** How a page is read. */
export interface ReadOptions {
  /** Tells of the words of a page whether its ink is measured. */
  wantsInk: NeedsInk
  /** How a person says that the page lies; without it the reader finds out. */
  said?: Rotation
}

/** A file with pages, open for reading. Pages are numbered from 0. */
export interface Source {
  pages: number
  read(index: number, options: ReadOptions): Promise<ReadPage>
  /** The words of a page that was read as a picture, after the second reader looked at some places of it. */
  recogniseRegions(
    index: number,
    page: Pick<Page, 'rotation' | 'words'>,
    places: readonly Box[],
  ): Promise<Word[]>
  /** The page upright, as WebP of at most `width` dots across. */
  picture(index: number, rotation: Page['rotation'], width: number): Promise<Buffer>
  /** Bytes that a PDF library can take pages from; pictures are wrapped. */
  kind: 'pdf' | 'picture'
  close(): void
}

const SCAN_DPI = 200
/** Pictures of fewer dots are drawn at SCAN_DPI: readers want letters of some size. */
const COARSEST_DPI = 145
/** Enough to tell a pen from a rule; every dot more is paid for on each page with a place to sign. */
const INK_DPI = 54

/** Opens a file by its contents, whatever its name. @throws UnusableFile */
export async function openSource(bytes: Uint8Array): Promise<Source> {
  if (bytes.length === 0) throw new UnusableFile('The file is empty.')
  const source = await openAs(await kindOf(bytes), bytes)
  return { ...source, read: async (index, options) => inShort(await source.read(index, options)) }
}

async function openAs(type: string | null, bytes: Uint8Array): Promise<Source> {
  if (type === 'application/pdf') return openPdf(bytes)
  if (type === 'image/jpeg' || type === 'image/png' || type === 'image/tiff') return openPicture(bytes)
  if (type === 'application/vnd.ms-tnef')
    throw new UnusableFile(
      'The sender’s mail program packed the papers into one file that others cannot open; ask for them as attachments of their own.',
    )
  throw new UnusableFile(
    'This is not a kind of file that can be read here; PDF, TIFF, JPEG, PNG, ZIP and e-mail can.',
  )
}

/**
 * A hundred thousandth of a page is finer than any print. Said to the last bit, places would be half of all
 * that is stored of a package.
 */
const inShort = (page: ReadPage): ReadPage => ({
  ...page,
  words: page.words.map((w) => ({
    ...w,
    text: wellFormed(w.text),
    box: w.box.map((at) => Math.round(at * 1e5) / 1e5) as Box,
  })),
})

async function openPdf(bytes: Uint8Array): Promise<Source> {
  let pdf: Pdf
  try {
    pdf = await Pdf.open(bytes)
  } catch (error) {
    if (!(error instanceof PdfProblem)) throw error
    throw new UnusableFile(
      {
        locked: 'This PDF is locked with a password.',
        damaged: 'This PDF is damaged and cannot be opened.',
        empty: 'This PDF has no pages.',
      }[error.why],
    )
  }
  return {
    kind: 'pdf',
    pages: pdf.pages,
    read: (index, options) => readPdfPage(pdf, index, options),
    recogniseRegions: async (index, page, places) =>
      recogniseRegions(
        turned((await scanned(pdf, index, pdf.read(index).width)).picture, page.rotation),
        page.words,
        places,
      ),
    async picture(index, rotation, width) {
      const size = pdf.read(index)
      const across = rotation % 180 ? size.height : size.width
      const { width: w, height: h, data } = pdf.renderColour(index, Math.min(300, (width / across) * 72))
      const sharp = await pictures()
      return sharp(data, { raw: { width: w, height: h, channels: 4 } })
        .removeAlpha()
        .rotate(rotation)
        .webp({ quality: 82, effort: 1 })
        .toBuffer()
    },
    close: () => pdf.close(),
  }
}

async function readPdfPage(pdf: Pdf, index: number, { wantsInk, said }: ReadOptions): Promise<ReadPage> {
  const found = pdf.read(index)
  const trusted =
    found.strange < 0.25 &&
    !(found.pictured > 0.5 && found.letters < 160) &&
    (found.letters >= FEW_LETTERS || (found.letters > 0 && found.pictured === 0 && found.drawn < SQUARES))
  if (trusted) {
    const rotation = said ?? found.turned
    const words =
      rotation === 0 ? found.words : found.words.map((w) => ({ ...w, box: turnBox(w.box, rotation) }))
    const [width, height] = rotation % 180 ? [found.height, found.width] : [found.width, found.height]
    const pens = found.pens.map((p) => ({ ...p, box: turnBox(p.box, rotation) }))
    const codes = await codesOn(pdf, index, found, rotation)
    const ink = wantsInk(words, found.strokes) ? inkGrid(turned(pdf.render(index, INK_DPI), rotation)) : null
    return {
      width,
      height,
      rotation,
      source: 'text',
      blank: false,
      words,
      skew: 0,
      ink,
      ...(pens.length > 0 ? { pens } : {}),
      ...(codes.length > 0 ? { codes } : {}),
      ...languageIn(words),
      qualityProblem: null,
    }
  }
  // A page without a letter or a picture is blank, or drawn: a small rendering tells, and most are blank.
  if (found.letters === 0 && found.pictured === 0 && isEmpty(pdf.render(index, 40)))
    return {
      width: found.width,
      height: found.height,
      rotation: 0,
      source: 'none',
      blank: true,
      words: [],
      skew: 0,
      ink: null,
      qualityProblem: null,
    }
  const { picture, dpi } = await scanned(pdf, index, found.width)
  const scan = await readScan(picture, dpi, said)
  const [width, height] = scan.rotation % 180 ? [found.height, found.width] : [found.width, found.height]
  return {
    width,
    height,
    ...scan,
    source: scan.blank ? 'none' : found.letters > 0 && found.strange < 0.25 ? 'mixed' : 'ocr',
  }
}

/** A text layer of fewer letters is all that a page says only where nothing else is on it ("Annex A"). */
const FEW_LETTERS = 12
const CODE_DPI = 150
/** A text page of fewer words than this on which anything is drawn may be a sheet that is all barcode. */
const FEW_WORDS = 25
/** A text page with fewer words and something drawn on it may be a sheet that is all barcode. */
const SPARE = 60
/** A square code drawn in pieces has so many and more. */
const SQUARES = 60

/** Codes on a page with a text layer: only where a picture or bars stand is it drawn and read. */
async function codesOn(
  pdf: Pdf,
  index: number,
  found: Pick<PdfPage, 'codeLike' | 'drawn' | 'words'>,
  rotation: Page['rotation'],
): Promise<PageCode[]> {
  const spare = found.words.length < SPARE
  const bare = found.words.length < FEW_WORDS && found.drawn > 0
  if (found.codeLike.length === 0 && !bare && !(spare && found.drawn >= SQUARES)) return []
  const parts: Box[] = spare
    ? [[0, 0, 1, 1]]
    : found.codeLike
        .slice(0, 4)
        .map(([l, t, r, b]) => [
          Math.max(0, l - 0.02),
          Math.max(0, t - 0.015),
          Math.min(1, r + 0.02),
          Math.min(1, b + 0.015),
        ])
  const codes: PageCode[] = []
  for (const part of parts) {
    const [wide, tall] = [part[2] - part[0], part[3] - part[1]]
    for (const code of await readBarcodes(pdf.render(index, CODE_DPI, part), 0)) {
      const [l, t, r, b] = code.box
      codes.push({
        ...code,
        box: turnBox(
          [part[0] + l * wide, part[1] + t * tall, part[0] + r * wide, part[1] + b * tall],
          rotation,
        ),
      })
    }
  }
  return [...new Map(codes.map((c) => [`${c.format} ${c.text}`, c])).values()]
}

/** The picture of a scanned page: its own JPEG where the page is nothing else, else the page drawn. */
async function scanned(pdf: Pdf, index: number, points: number): Promise<{ picture: Grey; dpi: number }> {
  const jpeg = pdf.scannedJpeg(index)
  if (jpeg) {
    try {
      const sharp = await pictures()
      const source = sharp(jpeg, { failOn: 'error', limitInputPixels: MOST_PIXELS })
      const { width = 0, height = 0, space } = await source.metadata()
      const own = (width / points) * 72
      if ((space === 'srgb' || space === 'b-w') && own >= COARSEST_DPI) {
        const wanted = own > SCAN_DPI * 1.15 ? SCAN_DPI / own : 1
        const scale = wanted * coarser(width * wanted, height * wanted)
        return {
          picture: await toGreyscale(
            scale < 1 ? source.resize({ width: Math.max(1, Math.round(width * scale)) }) : source,
          ),
          dpi: own * scale,
        }
      }
    } catch {
      // A JPEG that this reader rejects may still be one that PDFium can draw.
    }
  }
  const picture = pdf.render(index, SCAN_DPI)
  // A huge page is drawn coarser than was asked.
  return { picture, dpi: Math.min(SCAN_DPI, (picture.width / points) * 72) }
}

function isEmpty({ data }: Grey): boolean {
  for (let i = 0; i < data.length; i++) if (data[i] <= 215) return false
  return true
}

/** Pictures with more dots are refused before they are unpacked. */
export const MOST_PIXELS = 150_000_000

/** Width of a sheet of A4 in inches: what a picture is taken to show that says no size of its own. */
const SHEET_INCHES = 8.27

/**
 * Dots an inch of a picture, drawn at `scale`: as it says itself, where that can be true of a scanned sheet; else so
 * that it is a sheet.
 */
export const dotsPerInch = (
  said: number | undefined,
  { width, height }: { width: number; height: number },
  scale: number,
): number =>
  said && said >= 100 && said <= 1200
    ? said * scale
    : Math.min(600, Math.max(72, Math.min(width, height) / SHEET_INCHES))

async function openPicture(bytes: Uint8Array): Promise<Source> {
  let info: Metadata
  const sharp = await pictures()
  const options = { limitInputPixels: MOST_PIXELS, failOn: 'truncated' as const }
  try {
    info = await sharp(bytes, options).metadata()
  } catch {
    throw new UnusableFile('This picture is damaged or too large and cannot be opened.')
  }
  // Each page of a TIFF has a size of its own. A huge one is made smaller while it is unpacked.
  const sizeOf = async (index: number): Promise<{ width: number; scale: number }> => {
    const { autoOrient } = await sharp(bytes, { ...options, page: index }).metadata()
    return { width: autoOrient.width, scale: coarser(autoOrient.width, autoOrient.height) }
  }
  const at = async (index: number) => {
    const { width, scale } = await sizeOf(index)
    const page = sharp(bytes, { ...options, page: index })
      .rotate()
      .flatten({ background: '#ffffff' })
    return scale < 1 ? page.resize({ width: Math.round(width * scale) }) : page
  }
  const asTaken = async (index: number): Promise<Grey> =>
    toGreyscale((await at(index)).toColourspace('srgb').removeAlpha())
  // A photographed sheet is shown and read as it looks from straight above; where its corners are is found out once.
  const quads = new Map<number, Quad | null>()
  const grey = async (index: number): Promise<Grey> => {
    const taken = await asTaken(index)
    let quad = quads.get(index)
    if (quad === undefined) quads.set(index, (quad = findSheet(taken)))
    return quad ? unwarp(taken, 1, quad) : taken
  }
  return {
    kind: 'picture',
    pages: info.pages ?? 1,
    async read(index, { said }) {
      const picture = await grey(index).catch(() => {
        throw new UnusableFile('This picture is damaged and cannot be read.')
      })
      const dpi = dotsPerInch(info.density, picture, (await sizeOf(index)).scale)
      const scan = await readScan(picture, dpi, said)
      const [w, h] = scan.rotation % 180 ? [picture.height, picture.width] : [picture.width, picture.height]
      return { width: (w / dpi) * 72, height: (h / dpi) * 72, ...scan, source: scan.blank ? 'none' : 'ocr' }
    },
    recogniseRegions: async (index, page, places) =>
      recogniseRegions(turned(await grey(index), page.rotation), page.words, places),
    async picture(index, rotation, width) {
      if (!quads.has(index)) await grey(index)
      const quad = quads.get(index)
      const { data, info: taken } = await (
        await at(index)
      )
        .toColourspace('srgb')
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      const seen = quad
        ? unwarp({ width: taken.width, height: taken.height, data }, taken.channels, quad)
        : { width: taken.width, height: taken.height, data }
      const upright = await sharp(seen.data, {
        raw: { width: seen.width, height: seen.height, channels: taken.channels },
      })
        .png({ compressionLevel: 1 })
        .toBuffer()
      return sharp(upright)
        .rotate(rotation)
        .resize({ width, withoutEnlargement: true })
        .webp({ quality: 82, effort: 1 })
        .toBuffer()
    },
    close: () => undefined,
  }
}
