import { execFile } from 'node:child_process'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import type { Bookmark } from '../../core/receivers/index.ts'
import { printable } from '../input/expand.ts'

const run = promisify(execFile)

/** What is put together, and what its first pages say. */
export interface Whole {
  title: string
  /** Lines under the title: whose papers they are. */
  about: readonly string[]
  /** PDFs on disk, in their order. */
  parts: readonly string[]
  marks: readonly Bookmark[]
}

/** Bytes of what qpdf tells of a file's pages: some 300 a page. */
const MOST_TOLD = 64 * 1024 * 1024

async function qpdf(args: string[]): Promise<string> {
  try {
    return (await run('qpdf', args, { maxBuffer: MOST_TOLD })).stdout
  } catch (error) {
    const { code, stdout } = error as { code?: number; stdout?: string }
    // It wrote what was asked for, and had something to mend in what it read.
    if (code === 3) return stdout ?? ''
    throw error
  }
}

/**
 * Puts PDFs one behind the other into one, with a page of contents in front, bookmarks and page labels: small Roman
 * figures for the contents, Arabic ones for the papers. Pages are taken over as they are; nothing is in memory but what
 * is written of them.
 */
export async function joinDocuments(path: string, whole: Whole): Promise<void> {
  const work = await mkdtemp(join(tmpdir(), 'jigsa-whole-'))
  try {
    const front = join(work, 'front.pdf')
    const contents = await contentsPages(whole)
    await writeFile(front, contents.bytes)
    const band = join(work, 'band.pdf')
    await qpdf(['--empty', '--pages', front, ...whole.parts, '--', band])
    const changes = join(work, 'changes.json')
    await writeFile(changes, JSON.stringify(await marked(band, whole, contents.pages)))
    await qpdf([band, `--update-from-json=${changes}`, '--object-streams=generate', path])
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

interface Told {
  pages: { object: string }[]
  qpdf: [{ maxobjectid: number }, Record<string, { value?: Record<string, unknown> }>]
}

/** What of a PDF is changed to have bookmarks and labels, as qpdf takes it (its JSON, version 2). */
async function marked(path: string, { title, marks }: Whole, front: number): Promise<object> {
  const told = async (object: string): Promise<Told> =>
    JSON.parse(
      await qpdf(['--json=2', '--json-key=pages', '--json-key=qpdf', `--json-object=${object}`, path]),
    ) as Told
  const { pages, qpdf: about } = await told('trailer')
  const trailer = about[1].trailer.value!
  const root = trailer['/Root'] as string
  const catalogue = (await told(root.replace(/^(\d+) (\d+) R$/, '$1,$2'))).qpdf[1][`obj:${root}`].value!
  const objects: Record<string, { value: unknown }> = {}
  let next = about[0].maxobjectid
  const fresh = () => `${++next} 0 R`
  const unicode = (text: string) => `u:${text}`

  const list = (all: readonly Bookmark[], parent: string): { first: string; last: string; count: number } => {
    const ids = all.map(fresh)
    let count = 0
    all.forEach((mark, i) => {
      const page = pages[front + mark.page - 1]
      const below = mark.below.length > 0 ? list(mark.below, ids[i]) : null
      count += 1
      objects[`obj:${ids[i]}`] = {
        value: {
          '/Title': unicode(mark.title),
          '/Parent': parent,
          ...(page ? { '/Dest': [page.object, '/Fit'] } : {}),
          ...(i > 0 ? { '/Prev': ids[i - 1] } : {}),
          ...(i < ids.length - 1 ? { '/Next': ids[i + 1] } : {}),
          // Closed: a reader sees the kinds first.
          ...(below ? { '/First': below.first, '/Last': below.last, '/Count': -below.count } : {}),
        },
      }
    })
    return { first: ids[0], last: ids[ids.length - 1], count }
  }
  const outlines = marks.length > 0 ? fresh() : null
  if (outlines) {
    const { first, last, count } = list(marks, outlines)
    objects[`obj:${outlines}`] = {
      value: { '/Type': '/Outlines', '/First': first, '/Last': last, '/Count': count },
    }
  }
  const info = fresh()
  objects[`obj:${info}`] = { value: { '/Title': unicode(title), '/Producer': unicode('Jigsa') } }
  objects[`obj:${root}`] = {
    value: {
      ...catalogue,
      ...(outlines ? { '/Outlines': outlines, '/PageMode': '/UseOutlines' } : {}),
      '/PageLabels': { '/Nums': [0, { '/S': '/r' }, front, { '/S': '/D' }] },
      '/ViewerPreferences': { '/DisplayDocTitle': true },
    },
  }
  return {
    qpdf: [
      { jsonversion: 2, pdfversion: '1.7', pushedinheritedpageresources: false, calledgetallpages: false },
      { ...objects, trailer: { value: { ...trailer, '/Info': info } } },
    ],
  }
}

const [WIDTH, HEIGHT, LEFT, RIGHT, LINE] = [595, 842, 57, 538, 17]
const MOST_LINES = 38

/** Pages that say what is in it, and on which page. */
async function contentsPages({ title, about, marks }: Whole): Promise<{ bytes: Uint8Array; pages: number }> {
  const { PDFDocument, StandardFonts } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  const [plain, bold] = [
    await pdf.embedFont(StandardFonts.Helvetica),
    await pdf.embedFont(StandardFonts.HelveticaBold),
  ]
  const lines = (all: readonly Bookmark[], deep: number): { text: string; page: number; deep: number }[] =>
    all.flatMap((mark) => [{ text: mark.title, page: mark.page, deep }, ...lines(mark.below, deep + 1)])
  const rows = lines(marks, 0)
  const sheets = Math.max(1, Math.ceil(rows.length / MOST_LINES))
  for (let sheet = 0; sheet < sheets; sheet++) {
    const page = pdf.addPage([WIDTH, HEIGHT])
    page.drawText(printable(title).slice(0, 60), { x: LEFT, y: 780, size: 17, font: bold })
    about.forEach((line, i) =>
      page.drawText(printable(line).slice(0, 90), { x: LEFT, y: 758 - i * 15, size: 10.5, font: plain }),
    )
    rows.slice(sheet * MOST_LINES, (sheet + 1) * MOST_LINES).forEach(({ text, page: at, deep }, i) => {
      const y = 692 - i * LINE
      const font = deep === 0 ? bold : plain
      page.drawText(printable(text).slice(0, 80), { x: LEFT + deep * 16, y, size: 10.5, font })
      const number = String(at)
      page.drawText(number, { x: RIGHT - plain.widthOfTextAtSize(number, 10.5), y, size: 10.5, font: plain })
    })
  }
  return { bytes: await pdf.save(), pages: sheets }
}
