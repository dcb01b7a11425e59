import { execFile } from 'node:child_process'
import { copyFile, mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises'
import { availableParallelism, tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import pLimit from 'p-limit'
import type { Page } from '../../core/model/index.ts'
import { pictures } from '../image/library.ts'
import { kindOf } from '../input/kind.ts'
import { printable, type IncomingFile } from '../input/expand.ts'

const run = promisify(execFile)

/** One PDF to be made: its file name and its pages in order. */
export interface DocumentFile {
  name: string
  pages: readonly Page[]
}

/**
 * Pages that one run of qpdf puts out: enough to outweigh its start, few enough that their text layer stays
 * small.
 */
const RUN_PAGES = 240

/**
 * Writes a PDF per document into `folder`. Pages are taken over as they came, turned upright by their /Rotate
 * alone; pages that were pictures get the words that were read as an invisible layer, so that they can be
 * searched.
 */
export async function writeDocuments(
  folder: string,
  originals: readonly IncomingFile[],
  documents: readonly DocumentFile[],
): Promise<void> {
  await mkdir(folder, { recursive: true })
  const work = await mkdtemp(join(tmpdir(), 'jigsa-'))
  try {
    const sources = new Map<string, string>()
    for (const [i, file] of originals.entries()) {
      const source = join(work, `source-${i}.pdf`)
      await writeFile(
        source,
        (await kindOf(file.bytes)) === 'application/pdf' ? file.bytes : await pictureAsPdf(file.bytes),
      )
      sources.set(file.name, source)
    }
    const limit = pLimit(availableParallelism())
    await Promise.all(
      runsOf(documents).map((run, i) => limit(() => writeRun(join(work, `run-${i}`), folder, run, sources))),
    )
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

/**
 * Documents of the same number of pages. A run of qpdf for each document would read a file of 500 pages 500
 * times.
 */
function runsOf(documents: readonly DocumentFile[]): DocumentFile[][] {
  const runs: DocumentFile[][] = []
  const open = new Map<number, DocumentFile[]>()
  for (const document of documents) {
    const length = document.pages.length
    let run = open.get(length)
    if (!run || (run.length + 1) * length > RUN_PAGES) {
      run = []
      runs.push(run)
      open.set(length, run)
    }
    run.push(document)
  }
  return runs
}

/** Puts the pages of all documents one behind the other, and cuts that band into pieces of the same length. */
async function writeRun(
  work: string,
  folder: string,
  documents: readonly DocumentFile[],
  sources: ReadonlyMap<string, string>,
): Promise<void> {
  await mkdir(work)
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
  await qpdf([
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
  await Promise.all(
    documents.map((document, i) => copyFile(join(made, names[i]), join(folder, document.name))),
  )
}

/** Pages as qpdf is told them: a file, then its pages, for as long as the file stays the same. */
function bandOf(pages: readonly Page[], sources: ReadonlyMap<string, string>): string[] {
  const band: string[] = []
  pages.forEach((page, i) => {
    if (i > 0 && pages[i - 1].file === page.file) band[band.length - 1] += `,${page.filePage}`
    else band.push(sources.get(page.file)!, String(page.filePage))
  })
  return band
}

const isScanned = (page: Page): boolean => page.source === 'ocr' || page.source === 'mixed'

/** qpdf mends what it can on the way and says so with its exit code; the file is there and good. */
async function qpdf(args: string[]): Promise<void> {
  await run('qpdf', ['--warning-exit-0', ...args]).catch((error: Error & { stderr?: string }) => {
    throw new Error(`The document could not be cut out: ${error.stderr ?? error.message}`)
  })
}

/** The words of pages as text that is not drawn (render mode 3 of ISO 32000-1, 9.3.6). */
async function textLayer(pages: readonly Page[]): Promise<Uint8Array> {
  // Most packages have a text layer of their own: what makes one is loaded when a page was scanned.
  const {
    PDFDocument,
    StandardFonts,
    TextRenderingMode,
    popGraphicsState,
    pushGraphicsState,
    setTextRenderingMode,
  } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  for (const { width, height, words } of pages) {
    const page = pdf.addPage([width, height])
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
  return pdf.save()
}

async function pictureAsPdf(bytes: Uint8Array): Promise<Uint8Array> {
  const { degrees, PDFDocument } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const sharp = await pictures()
  const info = await sharp(bytes).metadata()
  for (let i = 0; i < (info.pages ?? 1); i++) {
    const { data, info: size } = await sharp(bytes, { page: i })
      .rotate()
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 88 })
      .toBuffer({ resolveWithObject: true })
    const dpi =
      info.density && info.density >= 100 && info.density <= 1200
        ? info.density
        : Math.min(600, Math.max(72, Math.min(size.width, size.height) / 8.27))
    const image = await pdf.embedJpg(data)
    const page = pdf.addPage([(size.width / dpi) * 72, (size.height / dpi) * 72])
    page.drawImage(image, {
      x: 0,
      y: 0,
      width: page.getWidth(),
      height: page.getHeight(),
      rotate: degrees(0),
    })
  }
  return pdf.save()
}
