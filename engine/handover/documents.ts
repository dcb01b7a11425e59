import { execFile } from 'node:child_process'
import { copyFile, mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import pLimit from 'p-limit'
import sharp from 'sharp'
import type { Page } from '../../core/page/page.ts'
import { kindOf } from '../input/source.ts'
import { printable, type IncomingFile } from '../input/expand.ts'

const run = promisify(execFile)

/** One PDF to be made: its file name and its pages in order. */
export interface DocumentFile {
  name: string
  pages: readonly Page[]
}

/**
 * Writes a PDF per document into `folder`. Pages are taken over as they came, turned upright by their /Rotate alone;
 * pages that were pictures get the words that were read as an invisible layer, so that they can be searched.
 */
export async function writeDocuments(folder: string, originals: readonly IncomingFile[], documents: readonly DocumentFile[]): Promise<void> {
  await mkdir(folder, { recursive: true })
  const work = await mkdtemp(join(tmpdir(), 'jigsa-'))
  try {
    // Every original is taken apart once: cutting each document out of a file of 500 pages would read it 500 times.
    const pages = new Map<string, (page: number) => string>()
    for (const [i, file] of originals.entries()) pages.set(file.name, await takeApart(work, i, file))
    const limit = pLimit(availableParallelism())
    await Promise.all(documents.map((document, i) => limit(() => writeDocument(join(work, `layer-${i}.pdf`), join(folder, document.name), document.pages, pages))))
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

/** A file of one page for each page of an original; returns where the n-th, from 1, lies. */
async function takeApart(work: string, index: number, file: IncomingFile): Promise<(page: number) => string> {
  const whole = join(work, `${index}.pdf`)
  await writeFile(whole, (await kindOf(file.bytes)) === 'application/pdf' ? file.bytes : await pictureAsPdf(file.bytes))
  await qpdf(['--split-pages=1', whole, join(work, `${index}-%d.pdf`)])
  const made = (await readdir(work)).filter((name) => name.startsWith(`${index}-`))
  const width = made[0].length - `${index}-.pdf`.length
  return (page) => join(work, `${index}-${String(page).padStart(width, '0')}.pdf`)
}

async function writeDocument(layer: string, target: string, pages: readonly Page[], places: ReadonlyMap<string, (page: number) => string>): Promise<void> {
  const files = pages.map((p) => places.get(p.file)!(p.filePage))
  const turns = pages.flatMap((p, i) => (p.rotation ? [`--rotate=+${p.rotation}:${i + 1}`] : []))
  const scanned = pages.some((p) => p.source === 'ocr' || p.source === 'mixed')
  if (files.length === 1 && turns.length === 0 && !scanned) return copyFile(files[0], target)
  const overlay: string[] = []
  if (scanned) {
    await writeFile(layer, await textLayer(pages))
    overlay.push('--overlay', layer, '--')
  }
  await qpdf(['--empty', '--pages', ...files, '--', ...turns, ...overlay, target])
}

/** qpdf mends what it can on the way and says so with its exit code; the file is there and good. */
async function qpdf(args: string[]): Promise<void> {
  await run('qpdf', ['--warning-exit-0', ...args]).catch((error: Error & { stderr?: string }) => {
    throw new Error(`The document could not be cut out: ${error.stderr ?? error.message}`)
  })
}

/** The words of scanned pages as text that is not drawn (render mode 3 of ISO 32000-1, 9.3.6). */
async function textLayer(pages: readonly Page[]): Promise<Uint8Array> {
  // Most packages have a text layer of their own: what makes one is loaded when a page was scanned.
  const { PDFDocument, StandardFonts, TextRenderingMode, popGraphicsState, pushGraphicsState, setTextRenderingMode } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  for (const { width, height, words, source } of pages) {
    const page = pdf.addPage([width, height])
    if (source !== 'ocr' && source !== 'mixed') continue
    page.pushOperators(pushGraphicsState(), setTextRenderingMode(TextRenderingMode.Invisible))
    for (const word of words) {
      const text = printable(word.text)
      const [left, top, right, bottom] = word.box
      const natural = font.widthOfTextAtSize(text, 1)
      const size = Math.max(1, Math.min(((right - left) * width) / Math.max(0.1, natural), (bottom - top) * height * 1.4))
      page.drawText(text, { x: left * width, y: (1 - bottom + (bottom - top) * 0.2) * height, size, font })
    }
    page.pushOperators(popGraphicsState())
  }
  return pdf.save()
}

async function pictureAsPdf(bytes: Uint8Array): Promise<Uint8Array> {
  const { degrees, PDFDocument } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const info = await sharp(bytes).metadata()
  for (let i = 0; i < (info.pages ?? 1); i++) {
    const { data, info: size } = await sharp(bytes, { page: i }).rotate().flatten({ background: '#ffffff' }).jpeg({ quality: 88 }).toBuffer({ resolveWithObject: true })
    const dpi = info.density && info.density >= 100 && info.density <= 1200 ? info.density : Math.min(600, Math.max(72, Math.min(size.width, size.height) / 8.27))
    const image = await pdf.embedJpg(data)
    const page = pdf.addPage([(size.width / dpi) * 72, (size.height / dpi) * 72])
    page.drawImage(image, { x: 0, y: 0, width: page.getWidth(), height: page.getHeight(), rotate: degrees(0) })
  }
  return pdf.save()
}
