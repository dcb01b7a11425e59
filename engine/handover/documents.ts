import { execFile } from 'node:child_process'
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { degrees, PDFDocument, StandardFonts, TextRenderingMode, pushGraphicsState, popGraphicsState, setTextRenderingMode } from 'pdf-lib'
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
    const paths = new Map<string, string>()
    for (const [i, file] of originals.entries()) {
      const path = join(work, `${i}.pdf`)
      await writeFile(path, (await kindOf(file.bytes)) === 'application/pdf' ? file.bytes : await pictureAsPdf(file.bytes))
      paths.set(file.name, path)
    }
    for (const document of documents) await writeDocument(work, join(folder, document.name), document.pages, paths)
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

async function writeDocument(work: string, target: string, pages: readonly Page[], paths: ReadonlyMap<string, string>): Promise<void> {
  const taken = pages.flatMap((p) => [paths.get(p.file)!, String(p.filePage)])
  const turns = pages.flatMap((p, i) => (p.rotation ? [`--rotate=+${p.rotation}:${i + 1}`] : []))
  const scanned = pages.some((p) => p.source === 'ocr' || p.source === 'mixed')
  const overlay: string[] = []
  if (scanned) {
    const layer = join(work, 'layer.pdf')
    await writeFile(layer, await textLayer(pages))
    overlay.push('--overlay', layer, '--')
  }
  // qpdf ends with 3 where it mended something on the way; the file is there and good.
  await run('qpdf', ['--warning-exit-0', '--empty', '--pages', ...taken, '--', ...turns, ...overlay, target]).catch((error: Error & { stderr?: string }) => {
    throw new Error(`The document could not be cut out: ${error.stderr ?? error.message}`)
  })
}

/** The words of scanned pages as text that is not drawn (render mode 3 of ISO 32000-1, 9.3.6). */
async function textLayer(pages: readonly Page[]): Promise<Uint8Array> {
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
