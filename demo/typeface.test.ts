import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import fontkit from '@pdf-lib/fontkit'
import { typeface } from './typeface.ts'

const FILE = 'caveat/files/caveat-latin-400-normal.woff'

test('an unpacked typeface has the letters of the packed one', () => {
  const [plain, packed] = [
    fontkit.create(typeface(FILE)),
    fontkit.create(readFileSync(createRequire(import.meta.url).resolve(`@fontsource/${FILE}`))),
  ]
  const widths = (font: typeof plain) =>
    font.layout('Ottilie 48,750.00').glyphs.map((g: { advanceWidth: number }) => g.advanceWidth)
  expect(widths(plain)).toEqual(widths(packed))
})
test('it is unpacked once', () => expect(typeface(FILE)).toBe(typeface(FILE)))
