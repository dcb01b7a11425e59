import { PDFDocument, StandardFonts } from 'pdf-lib'
import { Pdf } from '../pdf/pdfium.ts'
import type { Grey } from '../picture/grey.ts'

/** Dots an inch of printed pages. */
export const DPI = 200

/** A page of 400 by 200 points as a picture, with words at (x, y) from its upper left, for tests. */
export async function printed(...words: [text: string, x: number, y: number][]): Promise<Grey> {
  const made = await PDFDocument.create()
  const page = made.addPage([400, 200])
  const font = await made.embedFont(StandardFonts.Helvetica)
  for (const [text, x, y] of words) page.drawText(text, { x, y: 200 - y, size: 12, font })
  const pdf = await Pdf.open(await made.save())
  try {
    return pdf.render(0, DPI)
  } finally {
    pdf.close()
  }
}
