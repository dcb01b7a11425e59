import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument, StandardFonts } from 'pdf-lib'
import sharp from 'sharp'
import { pageOf } from '../../core/testing/page-of.ts'
import { line, page as rawPage } from '../../tests/support/raw-pdf.ts'
import { openSource } from '../input/source.ts'
import { Pdf } from '../pdf/pdfium.ts'
import { writeDocuments } from './documents.ts'
import type { CutPage, Original } from './runs.ts'
import { writeAll } from './write-all.ts'

let folder = ''
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'jigsa-documents-'))))
afterEach(() => rmSync(folder, { recursive: true }))

const original = (name: string, bytes: Uint8Array): Original => {
  const path = join(folder, `incoming-${name}`)
  writeFileSync(path, bytes)
  return { name, path }
}
const textOf = async (name: string, index: number) => {
  const pdf = await Pdf.open(new Uint8Array(readFileSync(join(folder, 'out', name))))
  const { words } = pdf.read(index)
  pdf.close()
  return words.map((w) => w.text).join(' ')
}
const opened = async (name: string) => PDFDocument.load(readFileSync(join(folder, 'out', name)))
const numbered = async (pages: number): Promise<Uint8Array> => {
  const made = await PDFDocument.create()
  const font = await made.embedFont(StandardFonts.Helvetica)
  for (let i = 1; i <= pages; i++)
    made.addPage([595, 842]).drawText(`This is page number ${i} of it`, { x: 60, y: 700, size: 12, font })
  return made.save()
}
const blankPicture = async (): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp({ create: { width: 827, height: 1169, channels: 3, background: '#ffffff' } })
      .jpeg()
      .toBuffer(),
  )
const page = (n: number): CutPage => ({ ...pageOf([]), file: 'a.pdf', filePage: n })
/** A page as the readers read it. */
const read = async (file: string, bytes: Uint8Array): Promise<CutPage> => {
  const source = await openSource(bytes)
  try {
    return { ...(await source.read(0, { wantsInk: () => false })), file, filePage: 1 }
  } finally {
    source.close()
  }
}

test('pages go to their documents in order, pictures get their words as text', async () => {
  const written = await writeAll(
    join(folder, 'out'),
    [
      { name: 'a.pdf', bytes: await numbered(12) },
      { name: 'b.jpg', bytes: await blankPicture() },
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
  expect(written.filter((w) => 'problem' in w || w.drawn)).toEqual([])
  expect(written).toHaveLength(5)
  expect(readdirSync(join(folder, 'out')).sort()).toEqual(['01.pdf', '02.pdf', '03.pdf', '04.pdf', '05.pdf'])
  expect(await textOf('01.pdf', 0)).toContain('page number 3')
  expect(await textOf('01.pdf', 1)).toContain('page number 11')
  expect((await opened('02.pdf')).getPageCount()).toBe(1)
  expect(await textOf('03.pdf', 0)).toContain('Hidden words')
  expect(await textOf('04.pdf', 0)).toContain('page number 5')
  expect(await textOf('04.pdf', 1)).toContain('Second leaf')
  expect((await opened('05.pdf')).getPage(0).getRotation().angle).toBe(90)
  expect((await opened('02.pdf')).getPage(0).getRotation().angle).toBe(0)
})

describe('a page that cannot be taken over', () => {
  const looped = rawPage(line('Net pay 2,140.55 of the loop'), {
    pages: '<< /Type /Pages /Kids [3 0 R 2 0 R] /Count 1 >>',
  })

  test('is drawn anew with its words, and its neighbours go out as they came', async () => {
    const good = await numbered(1)
    const written = await writeAll(
      join(folder, 'out'),
      [
        { name: 'a.pdf', bytes: good },
        { name: 'loop.pdf', bytes: looped },
      ],
      [
        { name: '01.pdf', pages: [page(1)] },
        { name: '02.pdf', pages: [await read('loop.pdf', looped)] },
      ],
    )
    expect(written).toEqual([
      { name: '01.pdf', drawn: false },
      { name: '02.pdf', drawn: true },
    ])
    expect(await textOf('01.pdf', 0)).toContain('page number 1')
    expect(await textOf('02.pdf', 0)).toBe('Net pay 2,140.55 of the loop')
    const pictured = await Pdf.open(new Uint8Array(readFileSync(join(folder, 'out', '02.pdf'))))
    expect(pictured.read(0).pictured).toBeCloseTo(1, 1)
    pictured.close()
  })

  test('or was mended into one that says less, likewise', async () => {
    const deep = rawPage(line('Words that go lost when it is mended'), {
      besides: `/Odd ${'['.repeat(2000)}${']'.repeat(2000)}`,
    })
    const one = await read('deep.pdf', deep)
    await writeDocuments(
      join(folder, 'out'),
      [original('deep.pdf', deep)],
      [{ name: '01.pdf', pages: [one] }],
    )
    expect(await textOf('01.pdf', 0)).toBe(one.words.map((w) => w.text).join(' '))
  })

  test('in no way at all costs its document alone', async () => {
    const written = await writeAll(
      join(folder, 'out'),
      [
        { name: 'a.pdf', bytes: await numbered(1) },
        { name: 'b.pdf', bytes: Buffer.from('%PDF-1.4 and nothing more') },
      ],
      [
        { name: '01.pdf', pages: [page(1)] },
        { name: '02.pdf', pages: [{ ...page(1), file: 'b.pdf' }] },
      ],
    )
    expect(written).toEqual([
      { name: '01.pdf', drawn: false },
      { name: '02.pdf', problem: 'This PDF is damaged and cannot be opened.' },
    ])
    expect(readdirSync(join(folder, 'out'))).toEqual(['01.pdf'])
  })
})
