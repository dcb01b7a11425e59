import { PDFDocument, StandardFonts } from 'pdf-lib'
import { modulesOf } from '../../engine/print/barcode.ts'
import { coverSheet, separatorSheets } from '../../engine/print/sheets.ts'
import type { Dice } from '../dice.ts'

/** A sheet laid between papers: one that Jigsa prints, or one of another office's make. */
export async function drawSeparator(caseNumber: string, dice: Dice): Promise<Uint8Array> {
  const way = dice.int(0, 3)
  if (way === 0) return coverSheet({ caseNumber, lines: ['Working-boat loan'] })
  if (way === 1) return separatorSheets(1)
  const pdf = await PDFDocument.create()
  const page = pdf.addPage([595, 842])
  const font = await pdf.embedFont(StandardFonts.CourierBold)
  const { runs, width, height } = await modulesOf(caseNumber, way === 2 ? 'Code128' : 'QRCode')
  const square = way === 3
  const module = (square ? 150 : 330) / width
  for (const run of runs)
    page.drawRectangle({
      x: 60 + run.x * module,
      y: square ? 600 - run.y * module : 560,
      width: run.width * module,
      height: square ? module : 60,
    })
  page.drawText(dice.pick(['SEPARATOR SHEET', 'DOCUMENT SEPARATOR', 'INTERCALAIRE', 'NEXT DOCUMENT']), {
    x: 60,
    y: 720,
    size: 24,
    font,
  })
  page.drawText(`Case ${caseNumber}`, { x: 60, y: square ? 380 : 520, size: 14, font })
  if (height > 1) page.drawText('Do not remove before scanning.', { x: 60, y: 350, size: 10, font })
  return pdf.save()
}
