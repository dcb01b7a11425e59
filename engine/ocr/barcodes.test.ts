import { darkBars } from '../image/dark-bars.ts'
import type { Grey } from '../image/greyscale.ts'
import { modulesOf } from '../print/barcode.ts'
import { readBarcodes } from './barcodes.ts'

const white = (): Grey => ({ width: 1240, height: 1754, data: new Uint8Array(1240 * 1754).fill(255) })

/** A page with a code drawn on it, its modules three dots wide, leaning by so many dots over its width. */
async function paged(text: string, format: 'Code128' | 'QRCode', lean = 0, turned = false): Promise<Grey> {
  const { runs, width, height } = await modulesOf(text, format)
  const tall = format === 'Code128' ? 50 : height
  const page = white()
  for (const run of runs)
    for (let y = run.y * 3; y < (height === 1 ? tall : run.y + 1) * 3; y++)
      for (let x = run.x * 3; x < (run.x + run.width) * 3; x++) {
        const [dx, dy] = turned ? [y, x] : [x, y + Math.round((x * lean) / (width * 3))]
        page.data[(400 + dy) * page.width + 300 + dx] = 0
      }
  return page
}

test.each([
  ['straight', 0, false],
  ['askew', 14, false],
  ['on its side', 0, true],
])('a Code 128 %s on a sheet of few words', async (_, lean, turned) => {
  const codes = await readBarcodes(await paged('MSM-26-004817', 'Code128', lean, turned), 6)
  expect(codes.map((c) => [c.format, c.text])).toEqual([['Code128', 'MSM-26-004817']])
})
test('bars on their side on a page of some words', async () =>
  expect(
    (await readBarcodes(await paged('MSM-26-004817', 'Code128', 0, true), 40)).map((c) => c.text),
  ).toEqual(['MSM-26-004817']))
test('on a page of many words only places with bars are read', async () => {
  const codes = await readBarcodes(await paged('MSM-26-004817', 'Code128'), 400)
  expect(codes.map((c) => c.text)).toEqual(['MSM-26-004817'])
  const [left, top, right, bottom] = codes[0].box
  expect([left, top, right, bottom].map((v) => Math.round(v * 100))).toEqual([24, 23, 62, expect.any(Number)])
})
test('a QR code on a page of many words', async () =>
  expect(
    (await readBarcodes(await paged('https://pay.example/4817', 'QRCode'), 400)).map((c) => [
      c.format,
      c.text,
    ]),
  ).toEqual([['QRCode', 'https://pay.example/4817']]))
test('a white page has none', async () => {
  expect(await readBarcodes(white(), 0)).toEqual([])
  expect(darkBars(white())).toEqual([])
})
test('lines of print are no bars', () => {
  const page = white()
  for (let row = 0; row < 40; row++)
    for (let x = 100; x < 1100; x++)
      for (let y = 0; y < 14; y++)
        if ((x * 7 + y * 13 + row * 5) % 11 < 4) page.data[(100 + row * 40 + y) * page.width + x] = 0
  expect(darkBars(page)).toEqual([])
})
