import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import sharp from 'sharp'
import { pageOf } from '../../core/testing/page-of.ts'
import { Pdf } from '../pdf/pdfium.ts'
import { writeDocuments } from './documents.ts'

const folder = mkdtempSync(join(tmpdir(), 'jigsa-documents-'))
afterAll(() => rmSync(folder, { recursive: true }))

test('pages go to their documents in order, pictures get their words as text', async () => {
  const made = await PDFDocument.create()
  const font = await made.embedFont(StandardFonts.Helvetica)
  for (let i = 1; i <= 12; i++)
    made.addPage([595, 842]).drawText(`This is page number ${i} of it`, { x: 60, y: 700, size: 12, font })
  const picture = new Uint8Array(
    await sharp({ create: { width: 827, height: 1169, channels: 3, background: '#ffffff' } })
      .jpeg()
      .toBuffer(),
  )
  const page = (n: number) => ({ ...pageOf([]), file: 'a.pdf', number: n, filePage: n })
  await writeDocuments(
    folder,
    [
      { name: 'a.pdf', bytes: await made.save() },
      { name: 'b.jpg', bytes: picture },
    ],
    [
      { name: '01.pdf', pages: [page(3), page(11)] },
      { name: '02.pdf', pages: [page(12)] },
      {
        name: '03.pdf',
        pages: [{ ...pageOf(['Hidden words here for whoever searches']), file: 'b.jpg', source: 'ocr' }],
      },
      {
        name: '04.pdf',
        pages: [
          page(5),
          { ...pageOf(['Second leaf, from a picture, found by its words']), file: 'b.jpg', source: 'ocr' },
        ],
      },
      { name: '05.pdf', pages: [{ ...page(7), rotation: 90 }] },
    ],
  )
  expect(readdirSync(folder).sort()).toEqual(['01.pdf', '02.pdf', '03.pdf', '04.pdf', '05.pdf'])
  const textOf = async (name: string, index: number) => {
    const pdf = await Pdf.open(new Uint8Array(readFileSync(join(folder, name))))
    const { words } = pdf.read(index)
    pdf.close()
    return words.map((w) => w.text).join(' ')
  }
  expect(await textOf('01.pdf', 0)).toContain('page number 3')
  expect(await textOf('01.pdf', 1)).toContain('page number 11')
  const opened = async (name: string) => PDFDocument.load(readFileSync(join(folder, name)))
  expect((await opened('02.pdf')).getPageCount()).toBe(1)
  expect(await textOf('03.pdf', 0)).toContain('Hidden words')
  expect(await textOf('04.pdf', 0)).toContain('page number 5')
  expect(await textOf('04.pdf', 1)).toContain('Second leaf')
  expect((await opened('05.pdf')).getPage(0).getRotation().angle).toBe(90)
  expect((await opened('02.pdf')).getPage(0).getRotation().angle).toBe(0)
})
