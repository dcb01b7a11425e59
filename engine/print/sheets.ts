import type { PDFFont, PDFPage } from 'pdf-lib'
import { separatorSheet } from '../../core/program/index.ts'
import { printable } from '../input/expand.ts'
import { modulesOf } from './barcode.ts'

/** What a cover sheet says of its case besides its number. */
export interface CoverSheet {
  caseNumber: string
  /** Proves that the desk printed it; without it, a person is asked before anything is filed. */
  authentication?: string
  /** Lines for people: programme, applicant, day of printing. */
  lines: readonly string[]
}

/** A cover sheet: laid on top of a case's papers before scanning, it files them to the case. */
export async function coverSheet({ caseNumber, authentication, lines }: CoverSheet): Promise<Uint8Array> {
  return sheet(
    'Cover sheet',
    { text: caseNumber, code: authentication ? `${caseNumber}+${authentication}` : caseNumber },
    [
      ...lines,
      'Lay this sheet on the papers of the case and scan them together.',
      'It files them to the case and is in no document.',
    ],
  )
}

/** Sheets to lay between papers, `count` pages of them: each begins a new document. */
export async function separatorSheets(count: number): Promise<Uint8Array> {
  return sheet(
    'Separator sheet',
    { text: separatorSheet.plain, code: separatorSheet.plain },
    [
      'Lay this sheet between two papers before scanning.',
      'What follows begins a new document. The sheet can be used again.',
    ],
    count,
  )
}

async function sheet(
  title: string,
  { text, code }: { text: string; code: string },
  lines: readonly string[],
  copies = 1,
): Promise<Uint8Array> {
  const { PDFDocument, StandardFonts } = await import('pdf-lib')
  const pdf = await PDFDocument.create()
  pdf.setTitle(`${title} ${text}`)
  const [plain, bold] = [
    await pdf.embedFont(StandardFonts.Helvetica),
    await pdf.embedFont(StandardFonts.HelveticaBold),
  ]
  for (let i = 0; i < copies; i++) {
    const page = pdf.addPage([595, 842])
    centred(page, bold, title, 30, 700)
    centred(page, bold, text, 22, 655)
    // Twice, upright and on its side, so that a fold or a stamp hides at most one.
    await bars(page, code, { x: 67, y: 500, long: 460, tall: 110 }, false)
    await bars(page, code, { x: 60, y: 60, long: 340, tall: 70 }, true)
    lines.forEach((line, n) => centred(page, plain, printable(line), 13, 430 - n * 22))
  }
  return pdf.save()
}

function centred(page: PDFPage, font: PDFFont, text: string, size: number, y: number): void {
  page.drawText(text, { x: (page.getWidth() - font.widthOfTextAtSize(text, size)) / 2, y, size, font })
}

async function bars(
  page: PDFPage,
  text: string,
  place: { x: number; y: number; long: number; tall: number },
  upended: boolean,
): Promise<void> {
  const { runs, width } = await modulesOf(text, 'Code128')
  const module = place.long / width
  for (const run of runs) {
    const [from, wide] = [run.x * module, run.width * module]
    page.drawRectangle(
      upended
        ? { x: place.x, y: place.y + from, width: place.tall, height: wide }
        : { x: place.x + from, y: place.y, width: wide, height: place.tall },
    )
  }
}
