import { PDFDocument, StandardFonts } from 'pdf-lib'
import { Pdf } from '../pdf/pdfium.ts'
import type { Grey } from '../image/greyscale.ts'

/** Dots an inch of printed pages. */
export const DPI = 200

type Placed = [text: string, x: number, y: number]

/** A page of 400 by 200 points as a picture, with words at (x, y) from its upper left, for tests. */
export const printed = (...words: Placed[]): Promise<Grey> => printedIn(StandardFonts.Helvetica, ...words)

/** The same in another typeface. */
export async function printedIn(face: StandardFonts, ...words: Placed[]): Promise<Grey> {
  const made = await PDFDocument.create()
  const page = made.addPage([400, 200])
  const font = await made.embedFont(face)
  for (const [text, x, y] of words) page.drawText(text, { x, y: 200 - y, size: 12, font })
  const pdf = await Pdf.open(await made.save())
  try {
    return pdf.render(0, DPI)
  } finally {
    pdf.close()
  }
}
