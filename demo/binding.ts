import { PDFDocument } from 'pdf-lib'
import type { Dice } from './dice.ts'
import { drawSeparator } from './papers/separator.ts'
import { scanPdf, type ScanQuality } from './scan.ts'
import type { Drawn, TrueField } from './truth.ts'

export interface PackageTruth {
  pages: { document: number | null; blank: boolean; separator: boolean; rotation: number }[]
  documents: { type: string; pages: number[]; signed: boolean | null; fields: Record<string, TrueField> }[]
  checklist: Record<string, string>
  conflicts: string[]
  failedChecks: string[]
  duplicates: [number, number][]
}

export interface MadePackage {
  bytes: Uint8Array
  truth: PackageTruth
}

/** How the papers reach the desk. */
export interface Handling {
  scan?: ScanQuality
  /** Scanned pages that lie upside down or sideways. */
  turned?: boolean
  /** Blank backs between the papers. */
  blanks?: boolean
  /** The last page of a numbered paper lies at the end of the package. */
  scattered?: boolean
  /** The case whose sheets are laid between some of the papers. */
  separators?: string
}

/** Papers bound into one PDF in the order given, with the truth of each page. A paper that comes again is a copy. */
export async function bound(
  papers: readonly Drawn[],
  given: Handling,
  dice: Dice,
  verdict: Pick<PackageTruth, 'checklist' | 'conflicts' | 'failedChecks'>,
): Promise<MadePackage> {
  const out = await PDFDocument.create()
  const pages: PackageTruth['pages'] = []
  const documents: PackageTruth['documents'] = []
  const indexOf = new Map<Drawn, number>()
  const duplicates: [number, number][] = []
  const add = async (bytes: Uint8Array) => {
    const source = await PDFDocument.load(bytes)
    for (const page of await out.copyPages(source, source.getPageIndices())) out.addPage(page)
  }
  for (const paper of papers) {
    if (given.separators && dice.chance(0.5)) {
      const sheet = await drawSeparator(given.separators, dice)
      await add(given.scan ? await scanPdf(sheet, given.scan, dice, [0]) : sheet)
      pages.push({ document: null, blank: false, separator: true, rotation: 0 })
    }
    const turns = Array.from({ length: paper.pages }, () =>
      given.scan && given.turned && dice.chance(0.12) ? dice.pick([90, 180, 270] as const) : 0,
    )
    await add(given.scan ? await scanPdf(paper.bytes, given.scan, dice, turns) : paper.bytes)
    const start = pages.length
    for (const rotation of turns)
      pages.push({ document: documents.length, blank: false, separator: false, rotation })
    const fields = Object.fromEntries(
      Object.entries(paper.fields).map(([name, field]) => [
        name,
        { ...field, page: start + Math.min(field.page, paper.pages) },
      ]),
    )
    if (indexOf.has(paper)) duplicates.push([indexOf.get(paper)!, documents.length])
    else indexOf.set(paper, documents.length)
    documents.push({
      type: paper.type,
      pages: turns.map((_, i) => start + 1 + i),
      signed: paper.signed,
      fields,
    })
    if (given.blanks && dice.chance(0.12)) {
      out.addPage([595, 842])
      pages.push({ document: null, blank: true, separator: false, rotation: 0 })
    }
  }
  if (given.scattered) scatter(out, pages, documents)
  return { bytes: await out.save(), truth: { ...verdict, pages, documents, duplicates } }
}

/** Papers on which every design prints the number of each page and of all. */
const NUMBERED: ReadonlySet<string> = new Set(['loan_application', 'bank_statement'])

/** Takes the last page of a numbered paper from its place to the end of the package. */
function scatter(out: PDFDocument, pages: PackageTruth['pages'], documents: PackageTruth['documents']): void {
  const paper = documents.find(
    (d) => NUMBERED.has(d.type) && d.pages.length > 1 && d.pages.at(-1)! < pages.length,
  )
  if (!paper) return
  const from = paper.pages.at(-1)!
  const [moved] = pages.splice(from - 1, 1)
  pages.push(moved)
  const page = out.getPage(from - 1)
  out.removePage(from - 1)
  out.addPage(page)
  const now = (number: number): number =>
    number === from ? pages.length : number > from ? number - 1 : number
  for (const d of documents) {
    d.pages = d.pages.map(now)
    for (const field of Object.values(d.fields)) field.page = now(field.page)
  }
}

/** Strays, a copy, and everything in any order: what a real package looks like. */
export function cluttered(papers: readonly Drawn[], strays: readonly Drawn[], dice: Dice): Drawn[] {
  const copied = dice.pick(papers.filter((p) => p.pages === 1))
  return dice.shuffle([...papers, ...strays, copied])
}
