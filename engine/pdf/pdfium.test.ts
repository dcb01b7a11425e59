import { degrees, PDFDocument, setCharacterSpacing, StandardFonts, type PDFPage } from 'pdf-lib'
import sharp from 'sharp'
import { Pdf } from './pdfium.ts'

const jpeg = await sharp({ create: { width: 827, height: 1169, channels: 3, background: '#dddddd' } })
  .jpeg()
  .toBuffer()

async function scanned(
  change: (page: PDFPage, made: PDFDocument) => unknown = () => undefined,
  [x, y, width, height] = [0, 0, 595, 842],
): Promise<Pdf> {
  const made = await PDFDocument.create()
  const page = made.addPage([595, 842])
  page.drawImage(await made.embedJpg(jpeg), { x, y, width, height })
  await change(page, made)
  return Pdf.open(await made.save())
}
const taken = (pdf: Pdf) => {
  try {
    return pdf.scannedJpeg(0)
  } finally {
    pdf.close()
  }
}

describe('the picture that a scanner wrote', () => {
  test('is taken as it is, byte for byte', async () =>
    expect(Buffer.from(taken(await scanned())!).equals(jpeg)).toBe(true))
  test('not where something is written over it', async () =>
    expect(
      taken(
        await scanned(async (page, made) =>
          page.drawText('Received', { x: 50, y: 50, font: await made.embedFont(StandardFonts.Helvetica) }),
        ),
      ),
    ).toBeNull())
  test('not where the page is turned', async () =>
    expect(taken(await scanned((page) => page.setRotation(degrees(90))))).toBeNull())
  test('not where it fills half the page', async () =>
    expect(taken(await scanned(() => undefined, [0, 0, 595, 421]))).toBeNull())
  test('not where there is none', async () => {
    const made = await PDFDocument.create()
    made.addPage()
    expect(taken(await Pdf.open(await made.save()))).toBeNull()
  })
})

describe('words of a text layer', () => {
  const words = async (write: (page: PDFPage, made: PDFDocument) => Promise<unknown>) => {
    const made = await PDFDocument.create()
    await write(made.addPage([595, 842]), made)
    const pdf = await Pdf.open(await made.save())
    try {
      return pdf.read(0).words
    } finally {
      pdf.close()
    }
  }
  const write = (...runs: [text: string, x: number][]) =>
    words(async (page, made) => {
      const font = await made.embedFont(StandardFonts.Helvetica)
      for (const [text, x] of runs) page.drawText(text, { x, y: 700, size: 11, font })
    })

  test('runs side by side are words apart', async () =>
    expect((await write(['Net pay', 50], ['2,140.55', 92])).map((w) => [w.text, w.confidence])).toEqual([
      ['Net', 1],
      ['pay', 1],
      ['2,140.55', 1],
    ]))
  test('a value set over the end of its label keeps its letters together and is not trusted', async () => {
    const found = await write(['Our case number', 50], ['MSM-26-244807', 110])
    expect(found.map((w) => w.text)).toEqual(['Our', 'case', 'number', 'MSM-26-244807'])
    expect(found.map((w) => w.confidence)).toEqual([1, 1, 0.5, 0.5])
  })
  test.each([0, 1, 2.2, 3.4])('letters set %d points apart are words all the same', async (apart) => {
    const found = await words(async (page, made) => {
      const font = await made.embedFont(StandardFonts.Helvetica)
      page.pushOperators(setCharacterSpacing(apart))
      page.drawText('Name of the borrower', { x: 50, y: 700, size: 11, font })
      page.pushOperators(setCharacterSpacing(0))
      page.drawText('Net 2,140.55', { x: 50, y: 680, size: 11, font })
    })
    expect(found.map((w) => w.text)).toEqual(['Name', 'of', 'the', 'borrower', 'Net', '2,140.55'])
  })
  test('a hyphen at the end of a line stays', async () => {
    const found = await words(async (page, made) => {
      const font = await made.embedFont(StandardFonts.Helvetica)
      page.drawText('until 11-Aug-', { x: 50, y: 700, size: 11, font })
      page.drawText('2027', { x: 50, y: 686, size: 11, font })
    })
    expect(found.map((w) => w.text)).toEqual(['until', '11-Aug-', '2027'])
  })
  test('a word printed twice to make it bold is one that is sure', async () =>
    expect((await write(['Total', 50], ['Total', 50.3])).every((w) => w.confidence === 1)).toBe(true))
})

