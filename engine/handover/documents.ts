import { execFile } from 'node:child_process'
import { copyFile, mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import type { PDFDocument, PDFFont, PDFPage } from 'pdf-lib'
import { pictures } from '../image/library.ts'
import { kindOf } from '../input/kind.ts'
import { printable } from '../input/expand.ts'
import { dotsPerInch, MOST_PIXELS, openSource, type Source } from '../input/source.ts'
import { coarser, Pdf, PdfProblem } from '../pdf/pdfium.ts'
import type { CutPage, DocumentFile, Original } from './runs.ts'

const run = promisify(execFile)

/**
 * Writes a PDF per document of a run into `folder`. Pages are taken over as they came, turned upright by their /Rotate
 * alone; pages that were pictures get the words that were read as an invisible layer, so that they can be searched.
 * A document alone with a page that qpdf cannot take over is drawn anew: pictures of its pages with their words.
 * @param originals the files that the run's pages are in
 * @returns the names of those drawn anew
 * @throws NotTakenOver where one of several documents cannot be taken over
 */
export async function writeDocuments(
  folder: string,
  originals: readonly Original[],
  documents: readonly DocumentFile[],
): Promise<string[]> {
  const work = await mkdtemp(join(tmpdir(), 'jigsa-cut-'))
  try {
    await mkdir(folder, { recursive: true })
    await takeOver(work, folder, documents, await sourcesOf(work, originals, documents))
    return []
  } catch (error) {
    if (!(error instanceof NotTakenOver) || documents.length > 1) throw error
    const [{ name }] = documents
    await writeFile(join(folder, name), await drawnAnew(documents[0], originals))
    return [name]
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

/** Where a page is to be found by qpdf: a PDF on disk, and its number in it. */
type Sources = (page: CutPage) => { path: string; page: number }

/** PDFs as they came; of pictures, a PDF of those pages that the run asks for. */
async function sourcesOf(
  work: string,
  originals: readonly Original[],
  documents: readonly DocumentFile[],
): Promise<Sources> {
  const asked = documents.flatMap((d) => d.pages)
  const places = new Map<string, { path: string; at: Map<number, number> | null }>()
  for (const [i, { name, path }] of originals.entries()) {
    const numbers = [...new Set(asked.filter((p) => p.file === name).map((p) => p.filePage))]
    if (numbers.length === 0) continue
    const bytes = await readFile(path)
    if ((await kindOf(bytes)) === 'application/pdf') {
      places.set(name, { path, at: null })
      continue
    }
    const wrapped = join(work, `picture-${i}.pdf`)
    await writeFile(wrapped, await picturesAsPdf(bytes, numbers))
    places.set(name, { path: wrapped, at: new Map(numbers.map((n, at) => [n, at + 1])) })
  }
  return ({ file, filePage }) => {
    const place = places.get(file)
    if (!place) throw new Error(`the file ${file} of a page is not at hand`)
    return { path: place.path, page: place.at?.get(filePage) ?? filePage }
  }
}

/** Puts the pages of all documents one behind the other, and cuts that band into pieces of the same length. */
async function takeOver(
  work: string,
  folder: string,
  documents: readonly DocumentFile[],
  sources: Sources,
): Promise<void> {
  const pages = documents.flatMap((d) => d.pages)
  const turns = pages.flatMap((p, i) => (p.rotation ? [`--rotate=+${p.rotation}:${i + 1}`] : []))
  const scanned = pages.flatMap((p, i) => (isScanned(p) ? [{ page: p, at: i + 1 }] : []))
  const overlay: string[] = []
  if (scanned.length > 0) {
    const layer = join(work, 'layer.pdf')
    await writeFile(layer, await textLayer(scanned.map((s) => s.page)))
    overlay.push('--overlay', layer, `--to=${scanned.map((s) => s.at).join(',')}`, '--')
  }
  const made = join(work, 'made')
  await mkdir(made)
  const mended = await qpdf([
    '--empty',
    '--pages',
    ...bandOf(pages, sources),
    '--',
    ...turns,
    ...overlay,
    `--split-pages=${documents[0].pages.length}`,
    join(made, '%d.pdf'),
  ])
  // Names carry page numbers of one width, so their order is that of the pages.
  const names = (await readdir(made)).sort()
  if (names.length !== documents.length) throw new NotTakenOver('pages are missing')
  if (mended)
    for (const [i, document] of documents.entries())
      if (!(await isWhole(join(made, names[i]), document.pages))) throw new NotTakenOver('words are missing')
  await Promise.all(
    documents.map((document, i) => copyFile(join(made, names[i]), join(folder, document.name))),
  )
}

/** Pages as qpdf is told them: a file, then its pages, for as long as the file stays the same. */
function bandOf(pages: readonly CutPage[], sources: Sources): string[] {
  const band: string[] = []
  for (const { path, page } of pages.map(sources))
    if (band.at(-2) === path) band[band.length - 1] += `,${page}`
    else band.push(path, String(page))
  return band
}

const isScanned = (page: CutPage): boolean => page.source === 'ocr' || page.source === 'mixed'

/** Pages that qpdf cannot take over, though PDFium could read them. */
class NotTakenOver extends Error {}

/** What qpdf exits with where it wrote something and had to mend the pages for it. */
const MENDED = 3

/**
 * @returns whether it had to mend something, and what was mended may lack what the pages show
 * @throws NotTakenOver where it judges the pages; Error where it could not be run, which is no fault of theirs
 */
async function qpdf(args: string[]): Promise<boolean> {
  try {
    await run('qpdf', args)
    return false
  } catch (error) {
    const { code, stderr } = error as { code?: number | string; stderr?: string }
    if (code === MENDED) return true
    if (typeof code === 'number') throw new NotTakenOver(stderr)
    throw error
  }
}

/** Share of the words of a page that are at least found again where all of it was taken over. */
const FOUND_AGAIN = 0.8

/** Whether a document that was mended still says what was read in it. */
async function isWhole(path: string, pages: readonly CutPage[]): Promise<boolean> {
  const pdf = await Pdf.open(new Uint8Array(await readFile(path)))
  try {
    return (
      pdf.pages === pages.length &&
      pages.every(
        (page, i) => page.source !== 'text' || pdf.read(i).words.length >= page.words.length * FOUND_AGAIN,
      )
    )
  } catch (error) {
    if (error instanceof PdfProblem) return false
    throw error
  } finally {
    pdf.close()
  }
}

/** Most packages have a text layer of their own: what makes one is loaded when a page was scanned. */
const pdfLibrary = () => import('pdf-lib')

async function newPdf(): Promise<{ pdf: PDFDocument; font: PDFFont }> {
  const { PDFDocument, StandardFonts } = await pdfLibrary()
  const pdf = await PDFDocument.create()
  return { pdf, font: await pdf.embedFont(StandardFonts.Helvetica) }
}

/** The words of pages as text that is not drawn, on pages of their size. */
async function textLayer(pages: readonly CutPage[]): Promise<Uint8Array> {
  const { pdf, font } = await newPdf()
  for (const page of pages) await addWords(pdf.addPage([page.width, page.height]), page, font)
  return pdf.save()
}

/** Words as text that is not drawn (render mode 3 of ISO 32000-1, 9.3.6). */
async function addWords(
  page: PDFPage,
  { width, height, words }: Pick<CutPage, 'width' | 'height' | 'words'>,
  font: PDFFont,
): Promise<void> {
  const { TextRenderingMode, popGraphicsState, pushGraphicsState, setTextRenderingMode } = await pdfLibrary()
  page.pushOperators(pushGraphicsState(), setTextRenderingMode(TextRenderingMode.Invisible))
  for (const word of words) {
    const text = printable(word.text)
    const [left, top, right, bottom] = word.box
    const natural = font.widthOfTextAtSize(text, 1)
    const size = Math.max(
      1,
      Math.min(((right - left) * width) / Math.max(0.1, natural), (bottom - top) * height * 1.4),
    )
    page.drawText(text, { x: left * width, y: (1 - bottom + (bottom - top) * 0.2) * height, size, font })
  }
  page.pushOperators(popGraphicsState())
}

const JPEG_QUALITY = 88

/** Dots across of a page that is drawn anew, at 200 an inch on A4. */
const DRAWN_WIDTH = 1654

/** A document whose pages cannot be taken over: each as it is shown on screen, with all its words behind. */
async function drawnAnew(document: DocumentFile, originals: readonly Original[]): Promise<Uint8Array> {
  const { pdf, font } = await newPdf()
  const sharp = await pictures()
  const open = new Map<string, Source>()
  try {
    for (const page of document.pages) {
      let source = open.get(page.file)
      if (!source) {
        const path = originals.find((o) => o.name === page.file)!.path
        open.set(page.file, (source = await openSource(new Uint8Array(await readFile(path)))))
      }
      const shown = await source.picture(page.filePage - 1, page.rotation, DRAWN_WIDTH)
      const image = await pdf.embedJpg(await sharp(shown).jpeg({ quality: JPEG_QUALITY }).toBuffer())
      const { width, height } = page
      const made = pdf.addPage([width, height])
      made.drawImage(image, { x: 0, y: 0, width, height })
      await addWords(made, page, font)
    }
  } finally {
    for (const source of open.values()) source.close()
  }
  return pdf.save()
}

/** Pages of a picture file, by their numbers in it from 1, as a PDF of pages in that order. */
async function picturesAsPdf(bytes: Uint8Array, numbers: readonly number[]): Promise<Uint8Array> {
  const { PDFDocument } = await pdfLibrary()
  const pdf = await PDFDocument.create()
  const sharp = await pictures()
  const options = { limitInputPixels: MOST_PIXELS }
  const info = await sharp(bytes, options).metadata()
  for (const number of numbers) {
    const page = { ...options, page: number - 1 }
    const { autoOrient } = await sharp(bytes, page).metadata()
    const scale = coarser(autoOrient.width, autoOrient.height)
    const upright = sharp(bytes, page).rotate().flatten({ background: '#ffffff' })
    const { data, info: size } = await (
      scale < 1 ? upright.resize({ width: Math.round(autoOrient.width * scale) }) : upright
    )
      .jpeg({ quality: JPEG_QUALITY })
      .toBuffer({ resolveWithObject: true })
    const dpi = dotsPerInch(info.density, size, scale)
    const [width, height] = [(size.width / dpi) * 72, (size.height / dpi) * 72]
    pdf.addPage([width, height]).drawImage(await pdf.embedJpg(data), { x: 0, y: 0, width, height })
  }
  return pdf.save()
}
