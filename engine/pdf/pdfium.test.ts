import { degrees, PDFDocument, StandardFonts, type PDFPage } from 'pdf-lib'
import sharp from 'sharp'
import { Pdf } from './pdfium.ts'

const jpeg = await sharp({ create: { width: 827, height: 1169, channels: 3, background: '#dddddd' } }).jpeg().toBuffer()

async function scanned(change: (page: PDFPage, made: PDFDocument) => unknown = () => undefined, [x, y, width, height] = [0, 0, 595, 842]): Promise<Pdf> {
  const made = await PDFDocument.create()
  const page = made.addPage([595, 842])
  page.drawImage(await made.embedJpg(jpeg), { x, y, width, height })
  await change(page, made)
  return Pdf.open(await made.save())
}
const taken = (pdf: Pdf) => { try { return pdf.scannedJpeg(0) } finally { pdf.close() } }

describe('the picture that a scanner wrote', () => {
  test('is taken as it is, byte for byte', async () => expect(Buffer.from(taken(await scanned())!).equals(jpeg)).toBe(true))
  test('not where something is written over it', async () => expect(taken(await scanned(async (page, made) => page.drawText('Received', { x: 50, y: 50, font: await made.embedFont(StandardFonts.Helvetica) })))).toBeNull())
  test('not where the page is turned', async () => expect(taken(await scanned((page) => page.setRotation(degrees(90))))).toBeNull())
  test('not where it fills half the page', async () => expect(taken(await scanned(() => undefined, [0, 0, 595, 421]))).toBeNull())
  test('not where there is none', async () => {
    const made = await PDFDocument.create()
    made.addPage()
    expect(taken(await Pdf.open(await made.save()))).toBeNull()
  })
})
