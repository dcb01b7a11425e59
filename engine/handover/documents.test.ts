import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import sharp from 'sharp'
import { pageOf } from '../../core/page/page-of.ts'
import { openSource } from '../input/source.ts'
import { writeDocuments } from './documents.ts'

const folder = mkdtempSync(join(tmpdir(), 'jigsa-documents-'))
afterAll(() => rmSync(folder, { recursive: true }))

test('pages go to their documents in order, pictures get their words as text', async () => {
  const made = await PDFDocument.create()
  const font = await made.embedFont(StandardFonts.Helvetica)
  for (let i = 1; i <= 12; i++) made.addPage([595, 842]).drawText(`This is page number ${i} of it`, { x: 60, y: 700, size: 12, font })
  const picture = new Uint8Array(await sharp({ create: { width: 827, height: 1169, channels: 3, background: '#ffffff' } }).jpeg().toBuffer())
  const page = (n: number) => ({ ...pageOf([]), file: 'a.pdf', number: n, filePage: n })
  await writeDocuments(folder, [{ name: 'a.pdf', bytes: await made.save() }, { name: 'b.jpg', bytes: picture }], [
    { name: '01.pdf', pages: [page(3), page(11)] },
    { name: '02.pdf', pages: [page(12)] },
    { name: '03.pdf', pages: [{ ...pageOf(['Hidden words here for whoever searches']), file: 'b.jpg', source: 'ocr' }] },
  ])
  expect(readdirSync(folder).sort()).toEqual(['01.pdf', '02.pdf', '03.pdf'])
  const read = async (name: string, index: number) => {
    const source = await openSource(new Uint8Array(readFileSync(join(folder, name))), () => false)
    const { pdf } = { pdf: source }
    const found = await pdf.read(index)
    source.close()
    return found
  }
  expect((await read('01.pdf', 0)).words.map((w) => w.text)).toContain('3')
  expect((await read('01.pdf', 1)).words.map((w) => w.text)).toContain('11')
  expect((await PDFDocument.load(readFileSync(join(folder, '02.pdf')))).getPageCount()).toBe(1)
})