describe('a page that is shown on its side', () => {
  test.each([
    [90, 0, 270],
    [0, 90, 90],
    [180, 0, 180],
  ] as const)(
    'shown turned by %d, written turned by %d: %d puts it upright',
    async (shown, written, upright) => {
      const made = await PDFDocument.create()
      const page = made.addPage([595, 842])
      page.setRotation(degrees(shown))
      const font = await made.embedFont(StandardFonts.Helvetica)
      page.drawText('Net pay 2,140.55', { x: 200, y: 400, size: 11, font, rotate: degrees(written) })
      const pdf = await Pdf.open(await made.save())
      const { turned, words } = pdf.read(0)
      pdf.close()
      expect([turned, words.map((w) => w.text)]).toEqual([upright, ['Net', 'pay', '2,140.55']])
      const [first, last] = [words[0].box, words[2].box]
      // The words go down the page as it is shown, up it, or from right to left.
      expect(
        upright === 180 ? last[0] < first[0] : upright === 270 ? last[1] > first[1] : last[1] < first[1],
      ).toBe(true)
    },
  )
})

describe('a pen’s line', () => {
  /** Fourteen curves across a place, as a hand draws them. */
  const scrawl = `M 0 0 ${Array.from({ length: 14 }, (_, i) => `C ${i * 8 + 2} 20 ${i * 8 + 6} -20 ${i * 8 + 8} 0`).join(' ')}`
  const drawn = async (draw: (page: PDFPage, made: PDFDocument) => unknown) => {
    const made = await PDFDocument.create()
    const page = made.addPage([600, 800])
    await draw(page, made)
    const pdf = await Pdf.open(await made.save())
    try {
      return pdf.read(0).pens
    } finally {
      pdf.close()
    }
  }
  test('is found on the page itself', async () => {
    const [pen] = await drawn((page) => page.drawSvgPath(scrawl, { x: 60, y: 400, borderWidth: 1 }))
    expect(pen.box[0]).toBeCloseTo(0.1, 1)
    expect(pen.box[1]).toBeCloseTo(0.5, 1)
  })
  test('is found in a group, where the group’s own matrix puts it', async () => {
    const inner = await PDFDocument.create()
    inner.addPage([300, 200]).drawSvgPath(scrawl, { x: 20, y: 100, borderWidth: 1 })
    const [pen] = await drawn(async (page, made) => {
      const [group] = await made.embedPages([inner.getPage(0)])
      page.drawPage(group, { x: 300, y: 200, xScale: 0.5, yScale: 0.5 })
    })
    // 20 of 300 in the group, halved and moved by 300 of 600; 100 of 200 up, halved and moved by 200 of 800.
    expect(pen.box[0]).toBeCloseTo((300 + 10) / 600, 1)
    expect(pen.box[2]).toBeLessThan(0.65)
    expect((pen.box[1] + pen.box[3]) / 2).toBeCloseTo(1 - (200 + 50) / 800, 1)
  })
})

test('a page of many feet is drawn coarser than was asked, and as it is shaped', async () => {
  const made = await PDFDocument.create()
  made.addPage([72 * 60, 72 * 40]).drawRectangle({ x: 0, y: 0, width: 72 * 30, height: 72 * 40 })
  const pdf = await Pdf.open(await made.save())
  try {
    const { width, height, data } = pdf.render(0, 300)
    expect(width * height).toBeLessThanOrEqual(40.1e6)
    expect(width / height).toBeCloseTo(1.5, 2)
    expect([data[10 * width + 10] < 10, data[10 * width + width - 10]]).toEqual([true, 255])
    const colour = pdf.renderColour(0, 300)
    expect(colour.width * colour.height).toBeLessThanOrEqual(40.1e6)
  } finally {
    pdf.close()
  }
})
